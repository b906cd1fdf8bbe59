/** Inner diameters in which loom and shrink are stocked, in mm. */
export const BORES_MM = [3, 4.5, 6, 8, 10, 13, 16, 20, 25, 32, 40] as const;
const PACKED = 1.15;

/** Diameter of wires laid together, in mm: 1.15 · √Σd² of their outer diameters. */
export function bundleDiameterMm(outerMm: readonly number[]): number {
  return PACKED * Math.sqrt(outerMm.reduce((sum, d) => sum + d * d, 0));
}

/** The next bore that goes over a bundle, in mm; undefined above the largest. Shrink is to come down to the bundle: its ratio is over what that takes. */
export function boreFor(bundleMm: number, shrinkRatio?: number): number | undefined {
  return BORES_MM.find((bore) => bore >= bundleMm - 1e-9 && (shrinkRatio === undefined || bore / shrinkRatio <= bundleMm + 1e-9));
}

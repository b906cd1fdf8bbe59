import { rounded, type SheetPoint } from './paths.ts';

/** What a stroke shows, from what lies behind to what lies before; each has its own weight and fill. */
export const PLATE_KINDS = ['tyre', 'body', 'arch', 'rim', 'black', 'glass', 'lamp', 'lens', 'turn', 'red', 'blank', 'panel', 'detail'] as const;
export type PlateKind = (typeof PLATE_KINDS)[number];

export interface PlateStroke {
  kind: PlateKind;
  path: string;
}

/** A closed shape through points, its corners rounded. */
export const shape = (kind: PlateKind, points: readonly SheetPoint[], radius = 20): PlateStroke => ({ kind, path: rounded(points, radius) });

/** An open line through points. */
export const line = (kind: PlateKind, points: readonly SheetPoint[], radius = 10): PlateStroke => ({ kind, path: rounded(points, radius, false) });

/** A rectangle between two corners. */
export const box = (kind: PlateKind, [x0, y0]: SheetPoint, [x1, y1]: SheetPoint, radius = 12): PlateStroke =>
  shape(
    kind,
    [
      [x0, y0],
      [x1, y0],
      [x1, y1],
      [x0, y1],
    ],
    radius,
  );

export const circle = (kind: PlateKind, [x, y]: SheetPoint, radius: number): PlateStroke => {
  const r = Math.round(radius);
  return { kind, path: `M${Math.round(x - r)} ${Math.round(y)}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z` };
};

/** Points of the left half mirrored to the right: a shape that is alike on both sides. */
export const whole = (left: readonly SheetPoint[]): SheetPoint[] => [...left, ...left.map(([x, y]): SheetPoint => [-x, y]).reverse()];

/** What is drawn of one side, and the same on the other. */
export const both = (draw: (sign: 1 | -1) => PlateStroke[]): PlateStroke[] => [...draw(-1), ...draw(1)];

/** A wheel from the side: the arch that it turns in above the sill, tyre, rim, hub and spokes. */
export function wheel([x, y]: SheetPoint, radius: number, archRadius: number, sillY: number): PlateStroke[] {
  const reach = Math.sqrt(Math.max(0, archRadius ** 2 - (sillY - y) ** 2));
  const [from, to, arch, sill] = [x - reach, x + reach, archRadius, sillY].map(Math.round);
  const spokes = Array.from({ length: 5 }, (_, index) => {
    const angle = (index * 2 * Math.PI) / 5 - Math.PI / 2;
    const at = (share: number): SheetPoint => [x + Math.cos(angle) * radius * share, y + Math.sin(angle) * radius * share];
    return line('detail', [at(0.2), at(0.58)]);
  });
  return [
    { kind: 'arch', path: `M${from} ${sill}A${arch} ${arch} 0 ${sillY > y ? 1 : 0} 1 ${to} ${sill}Z` },
    circle('tyre', [x, y], radius),
    circle('rim', [x, y], radius * 0.64),
    ...spokes,
    circle('detail', [x, y], radius * 0.2),
  ];
}

import type { WireTable } from '../rules/index.ts';

/** Metric sizes of single wires, in mm². */
export const METRIC_MM2 = [0.35, 0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25] as const;
/** American wire gauges that are stocked, thinnest first. */
export const GAUGES = [20, 18, 16, 14, 12, 10, 8, 6, 4] as const;

const COPPER_OHM_MM2_PER_M = 0.01724;
const COPPER_PER_K = 0.00393;

/** Resistance of a copper conductor in ohms: ρ·L/A·(1 + α(T − 20)), ρ = 0.01724 Ω·mm²/m, α = 0.00393/K. */
export function copperOhm(lengthM: number, areaMm2: number, temperatureC = 20): number {
  return ((COPPER_OHM_MM2_PER_M * lengthM) / areaMm2) * (1 + COPPER_PER_K * (temperatureC - 20));
}

/** Diameter in mm of the bare conductor of an American wire gauge: 0.127·92^((36−n)/39). */
export function gaugeDiameterMm(gauge: number): number {
  return 0.127 * 92 ** ((36 - gauge) / 39);
}

/** Copper area in mm² of an American wire gauge: π·d²/4. */
export function gaugeAreaMm2(gauge: number): number {
  return (Math.PI * gaugeDiameterMm(gauge) ** 2) / 4;
}

/** A wire as it may be stated: by its area, by its gauge, or by what its maker says of its resistance. */
export interface Conductor {
  lengthM: number;
  areaMm2: number;
  /** The maker's resistance for each metre at 20 °C; it stands in place of that of pure copper. */
  ohmPerM?: number;
  /** Of the conductor itself; 20 °C where it is not said. */
  temperatureC?: number;
}

/** Resistance of a conductor in ohms at its own temperature. */
export function conductorOhm({ lengthM, areaMm2, ohmPerM, temperatureC = 20 }: Conductor): number {
  if (ohmPerM === undefined) return copperOhm(lengthM, areaMm2, temperatureC);
  return ohmPerM * lengthM * (1 + COPPER_PER_K * (temperatureC - 20));
}

/**
 * Amperes that a wire may carry for long where it lies: the table's value (between two sizes by a straight line in their logarithms,
 * nothing below the smallest), less heat it has to give off into a warmer place, √((T_most − T)/(T_most − T_table)), and less again by
 * the share that its bundle leaves it. Nothing is permitted where the place is as hot as the wire may be.
 */
export function permittedA(areaMm2: number, table: WireTable, place: { temperatureC: number; bundle: number }): number {
  const open = inOpenAirA(areaMm2, table);
  const heat = (table.mostC - place.temperatureC) / (table.mostC - table.atC);
  const share = table.bundle.findLast(({ from }) => place.bundle >= from)?.share ?? 1;
  return open * Math.sqrt(Math.max(0, heat)) * share;
}

function inOpenAirA(areaMm2: number, { permitted }: WireTable): number {
  const upper = permitted.findIndex((entry) => entry.areaMm2 >= areaMm2 - 1e-9);
  const [low, high] = [permitted[upper - 1], permitted[upper]];
  // Above the largest size no more is known than of the largest.
  if (!high) return permitted.at(-1)?.ampere ?? 0;
  if (Math.abs(high.areaMm2 - areaMm2) < 1e-9) return high.ampere;
  if (!low) return 0;
  const part = Math.log(areaMm2 / low.areaMm2) / Math.log(high.areaMm2 / low.areaMm2);
  return low.ampere * (high.ampere / low.ampere) ** part;
}

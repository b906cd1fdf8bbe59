import type { Surge } from '../vehicle/index.ts';
import type { WireTable } from '../rules/index.ts';

/** Standard blade fuses in amperes. */
export const BLADE_FUSES_A = [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 35, 40] as const;
/** Share of its rating that a fuse carries for long. */
const CONTINUOUS_SHARE = 0.8;

/** How many times its rating a fuse bears for so long, by the rule set's table; its continuous share where the table says nothing of so long a time. */
export function bornTimes(forMs: number, table: WireTable['surge']): number {
  return table.find((entry) => forMs <= entry.forMs)?.times ?? CONTINUOUS_SHARE;
}

/** Smallest standard blade fuse of which 80 % is at least the continuous current and which bears the surge; undefined above 32 A. */
export function smallestFuseA(continuousA: number, surge?: Surge, table: WireTable['surge'] = []): number | undefined {
  const surgeA = surge ? surge.ampere / bornTimes(surge.forMs, table) : 0;
  return BLADE_FUSES_A.find((fuse) => fuse * CONTINUOUS_SHARE >= continuousA - 1e-9 && fuse >= surgeA - 1e-9);
}

import { loadCurrentA, type Drawing } from './current.ts';

/** What was seen of a lamp when one of its wires was fed on the bench. */
export const SEEN_LIT = ['as the kit says', 'something else', 'nothing'] as const;
export type SeenLit = (typeof SEEN_LIT)[number];

/** Shares of the stated current between which a lamp draws as it should; lamps differ, and their makers round. To be confirmed by the shop. */
const LEAST_SHARE = 0.7;
const MOST_SHARE = 1.3;
/** The supply is set to give no more than this many times what is stated, and never less than its least step. */
const LIMIT_TIMES = 1.5;
const LEAST_LIMIT_A = 0.1;

/** Current that a wire of a lamp is stated to take, in amperes, at the voltage of the bench supply. */
export const statedA = (loads: readonly Drawing[], volts: number): number => loads.reduce((sum, load) => sum + loadCurrentA(load, volts), 0);

/** To what the supply is limited while a wire is tried, in amperes, rounded up to a tenth: a short draws no more than this. */
export const supplyLimitA = (loads: readonly Drawing[], volts: number): number => Math.max(LEAST_LIMIT_A, Math.ceil(statedA(loads, volts) * LIMIT_TIMES * 10 - 1e-9) / 10);

export type PoweredFault = 'lights something else' | 'lights nothing' | 'draws too little' | 'draws too much' | 'at the limit';

/** What a wire that was fed on the bench says of its lamp: what is not as its kit states, worst first. */
export function judgePowered(loads: readonly Drawing[], volts: number, ampere: number, lit: SeenLit): { statedA: number; share: number; faults: PoweredFault[] } {
  const stated = statedA(loads, volts);
  const share = stated > 0 ? ampere / stated : 0;
  const faults: PoweredFault[] = [
    ...(ampere >= supplyLimitA(loads, volts) - 1e-9 ? ['at the limit' as const] : share > MOST_SHARE ? ['draws too much' as const] : []),
    ...(lit === 'something else' ? ['lights something else' as const] : lit === 'nothing' ? ['lights nothing' as const] : []),
    ...(share < LEAST_SHARE ? ['draws too little' as const] : []),
  ];
  return { statedA: stated, share, faults };
}

import type { ProbeFunction } from './functions.ts';
import { groundChanceOf, partsOf, readingChance, type Part, type ProbeRules, type ProbeRun } from './run.ts';

/** What each pin of a plug is, by chance: exact, over every way the functions may lie on the pins. */
export interface ProbeChances {
  parts: Part[];
  unique: ProbeFunction[];
  /** By pin, then by part. */
  pins: number[][];
  /** By unique function: that no pin carries it. */
  absent: number[];
  /** That the plug has no ground. */
  groundless: number;
}

/** Chance of every reading of a pin under each part, the largest of them 1. */
function pinWeights(run: ProbeRun, parts: readonly Part[], rules: ProbeRules): number[][] {
  return run.pins.map(({ id, hint }) => {
    const own = run.readings.filter((reading) => reading.pin === id);
    const logs = parts.map((part) => {
      const hinted = hint && part.functions.length === 1 && part.functions[0] === hint.function ? Math.log(hint.times) : 0;
      return own.reduce((sum, reading) => sum + Math.log(readingChance(part, reading, run, rules)), Math.log(part.weight) + hinted);
    });
    const most = Math.max(...logs);
    return logs.map((log) => Math.exp(log - most));
  });
}

/**
 * Chances of every part on every pin, over all assignments in which a unique function sits on at most one pin: dynamic programming over the pins with
 * a mask of the unique functions used, forward and backward, and one flag whether any pin is a ground. Grounds and empties take no bit, a
 * combined circuit several. Work grows with pins × parts × 2^(unique functions); exact to 16 pins and as many functions.
 */
export function probeChances(run: ProbeRun, rules: ProbeRules): ProbeChances {
  const { parts, unique, absent } = partsOf(run);
  const weights = pinWeights(run, parts, rules);
  const flag = 1 << unique.length;
  const size = flag * 2;
  const all = flag - 1;
  const count = run.pins.length;
  const withGround = groundChanceOf(run);
  const hasGround = parts.some((part) => part.ground);
  const forward: Float64Array[] = [new Float64Array(size)];
  forward[0]![0] = 1;
  for (let pin = 0; pin < count; pin++) {
    const [from, to, weight] = [forward[pin]!, new Float64Array(size), weights[pin]!];
    let most = 0;
    for (let mask = 0; mask < size; mask++) {
      const sum = from[mask]!;
      if (sum === 0) continue;
      for (let index = 0; index < parts.length; index++) {
        const part = parts[index]!;
        if ((mask & part.bits) !== 0) continue;
        const next = mask | part.bits | (part.ground ? flag : 0);
        const value = to[next]! + sum * weight[index]!;
        to[next] = value;
        if (value > most) most = value;
      }
    }
    // Only shares count: what grows small is brought back to 1.
    if (most > 0) for (let mask = 0; mask < size; mask++) to[mask]! /= most;
    forward.push(to);
  }
  const end = new Float64Array(size);
  for (let mask = 0; mask < size; mask++) {
    let value = !hasGround ? 1 : (mask & flag) === 0 ? 1 - withGround : withGround;
    for (let bit = 0; bit < unique.length; bit++) if ((mask & (1 << bit)) === 0) value *= absent[bit]!;
    end[mask] = value;
  }
  const last = forward[count]!;
  let total = 0;
  const gone = new Array<number>(unique.length).fill(0);
  let groundless = 0;
  for (let mask = 0; mask < size; mask++) {
    const value = last[mask]! * end[mask]!;
    if (value === 0) continue;
    total += value;
    if ((mask & flag) === 0) groundless += value;
    for (let bit = 0; bit < unique.length; bit++) if ((mask & all & (1 << bit)) === 0) gone[bit]! += value;
  }
  const pins = new Array<number[]>(count);
  let backward = end;
  for (let pin = count - 1; pin >= 0; pin--) {
    const [from, weight] = [forward[pin]!, weights[pin]!];
    const before = new Float64Array(size);
    const chance = new Array<number>(parts.length).fill(0);
    let [sum, most] = [0, 0];
    for (let mask = 0; mask < size; mask++) {
      const reached = from[mask]!;
      if (reached === 0) continue;
      let onward = 0;
      for (let index = 0; index < parts.length; index++) {
        const part = parts[index]!;
        if ((mask & part.bits) !== 0) continue;
        const value = weight[index]! * backward[mask | part.bits | (part.ground ? flag : 0)]!;
        onward += value;
        chance[index]! += reached * value;
      }
      before[mask] = onward;
      if (onward > most) most = onward;
    }
    for (const value of chance) sum += value;
    pins[pin] = sum > 0 ? chance.map((value) => value / sum) : chance;
    if (most > 0) for (let mask = 0; mask < size; mask++) before[mask]! /= most;
    backward = before;
  }
  const share = (value: number) => (total > 0 ? value / total : 0);
  return { parts, unique, pins, absent: gone.map(share), groundless: hasGround ? share(groundless) : 1 };
}

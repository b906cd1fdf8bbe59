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

/** From this share of reached masks on it is faster to go through all of them in order. */
const DENSE = 0.2;
const isOneBit = (bits: number): boolean => bits !== 0 && (bits & (bits - 1)) === 0;

/** Puts one function on a pin: every mask without its bit goes, weighed, to the one with it. */
function spread(from: Float64Array, to: Float64Array, bit: number, weight: number): void {
  for (let high = 0; high < from.length; high += 2 * bit) for (let mask = high; mask < high + bit; mask++) to[mask + bit]! += from[mask]! * weight;
}

/** The same backward: what each mask without the bit leads to, summed up against what leads to it. */
function gather(from: Float64Array, after: Float64Array, before: Float64Array, bit: number, weight: number): number {
  let sum = 0;
  for (let high = 0; high < from.length; high += 2 * bit)
    for (let mask = high; mask < high + bit; mask++) {
      const onward = after[mask + bit]! * weight;
      before[mask]! += onward;
      sum += from[mask]! * onward;
    }
  return sum;
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
  const count = run.pins.length;
  const withGround = groundChanceOf(run);
  const hasGround = parts.some((part) => part.ground);
  const bits = Int32Array.from(parts, (part) => part.bits);
  const adds = Int32Array.from(parts, (part) => part.bits | (part.ground ? flag : 0));
  const forward: Float64Array[] = [new Float64Array(size)];
  forward[0]![0] = 1;
  // Masks that can be reached before each pin: only they are gone through.
  const reached: Int32Array[] = [Int32Array.of(0)];
  for (let pin = 0; pin < count; pin++) {
    const [from, to, masks] = [forward[pin]!, new Float64Array(size), reached[pin]!];
    const dense = masks.length > size * DENSE;
    for (let index = 0; index < parts.length; index++) {
      const [own, add, weight] = [bits[index]!, adds[index]!, weights[pin]![index]!];
      if (dense && isOneBit(own)) spread(from, to, own, weight);
      else
        for (let place = 0; place < masks.length; place++) {
          const mask = masks[place]!;
          if ((mask & own) === 0) to[mask | add]! += from[mask]! * weight;
        }
    }
    // Only shares count: what grows small is brought back to 1.
    let most = 0;
    const next: number[] = [];
    for (let mask = 0; mask < size; mask++) {
      const value = to[mask]!;
      if (value === 0) continue;
      next.push(mask);
      if (value > most) most = value;
    }
    for (const mask of next) to[mask]! /= most;
    forward.push(to);
    reached.push(Int32Array.from(next));
  }
  const last = forward[count]!;
  const end = new Float64Array(size);
  const gone = new Array<number>(unique.length).fill(0);
  let [total, groundless] = [0, 0];
  for (const mask of reached[count]!) {
    let value = !hasGround ? 1 : (mask & flag) === 0 ? 1 - withGround : withGround;
    for (let bit = 0; bit < unique.length; bit++) if ((mask & (1 << bit)) === 0) value *= absent[bit]!;
    end[mask] = value;
    const weighed = last[mask]! * value;
    total += weighed;
    if ((mask & flag) === 0) groundless += weighed;
    for (let bit = 0; bit < unique.length; bit++) if ((mask & (1 << bit)) === 0) gone[bit]! += weighed;
  }
  const pins = new Array<number[]>(count);
  let backward = end;
  for (let pin = count - 1; pin >= 0; pin--) {
    const [from, before, masks] = [forward[pin]!, new Float64Array(size), reached[pin]!];
    const dense = masks.length > size * DENSE;
    const chance = parts.map((_, index) => {
      const [own, add, weight] = [bits[index]!, adds[index]!, weights[pin]![index]!];
      if (dense && isOneBit(own)) return gather(from, backward, before, own, weight);
      let sum = 0;
      for (let place = 0; place < masks.length; place++) {
        const mask = masks[place]!;
        if ((mask & own) !== 0) continue;
        const onward = weight * backward[mask | add]!;
        before[mask]! += onward;
        sum += from[mask]! * onward;
      }
      return sum;
    });
    const all = chance.reduce((sum, value) => sum + value, 0);
    pins[pin] = all > 0 ? chance.map((value) => value / all) : chance;
    let most = 0;
    for (const mask of masks) if (before[mask]! > most) most = before[mask]!;
    if (most > 0) for (const mask of masks) before[mask]! /= most;
    backward = before;
  }
  const share = (value: number) => (total > 0 ? value / total : 0);
  return { parts, unique, pins, absent: gone.map(share), groundless: hasGround ? share(groundless) : 1 };
}

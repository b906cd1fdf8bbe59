import type { RuleSet } from '../rules/index.ts';
import { liveWith, type VehicleState } from '../states/index.ts';
import type { ProbeFunction, Separator } from './functions.ts';

/** What a reading says, from its share of the system voltage. */
export type ReadingClass = 'off' | 'on' | 'leak' | 'dimmed or modulated' | 'in between' | 'flashing';

/** One reading at one pin in one state of the vehicle. */
export interface Reading {
  state: VehicleState;
  /** Measured against the proved ground; for a flashing supply the lowest and highest seen. */
  lowV: number;
  highV: number;
  /** What a test lamp did to it, where one was used. */
  underLamp?: 'holds' | 'collapses';
}

type ProbingRules = RuleSet['probing'];

/** Below it two shares count as equal, so that 0.6 V of 12 V is not less than 5 %. */
const EQUAL = 1e-9;

/** Class of a reading: off below 0.05 V/V, on from 0.85 V/V (rule set), flashing between the two, else what a test lamp tells. */
export function classifyReading(reading: Reading, systemV: number, rules: ProbingRules): ReadingClass {
  const [low, high] = [reading.lowV / systemV, reading.highV / systemV];
  if (high < rules.offBelow - EQUAL) return 'off';
  if (low >= rules.onFrom - EQUAL) return 'on';
  if (low < rules.offBelow - EQUAL && high >= rules.onFrom - EQUAL) return 'flashing';
  if (reading.underLamp === 'collapses') return 'leak';
  return reading.underLamp === 'holds' ? 'dimmed or modulated' : 'in between';
}

export type ProofStatus =
  | { code: 'proved' }
  | { code: 'no-reading' }
  | { code: 'needs-on'; state: VehicleState }
  | { code: 'needs-off'; state: VehicleState }
  | { code: 'contradictory'; state: VehicleState; found: ReadingClass }
  | { code: 'unclear'; state: VehicleState; found: ReadingClass }
  /** A constant supply that was on wherever it was read, and has not carried a load yet. */
  | { code: 'needs-load' }
  /** On and off were seen, and something else could still read like that; the state that tells, where one does. */
  | { code: 'rivals'; state?: VehicleState }
  /** Proved to be something else than it is said to be. */
  | { code: 'otherwise'; functions: ProbeFunction[] }
  /** Every state leaves these alike, and by what else they could be parted. */
  | { code: 'alike'; among: ProbeFunction[][]; by: Separator[] };

/**
 * Whether a wire carries a switched function: it must read on with a state that makes it live and off in at least one state without,
 * and never the other way round. A state brings on what it needs, so a parking wire is to read on with dipped beam too. A flashing
 * reading counts as on. Readings in between prove nothing.
 * @param liveIn states in which it is live, the one to be tried first at the front
 */
export function proveSwitched(readings: readonly Reading[], liveIn: readonly VehicleState[], systemV: number, rules: ProbingRules): ProofStatus {
  if (readings.length === 0) return { code: 'no-reading' };
  let on = false;
  let off = false;
  for (const reading of readings) {
    const found = classifyReading(reading, systemV, rules);
    const live = found === 'on' || found === 'flashing';
    if (!live && found !== 'off') return { code: 'unclear', state: reading.state, found };
    if (live !== liveWith(liveIn, reading.state)) return { code: 'contradictory', state: reading.state, found };
    if (live) on = true;
    else off = true;
  }
  const [state = 'key off'] = liveIn;
  if (!on) return { code: 'needs-on', state };
  return off ? { code: 'proved' } : { code: 'needs-off', state };
}

export type ReferenceVerdict = { code: 'good' } | { code: 'ground-high'; volts: number; mostV: number } | { code: 'feed-low'; volts: number; leastV: number };

/** The reference check that opens a probing run: the ground used reads near zero to the battery's negative, a known feed reads full. */
export function checkReference(groundV: number, feedV: number, systemV: number, rules: ProbingRules): ReferenceVerdict {
  if (Math.abs(groundV) > rules.groundMaxV) return { code: 'ground-high', volts: groundV, mostV: rules.groundMaxV };
  const leastV = rules.onFrom * systemV;
  return feedV < leastV ? { code: 'feed-low', volts: feedV, leastV } : { code: 'good' };
}

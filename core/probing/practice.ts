import type { VehicleState } from '../states/index.ts';
import type { PlugFace } from '../vehicle/index.ts';
import { usualEffect, type ProbeFunction } from './functions.ts';
import { nextReadings, PROBE_TIMES } from './next.ts';
import { classOf, withReading, type ProbeRules, type ProbeRun, type VoltageClass } from './run.ts';
import { drawPlug, readByWorth, readHidden, readingMinutes, seeded, type HiddenPlug, type Random } from './simulate.ts';
import { probeFound } from './status.ts';

/** Something that a trainee does: reads a pin in a state, or says which pin carries what is wanted. */
export type PracticeAct = { kind: 'read'; pin: string; state: VehicleState } | { kind: 'claim'; pin: string; function: ProbeFunction };

/** Why a reading was not worth its time. */
export type Waste = 'proved already' | 'read before' | 'tells little' | 'switched for it';

/** A reading as it was taken, with what it cost and whether it was worth it. */
export interface PracticeReading {
  pin: string;
  state: VehicleState;
  lowV: number;
  highV: number;
  found: VoltageClass;
  minutes: number;
  waste?: Waste;
}

/** What a trainee said a pin carries. */
export interface PracticeClaim {
  pin: string;
  function: ProbeFunction;
  /** Whether the readings until then proved it; else how likely something else was. */
  premature: boolean;
  doubt: number;
  /** What the pin really carries, where it is something else, and the states in which a lamp that is fed from it would be wrong. */
  isReally?: ProbeFunction;
  wrongIn: VehicleState[];
}

/** A plug to train on, with what was done to it. */
export interface Practice {
  seed: number;
  run: ProbeRun;
  readings: PracticeReading[];
  claims: PracticeClaim[];
  /** Everything that is wanted was claimed. */
  done: boolean;
  minutes: number;
}

export interface PracticeScore {
  minutes: number;
  readings: number;
  /** What the readings that are worth most would have taken on the same plug. */
  bestMin: number;
  bestReadings: number;
  /** Minutes of readings that were not worth them. */
  wastedMin: number;
  premature: number;
  wrong: number;
  /** From 0 to 100: the best time's share of one's own, less for what was said too early or wrong. */
  score: number;
}

/** A reading is worth its time from this share of the best one's bits per minute. */
const WORTH_SHARE = 0.25;
const ROWS = 2;
const PREMATURE_COST = 10;
const WRONG_COST = 40;
/** Acts of one practice that are kept. */
export const MOST_ACTS = 150;

function wasteOf(run: ProbeRun, at: { pin?: string; state?: VehicleState }, pin: string, state: VehicleState, minutes: number): Waste | undefined {
  const { found, batches, step } = nextReadings(run, PRACTICE_RULES, at.state);
  if (found.done || !step.now || !step.batch) return 'proved already';
  if (found.pins.some((entry) => entry.pin === pin && entry.status.code === 'proved')) return 'proved already';
  const offered = batches.flatMap(({ readings }) => readings).find((reading) => reading.pin === pin && reading.state === state);
  const best = step.batch.readings.reduce((sum, { bits }) => sum + bits, 0) / step.batch.minutes;
  const worth = (offered?.bits ?? 0) / minutes;
  if (worth >= WORTH_SHARE * best) return undefined;
  if (run.readings.some((reading) => reading.kind === 'voltage' && reading.pin === pin && reading.state === state)) return 'read before';
  const inState = (offered?.bits ?? 0) / (PROBE_TIMES.readMin + PROBE_TIMES.pinMin);
  return inState >= WORTH_SHARE * best ? 'switched for it' : 'tells little';
}

const hiddenName = (hidden: HiddenPlug, pin: string): ProbeFunction => hidden.pins.find(({ id }) => id === pin)?.function ?? 'empty';

/** What a trainee's word on a pin is worth: whether it was proved, how likely it was something else, and what is really there. */
function claimOf(run: ProbeRun, hidden: HiddenPlug, pin: string, name: ProbeFunction): PracticeClaim {
  const entry = probeFound(run, PRACTICE_RULES).pins.find((other) => other.pin === pin);
  const chance = (entry?.chances ?? []).filter(({ functions }) => functions.includes(name)).reduce((sum, { chance: own }) => sum + own, 0);
  const proved = entry?.status.code === 'proved' && entry.status.functions.includes(name);
  const really = hiddenName(hidden, pin);
  const wrongIn = really === name ? [] : run.states.filter((state) => (usualEffect(really, state) === 'off') !== (usualEffect(name, state) === 'off'));
  return { pin, function: name, premature: !proved, doubt: 1 - chance, ...(really === name ? {} : { isReally: really }), wrongIn };
}

/** The plug of a seed, hidden and as it is given to the trainee. */
const plugOf = (seed: number) => drawPlug(seeded(seed));
const meterOf = (seed: number): Random => seeded(seed + 1);

/** Practice is by the common rules, whatever a shop has changed in its own: results can be compared. Source: formulas, Probe. */
export const PRACTICE_RULES: ProbeRules = { offBelow: 0.05, onFrom: 0.85, groundMaxV: 0.2, groundMaxOhm: 1 };

/** A practice on the plug of a seed, act by act: the same acts give the same readings. */
export class PracticeBench {
  private readonly hidden: HiddenPlug;
  private readonly start: ProbeRun;
  private readonly meter: Random;
  private run: ProbeRun;
  private at: { pin?: string; state?: VehicleState } = {};
  private readonly readings: PracticeReading[] = [];
  private readonly claims: PracticeClaim[] = [];
  private minutes = 0;
  private acts = 0;
  private readonly seed: number;

  /** @param seed a whole number that stands for one plug */
  constructor(seed: number) {
    this.seed = seed;
    const { hidden, run } = plugOf(seed);
    [this.hidden, this.start, this.run, this.meter] = [hidden, run, run, meterOf(seed)];
  }

  private isDone(): boolean {
    return (this.start.wanted ?? []).every((name) => this.claims.some((claim) => claim.function === name));
  }

  /** Does one act. One on what is not there is passed over, and nothing counts once all that is wanted was claimed. Gives whether it counted. */
  act(act: PracticeAct): boolean {
    if (this.isDone() || this.acts >= MOST_ACTS || !this.start.pins.some(({ id }) => id === act.pin)) return false;
    const counted = act.kind === 'claim' ? this.claim(act.pin, act.function) : this.read(act.pin, act.state);
    if (counted) this.acts++;
    return counted;
  }

  private claim(pin: string, name: ProbeFunction): boolean {
    if (!(this.start.wanted ?? []).includes(name) || this.claims.some((claim) => claim.function === name)) return false;
    this.claims.push(claimOf(this.run, this.hidden, pin, name));
    return true;
  }

  private read(pin: string, state: VehicleState): boolean {
    if (!this.start.states.includes(state)) return false;
    const cost = readingMinutes(this.at, pin, state);
    const waste = wasteOf(this.run, this.at, pin, state, cost);
    const shown = { kind: 'voltage' as const, pin, state, ...readHidden(this.hidden, pin, state, this.meter, true) };
    const found = classOf(shown, this.run, PRACTICE_RULES);
    this.readings.push({ pin, state, lowV: shown.lowV, highV: shown.highV, found, minutes: cost, ...(waste ? { waste } : {}) });
    this.run = withReading(this.run, shown, PRACTICE_RULES);
    this.minutes += cost;
    this.at = { pin, state };
    return true;
  }

  /** How it stands. */
  stands(): Practice {
    return { seed: this.seed, run: this.run, readings: [...this.readings], claims: [...this.claims], done: this.isDone(), minutes: this.minutes };
  }
}

/** What was done to the plug of a seed, done again. */
export function practise(seed: number, acts: readonly PracticeAct[]): Practice {
  const bench = new PracticeBench(seed);
  for (const act of acts) bench.act(act);
  return bench.stands();
}

/** What the readings that are worth most take on the plug of a seed, with the same meter. */
export function bestOf(seed: number): { minutes: number; readings: number } {
  const { hidden, run } = plugOf(seed);
  const { minutes, readings } = readByWorth(run, hidden, PRACTICE_RULES, meterOf(seed), true);
  return { minutes, readings };
}

/** The score of a practice that is done: time against the best, less for each word that was too early, much less for each that was wrong. */
export function scoreOf(practice: Practice, best: { minutes: number; readings: number }): PracticeScore {
  const { minutes, readings, claims } = practice;
  const wrong = claims.filter(({ isReally }) => isReally !== undefined).length;
  const premature = claims.filter((claim) => claim.premature && claim.isReally === undefined).length;
  const share = minutes === 0 ? 1 : Math.min(1, best.minutes / minutes);
  return {
    minutes,
    readings: readings.length,
    bestMin: best.minutes,
    bestReadings: best.readings,
    wastedMin: readings.reduce((sum, reading) => sum + (reading.waste ? reading.minutes : 0), 0),
    premature,
    wrong,
    score: Math.max(0, Math.round(100 * share - PREMATURE_COST * premature - WRONG_COST * wrong)),
  };
}

/** What is wanted and was not claimed yet. */
export const wantedLeft = ({ run, claims }: Practice): ProbeFunction[] => (run.wanted ?? []).filter((name) => !claims.some((claim) => claim.function === name));

/** The face of a practice's plug: two rows, numbered from the top left; what its pins carry is not known. */
export function practiceFace({ run }: Pick<Practice, 'run'>): Pick<PlugFace, 'name' | 'rows' | 'columns' | 'pins'> {
  const columns = Math.ceil(run.pins.length / ROWS);
  const pins = run.pins.map(({ id }, index) => ({ id, row: Math.floor(index / columns) + 1, column: (index % columns) + 1, carries: 'unknown' as const }));
  return { name: 'Rear lamp plug', rows: ROWS, columns, pins };
}

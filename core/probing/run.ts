import type { RuleSet } from '../rules/index.ts';
import type { VehicleState } from '../states/index.ts';
import { isUnique, usualEffect, type Effect, type ProbeFunction } from './functions.ts';
import { classifyReading, type Reading, type ReadingClass } from './proof.ts';

/** What a plug was found to be, pin by pin, with how it was found. */
export type PinReading =
  | ({ kind: 'voltage'; pin: string; /** It drifts with the meter's own leads: nothing is behind it. */ floating?: boolean } & Reading)
  /** To the body, unpowered and unplugged. */
  | { kind: 'continuity'; pin: string; ohm: number }
  /** What is lost between the pin and the battery's negative while a load returns over it. */
  | { kind: 'load'; pin: string; dropV: number };

/** A function that may be there, and what it does on this vehicle where that is known to be unlike most. */
export interface ProbeCandidate {
  function: ProbeFunction;
  does?: Partial<Record<VehicleState, Effect>>;
  /** Chance that the plug has it; for grounds, empties and the like how usual one is among pins. */
  chance?: number;
}

/** Several functions on one pin: a filament of two levels, a turn signal shared with the stop lamp. */
export interface CombinedCandidate {
  functions: ProbeFunction[];
  does?: Partial<Record<VehicleState, Effect>>;
  chance?: number;
}

export interface ProbePin {
  id: string;
  /** Hard to reach with a probe. */
  awkward?: boolean;
  /** What a diagram, a colour or another vehicle says of it, and how many times likelier that makes it; proof it is none. */
  hint?: { function: ProbeFunction; times: number };
}

/** A plug of which it is to be found which pin is which. */
export interface ProbeRun {
  pins: ProbePin[];
  candidates: ProbeCandidate[];
  combined?: CombinedCandidate[];
  readings: PinReading[];
  /** States that the vehicle can be put into here. */
  states: VehicleState[];
  /** What is wanted; all of the candidates that are unique where it is not said. */
  wanted?: ProbeFunction[];
  systemV: number;
  /** As measured at the battery in a state: with the engine on it is higher. */
  stateV?: Partial<Record<VehicleState, number>>;
  /** Chance that a reading is of a wrong class. */
  errorChance?: number;
  /** Chance that the plug has a ground at all: its lamp may be grounded by its body. */
  groundChance?: number;
}

export type ProbeRules = RuleSet['probing'];
export const ERROR_CHANCE = 0.01;
const GROUND_CHANCE = 0.95;
const CHANCE: Readonly<Partial<Record<ProbeFunction, number>>> = { ground: 1, empty: 0.4, data: 0.1, unknown: 0.05 };
const UNIQUE_CHANCE = 0.9;
const COMBINED_CHANCE = 0.1;

/** One thing that a pin may be, made ready for reckoning. */
export interface Part {
  /** Functions that it stands for: one, or several on one pin. */
  functions: ProbeFunction[];
  /** The unique ones among them, as bits. */
  bits: number;
  ground: boolean;
  weight: number;
  effect: (state: VehicleState) => Effect;
  nothingBehind: boolean;
}

/** The more of two effects on one wire. */
const STRONGER: readonly Effect[] = ['off', 'dimmed', 'flashing', 'on', 'unknown'];
const strongest = (effects: readonly Effect[]): Effect => effects.reduce((most, effect) => (STRONGER.indexOf(effect) > STRONGER.indexOf(most) ? effect : most), 'off');

/** Everything that a pin of a run may be; each unique function has a bit, in the order of the candidates. */
export function partsOf({ candidates, combined = [] }: Pick<ProbeRun, 'candidates' | 'combined'>): { parts: Part[]; unique: ProbeFunction[]; absent: number[] } {
  const unique = [...new Set(candidates.map((candidate) => candidate.function).filter(isUnique))];
  const bit = (name: ProbeFunction) => (unique.includes(name) ? 1 << unique.indexOf(name) : 0);
  const doing = (name: ProbeFunction) => candidates.find((candidate) => candidate.function === name)?.does;
  const chanceOf = ({ function: name, chance }: ProbeCandidate) => chance ?? (isUnique(name) ? UNIQUE_CHANCE : (CHANCE[name] ?? UNIQUE_CHANCE));
  const remembered = (work: (state: VehicleState) => Effect) => {
    const known = new Map<VehicleState, Effect>();
    return (state: VehicleState): Effect => {
      const before = known.get(state);
      if (before !== undefined) return before;
      const effect = work(state);
      known.set(state, effect);
      return effect;
    };
  };
  const single = candidates.map((candidate): Part => {
    const { function: name, does } = candidate;
    return {
      functions: [name],
      bits: bit(name),
      ground: name === 'ground',
      weight: chanceOf(candidate),
      effect: remembered((state) => does?.[state] ?? usualEffect(name, state)),
      nothingBehind: name === 'empty',
    };
  });
  const several = combined.map(({ functions, does, chance = COMBINED_CHANCE }): Part => ({
    functions,
    bits: functions.reduce((bits, name) => bits | bit(name), 0),
    ground: false,
    weight: chance,
    effect: remembered((state) => does?.[state] ?? strongest(functions.map((name) => doing(name)?.[state] ?? usualEffect(name, state)))),
    nothingBehind: false,
  }));
  const absent = unique.map((name) => 1 - Math.min(0.999, chanceOf(candidates.find((candidate) => candidate.function === name) ?? { function: name })));
  return { parts: [...single, ...several], unique, absent };
}

export const groundChanceOf = ({ groundChance = GROUND_CHANCE }: Pick<ProbeRun, 'groundChance'>): number => groundChance;

/** What a voltage says, with what a floating one says. */
export type VoltageClass = ReadingClass | 'floating';

/** Shares of what is read where an effect is right: a meter makes a middle value of what flashes or is dimmed, a leak one of what is off. */
const SHARES: Readonly<Record<Effect | 'nothing behind', Partial<Record<VoltageClass, number>>>> = {
  off: { off: 0.95, leak: 0.02, 'in between': 0.02, floating: 0.01 },
  on: { on: 1 },
  // Who reads the peak alone types a steady voltage.
  flashing: { flashing: 0.6, on: 0.2, 'in between': 0.2 },
  dimmed: { 'dimmed or modulated': 0.6, 'in between': 0.4 },
  unknown: { off: 1 / 7, on: 1 / 7, flashing: 1 / 7, 'dimmed or modulated': 1 / 7, 'in between': 1 / 7, leak: 1 / 7, floating: 1 / 7 },
  // What is off looks alike whatever it is: only a floating one tells.
  'nothing behind': { off: 0.93, floating: 0.04, leak: 0.015, 'in between': 0.015 },
};
export const VOLTAGE_CLASSES: readonly VoltageClass[] = ['off', 'on', 'flashing', 'dimmed or modulated', 'in between', 'leak', 'floating'];

const sharesFor = (part: Part, state: VehicleState) => {
  const effect = part.effect(state);
  return SHARES[part.nothingBehind && effect === 'off' ? 'nothing behind' : effect];
};

/** A wrong reading is most often one of so many: off, on or flashing where it is another of them. */
const WRONG_CLASSES = 3;

/** Chance of a class where a part is right; each wrong one is as likely as if there were only the clear ones. */
export function classChance(part: Part, state: VehicleState, found: VoltageClass, errorChance: number): number {
  return (1 - errorChance) * (sharesFor(part, state)[found] ?? 0) + errorChance / WRONG_CLASSES;
}

/** What continuity to the body says: the body itself, a filament's few ohms, nothing. */
export type ContinuityClass = 'body' | 'lamp' | 'open';
/** Up to what a cold filament or a coil reads. */
const LAMP_MOST_OHM = 200;
export const continuityClass = (ohm: number, rules: Pick<ProbeRules, 'groundMaxOhm'>): ContinuityClass =>
  ohm < rules.groundMaxOhm ? 'body' : ohm <= LAMP_MOST_OHM ? 'lamp' : 'open';

const CONTINUITY: Readonly<Record<'ground' | 'nothing' | 'wire', Record<ContinuityClass, number>>> = {
  ground: { body: 0.97, lamp: 0.02, open: 0.01 },
  nothing: { body: 0.01, lamp: 0.01, open: 0.98 },
  // A bulb at the other end looks like a ground.
  wire: { body: 0.05, lamp: 0.5, open: 0.45 },
};

/** The class of a voltage reading, against the voltage of the battery in its state. */
export function classOf(reading: Extract<PinReading, { kind: 'voltage' }>, run: Pick<ProbeRun, 'systemV' | 'stateV'>, rules: ProbeRules): VoltageClass {
  return reading.floating ? 'floating' : classifyReading(reading, run.stateV?.[reading.state] ?? run.systemV, rules);
}

/**
 * A run with one more reading. One that says the same as an earlier one of that pin and state stands beside it; one that says otherwise takes its place, so that a
 * reading taken again is what counts.
 */
export function withReading(run: ProbeRun, reading: PinReading, rules: ProbeRules): ProbeRun {
  const same = (other: PinReading): boolean => {
    if (other.kind !== reading.kind || other.pin !== reading.pin) return false;
    return other.kind !== 'voltage' || reading.kind !== 'voltage' || other.state === reading.state;
  };
  const says = (other: PinReading) =>
    other.kind === 'voltage' ? classOf(other, run, rules) : other.kind === 'continuity' ? continuityClass(other.ohm, rules) : other.dropV < rules.groundMaxV;
  // A middle value says less than a clear one: it never takes the place of one, and gives way to it.
  const vague = (value: unknown) => value === 'in between';
  const stays = (other: PinReading) => !same(other) || says(other) === says(reading) || (vague(says(reading)) && !vague(says(other)));
  return { ...run, readings: [...run.readings.filter(stays), reading] };
}

/** Chance of a reading where a part is right. */
export function readingChance(part: Part, reading: PinReading, run: ProbeRun, rules: ProbeRules): number {
  const errorChance = run.errorChance ?? ERROR_CHANCE;
  if (reading.kind === 'voltage') return classChance(part, reading.state, classOf(reading, run, rules), errorChance);
  if (reading.kind === 'continuity') {
    const row = CONTINUITY[part.ground ? 'ground' : part.nothingBehind ? 'nothing' : 'wire'];
    return (1 - errorChance) * row[continuityClass(reading.ohm, rules)] + errorChance / 3;
  }
  const carries = reading.dropV < rules.groundMaxV;
  return (1 - errorChance) * (carries === part.ground ? 0.98 : 0.02) + errorChance / 2;
}

/** Whether a reading can be so where a part is right, without a mistake. */
export function canBe(part: Part, reading: PinReading, run: ProbeRun, rules: ProbeRules): boolean {
  if (reading.kind === 'voltage') return (sharesFor(part, reading.state)[classOf(reading, run, rules)] ?? 0) > 0;
  if (reading.kind === 'continuity') return !part.ground || continuityClass(reading.ohm, rules) !== 'open';
  return reading.dropV < rules.groundMaxV === part.ground || (part.ground && reading.dropV >= rules.groundMaxV);
}

/** What speaks against taking a reading as it was typed. */
export type ReadingDoubt = 'not a number' | 'outside what a meter shows' | 'lowest above highest' | 'probes swapped' | 'above the system' | 'powered';
const LEAST_V = -30;
const MOST_V = 60;
/** A battery that is charged hard may read so many times what was measured. */
const ABOVE = 1.25;

/**
 * Doubts about a voltage: refused where it cannot be, a question where it is odd (below the ground, above the battery). Nothing is guessed.
 * @param systemV the battery as measured in that state
 */
export function voltageDoubts(lowV: number, highV: number, systemV: number, rules: Pick<ProbeRules, 'offBelow'>): { refused: ReadingDoubt[]; asked: ReadingDoubt[] } {
  if (!Number.isFinite(lowV) || !Number.isFinite(highV)) return { refused: ['not a number'], asked: [] };
  const outside = [lowV, highV].some((volts) => volts < LEAST_V || volts > MOST_V);
  return {
    refused: [...(outside ? ['outside what a meter shows' as const] : []), ...(lowV > highV ? ['lowest above highest' as const] : [])],
    asked: [...(lowV < -rules.offBelow * systemV ? ['probes swapped' as const] : []), ...(highV > ABOVE * systemV ? ['above the system' as const] : [])],
  };
}

/** Doubts about continuity: it is measured unpowered and unplugged only. */
export function continuityDoubts(ohm: number, powered: boolean): ReadingDoubt[] {
  return [...(Number.isFinite(ohm) ? [] : ['not a number' as const]), ...(powered ? ['powered' as const] : []), ...(ohm < 0 ? ['outside what a meter shows' as const] : [])];
}

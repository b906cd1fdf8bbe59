import { duplicateIds, unknownId, type Fault } from '@jade/core/faults';
import {
  bestOf,
  continuityDoubts,
  findFuse,
  goOn,
  isUnique,
  leftAlike,
  nextReadings,
  practise,
  probeChances,
  probeFound,
  scoreOf,
  voltageDoubts,
  type Effect,
  type PinReading,
  type PracticeAct,
  type ProbeRun,
  type ReadingDoubt,
} from '@jade/core/probing';
import type { VehicleState } from '@jade/core/states';
import { PracticeInput } from '@jade/contract/practice';
import { computation, refuse, type Computation } from './computation.ts';
import { DEFAULT_RULES } from './default-rules.ts';
import { FuseFinderInput, ProbeInput } from './probe-inputs.ts';

/** Batches that come out where it is not said. */
const BATCHES = 3;
/** Chances below this are left out. */
const LEAST_CHANCE = 1e-4;

const doing = (does: readonly { state: VehicleState; effect: Effect }[] | undefined) =>
  does === undefined ? {} : { does: Object.fromEntries(does.map(({ state, effect }) => [state, effect])) as Partial<Record<VehicleState, Effect>> };

const REFUSED: Readonly<Partial<Record<ReadingDoubt, Fault['code']>>> = { 'lowest above highest': 'span-order', 'outside what a meter shows': 'range' };

/** Faults of readings that cannot be, and what of the others is odd. */
function doubtsOf({ volts = [], ohms = [], systemV, stateV = [] }: ProbeInput): { faults: Fault[]; questions: { path: string; about: ReadingDoubt }[] } {
  const at = (state: VehicleState) => stateV.find((entry) => entry.state === state)?.volts ?? systemV;
  const doubts = volts.map((reading) => voltageDoubts(reading.lowV, reading.highV, at(reading.state), DEFAULT_RULES.probing));
  const refused = doubts.flatMap(({ refused: list }, index) =>
    list.map((doubt): Fault => ({ path: `volts[${index}]${doubt === 'lowest above highest' ? '.highV' : ''}`, code: REFUSED[doubt] ?? 'type', data: { least: -30, most: 60 } })),
  );
  const powered = ohms.flatMap(({ ohm, powered: on = false }, index) =>
    continuityDoubts(ohm, on).map((doubt): Fault =>
      doubt === 'powered'
        ? { path: `ohms[${index}].powered`, code: 'choice', data: { value: 'true', choices: 'false' } }
        : { path: `ohms[${index}].ohm`, code: 'range', data: { least: 0, most: 100_000_000 } },
    ),
  );
  return { faults: [...refused, ...powered], questions: doubts.flatMap(({ asked }, index) => asked.map((about) => ({ path: `volts[${index}]`, about }))) };
}

function probe(input: ProbeInput): unknown {
  const { pins, candidates, combined = [], states, volts = [], ohms = [], drops = [], wanted, systemV, stateV = [], at, wireMin, batches = BATCHES } = input;
  const ids = new Set(pins.map(({ id }) => id));
  const functions = candidates.map((candidate) => candidate.function);
  const known = new Set<string>(functions);
  const pinOf = (list: readonly { pin: string }[], name: string) => list.flatMap(({ pin }, index) => unknownId(pin, ids, `${name}[${index}].pin`, 'pin'));
  const { faults, questions } = doubtsOf(input);
  refuse([
    ...duplicateIds(pins, 'pins'),
    ...functions.flatMap((name, index): Fault[] =>
      functions.indexOf(name) === index ? [] : [{ path: `candidates[${index}].function`, code: 'duplicate-id', data: { id: name } }],
    ),
    ...(functions.filter(isUnique).length > 16 ? [{ path: 'candidates', code: 'length' as const, data: { most: 16 } }] : []),
    ...pins.flatMap(({ hint }, index) => (hint ? unknownId(hint.function, known, `pins[${index}].hint.function`, 'candidate') : [])),
    ...combined.flatMap(({ functions: list }, index) => list.flatMap((name, place) => unknownId(name, known, `combined[${index}].functions[${place}]`, 'candidate'))),
    ...(wanted ?? []).flatMap((name, index) => unknownId(name, known, `wanted[${index}]`, 'candidate')),
    ...pinOf(volts, 'volts'),
    ...pinOf(ohms, 'ohms'),
    ...pinOf(drops, 'drops'),
    ...faults,
  ]);
  const readings: PinReading[] = [
    ...volts.map((reading) => ({ kind: 'voltage' as const, ...reading })),
    ...ohms.map(({ pin, ohm }) => ({ kind: 'continuity' as const, pin, ohm })),
    ...drops.map((reading) => ({ kind: 'load' as const, ...reading })),
  ];
  const run: ProbeRun = {
    pins,
    candidates: candidates.map(({ function: name, chance, does }) => ({ function: name, ...(chance === undefined ? {} : { chance }), ...doing(does) })),
    combined: combined.map(({ functions: list, chance, does }) => ({ functions: list, ...(chance === undefined ? {} : { chance }), ...doing(does) })),
    readings,
    states,
    systemV,
    stateV: Object.fromEntries(stateV.map((entry) => [entry.state, entry.volts])),
    ...(wanted ? { wanted } : {}),
    ...(input.errorChance === undefined ? {} : { errorChance: input.errorChance }),
    ...(input.groundChance === undefined ? {} : { groundChance: input.groundChance }),
  };
  const rules = DEFAULT_RULES.probing;
  const chances = probeChances(run, rules);
  const found = probeFound(run, rules, chances);
  const next = nextReadings(run, rules, at, undefined, { chances, found });
  return {
    pins: found.pins.map((pin) => ({ ...pin, chances: pin.chances.filter(({ chance }) => chance >= LEAST_CHANCE) })),
    functions: found.functions,
    groundless: found.groundless,
    questions,
    alike: leftAlike(run, found, chances),
    next: next.batches.slice(0, batches),
    leftMin: next.step.leftMin,
    go: goOn(next, wireMin),
  };
}

/** Calculations of Probe. */
export const PROBE_COMPUTATIONS: readonly Computation[] = [
  computation(
    'probe',
    'Which pin of a plug is which, by all its readings together: exact chances over every assignment, what is proved, what contradicts, and the readings that are worth most.',
    '`pins`: `status` (proved, by elimination, open, indistinguishable `among` these and `by` what they could be parted, contradictory by these `readings`) and `chances`, the likeliest first; `functions`: the `pin` that each is proved on and the chance that it is `absent`; `groundless`: chance that the plug has no ground; `questions` about odd readings; `alike`: what the listed states cannot part; `next`: batches of readings by state, best first, with expected `bits` and `minutes`; `leftMin` expected minutes of probing; `go`: probe, run a wire, settled or nothing more to read.',
    ProbeInput,
    probe,
  ),
  computation(
    'fuse-finder',
    'Which fuse slot behaves as wanted, by what was measured at each over the states of the vehicle.',
    '`slots`, best first: `value` (as wanted, not yet measured, otherwise), `conflicts` by state, `untested` states, `inherits` (flashing, dimming), `ratedA` in amperes where it was seen; `refused`: slots never used, with `why`; `next`: slot and state to measure.',
    FuseFinderInput,
    ({ slots, wanted, systemV, neverUse = [] }) => {
      const twice = slots.flatMap(({ slot }, index): Fault[] =>
        slots.findIndex((other) => other.slot === slot) === index ? [] : [{ path: `slots[${index}].slot`, code: 'duplicate-id', data: { id: slot } }],
      );
      const asked = wanted.some(({ is }) => is === 'on') ? [] : [{ path: 'wanted', code: 'length' as const, data: { least: 1 } }];
      refuse([...twice, ...asked]);
      const table = Object.fromEntries(wanted.map(({ state, is }) => [state, is]));
      return findFuse(
        slots,
        table,
        systemV,
        DEFAULT_RULES.probing,
        neverUse.map(({ slot }) => slot),
      );
    },
  ),
  computation(
    'practice',
    'What a practice at a drawn plug was worth: its readings and words held against those that are worth most.',
    '`done` (everything wanted was named), `readings` with `minutes` and `waste`, `claims` with `premature`, `doubt`, what the pin `isReally` and the states in which a lamp fed from it would be `wrongIn`; `score`: 0 to 100, `minutes` and `bestMin`, `readings` and `bestReadings`, `wastedMin`, `premature`, `wrong`.',
    PracticeInput,
    ({ seed, acts }) => {
      refuse(
        acts.flatMap(({ kind, state, function: name }, index): Fault[] => [
          ...(kind === 'read' && state === undefined ? [{ path: `acts[${index}].state`, code: 'missing' as const, data: {} }] : []),
          ...(kind === 'claim' && name === undefined ? [{ path: `acts[${index}].function`, code: 'missing' as const, data: {} }] : []),
        ]),
      );
      const practice = practise(
        seed,
        acts.flatMap(({ kind, pin, state, function: name }): PracticeAct[] =>
          kind === 'read' && state ? [{ kind, pin, state }] : kind === 'claim' && name ? [{ kind, pin, function: name }] : [],
        ),
      );
      return { done: practice.done, readings: practice.readings, claims: practice.claims, score: scoreOf(practice, bestOf(seed)) };
    },
  ),
];

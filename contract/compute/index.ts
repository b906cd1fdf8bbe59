import { planAccess, type AccessRequest } from '@jade/core/access';
import { aimError, wallMarks } from '@jade/core/aiming';
import { duplicateIds, FaultyInput, unknownId, type Fault } from '@jade/core/faults';
import { checkContents, checkStack } from '@jade/core/contents';
import { foldJob } from '@jade/core/log';
import { jobContext } from '@jade/core/job';
import { planClosingOf, planOpening } from '@jade/core/plan';
import { standingOf } from '@jade/core/stations';
import { checkFacts, factsOf } from '@jade/core/facts';
import { checkBands } from '@jade/core/rules';
import { estimateStep, sumTaken } from '@jade/core/schedule';
import { matchKit, withOptions } from '@jade/core/match';
import { classifyReading, proveSwitched } from '@jade/core/probing';
import { errorAtRangeM } from '@jade/core/sensing';
import { checkPieces, checkProfile, checkSupplies, checkVehicleNumber, factChoices, unreachableLevels } from '@jade/core/vehicle';
import { CAPTURE_COMPUTATIONS } from './capture.ts';
import { checkDocuments, checkedLog, knownLog, prefixed } from './checked.ts';
import { computation, lampsTwice, refuse, type Computation } from './computation.ts';
import { DEFAULT_RULES } from './default-rules.ts';
import { PROBE_COMPUTATIONS } from './probe.ts';
import { WIRE_COMPUTATIONS } from './wire.ts';
import { AccessInput, AimInput, ContentsInput, EstimateInput, LogInput, MatchInput, NumberInput, ProofInput, SensorErrorInput, StackInput, StandingInput } from './inputs.ts';

export type { Computation } from './computation.ts';
export * from './inputs.ts';
export * from './wire-inputs.ts';
export * from './probe-inputs.ts';
export * from './capture-inputs.ts';
export * from './default-rules.ts';

/** Whether so long has passed since this was asked; never where no time is given. */
function after(mostMs: number | undefined): () => boolean {
  const start = performance.now();
  return () => mostMs !== undefined && performance.now() - start > mostMs;
}

/** Facts given that nothing hangs on. */
function unknownFacts(facts: Readonly<Record<string, string>>, mentioned: ReadonlyMap<string, unknown>): Fault[] {
  return Object.keys(facts).flatMap((fact) => unknownId(fact.replace(/^!/, ''), new Set(mentioned.keys()), `facts.${fact}`, 'fact'));
}

/** Faults of a way chosen by hand: a place or a way that is not there. */
function chosenFaults(pieces: AccessInput['pieces'], mounts: AccessInput['mounts'], place: string, way: string): Fault[] {
  const [piece, level] = place.split('/');
  const ways =
    level === undefined ? mounts.find((mount) => mount.id === piece)?.reach : pieces.find((entry) => entry.id === piece)?.levels.find((entry) => entry.level === level)?.ways;
  if (!ways) return [{ path: `chosen.${place}`, code: 'unknown-id', data: { id: place, what: 'place' } }];
  return unknownId(way, new Set(ways.map((entry) => entry.id)), `chosen.${place}`, 'way');
}

function accessPlan(input: AccessInput): unknown {
  const { pieces, mounts, targets, supplies = [], facts = {}, present = [], replaced = [] } = input;
  const ids = new Set(pieces.map((piece) => piece.id));
  const mentioned = new Map(pieces.flatMap((piece) => factsOf(piece.when)).map((fact): [string, string[]] => [fact, []]));
  const faults = [...checkPieces(pieces, mounts, mentioned), ...checkSupplies({ supplies, pieces, mounts })].filter((fault) => fault.code !== 'choice');
  refuse([
    ...faults,
    ...targets.flatMap((target, index) => unknownId(target, new Set(mounts.map((mount) => mount.id)), `targets[${index}]`, 'mount position')),
    ...present.flatMap((entry, index) => unknownId(entry.piece, ids, `present[${index}].piece`, 'piece')),
    ...replaced.flatMap((piece, index) => unknownId(piece, ids, `replaced[${index}]`, 'piece')),
    ...unknownFacts(facts, mentioned),
    ...duplicateIds(pieces, 'pieces'),
    ...duplicateIds(mounts, 'mounts'),
    ...Object.entries(input.chosen ?? {}).flatMap(([place, way]) => chosenFaults(pieces, mounts, place, way)),
  ]);
  const request: AccessRequest = {
    profile: { pieces, mounts, sensors: [], supplies },
    facts,
    mounts: targets,
    present,
    replaced,
    rules: { sequence: input.setUp ?? DEFAULT_RULES.sequence },
    chosen: input.chosen,
    school: input.school,
    people: input.people,
    ageFactor: input.ageFactor,
    stand: input.stand,
  };
  const plan = planAccess(request, after(input.mostMs));
  const { moves: _, ...rest } = plan;
  return {
    ...rest,
    gapPersonMin: Math.round((plan.personMin - plan.leastPersonMin) * 100) / 100,
    unreachableLevels: unreachableLevels(pieces).map((fault) => fault.data),
  };
}

function aim({ rule, lamps, distanceMm, floorAtWallMm = 0 }: AimInput): unknown {
  refuse([...checkBands(rule, 'rule.bands'), ...lampsTwice(lamps)]);
  const { marks, uncovered } = wallMarks(rule, lamps, { distanceMm, floorAtWallMm });
  const errors = marks.map((mark) => {
    const place = lamps.find((lamp) => lamp.lamp === mark.lamp);
    return place?.measuredMm === undefined ? undefined : aimError(mark, place.measuredMm, distanceMm, place.degPerTurn);
  });
  return { marks: marks.map((mark, index) => ({ ...mark, error: errors[index] })), problems: uncovered.map((lamp) => ({ code: 'height-not-covered', lamp })) };
}

function standing(input: StandingInput): unknown {
  const { profile, kits, rules, year } = input;
  checkDocuments(input);
  const log = knownLog({ profile, kits, rules }, input.log);
  const context = jobContext(foldJob(log), { profile, kits, rules, year });
  const plan = planOpening(context, after(input.mostMs));
  return { standing: standingOf(context, plan), opening: plan, closing: planClosingOf(context, plan) };
}

/** Every calculation of the core, by the name it has at the shell and on the server. */
export const COMPUTATIONS: readonly Computation[] = [
  computation(
    'access-plan',
    'The least-labour way in for all targets at once, with its order, tools, people and tray slots.',
    '`steps` in order (piece, from, level, way, minutes, estimate, people, tools, fasteners, slot, prepare), `personMin` with `openMin`, `closeMin`, `closePresentMin` (what was open before), `breakageMin` in person-minutes, `proved` and `gapPersonMin`, `targetWays`, `neededBy`, `setUpMin`, `waitMin`, `schools` (set-up of either order), `lanes` for two people (in minutes), `estimate` of opening on the clock (median and 80 % point), `tools`, `problems`.',
    AccessInput,
    accessPlan,
  ),
  computation(
    'step-estimate',
    'How long a step takes: what the profile says, as the times taken so far have moved it.',
    '`medianMin` (half of the times within it), `p80Min` (eight of ten), `sigma` of the logarithm, `taken` (times it rests on).',
    EstimateInput,
    ({ priorMin, takenMin }) => estimateStep(priorMin, sumTaken(takenMin)),
  ),
  computation(
    'match',
    'Whether a kit fits a vehicle: yes, no or unknown, with its reasons and what to look at.',
    '`value`, `reasons` with their trees and clearances in mm, `ask`, `adapters`, `undecidedAdapters`.',
    MatchInput,
    (input) => {
      refuse(prefixed(checkProfile(input.profile), 'profile'));
      refuse(checkFacts(input.facts ?? {}, factChoices(input.profile), 'facts'));
      refuse(checkFacts(input.options ?? {}, new Map(input.kit.options.map((option) => [option.id, option.choices.map((choice) => choice.id)])), 'options'));
      return matchKit(input.kit, input.profile, input.year, withOptions(input.facts ?? {}, input.kit, input.options ?? {}));
    },
  ),
  computation(
    'contents',
    'Kit contents counted against the list, with handed pieces in balance.',
    '`lines` (wanted, counted, state), `troubles`, `complete`.',
    ContentsInput,
    (input) => {
      const items = new Set(input.kit.contents.map((item) => item.id));
      refuse(
        Object.entries(input.counts).flatMap(([item, counted]): Fault[] => [
          ...unknownId(item, items, `counts.${item}`, 'contents item'),
          ...(Number.isInteger(counted) && counted >= 0 ? [] : [{ path: `counts.${item}`, code: 'type' as const, data: { expected: 'a whole number' } }]),
        ]),
      );
      return checkContents(input.kit, input.facts ?? {}, input.counts);
    },
  ),
  computation(
    'bolt-stack',
    'Thread engagement of a bolt through a stack of parts, and its washer over the hole.',
    '`stackMm`, `engagementMm`, `wantedMm` (left out where only the maker knows), `value`, `lengthMm` (the shortest standard length), `washerOverMm`, `washerHolds`.',
    StackInput,
    (input) => checkStack(input),
  ),
  ...WIRE_COMPUTATIONS,
  ...PROBE_COMPUTATIONS,
  computation('wire-proof', 'What the readings at one wire prove of one switched function.', '`classes` of the readings, `proof`.', ProofInput, (input) => {
    const rules = input.rules ?? DEFAULT_RULES.probing;
    return { classes: input.readings.map((reading) => classifyReading(reading, input.systemV, rules)), proof: proveSwitched(input.readings, input.liveIn, input.systemV, rules) };
  }),
  computation('sensor-error', 'How far beside the truth a turned sensor sees.', '`errorM` at the range.', SensorErrorInput, ({ angleDeg, rangeM }) => ({
    errorM: errorAtRangeM(angleDeg, rangeM),
  })),
  computation(
    'aim',
    'Marks on the wall for one rule at a distance, and the error of measured cut-offs.',
    '`marks` (wantedMm, highestMm, lowestMm above the floor at the wall, wantedDipDeg, error with mm, degrees, percent, screwTurns), `problems`.',
    AimInput,
    aim,
  ),
  computation('vehicle-number', 'Form, check digit and year code of a vehicle number.', '`number`, `remarks`, `years` that place 10 can mean.', NumberInput, (input) =>
    checkVehicleNumber(input.number, input.checkDigit, input.yearByPlace7),
  ),
  computation('job-fold', 'What a job is, folded from its log.', 'The job state: see the reference page of the log.', LogInput, ({ log }) => foldJob(checkedLog(log))),
  computation(
    'job-standing',
    'Where every station stands, what holds the job back, and the plans in and back.',
    '`standing` (stations, holding, missing, readyToSign), `opening`, `closing`.',
    StandingInput,
    standing,
  ),
  ...CAPTURE_COMPUTATIONS,
];

/** The calculation of a name, or a fault that lists the names there are. */
export function findComputation(name: string): Computation {
  const found = COMPUTATIONS.find((entry) => entry.name === name || entry.aliases.includes(name));
  if (!found) throw new FaultyInput([{ path: 'name', code: 'unknown-name', data: { name, known: COMPUTATIONS.map((entry) => entry.name).join(', ') } }]);
  return found;
}

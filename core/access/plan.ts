import type { FactValues } from '../facts/index.ts';
import type { RuleSet } from '../rules/index.ts';
import type { TakenBySteps } from '../schedule/index.ts';
import { minutesToHundredths } from '../units/index.ts';
import type { Level, Side } from '../vehicle/index.ts';
import { onTheClock, type Clock } from './clock.ts';
import { twoLanes } from './lanes.ts';
import { accessProblem, type AccessProblem, type AccessProfile, type AccessWay } from './problem.ts';
import { sequence, setUpOfOrder, type SequenceStep, type SetUp } from './sequence.ts';
import { searchAccess, type AccessChoice, type AccessProgress, type AccessTrouble, type Move } from './solve.ts';
import { precedence, setUpOf, stepOf, type OpenStep } from './step.ts';

/** An order of the steps with the set-up it costs. */
export interface OrderedPlan {
  order: number[];
  setUpMin: number;
}

/** The order that opens one side first, so that it can be fitted and tested before the other is touched. */
export interface OneSideFirst extends OrderedPlan {
  side: Exclude<Side, 'centre'>;
  /** Steps before the side can be fitted and tested. */
  first: number;
}

export interface AccessPlan extends Clock {
  steps: OpenStep[];
  choice: AccessChoice;
  /** Person-minutes, all of opening and closing with expected breakage. */
  personMin: number;
  openMin: number;
  closeMin: number;
  breakageMin: number;
  /** Set-up of opening in the order given. */
  setUpMin: number;
  /** Both orders with their set-up, where the targets lie on two sides. */
  schools: { leastSetUp: number; oneSideFirst?: { setUpMin: number; side: OneSideFirst['side']; first: number } };
  /** Steps after which the first side is fitted and tested, where that order was chosen. */
  proveAfter?: number;
  /** For each piece moved, the targets that need it. */
  neededBy: Record<string, string[]>;
  /** Tools in the order first needed. */
  tools: string[];
  mostPeople: number;
  problems: AccessTrouble[];
}

export interface AccessRequest {
  profile: AccessProfile;
  facts: FactValues;
  mounts: string[];
  present: AccessProblem['present'];
  replaced: string[];
  rules: Pick<RuleSet, 'sequence'>;
  /** Ways chosen by hand, by mount position or `piece/level`; the piece is then opened in any case. */
  chosen?: Readonly<Record<string, string>>;
  school?: 'least set-up' | 'prove one side first';
  people?: 1 | 2;
  /** By how much aged clips break more often than new ones; 1 where it is not said. */
  ageFactor?: number;
  /** Times taken so far at this shop, which the estimates learn from. */
  taken?: TakenBySteps;
}

function only(ways: AccessWay[], chosen: string | undefined): AccessWay[] {
  const kept = chosen === undefined ? ways : ways.filter((way) => way.id === chosen);
  return kept.length > 0 ? kept : ways;
}

/** The access problem of a request: ways chosen by hand are the only ones, and what they lead to is opened. */
export function requestedProblem({ profile, facts, mounts, present, replaced, chosen = {}, ageFactor }: AccessRequest): AccessProblem {
  const problem = accessProblem(profile, facts, mounts, present, replaced, ageFactor);
  if (Object.keys(chosen).length === 0) return problem;
  const pieces = problem.pieces.map((piece) => ({ ...piece, levels: piece.levels.map((level) => ({ ...level, ways: only(level.ways, chosen[`${piece.id}/${level.level}`]) })) }));
  const targets = problem.targets.map((target) => ({ ...target, ways: only(target.ways, chosen[target.id]) }));
  const wanted = problem.pieces.flatMap((piece) =>
    piece.levels
      .filter((level) => level.ways.some((way) => way.id === chosen[`${piece.id}/${level.level}`]))
      .map((level) => ({
        id: `chosen/${piece.id}/${level.level}`,
        ways: [{ id: 'chosen', needs: [{ piece: piece.id, level: level.level as Exclude<Level, 'fitted'> }], extra: 0, irreversible: false }],
      })),
  );
  return { ...problem, pieces, targets: mounts.length > 0 || replaced.length > 0 ? [...targets, ...wanted] : targets };
}

function neededBy(choice: AccessChoice, problem: AccessProblem): Record<string, string[]> {
  const result: Record<string, string[]> = {};
  const needsOf = (move: Move) =>
    problem.pieces
      .find((piece) => piece.id === move.piece)
      ?.levels.find((level) => level.level === move.level)
      ?.ways.find((way) => way.id === move.way)?.needs ?? [];
  for (const { target, way } of choice.targetWays) {
    const open = [...(problem.targets.find((candidate) => candidate.id === target)?.ways.find((candidate) => candidate.id === way)?.needs ?? [])];
    const seen = new Set<string>();
    for (let need = open.pop(); need; need = open.pop()) {
      if (seen.has(need.piece)) continue;
      seen.add(need.piece);
      for (const move of choice.moves) if (move.piece === need.piece) open.push(...needsOf(move));
    }
    for (const move of choice.moves) if (seen.has(move.piece)) (result[move.piece] ??= []).push(target);
  }
  for (const piece of Object.keys(result)) result[piece] = [...new Set(result[piece])];
  return result;
}

function ordered(steps: readonly SequenceStep[], setUp: SetUp): OrderedPlan {
  const { order } = sequence(steps, setUp);
  return { order, setUpMin: setUpOfOrder(steps, order, setUp) / 100 };
}

/** The cheaper of opening all that the left side's targets need first, or all that the right side's need; undefined where the targets lie on one side. */
function oneSideFirst(
  steps: readonly (SequenceStep & { piece: string })[],
  needs: Readonly<Record<string, string[]>>,
  sides: ReadonlyMap<string, Side>,
  setUp: SetUp,
): OneSideFirst | undefined {
  if (!['left', 'right'].every((side) => [...sides.values()].includes(side as Side))) return undefined;
  const candidates = (['left', 'right'] as const).map((side): OneSideFirst => {
    const belongs = steps.map((step) => {
      const targets = needs[step.piece] ?? [];
      return targets.length > 0 ? targets.some((target) => sides.get(target) !== (side === 'left' ? 'right' : 'left')) : step.side !== (side === 'left' ? 'right' : 'left');
    });
    const earlier = belongs.flatMap((own, index) => (own ? [index] : []));
    const constrained = steps.map((step, index) => (belongs[index] ? step : { ...step, before: [...new Set([...step.before, ...earlier])] }));
    return { side, first: earlier.length, ...ordered(constrained, setUp) };
  });
  return candidates.reduce((best, candidate) => (candidate.order.length === steps.length && candidate.setUpMin < best.setUpMin ? candidate : best));
}

/** Puts the moves of a choice in order, with tools, people, tray slots, lanes and time. */
export function planOf(request: AccessRequest, problem: AccessProblem, choice: AccessChoice): AccessPlan {
  const { profile, rules, school = 'least set-up', people = 1 } = request;
  const setUp = setUpOf(rules);
  const pieces = new Map(profile.pieces.map((piece) => [piece.id, piece]));
  const raw = choice.moves.flatMap((move) => {
    const piece = pieces.get(move.piece);
    return piece ? [stepOf(move, piece, profile, { taken: request.taken, replaced: request.replaced.includes(piece.id) })] : [];
  });
  const before = precedence(raw);
  const toOrder = raw.map((step, index) => ({ ...step, before: before[index] ?? [] }));
  const needs = neededBy(choice, problem);
  const sides = new Map(profile.mounts.filter((mount) => request.mounts.includes(mount.id)).map((mount): [string, Side] => [mount.id, mount.side]));
  const least = ordered(toOrder, setUp);
  const oneSide = oneSideFirst(toOrder, needs, sides, setUp);
  const taken = school === 'prove one side first' && oneSide ? oneSide : least;
  const lanes =
    people === 2
      ? twoLanes(
          toOrder.map((step) => ({ ...step, duration: minutesToHundredths(step.estimate.medianMin) })),
          setUp,
        )
      : undefined;
  const order = lanes ? lanes.entries.map((entry) => entry.step) : taken.order;
  const steps = order.flatMap((index, place) => {
    const step = raw[index];
    return step ? [{ ...step, slot: place + 1 }] : [];
  });
  const setUpMin = lanes ? lanes.setUp / 100 : taken.setUpMin;
  return {
    steps,
    choice,
    personMin: choice.total / 100,
    openMin: choice.open / 100,
    closeMin: (choice.close + choice.closePresent) / 100,
    breakageMin: choice.breakage / 100,
    setUpMin,
    schools: { leastSetUp: least.setUpMin, ...(oneSide ? { oneSideFirst: { setUpMin: oneSide.setUpMin, side: oneSide.side, first: oneSide.first } } : {}) },
    ...(taken === oneSide && !lanes ? { proveAfter: oneSide.first } : {}),
    ...onTheClock(steps, setUpMin, lanes),
    neededBy: needs,
    tools: [...new Set(steps.flatMap((step) => step.tools))],
    mostPeople: steps.reduce((most, step) => Math.max(most, step.people), 0),
    problems: choice.problems,
  };
}

/** As `planAccess`, step by step: yields how far it has come, and takes the best plan so far where it is told to stop. */
export function* searchPlan(request: AccessRequest): Generator<AccessProgress, AccessPlan, boolean | undefined> {
  const problem = requestedProblem(request);
  return planOf(request, problem, yield* searchAccess(problem));
}

/**
 * The least-labour way in for all mount positions at once, in an order that keeps precedence with the least set-up, with tools,
 * people and the tray slot of each step. Steps done already are not planned again: they stand in `present`.
 * @param mostLooked places to look at before the best plan so far is taken, with the gap that is left
 */
export function planAccess(request: AccessRequest, mostLooked = Infinity): AccessPlan {
  const search = searchPlan(request);
  let step = search.next();
  while (!step.done) step = search.next(step.value.looked >= mostLooked);
  return step.value;
}

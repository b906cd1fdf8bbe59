import type { FactValues } from '../facts/index.ts';
import type { RuleSet } from '../rules/index.ts';
import type { TakenBySteps } from '../schedule/index.ts';
import { hundredthsToMinutes, minutesToHundredths } from '../units/index.ts';
import { onlyPresent, standIn, SUPPLY_IDS, type Level, type Side, type Stand, type Supply, type SupplyId } from '../vehicle/index.ts';
import { onTheClock, type Clock } from './clock.ts';
import { twoLanes } from './lanes.ts';
import { accessProblem, levelRank, type AccessProblem, type AccessProfile, type AccessWay, type FurtherTarget } from './problem.ts';
import { idleOfOrder, sequence, setUpOfOrder, type SequenceStep, type SetUp } from './sequence.ts';
import { searchAccess, type AccessChoice, type AccessProgress, type AccessTrouble, type Move } from './solve.ts';
import { precedence, preparationsIn, setUpOf, stepOf, type OpenStep } from './step.ts';

/** An order of the steps with the set-up it costs, and the time in it in which one person can only wait. */
export interface OrderedPlan {
  order: number[];
  leftOver: number[];
  setUpMin: number;
  waitMin: number;
}

/** The order that opens one side first, so that it can be fitted and tested before the other is touched. */
export interface OneSideFirst extends OrderedPlan {
  side: Exclude<Side, 'centre'>;
  /** Steps before the side can be fitted and tested. */
  first: number;
  /** What proving that side costs beyond the order: its supplies live for the test, and dead again for the other side. */
  cycleMin: number;
}

export interface AccessPlan extends Clock {
  steps: OpenStep[];
  /** What was open when it was made. */
  from: AccessProblem['present'];
  /** Moves in an order in which they can be made, before they are put in the order of `steps`. */
  moves: Move[];
  /** Way used for each target. */
  targetWays: { target: string; way: string }[];
  /** True where no cheaper way in exists. */
  proved: boolean;
  /** No way in costs less than this, in person-minutes. */
  leastPersonMin: number;
  /** Person-minutes, all of opening and closing with expected breakage. */
  personMin: number;
  openMin: number;
  /** Putting back what this plan opens, and apart from it what was open before. */
  closeMin: number;
  closePresentMin: number;
  breakageMin: number;
  /** Time on the clock in which one person can only wait, until a supply is dead. */
  waitMin: number;
  /** Set-up of opening in the order given. */
  setUpMin: number;
  /** Both orders with their set-up, where the targets lie on two sides. */
  schools: { leastSetUpMin: number; oneSideFirst?: Pick<OneSideFirst, 'setUpMin' | 'side' | 'first' | 'cycleMin'> };
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
  /** What else must be reachable: plugs, fitting steps, work that wants a supply dead. */
  further?: readonly FurtherTarget[];
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
  /** Time still to pass until an isolated supply is dead, in minutes. */
  untilDeadMin?: Partial<Record<SupplyId, number>>;
  /** The side that is being proved, until its tests have passed. */
  provingSide?: 'left' | 'right';
  /** How the vehicle stands. */
  stand?: Stand;
  /** Supplies that the tests of a side want live. */
  provedLive?: readonly SupplyId[];
}

function only(ways: AccessWay[], chosen: string | undefined): AccessWay[] {
  const kept = chosen === undefined ? ways : ways.filter((way) => way.id === chosen);
  return kept.length > 0 ? kept : ways;
}

/** The access problem of a request: ways chosen by hand are the only ones, and what they lead to is opened. */
export function requestedProblem({ profile, facts, mounts, further, present, replaced, chosen = {}, ageFactor }: AccessRequest): AccessProblem {
  const problem = accessProblem(profile, facts, mounts, present, replaced, { ageFactor, further });
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
  return { ...problem, pieces, targets: problem.targets.length > 0 || replaced.length > 0 ? [...targets, ...wanted] : targets };
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

function ordered(steps: readonly SequenceStep[], setUp: SetUp, start: Stand | undefined): OrderedPlan {
  const { order, leftOver } = sequence(steps, setUp, start);
  return { order, leftOver, setUpMin: hundredthsToMinutes(setUpOfOrder(steps, order, setUp, start)), waitMin: hundredthsToMinutes(idleOfOrder(steps, order, setUp, start)) };
}

/** Steps that can be put in order: after what they need, and dead work a supply's time after its isolation. */
function orderable(
  raw: readonly Omit<OpenStep, 'slot'>[],
  { profile, present, untilDeadMin = {} }: AccessRequest,
): (Omit<OpenStep, 'slot'> & SequenceStep & { duration: number })[] {
  const before = precedence(raw, new Map(present.map((entry) => [entry.piece, entry.level])));
  return raw.map((step, index) => {
    const waits = step.dead.flatMap((supply) => {
      const isolation = raw.findIndex((other) => other.isolates === supply);
      const lag = minutesToHundredths(profile.supplies?.find((entry) => entry.id === supply)?.waitMin ?? 0);
      return isolation >= 0 ? [{ step: isolation, lag }] : [];
    });
    const notBefore = Math.max(0, ...step.dead.map((supply) => minutesToHundredths(untilDeadMin[supply] ?? 0)));
    return {
      ...step,
      before: before[index] ?? [],
      duration: minutesToHundredths(step.estimate.medianMin),
      ...(waits.length > 0 ? { waits } : {}),
      ...(notBefore > 0 ? { notBefore } : {}),
    };
  });
}

/** Minutes of bringing a supply back live for a test and dead again for what comes after: putting its isolation back, opening it again, the wait, and what the vehicle forgets. */
export function cycleMin(supply: Supply, { pieces }: Pick<AccessProfile, 'pieces'>): number {
  const level = pieces.find((piece) => piece.id === supply.piece)?.levels.find((entry) => entry.level === supply.level);
  return (level?.openMin ?? 0) + (level?.closeMin ?? 0) + (supply.liveMin ?? 0) + supply.waitMin;
}

interface SideQuestion {
  needs: Readonly<Record<string, string[]>>;
  sides: ReadonlyMap<string, Side>;
  setUp: SetUp;
  request: AccessRequest;
}

const otherSide = (side: 'left' | 'right'): Side => (side === 'left' ? 'right' : 'left');

/**
 * The cheaper of opening all that the left side's targets need first, or all that the right side's need; the side that is being proved
 * stays, also once nothing more is to be opened for it. Undefined where the targets lie on one side, and where the tests of the first side could not run: they want a supply live that
 * something of it keeps dead.
 */
function oneSideFirst(steps: readonly (Omit<OpenStep, 'slot'> & SequenceStep)[], { needs, sides, setUp, request }: SideQuestion): OneSideFirst | undefined {
  const { profile, provingSide, provedLive = [] } = request;
  if (!provingSide && !['left', 'right'].every((side) => [...sides.values()].includes(side as Side))) return undefined;
  const candidates = (['left', 'right'] as const).flatMap((side): OneSideFirst[] => {
    if (provingSide && provingSide !== side) return [];
    const belongs = steps.map((step) => {
      const targets = needs[step.piece] ?? [];
      return targets.length > 0 ? targets.some((target) => sides.get(target) !== otherSide(side)) : step.side !== otherSide(side);
    });
    const earlier = belongs.flatMap((own, index) => (own ? [index] : []));
    const [first, later] = [steps.filter((_, index) => belongs[index]), steps.filter((_, index) => !belongs[index])];
    if (first.some((step) => keptDead(step, profile).some((supply) => provedLive.includes(supply)))) return [];
    const again = (profile.supplies ?? []).filter(
      ({ id }) => provedLive.includes(id) && first.some((step) => step.dead.includes(id) || step.isolates === id) && later.some((step) => step.dead.includes(id)),
    );
    const constrained = steps.map((step, index) => (belongs[index] ? step : { ...step, before: [...new Set([...step.before, ...earlier])] }));
    const order = ordered(constrained, setUp, request.stand);
    return order.leftOver.length > 0 ? [] : [{ side, first: earlier.length, cycleMin: again.reduce((sum, supply) => sum + cycleMin(supply, profile), 0), ...order }];
  });
  const spent = (candidate: OneSideFirst) => candidate.setUpMin + candidate.waitMin + candidate.cycleMin;
  return candidates.reduce<OneSideFirst | undefined>((best, candidate) => (best === undefined || spent(candidate) < spent(best) ? candidate : best), undefined);
}

/** Supplies that must not be live while a step's piece is as far open as the step brings it. */
function keptDead(step: Pick<OpenStep, 'piece' | 'level'>, { pieces }: Pick<AccessProfile, 'pieces'>): SupplyId[] {
  const levels = pieces.find((piece) => piece.id === step.piece)?.levels ?? [];
  return SUPPLY_IDS.filter((supply) => levels.some((level) => level.deadWhileOpen?.includes(supply) && levelRank(level.level) <= levelRank(step.level)));
}

/** Puts the moves of a choice in order, with tools, people, tray slots, lanes and time. What cannot be ordered is named. */
export function planOf(request: AccessRequest, problem: AccessProblem, choice: AccessChoice): AccessPlan {
  const { rules, school = 'least set-up', people = 1, stand = {} } = request;
  const profile = onlyPresent(request.profile, request.facts, new Set(request.present.map((entry) => entry.piece)));
  const setUp = setUpOf(rules);
  const pieces = new Map(profile.pieces.map((piece) => [piece.id, piece]));
  const raw = choice.moves.flatMap((move) => {
    const piece = pieces.get(move.piece);
    return piece ? [stepOf(move, piece, profile, { taken: request.taken, replaced: request.replaced.includes(piece.id) })] : [];
  });
  const toOrder = orderable(raw, { ...request, profile });
  const needs = neededBy(choice, problem);
  const sides = new Map([
    ...profile.mounts.filter((mount) => request.mounts.includes(mount.id)).map((mount): [string, Side] => [mount.id, mount.side]),
    ...(request.further ?? []).map((target): [string, Side] => [target.id, target.side]),
  ]);
  const least = ordered(toOrder, setUp, stand);
  const oneSide = oneSideFirst(toOrder, { needs, sides, setUp, request: { ...request, profile } });
  const taken = school === 'prove one side first' && oneSide ? oneSide : least;
  const lanes = people === 2 ? twoLanes(toOrder, setUp, { start: stand }) : undefined;
  const order = lanes ? lanes.entries.map((entry) => entry.step) : taken.order;
  let stands = stand;
  const steps = order.flatMap((index, place) => {
    const step = raw[index];
    if (!step) return [];
    const upTo = (count: number) => setUpOfOrder(toOrder, order.slice(0, count), setUp, stand);
    const prepare = preparationsIn(step.prepare, stands);
    stands = standIn(stands, step.positions ?? []);
    return [{ ...step, prepare, slot: place + 1, setUpMin: lanes ? 0 : hundredthsToMinutes(upTo(place + 1) - upTo(place)) }];
  });
  const leftOver = (lanes ?? taken).leftOver.flatMap((index) => raw[index] ?? []);
  const setUpMin = lanes ? hundredthsToMinutes(lanes.setUp) : taken.setUpMin;
  const waitMin = lanes ? 0 : taken.waitMin;
  return {
    steps,
    from: request.present,
    moves: choice.moves,
    targetWays: choice.targetWays,
    proved: choice.proved,
    leastPersonMin: hundredthsToMinutes(choice.lowerBound),
    personMin: hundredthsToMinutes(choice.total),
    openMin: hundredthsToMinutes(choice.open),
    closeMin: hundredthsToMinutes(choice.close),
    closePresentMin: hundredthsToMinutes(choice.closePresent),
    breakageMin: hundredthsToMinutes(choice.breakage),
    setUpMin,
    waitMin,
    schools: {
      leastSetUpMin: least.setUpMin + least.waitMin,
      ...(oneSide ? { oneSideFirst: { setUpMin: oneSide.setUpMin + oneSide.waitMin, side: oneSide.side, first: oneSide.first, cycleMin: oneSide.cycleMin } } : {}),
    },
    ...(taken === oneSide && !lanes ? { proveAfter: oneSide.first } : {}),
    ...onTheClock(steps, setUpMin + waitMin, lanes),
    neededBy: needs,
    tools: [...new Set(steps.flatMap((step) => step.tools))],
    mostPeople: steps.reduce((most, step) => Math.max(most, step.people), 0),
    problems: [...choice.problems, ...(leftOver.length > 0 ? [{ code: 'cannot-order' as const, moves: leftOver.map(({ piece, level }) => ({ piece, level })) }] : [])],
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
 * @param enough told how far it has come; where it says so the best plan so far is taken, with the gap that is left
 */
export function planAccess(request: AccessRequest, enough: (progress: AccessProgress) => boolean = () => false): AccessPlan {
  const search = searchPlan(request);
  let step = search.next();
  while (!step.done) step = search.next(enough(step.value));
  return step.value;
}

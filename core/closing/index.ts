import {
  levelRank,
  precedence,
  sequence,
  setUpOfOrder,
  toolsBetween,
  twoLanes,
  fastenersBetween,
  onTheClock,
  stepName,
  type Clock,
  type Position,
  type SetUp,
} from '../access/index.ts';
import { minutesToHundredths } from '../units/index.ts';
import { evaluate, type FactValues } from '../facts/index.ts';
import { estimateStep, type Estimate, type TakenBySteps } from '../schedule/index.ts';
import type { FastenerGroup, Level, LevelNeed, Piece, Side, VehicleProfile, Zone } from '../vehicle/index.ts';

/** A move that was made, or is to be made, with what it needed at that moment. */
export interface MadeMove {
  piece: string;
  from: Level;
  level: Level;
  /** The way it went, where it is known. */
  way?: string;
  needs: LevelNeed[];
}

export interface CloseStep {
  piece: string;
  /** The level it comes back from and to. */
  from: Level;
  to: Level;
  side: Side;
  zone: Zone;
  people: number;
  /** What the profile says. */
  minutes: number;
  /** What this shop takes, from the profile and the times taken so far. */
  estimate: Estimate;
  /** How the vehicle itself must stand. */
  position?: Position;
  tools: string[];
  fasteners: FastenerGroup[];
  sensors: string[];
  /** Tests that must have passed before this step. */
  gates: string[];
  /** Pieces that must be back, or further back, before this step. */
  first: string[];
}

/** What is left where a test cannot run before what covers it goes back. */
export type GateOffer = 'test with the piece hung' | 'aim after closing' | 'test after closing';

export type CloseTrouble = { code: 'refit-contradiction'; pieces: string[] } | { code: 'gate-cannot-run'; test: string; pieces: string[]; offers: GateOffer[] };

/** Gates that are an aim begin so, followed by kit and lamp. */
export const AIM_GATE = 'aim:';

/** Whether a gate is the aim of a lamp rather than a test. */
export function isAimGate(gate: string): boolean {
  return gate.startsWith(AIM_GATE);
}

/** A test with the pieces that hide what it proves once they are back. */
export interface Gate {
  test: string;
  coveredBy: string[];
  /** Pieces that must be back before it can run. */
  after?: string[];
}

export interface ClosePlan extends Clock {
  steps: CloseStep[];
  personMin: number;
  problems: CloseTrouble[];
}

/** How many close, and the times taken so far at this shop. */
export interface ClosingBy {
  people?: 1 | 2;
  taken?: TakenBySteps;
}

/**
 * The order of putting back: every move has its undoing, a move made through something is undone before that something moves
 * back, and the refit rules that hold on this vehicle are kept. Where the rules contradict that order, the pieces concerned are
 * named and the rest is ordered without the rules. A gate that can only run when pieces are back keeps those before what covers it;
 * where no order does, that gate is named with what is left to do. Pieces that the kit replaces stay off.
 */
export function planClosing(
  profile: VehicleProfile,
  facts: FactValues,
  moves: readonly MadeMove[],
  replaced: readonly string[],
  gates: readonly Gate[],
  setUp: SetUp,
  { people = 1, taken = {} }: ClosingBy = {},
): ClosePlan {
  const undone = moves.filter((move) => !replaced.includes(move.piece));
  const before = undoOrder(undone);
  const rules = profile.refitRules.filter((rule) => evaluate(rule.when, facts) !== 'no');
  const withRules = before.map((list) => [...list]);
  for (const rule of rules) {
    const last = lowest(undone, rule.first);
    const start = lowest(undone, rule.then);
    if (last !== undefined && start !== undefined) withRules[start]?.push(last);
  }
  const problems: CloseTrouble[] = [];
  const cannotRun = new Set<string>();
  for (const gate of gates) {
    const pieces = holdGate(gate, undone, withRules);
    if (pieces.length === 0) continue;
    cannotRun.add(gate.test);
    problems.push({ code: 'gate-cannot-run', test: gate.test, pieces, offers: offersFor(gate, profile) });
  }
  const steps = undone.map((move) =>
    closeStep(
      profile,
      move,
      gates.filter((gate) => !cannotRun.has(gate.test)),
      taken,
    ),
  );
  const ordered = sequence(
    steps.map((step, index) => ({ ...step, before: withRules[index] ?? [] })),
    setUp,
  );
  let order = ordered.order;
  if (ordered.leftOver.length > 0) {
    problems.push({ code: 'refit-contradiction', pieces: cycleAmong(ordered.leftOver, withRules).map((index) => undone[index]?.piece ?? '') });
    order = sequence(
      steps.map((step, index) => ({ ...step, before: before[index] ?? [] })),
      setUp,
    ).order;
  }
  const kept = ordered.leftOver.length > 0 ? before : withRules;
  const toOrder = steps.map((step, index) => ({ ...step, before: kept[index] ?? [], duration: minutesToHundredths(step.estimate.medianMin) }));
  const lanes = people === 2 ? twoLanes(toOrder, setUp) : undefined;
  if (lanes) order = lanes.entries.map((entry) => entry.step);
  const placed = order.flatMap((index) => {
    const step = steps[index];
    const first = new Set((kept[index] ?? []).flatMap((earlier) => undone[earlier]?.piece ?? []));
    return step ? [{ ...step, first: [...first] }] : [];
  });
  return {
    steps: placed,
    personMin: placed.reduce((sum, step) => sum + step.minutes * step.people, 0),
    ...onTheClock(placed, setUpOfOrder(toOrder, order, setUp) / 100, lanes),
    problems,
  };
}

/**
 * Makes what covers a gate wait for the pieces that must be back before it runs. Where that goes round in a circle nothing is changed.
 * @returns the pieces that cannot wait, empty where the gate can run
 */
function holdGate(gate: Gate, undone: readonly MadeMove[], before: number[][]): string[] {
  const first = (gate.after ?? []).flatMap((piece) => lowest(undone, piece) ?? []);
  if (first.length === 0) return [];
  const covering = gate.coveredBy.filter((piece) => lowest(undone, piece) !== undefined);
  const both = covering.filter((piece) => gate.after?.includes(piece));
  if (both.length > 0) return both;
  const tried = before.map((list) => [...list]);
  for (const piece of covering) tried[lowest(undone, piece) ?? 0]?.push(...first);
  const stuck = inCircle(tried);
  if (stuck.length > 0 && inCircle(before).length === 0) return covering.filter((piece) => stuck.includes(lowest(undone, piece) ?? -1));
  if (stuck.length === 0) tried.forEach((list, index) => (before[index] = list));
  return [];
}

/** Indexes that never become free because they wait for each other. */
function inCircle(before: readonly (readonly number[])[]): number[] {
  const done = new Set<number>();
  for (let grew = true; grew;) {
    grew = false;
    before.forEach((list, index) => {
      if (done.has(index) || !list.every((earlier) => done.has(earlier))) return;
      done.add(index);
      grew = true;
    });
  }
  return before.map((_, index) => index).filter((index) => !done.has(index));
}

function offersFor(gate: Gate, profile: VehicleProfile): GateOffer[] {
  const hangs = gate.coveredBy.some((piece) => profile.pieces.find((entry) => entry.id === piece)?.levels.some((level) => level.level === 'hung'));
  return [...(hangs ? ['test with the piece hung' as const] : []), isAimGate(gate.test) ? 'aim after closing' : 'test after closing'];
}

/** For every undoing the indexes of those that must come earlier: the opening precedence turned round. */
function undoOrder(moves: readonly MadeMove[]): number[][] {
  const opening = precedence(moves);
  const before: number[][] = moves.map(() => []);
  opening.forEach((earlier, index) => earlier.forEach((place) => before[place]?.push(index)));
  return before;
}

/** Index of the move that leaves a piece's fitted state: its undoing closes the piece. */
function lowest(moves: readonly MadeMove[], piece: string): number | undefined {
  let found: number | undefined;
  moves.forEach((move, index) => {
    if (move.piece === piece && (found === undefined || levelRank(move.level) < levelRank(moves[found]?.level ?? 'off'))) found = index;
  });
  return found;
}

function cycleAmong(leftOver: readonly number[], before: readonly number[][]): number[] {
  const among = new Set(leftOver);
  const trail: number[] = [];
  let at = leftOver[0];
  while (at !== undefined && !trail.includes(at)) {
    trail.push(at);
    at = (before[at] ?? []).find((index) => among.has(index));
  }
  return at === undefined ? trail : trail.slice(trail.indexOf(at));
}

/** Minutes that the profile gives the people of a step to put a piece back from one level to a lower one. */
export function closeMinutes(piece: Piece, from: Level, to: Level): number {
  const above = piece.levels.find((candidate) => candidate.level === from);
  const below = piece.levels.find((candidate) => candidate.level === to);
  if (!above) return 0;
  return Math.max(0, above.closeMin * above.people - (below ? below.closeMin * below.people : 0)) / above.people;
}

function closeStep(profile: VehicleProfile, move: MadeMove, gates: readonly Gate[], taken: TakenBySteps): Omit<CloseStep, 'first'> {
  const piece = profile.pieces.find((candidate) => candidate.id === move.piece);
  const level = piece?.levels.find((candidate) => candidate.level === move.level);
  const people = level?.people ?? 1;
  const minutes = piece ? closeMinutes(piece, move.level, move.from) : 0;
  const position = level?.ways.find((way) => way.id === move.way)?.position;
  const fasteners = piece ? fastenersBetween(piece, move.from, move.level) : [];
  return {
    piece: move.piece,
    from: move.level,
    to: move.from,
    side: piece?.side ?? 'centre',
    zone: piece?.zone ?? 'front',
    people,
    minutes,
    estimate: estimateStep(minutes, taken[stepName({ piece: move.piece, from: move.level, level: move.from })]),
    ...(position ? { position } : {}),
    tools: piece ? toolsBetween(piece, move.from, move.level) : [],
    fasteners,
    sensors: profile.sensors.filter((sensor) => sensor.on === move.piece).map((sensor) => sensor.id),
    gates: gates.filter((gate) => gate.coveredBy.includes(move.piece)).map((gate) => gate.test),
  };
}

import { levelRank, precedence, sequence, toolOf, fastenersBetween, type SetUp } from '../access/index.ts';
import { evaluate, type FactValues } from '../facts/index.ts';
import type { FastenerGroup, Level, LevelNeed, Side, VehicleProfile, Zone } from '../vehicle/index.ts';

/** A move that was made, or is to be made, with what it needed at that moment. */
export interface MadeMove {
  piece: string;
  from: Level;
  level: Level;
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
  minutes: number;
  tools: string[];
  fasteners: FastenerGroup[];
  sensors: string[];
  /** Tests that must have passed before this step. */
  gates: string[];
}

export type CloseTrouble = { code: 'refit-contradiction'; pieces: string[] };

/** A test with the pieces that hide what it proves once they are back. */
export interface Gate {
  test: string;
  coveredBy: string[];
}

export interface ClosePlan {
  steps: CloseStep[];
  personMin: number;
  problems: CloseTrouble[];
}

/**
 * The order of putting back: every move has its undoing, a move made through something is undone before that something moves
 * back, and the refit rules that hold on this vehicle are kept. Where the rules contradict that order, the pieces concerned are
 * named and the rest is ordered without the rules. Pieces that the kit replaces stay off.
 */
export function planClosing(profile: VehicleProfile, facts: FactValues, moves: readonly MadeMove[], replaced: readonly string[], gates: readonly Gate[], setUp: SetUp): ClosePlan {
  const undone = moves.filter((move) => !replaced.includes(move.piece));
  const before = undoOrder(undone);
  const rules = profile.refitRules.filter((rule) => evaluate(rule.when, facts) !== 'no');
  const withRules = before.map((list) => [...list]);
  for (const rule of rules) {
    const last = lowest(undone, rule.first);
    const start = lowest(undone, rule.then);
    if (last !== undefined && start !== undefined) withRules[start]?.push(last);
  }
  const steps = undone.map((move) => closeStep(profile, move, gates));
  const ordered = sequence(
    steps.map((step, index) => ({ ...step, before: withRules[index] ?? [] })),
    setUp,
  );
  const problems: CloseTrouble[] = [];
  let order = ordered.order;
  if (ordered.leftOver.length > 0) {
    problems.push({ code: 'refit-contradiction', pieces: cycleAmong(ordered.leftOver, withRules).map((index) => undone[index]?.piece ?? '') });
    order = sequence(
      steps.map((step, index) => ({ ...step, before: before[index] ?? [] })),
      setUp,
    ).order;
  }
  const placed = order.flatMap((index) => steps[index] ?? []);
  return { steps: placed, personMin: placed.reduce((sum, step) => sum + step.minutes * step.people, 0), problems };
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

function closeStep(profile: VehicleProfile, move: MadeMove, gates: readonly Gate[]): CloseStep {
  const piece = profile.pieces.find((candidate) => candidate.id === move.piece);
  const level = piece?.levels.find((candidate) => candidate.level === move.level);
  const below = piece?.levels.find((candidate) => candidate.level === move.from);
  const people = level?.people ?? 1;
  const personMin = (level ? level.closeMin * level.people : 0) - (below ? below.closeMin * below.people : 0);
  const fasteners = piece ? fastenersBetween(piece, move.from, move.level) : [];
  return {
    piece: move.piece,
    from: move.level,
    to: move.from,
    side: piece?.side ?? 'centre',
    zone: piece?.zone ?? 'front',
    people,
    minutes: Math.max(0, personMin) / people,
    tools: [...new Set(fasteners.map(toolOf).filter((tool) => tool !== undefined))],
    fasteners,
    sensors: profile.sensors.filter((sensor) => sensor.on === move.piece).map((sensor) => sensor.id),
    gates: gates.filter((gate) => gate.coveredBy.includes(move.piece)).map((gate) => gate.test),
  };
}

import { requestedProblem, type AccessPlan, type AccessRequest } from './plan.ts';
import { levelRank, type AccessProblem } from './problem.ts';
import { searchAccess, type AccessChoice } from './solve.ts';
import { hundredthsToMinutes, minutesToHundredths } from '../units/index.ts';
import type { LevelNeed, OpenLevel } from '../vehicle/index.ts';

/** Another way to one place of the plan, and what taking it would change; person-minutes. */
export interface Alternative {
  /** Mount position or piece. */
  place: string;
  level?: string;
  way: string;
  /** Beyond the plan as it is; negative where it is cheaper than a way chosen by hand. */
  extraMin: number;
  /** Pieces that would be opened further than in the plan, and those that would stay shut. */
  opens: LevelNeed[];
  spares: string[];
}

/** A kit that could be fitted while the vehicle is open. */
export interface FurtherKit {
  kit: string;
  mounts: string[];
  replaces: string[];
}

export interface Explanation {
  /** For each piece opened, what it would cost beyond the plan to leave it shut; null where there is no other way in. */
  withoutPiece: Record<string, number | null>;
  alternatives: Alternative[];
  /** For each further kit, the person-minutes it adds to the opening of this vehicle, and what it would cost alone. */
  furtherKits: { kit: string; addsMin: number; aloneMin: number }[];
}

/** Most places that one question may look at; a price that is not found within is left out. */
const MOST_LOOKED = 2_000;

function solved(problem: AccessProblem): AccessChoice | undefined {
  const search = searchAccess(problem);
  let step = search.next();
  while (!step.done) step = search.next(step.value.looked > MOST_LOOKED);
  return step.value.proved ? step.value : undefined;
}

/** How far a choice opens each piece in the end. */
const openedBy = (choice: Pick<AccessChoice, 'moves'>) => new Map(choice.moves.map((move) => [move.piece, move.level as OpenLevel]));

/** A problem in which one piece stays as it is. */
function shut(problem: AccessProblem, piece: string): AccessProblem {
  const at = levelRank(problem.present.find((entry) => entry.piece === piece)?.level ?? 'fitted');
  const pieces = problem.pieces.map((entry) => (entry.id === piece ? { ...entry, levels: entry.levels.filter((level) => levelRank(level.level) <= at) } : entry));
  return { ...problem, pieces };
}

/**
 * Why a plan is as it is: what leaving each opened piece shut would cost, what every other way to a target or a planned move would
 * cost with the best plan around it, and what a further kit would add. Each answer is a least-labour way in of its own.
 */
export function* explainPlan(request: AccessRequest, plan: AccessPlan, further: readonly FurtherKit[]): Generator<undefined, Explanation> {
  const problem = requestedProblem(request);
  const total = minutesToHundredths(plan.personMin);
  const own = openedBy(plan);
  const withoutPiece: Explanation['withoutPiece'] = {};
  for (const piece of own.keys()) {
    yield;
    const choice = solved(shut(problem, piece));
    if (choice) withoutPiece[piece] = choice.problems.length > plan.problems.length ? null : hundredthsToMinutes(choice.total - total);
  }
  const alternatives: Alternative[] = [];
  const price = (place: string, level: string | undefined, way: string) => {
    const key = level === undefined ? place : `${place}/${level}`;
    const choice = solved(requestedProblem({ ...request, chosen: { ...request.chosen, [key]: way } }));
    if (!choice || choice.problems.length > plan.problems.length) return;
    const opened = openedBy(choice);
    const opens = [...opened].filter(([piece, there]) => levelRank(there) > levelRank(own.get(piece) ?? 'fitted')).map(([piece, there]) => ({ piece, level: there }));
    const spares = [...own.keys()].filter((piece) => !opened.has(piece));
    alternatives.push({ place, ...(level === undefined ? {} : { level }), way, extraMin: hundredthsToMinutes(choice.total - total), opens, spares });
  };
  const whole = requestedProblem({ ...request, chosen: {} });
  for (const { target, way } of plan.targetWays) {
    // Only the way to a place of the vehicle is chosen by hand: that to a joint or a leg follows from it.
    if (!request.mounts.includes(target)) continue;
    for (const other of whole.targets.find((entry) => entry.id === target)?.ways ?? []) {
      yield;
      if (other.id !== way) price(target, undefined, other.id);
    }
  }
  for (const move of plan.moves) {
    for (const other of whole.pieces.find((piece) => piece.id === move.piece)?.levels.find((level) => level.level === move.level)?.ways ?? []) {
      yield;
      if (other.id !== move.way) price(move.piece, move.level, other.id);
    }
  }
  const furtherKits: Explanation['furtherKits'] = [];
  for (const { kit, mounts, replaces } of further) {
    yield;
    const both = solved(requestedProblem({ ...request, mounts: [...new Set([...request.mounts, ...mounts])], replaced: [...new Set([...request.replaced, ...replaces])] }));
    const alone = solved(requestedProblem({ ...request, mounts, replaced: replaces, present: [], chosen: {} }));
    if (both && alone && both.problems.length <= plan.problems.length && alone.problems.length === 0)
      furtherKits.push({ kit, addsMin: hundredthsToMinutes(both.total - total), aloneMin: hundredthsToMinutes(alone.total) });
  }
  alternatives.sort((a, b) => a.extraMin - b.extraMin || a.place.localeCompare(b.place) || a.way.localeCompare(b.way));
  return { withoutPiece, alternatives, furtherKits };
}

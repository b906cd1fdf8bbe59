import { buildModel, capFallingCosts, SCALE, type Model } from './model.ts';
import { atStart, levelRank, type AccessProblem } from './problem.ts';
import { Relaxation } from './relaxation.ts';
import { searchSupport } from './search.ts';
import type { Level } from '../vehicle/index.ts';

/** One move: a piece brought to a level by one of the level's ways. */
export interface Move {
  piece: string;
  from: Level;
  level: Level;
  way: string;
}

/** A target that nothing can reach; a piece to be replaced that nothing takes off; moves that wait for each other in every order. */
export type AccessTrouble =
  { code: 'unreachable-target'; target: string } | { code: 'unreachable-piece'; piece: string } | { code: 'cannot-order'; moves: Pick<Move, 'piece' | 'level'>[] };

/** The least-labour choice; costs in whole hundredths of a person-minute. */
export interface AccessChoice {
  /** In an order in which they can be made. */
  moves: Move[];
  /** Way used for each target. */
  targetWays: { target: string; way: string }[];
  open: number;
  close: number;
  breakage: number;
  /** Closing of what was open from the start. */
  closePresent: number;
  /** True where no cheaper way in exists; otherwise `lowerBound` says what could still be saved. */
  proved: boolean;
  lowerBound: number;
  total: number;
  problems: AccessTrouble[];
}

/** How far the planning has come, in whole hundredths of a person-minute: a plan of `best` is known, none is cheaper than `bound`. */
export interface AccessProgress {
  looked: number;
  best: number;
  bound: number;
}

function readMoves(model: Model, problem: AccessProblem, arcs: number[]): Pick<AccessChoice, 'moves' | 'targetWays'> {
  const at = new Map<string, Level>(problem.present.map((entry) => [entry.piece, entry.level]));
  const moves: Move[] = [];
  const targetWays: AccessChoice['targetWays'] = [];
  for (const index of arcs) {
    const means = model.meaning[index];
    if (means?.kind === 'target') targetWays.push({ target: means.target, way: means.way.id });
    if (means?.kind !== 'way') continue;
    const from = at.get(means.piece) ?? 'fitted';
    if (levelRank(from) >= levelRank(means.level.level)) continue;
    moves.push({ piece: means.piece, from, level: means.level.level, way: means.way.id });
    at.set(means.piece, means.level.level);
  }
  return { moves, targetWays };
}

function sumCosts(problem: AccessProblem, moves: Move[]): Pick<AccessChoice, 'close' | 'breakage' | 'closePresent'> {
  const highest = new Map<string, Level>(moves.map((move) => [move.piece, move.level]));
  const sums = { close: 0, breakage: 0, closePresent: 0 };
  for (const piece of problem.pieces) {
    const start = atStart(problem, piece);
    const final = piece.levels.find((level) => level.level === highest.get(piece.id));
    if (!final) {
      sums.closePresent += start.close;
      continue;
    }
    sums.close += problem.replaced.includes(piece.id) && final.level === 'off' ? 0 : final.close;
    sums.breakage += Math.max(0, final.breakage - start.breakage);
  }
  return sums;
}

/** Whether anything reaches all targets of a problem and takes its replaced pieces off. */
function canReach(problem: AccessProblem): boolean {
  const model = buildModel({ problem, fixed: new Map() });
  const relaxation = new Relaxation(model.net);
  relaxation.reach(model.costs, 'max');
  return relaxation.value[model.net.goal] !== Infinity;
}

/** A problem without what nothing can reach, and what that is. */
function onlyReachable(problem: AccessProblem): { reachable: AccessProblem; problems: AccessTrouble[] } {
  const lost = problem.targets.filter((target) => !canReach({ ...problem, targets: [target], replaced: [] })).map((target) => target.id);
  const fast = problem.replaced.filter((piece) => !canReach({ ...problem, targets: [], replaced: [piece] }));
  return {
    reachable: { ...problem, targets: problem.targets.filter((target) => !lost.includes(target.id)), replaced: problem.replaced.filter((piece) => !fast.includes(piece)) },
    problems: [...lost.map((target) => ({ code: 'unreachable-target' as const, target })), ...fast.map((piece) => ({ code: 'unreachable-piece' as const, piece }))],
  };
}

/**
 * The least-labour way in: the moves and ways for which opening, closing and expected breakage together cost the fewest
 * person-minutes, so that every target holds and nothing rests on itself. Exact, by branch and bound with landmark cuts. Yields
 * how far it has come; a driver that stops it asks for the best plan so far by `next(true)` and gets it with the bound that is proved.
 * A target that nothing can reach, and a piece to be replaced that nothing takes off, is reported in `problems`, the rest is planned.
 */
export function* searchAccess(problem: AccessProblem): Generator<AccessProgress, AccessChoice, boolean | undefined> {
  const { reachable, problems } = onlyReachable(problem);
  let best: { model: Model; arcs: number[]; total: number } | undefined;
  let bound = Infinity;
  let looked = 0;
  let stopped = false;
  for (const part of capFallingCosts(reachable)) {
    const model = buildModel(part);
    const shift = model.constant * SCALE;
    if (stopped) {
      bound = Math.min(bound, new Relaxation(model.net).landmarkBound(model.costs, Infinity).bound + shift);
      continue;
    }
    const search = searchSupport(model.net, model.costs, best ? best.total - shift : Infinity);
    let step = search.next();
    while (!step.done && !stopped) {
      const low = Math.min(bound, step.value.bound + shift);
      stopped = (yield { looked: looked + step.value.nodes, best: Math.floor((step.value.best + shift) / SCALE), bound: Math.floor(low / SCALE) }) === true;
      if (!stopped) step = search.next();
    }
    const { value } = step;
    looked += value.nodes;
    bound = Math.min(bound, value.bound + shift);
    if (value.arcs) best = { model, arcs: value.arcs, total: value.best + shift };
  }
  const { moves, targetWays } = best ? readMoves(best.model, reachable, best.arcs) : { moves: [], targetWays: [] };
  const { close, breakage, closePresent } = sumCosts(reachable, moves);
  const total = best ? Math.floor(best.total / SCALE) : 0;
  const proved = best ? bound >= best.total : true;
  return {
    moves,
    targetWays,
    open: total - close - breakage - closePresent,
    close,
    breakage,
    closePresent,
    proved,
    lowerBound: proved ? total : Math.max(0, Math.floor(bound / SCALE)),
    total,
    problems,
  };
}

/** As `searchAccess`, driven to its end, or until so many places were looked at. */
export function solveAccess(problem: AccessProblem, mostLooked = Infinity): AccessChoice {
  const search = searchAccess(problem);
  let step = search.next();
  while (!step.done) step = search.next(step.value.looked >= mostLooked);
  return step.value;
}

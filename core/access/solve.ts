import { buildModel, capFallingCosts, SCALE, type Capped, type Model } from './model.ts';
import { atStart, levelRank, type AccessProblem, type AccessWay } from './problem.ts';
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

/** What a choice costs, by what it is for. */
function sumCosts(problem: AccessProblem, { moves, targetWays }: Pick<AccessChoice, 'moves' | 'targetWays'>): Pick<AccessChoice, 'open' | 'close' | 'breakage' | 'closePresent'> {
  const highest = new Map<string, Level>(moves.map((move) => [move.piece, move.level]));
  const sums = { open: 0, close: 0, breakage: 0, closePresent: 0 };
  for (const { target, way } of targetWays) sums.open += wayOf(problem.targets.find((entry) => entry.id === target)?.ways, way)?.extra ?? 0;
  for (const piece of problem.pieces) {
    const start = atStart(problem, piece);
    const final = piece.levels.find((level) => level.level === highest.get(piece.id));
    if (!final) {
      sums.closePresent += start.close;
      continue;
    }
    const made = moves.filter((move) => move.piece === piece.id);
    const extra = made.reduce((sum, { level, way }) => sum + (wayOf(piece.levels.find((entry) => entry.level === level)?.ways, way)?.extra ?? 0), 0);
    sums.open += final.open - start.open + extra;
    sums.close += problem.replaced.includes(piece.id) && final.level === 'off' ? 0 : final.close;
    sums.breakage += Math.max(0, final.breakage - start.breakage);
  }
  return sums;
}

const wayOf = (ways: readonly AccessWay[] | undefined, id: string) => ways?.find((way) => way.id === id);

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
  const parts = partsByBound(reachable);
  let best: { model: Model; arcs: number[]; total: number } | undefined;
  let bound = Infinity;
  let looked = 0;
  let stopped = false;
  for (const [index, { part, low }] of parts.entries()) {
    // Nothing is cheaper than the lowest of what is settled, of the part at hand and of the parts still to come.
    const rest = parts[index + 1]?.low ?? Infinity;
    if (stopped || (best && low >= best.total)) {
      bound = Math.min(bound, low);
      break;
    }
    const model = buildModel(part);
    const shift = model.constant * SCALE;
    const search = searchSupport(model.net, model.costs, best ? best.total - shift : Infinity);
    let step = search.next();
    while (!step.done && !stopped) {
      const proved = Math.min(bound, rest, step.value.bound + shift);
      stopped = (yield { looked: looked + step.value.nodes, best: Math.floor((step.value.best + shift) / SCALE), bound: Math.floor(proved / SCALE) }) === true;
      if (!stopped) step = search.next();
    }
    const { value } = step;
    looked += value.nodes;
    bound = Math.min(bound, value.bound + shift);
    if (value.arcs) best = { model, arcs: value.arcs, total: value.best + shift };
  }
  const { moves, targetWays } = best ? readMoves(best.model, reachable, best.arcs) : { moves: [], targetWays: [] };
  const sums = sumCosts(reachable, { moves, targetWays });
  const total = sums.open + sums.close + sums.breakage + sums.closePresent;
  const proved = best === undefined || bound >= best.total;
  return { moves, targetWays, ...sums, proved, lowerBound: proved ? total : Math.max(0, Math.min(total, Math.floor(bound / SCALE))), total, problems };
}

/** The parts that a problem is searched in, each with what none of its plans can be cheaper than (scaled), the lowest first. */
function partsByBound(problem: AccessProblem): { part: Capped; low: number }[] {
  const [part, ...further] = capFallingCosts(problem);
  if (part && further.length === 0) return [{ part, low: -Infinity }];
  const bounded = [...(part ? [part] : []), ...further].map((own) => {
    const model = buildModel(own);
    return { part: own, low: new Relaxation(model.net).landmarkBound(model.costs, Infinity).bound + model.constant * SCALE };
  });
  return bounded.sort((a, b) => a.low - b.low);
}

/** As `searchAccess`, driven to its end, or until so many places were looked at. */
export function solveAccess(problem: AccessProblem, mostLooked = Infinity): AccessChoice {
  const search = searchAccess(problem);
  let step = search.next();
  while (!step.done) step = search.next(step.value.looked >= mostLooked);
  return step.value;
}

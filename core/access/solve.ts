import { landmarkBound, network, reach, support, type Arc, type Network } from './relaxation.ts';
import { levelRank, type AccessLevel, type AccessPiece, type AccessProblem, type AccessWay } from './problem.ts';
import type { Level } from '../vehicle/index.ts';

/** One move: a piece brought to a level by one of the level's ways. */
export interface Move {
  piece: string;
  from: Level;
  level: Level;
  way: string;
}

export type AccessTrouble = { code: 'unreachable-target'; target: string };

/** The least-labour choice; costs in whole hundredths of a person-minute. */
export interface AccessChoice {
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

/** Ties go to fewer pieces, then fewer irreversible moves: a hundredth of a minute outweighs any count of either. */
const SCALE = 1_000_000;
const PER_PIECE = 1_000;

interface Model {
  net: Network;
  costs: Float64Array;
  /** What each arc stands for; undefined for pure logic. */
  meaning: ({ kind: 'way'; piece: string; level: AccessLevel; way: AccessWay } | { kind: 'target'; target: string; way: AccessWay } | undefined)[];
  constant: number;
}

/** What it costs in the end that a piece reached a level, counted from what it has reached already. */
function finalCost(level: AccessLevel | undefined, present: AccessLevel | undefined, replaced: boolean): number {
  if (!level) return 0;
  const open = level.open - (present?.open ?? 0);
  return open + (replaced && level.level === 'off' ? 0 : level.close) + level.breakage;
}

interface Capped {
  problem: AccessProblem;
  /** Pieces whose final level is fixed, because a higher level would cost less in the end than a lower one. */
  fixed: Map<string, Level | 'fitted'>;
}

function presentLevel(problem: AccessProblem, piece: AccessPiece): AccessLevel | undefined {
  const at = problem.present.find((entry) => entry.piece === piece.id);
  return at && [...piece.levels].reverse().find((level) => levelRank(level.level) <= levelRank(at.level));
}

/** Splits a problem at every piece whose final cost falls with the level, so that within each part costs only rise. */
function capFallingCosts(problem: AccessProblem): Capped[] {
  let parts: Capped[] = [{ problem, fixed: new Map() }];
  for (const piece of problem.pieces) {
    const present = presentLevel(problem, piece);
    const replaced = problem.replaced.includes(piece.id);
    const higher = piece.levels.filter((level) => levelRank(level.level) > (present ? levelRank(present.level) : 0));
    const costs = [present, ...higher].map((level) => finalCost(level, present, replaced));
    if (costs.every((cost, index) => index === 0 || cost >= (costs[index - 1] ?? 0))) continue;
    const finals: (Level | 'fitted')[] = [present?.level ?? 'fitted', ...higher.map((level) => level.level)];
    parts = parts.flatMap((part) => finals.map((level) => ({ problem, fixed: new Map(part.fixed).set(piece.id, level) })));
  }
  return parts;
}

function build({ problem, fixed }: Capped): Model {
  let nodeCount = 0;
  const node = () => nodeCount++;
  const arcs: Arc[] = [];
  const meaning: Model['meaning'] = [];
  let constant = 0;
  const arc = (tails: number[], head: number, cost: number, means?: Model['meaning'][number]) => {
    arcs.push({ tails, head, cost });
    meaning.push(means);
  };
  const nodes = new Map<string, number>();
  for (const piece of problem.pieces) for (const level of piece.levels) nodes.set(`${piece.id}/${level.level}`, node());
  const byId = new Map(problem.pieces.map((piece) => [piece.id, piece]));
  const needNode = (pieceId: string, level: Level) => {
    const satisfying = byId.get(pieceId)?.levels.find((candidate) => levelRank(candidate.level) >= levelRank(level));
    return satisfying && nodes.get(`${pieceId}/${satisfying.level}`);
  };
  const tailsOf = (way: AccessWay): number[] | undefined => {
    const tails = way.needs.map((need) => needNode(need.piece, need.level));
    return tails.every((tail) => tail !== undefined) ? [...new Set(tails as number[])] : undefined;
  };
  const goals: number[] = [];
  for (const piece of problem.pieces) {
    const present = presentLevel(problem, piece);
    const presentRank = present ? levelRank(present.level) : 0;
    const replaced = problem.replaced.includes(piece.id);
    const final = fixed.get(piece.id);
    let paid = finalCost(present, present, replaced);
    constant +=
      final === undefined
        ? paid
        : finalCost(
            piece.levels.find((level) => level.level === final),
            present,
            replaced,
          );
    let payBefore: number | undefined;
    let below: number | undefined;
    for (const level of piece.levels) {
      const here = nodes.get(`${piece.id}/${level.level}`) ?? 0;
      if (below !== undefined) arc([here], below, 0);
      below = here;
      if (levelRank(level.level) <= presentRank) {
        if (level === present) arc([], here, 0);
        continue;
      }
      if (final !== undefined && levelRank(level.level) > levelRank(final)) continue;
      const pay = node();
      const cost = final === undefined ? finalCost(level, present, replaced) : paid;
      const first = payBefore === undefined;
      arc(payBefore === undefined ? [] : [payBefore], pay, (cost - paid) * SCALE + (first && !present ? PER_PIECE : 0));
      paid = cost;
      payBefore = pay;
      for (const way of level.ways) {
        const tails = tailsOf(way);
        if (tails) arc([...tails, pay], here, way.extra * SCALE + (way.irreversible ? 1 : 0), { kind: 'way', piece: piece.id, level, way });
      }
    }
    const must = replaced ? 'off' : final !== undefined && final !== 'fitted' && levelRank(final) > presentRank ? final : undefined;
    const mustNode = must && needNode(piece.id, must);
    if (mustNode !== undefined) goals.push(mustNode);
  }
  for (const target of problem.targets) {
    const here = node();
    goals.push(here);
    for (const way of target.ways) {
      const tails = tailsOf(way);
      if (tails) arc(tails, here, way.extra * SCALE + (way.irreversible ? 1 : 0), { kind: 'target', target: target.id, way });
    }
  }
  const goal = node();
  arc(goals, goal, 0);
  return { net: network(nodeCount, arcs, goal), costs: Float64Array.from(arcs, (a) => a.cost), meaning, constant };
}

interface Search {
  best: number;
  arcs: number[] | undefined;
  bound: number;
  nodes: number;
}

function costOf(model: Model, arcs: number[]): number {
  return arcs.reduce((total, index) => total + (model.costs[index] ?? 0), 0);
}

function offer(model: Model, search: Search, costs: Float64Array, combine: 'max' | 'add'): void {
  const arcs = support(model.net, reach(model.net, costs, combine));
  if (!arcs) return;
  const cost = costOf(model, arcs);
  if (cost < search.best) {
    search.best = cost;
    search.arcs = arcs;
  }
}

/** Depth-first branch and bound on the arcs of the smallest landmark cut; exact when it ends before `nodeLimit`. */
function branch(model: Model, search: Search, costs: Float64Array, paid: number, nodeLimit: number): void {
  if (search.nodes >= nodeLimit) {
    search.bound = Math.min(search.bound, paid);
    return;
  }
  search.nodes++;
  const residual = costs.slice();
  const { bound, smallest } = landmarkBound(model.net, residual, search.best - paid);
  if (paid + bound >= search.best) return;
  offer(model, search, residual, 'add');
  offer(model, search, costs, 'add');
  if (paid + bound >= search.best) return;
  const chosen = smallest.reduce((best, index) => ((costs[index] ?? 0) < (costs[best] ?? Infinity) ? index : best), -1);
  if (chosen < 0) return;
  if (search.nodes >= nodeLimit) {
    search.bound = Math.min(search.bound, paid + bound);
    return;
  }
  const with_ = costs.slice();
  with_[chosen] = 0;
  branch(model, search, with_, paid + (costs[chosen] ?? 0), nodeLimit);
  const without = costs.slice();
  without[chosen] = Infinity;
  branch(model, search, without, paid, nodeLimit);
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
  const highest = new Map<string, Level>(problem.present.map((entry) => [entry.piece, entry.level]));
  for (const move of moves) highest.set(move.piece, move.level);
  const moved = new Set(moves.map((move) => move.piece));
  const sums = { close: 0, breakage: 0, closePresent: 0 };
  for (const piece of problem.pieces) {
    const final = piece.levels.find((level) => level.level === highest.get(piece.id));
    if (!final) continue;
    const close = problem.replaced.includes(piece.id) && final.level === 'off' ? 0 : final.close;
    sums[moved.has(piece.id) ? 'close' : 'closePresent'] += close;
    sums.breakage += final.breakage;
  }
  return sums;
}

function unreachable(problem: AccessProblem): AccessTrouble[] {
  return problem.targets
    .filter((target) => {
      const model = build({ problem: { ...problem, targets: [target], replaced: [] }, fixed: new Map() });
      return reach(model.net, model.costs, 'max').value[model.net.goal] === Infinity;
    })
    .map((target) => ({ code: 'unreachable-target' as const, target: target.id }));
}

/**
 * The least-labour way in: the moves and ways for which opening, closing and expected breakage together cost the fewest
 * person-minutes, so that every target holds and nothing rests on itself. Exact, by branch and bound with landmark cuts;
 * where `nodeLimit` ends the search the best plan found is returned with the bound that is proved.
 * A target that nothing can reach is reported in `problems`, the rest is planned.
 */
export function solveAccess(problem: AccessProblem, nodeLimit = 200_000): AccessChoice {
  const problems = unreachable(problem);
  const lost = new Set(problems.map((trouble) => trouble.target));
  const reachable = { ...problem, targets: problem.targets.filter((target) => !lost.has(target.id)) };
  let best: { model: Model; search: Search; total: number } | undefined;
  let bound = Infinity;
  for (const part of capFallingCosts(reachable)) {
    const model = build(part);
    const shift = model.constant * SCALE;
    const search: Search = { best: best ? best.total - shift : Infinity, arcs: undefined, bound: Infinity, nodes: 0 };
    offer(model, search, model.costs, 'add');
    branch(model, search, model.costs, 0, nodeLimit);
    bound = Math.min(bound, search.bound + shift);
    if (search.arcs) best = { model, search, total: search.best + shift };
  }
  const { moves, targetWays } = best ? readMoves(best.model, reachable, best.search.arcs ?? []) : { moves: [], targetWays: [] };
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
    lowerBound: proved ? total : Math.floor(bound / SCALE),
    total,
    problems,
  };
}

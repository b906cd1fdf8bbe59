import { network, type Arc, type Network } from './relaxation.ts';
import { atStart, levelRank, type AccessLevel, type AccessProblem, type AccessWay, type PieceAtStart } from './problem.ts';
import type { Level } from '../vehicle/index.ts';

/** Ties go to fewer pieces, then fewer irreversible moves: a hundredth of a minute outweighs any count of either. */
export const SCALE = 1_000_000;
const PER_PIECE = 1_000;

/** A problem as a network whose cheapest support is the least-labour way in. */
export interface Model {
  net: Network;
  costs: Float64Array;
  /** What each arc stands for; undefined for pure logic. */
  meaning: ({ kind: 'way'; piece: string; level: AccessLevel; way: AccessWay } | { kind: 'target'; target: string; way: AccessWay } | undefined)[];
  constant: number;
}

/** What it costs in the end that a piece is brought to a level, counted from where it stands; undefined stands for leaving it there. */
export function finalCost(level: AccessLevel | undefined, start: PieceAtStart, replaced: boolean): number {
  if (!level) return start.close;
  const rise = Math.max(0, level.breakage - start.breakage);
  return level.open - start.open + (replaced && level.level === 'off' ? 0 : level.close) + rise;
}

/** A part of a problem within which a piece costs the more in the end the higher it goes. */
export interface Capped {
  problem: AccessProblem;
  /** Pieces whose final level is fixed, because a higher level would cost less in the end than a lower one. */
  fixed: Map<string, Level | typeof STAYS>;
}

/** Final level of a piece that is not moved. */
const STAYS = 'stays';

/** Splits a problem at every piece whose final cost falls with the level, so that within each part costs only rise. */
export function capFallingCosts(problem: AccessProblem): Capped[] {
  let parts: Capped[] = [{ problem, fixed: new Map() }];
  for (const piece of problem.pieces) {
    const start = atStart(problem, piece);
    const replaced = problem.replaced.includes(piece.id);
    if (replaced && piece.levels.at(-1)?.level === 'off') {
      // It ends off in any case, so nothing is to be weighed.
      if (start.rank < levelRank('off')) parts = parts.map((part) => ({ problem, fixed: new Map(part.fixed).set(piece.id, 'off') }));
      continue;
    }
    const higher = piece.levels.filter((level) => levelRank(level.level) > start.rank);
    const costs = [undefined, ...higher].map((level) => finalCost(level, start, replaced));
    if (costs.every((cost, index) => index === 0 || cost >= (costs[index - 1] ?? 0))) continue;
    const finals: (Level | typeof STAYS)[] = [STAYS, ...higher.map((level) => level.level)];
    parts = parts.flatMap((part) => finals.map((level) => ({ problem, fixed: new Map(part.fixed).set(piece.id, level) })));
  }
  return parts;
}

/** The network of a part of a problem. */
export function buildModel({ problem, fixed }: Capped): Model {
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
  const starts = new Map(problem.pieces.map((piece) => [piece.id, atStart(problem, piece)]));
  const tailsOf = (way: AccessWay): number[] | undefined => {
    const open = way.needs.filter((need) => (starts.get(need.piece)?.rank ?? 0) < levelRank(need.level));
    const tails = open.map((need) => needNode(need.piece, need.level));
    return tails.every((tail) => tail !== undefined) ? [...new Set(tails as number[])] : undefined;
  };
  const goals: number[] = [];
  for (const piece of problem.pieces) {
    const start = starts.get(piece.id) ?? atStart(problem, piece);
    const replaced = problem.replaced.includes(piece.id);
    const final = fixed.get(piece.id);
    let paid = finalCost(undefined, start, replaced);
    constant += finalCost(final === undefined ? undefined : piece.levels.find((level) => level.level === final), start, replaced);
    let payBefore: number | undefined;
    let below: number | undefined;
    for (const level of piece.levels) {
      const here = nodes.get(`${piece.id}/${level.level}`) ?? 0;
      if (below !== undefined) arc([here], below, 0);
      below = here;
      if (levelRank(level.level) <= start.rank) {
        arc([], here, 0);
        continue;
      }
      if (final !== undefined && (final === STAYS || levelRank(level.level) > levelRank(final))) continue;
      const pay = node();
      const cost = final === undefined ? finalCost(level, start, replaced) : paid;
      const first = payBefore === undefined;
      arc(payBefore === undefined ? [] : [payBefore], pay, (cost - paid) * SCALE + (first && start.rank === 0 ? PER_PIECE : 0));
      paid = cost;
      payBefore = pay;
      for (const way of level.ways) {
        const tails = tailsOf(way);
        if (tails) arc([...tails, pay], here, way.extra * SCALE + (way.irreversible ? 1 : 0), { kind: 'way', piece: piece.id, level, way });
      }
    }
    const must = replaced ? 'off' : final === STAYS ? undefined : final;
    // What cannot go that far leaves the goal out of reach.
    if (must && start.rank < levelRank(must)) goals.push(needNode(piece.id, must) ?? node());
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

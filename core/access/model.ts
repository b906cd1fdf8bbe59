import { network, type Arc, type Network } from './relaxation.ts';
import { levelRank, type AccessLevel, type AccessPiece, type AccessProblem, type AccessWay } from './problem.ts';
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

/** What it costs in the end that a piece reached a level, counted from what it has reached already. */
function finalCost(level: AccessLevel | undefined, present: AccessLevel | undefined, replaced: boolean): number {
  if (!level) return 0;
  const open = level.open - (present?.open ?? 0);
  return open + (replaced && level.level === 'off' ? 0 : level.close) + level.breakage;
}

/** A part of a problem within which a piece costs the more in the end the higher it goes. */
export interface Capped {
  problem: AccessProblem;
  /** Pieces whose final level is fixed, because a higher level would cost less in the end than a lower one. */
  fixed: Map<string, Level | 'fitted'>;
}

function presentLevel(problem: AccessProblem, piece: AccessPiece): AccessLevel | undefined {
  const at = problem.present.find((entry) => entry.piece === piece.id);
  return at && [...piece.levels].reverse().find((level) => levelRank(level.level) <= levelRank(at.level));
}

/** Splits a problem at every piece whose final cost falls with the level, so that within each part costs only rise. */
export function capFallingCosts(problem: AccessProblem): Capped[] {
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

import { network, Relaxation, type Arc, type Network } from './relaxation.ts';

const BITS = 32;

/** Rows of bits in one flat array. */
class BitRows {
  readonly words: number;
  readonly bits: Int32Array;

  constructor(rows: number, width: number) {
    this.words = Math.ceil(width / BITS);
    this.bits = new Int32Array(rows * this.words);
  }

  has(row: number, bit: number): boolean {
    return (((this.bits[row * this.words + (bit >>> 5)] as number) >>> (bit & 31)) & 1) === 1;
  }

  add(row: number, bit: number): void {
    const at = row * this.words + (bit >>> 5);
    this.bits[at] = (this.bits[at] as number) | (1 << (bit & 31));
  }
}

/**
 * For every node the nodes that hold whenever it holds, whatever way is chosen: its own, and those common to all arcs that lead to
 * it. Greatest fixpoint; source: E. Keyder, S. Richter, M. Helmert, Sound and complete landmarks for and/or graphs, 2010.
 */
function landmarks(net: Network, costs: Float64Array): BitRows {
  const rows = new BitRows(net.nodeCount, net.nodeCount);
  rows.bits.fill(-1);
  const { words, bits } = rows;
  const meet = new Int32Array(words);
  const join = new Int32Array(words);
  const waiting: number[] = [];
  const queued = new Uint8Array(net.nodeCount);
  const later = (node: number) => {
    if (queued[node]) return;
    queued[node] = 1;
    waiting.push(node);
  };
  for (let node = net.nodeCount - 1; node >= 0; node--) later(node);
  for (let node = waiting.pop(); node !== undefined; node = waiting.pop()) {
    queued[node] = 0;
    meet.fill(-1);
    for (let at = net.byHeadStart[node] as number; at < (net.byHeadStart[node + 1] as number); at++) {
      const arc = net.byHead[at] as number;
      if (costs[arc] === Infinity) continue;
      join.fill(0);
      for (let t = net.tailStart[arc] as number; t < (net.tailStart[arc + 1] as number); t++) {
        const row = (net.tails[t] as number) * words;
        for (let word = 0; word < words; word++) join[word] = (join[word] as number) | (bits[row + word] as number);
      }
      for (let word = 0; word < words; word++) meet[word] = (meet[word] as number) & (join[word] as number);
    }
    meet[node >>> 5] = (meet[node >>> 5] as number) | (1 << (node & 31));
    let changed = false;
    for (let word = 0; word < words; word++) {
      if (bits[node * words + word] === meet[word]) continue;
      bits[node * words + word] = meet[word] as number;
      changed = true;
    }
    if (!changed) continue;
    for (let at = net.byTailStart[node] as number; at < (net.byTailStart[node + 1] as number); at++) later(net.head[net.byTail[at] as number] as number);
  }
  return rows;
}

/** Whether a node stands among what must hold before an arc can be used. */
function needed(net: Network, rows: BitRows, arc: number, node: number): boolean {
  for (let at = net.tailStart[arc] as number; at < (net.tailStart[arc + 1] as number); at++) if (rows.has(net.tails[at] as number, node)) return true;
  return false;
}

/** Takes out arcs that cannot reach the goal: heads that nothing relevant needs, tails that cannot hold. */
function dropIrrelevant(net: Network, costs: Float64Array): void {
  const holds = new Uint8Array(net.nodeCount);
  const waiting = Int32Array.from({ length: net.arcCount }, (_, arc) => (net.tailStart[arc + 1] as number) - (net.tailStart[arc] as number));
  const open: number[] = [];
  const use = (arc: number) => {
    const head = net.head[arc] as number;
    if (costs[arc] === Infinity || holds[head]) return;
    holds[head] = 1;
    open.push(head);
  };
  net.sources.forEach(use);
  for (let node = open.pop(); node !== undefined; node = open.pop()) {
    for (let at = net.byTailStart[node] as number; at < (net.byTailStart[node + 1] as number); at++) {
      const arc = net.byTail[at] as number;
      waiting[arc] = (waiting[arc] as number) - 1;
      if (waiting[arc] === 0) use(arc);
    }
  }
  const relevant = new Uint8Array(net.nodeCount);
  relevant[net.goal] = 1;
  open.push(net.goal);
  for (let node = open.pop(); node !== undefined; node = open.pop()) {
    for (let at = net.byHeadStart[node] as number; at < (net.byHeadStart[node + 1] as number); at++) {
      const arc = net.byHead[at] as number;
      if (costs[arc] === Infinity || waiting[arc] !== 0) continue;
      for (let t = net.tailStart[arc] as number; t < (net.tailStart[arc + 1] as number); t++) {
        const tail = net.tails[t] as number;
        if (relevant[tail]) continue;
        relevant[tail] = 1;
        open.push(tail);
      }
    }
  }
  for (let arc = 0; arc < net.arcCount; arc++) if (waiting[arc] !== 0 || !relevant[net.head[arc] as number]) costs[arc] = Infinity;
}

/** Takes out arcs that rest on their own head, and arcs beside which another leads to the same head for no more and needs no more. */
function dropUseless(net: Network, costs: Float64Array, rows: BitRows): boolean {
  let dropped = false;
  const drop = (arc: number) => {
    costs[arc] = Infinity;
    dropped = true;
  };
  for (let node = 0; node < net.nodeCount; node++) {
    const arcs: number[] = [];
    for (let at = net.byHeadStart[node] as number; at < (net.byHeadStart[node + 1] as number); at++) {
      const arc = net.byHead[at] as number;
      if (costs[arc] === Infinity) continue;
      if (needed(net, rows, arc, node)) drop(arc);
      else arcs.push(arc);
    }
    for (const arc of arcs) {
      const better = arcs.some((other) => other !== arc && costs[other] !== Infinity && dominates(net, costs, rows, other, arc));
      if (better) drop(arc);
    }
  }
  return dropped;
}

function dominates(net: Network, costs: Float64Array, rows: BitRows, arc: number, other: number): boolean {
  if ((costs[arc] as number) > (costs[other] as number)) return false;
  for (let at = net.tailStart[arc] as number; at < (net.tailStart[arc + 1] as number); at++) if (!needed(net, rows, other, net.tails[at] as number)) return false;
  return true;
}

/**
 * Takes out of `costs` (by Infinity) every arc that no least-cost support needs, and pays at once (by zero) for those that every
 * support must use. Leaves the least cost of the whole unchanged.
 * @returns what was paid
 */
export function reduceNetwork(net: Network, costs: Float64Array): number {
  dropIrrelevant(net, costs);
  let rows = landmarks(net, costs);
  while (dropUseless(net, costs, rows)) {
    dropIrrelevant(net, costs);
    rows = landmarks(net, costs);
  }
  let paid = 0;
  for (let node = 0; node < net.nodeCount; node++) {
    if (!rows.has(net.goal, node)) continue;
    let only = -1;
    let count = 0;
    for (let at = net.byHeadStart[node] as number; at < (net.byHeadStart[node + 1] as number); at++) {
      const arc = net.byHead[at] as number;
      if (costs[arc] === Infinity) continue;
      only = arc;
      count++;
    }
    if (count !== 1) continue;
    paid += costs[only] as number;
    costs[only] = 0;
  }
  return paid;
}

/** A network without what is free already and what is never used; `arcOf` leads back to the arcs of the whole. */
export interface Compact {
  net: Network;
  costs: Float64Array;
  arcOf: number[];
}

/** Leaves nodes out that hold for nothing, and arcs that lead to them or cannot be used. */
export function compact(net: Network, costs: Float64Array): Compact {
  const relaxation = new Relaxation(net);
  relaxation.reach(costs, 'max');
  const { value } = relaxation;
  const number = new Int32Array(net.nodeCount).fill(-1);
  let count = 0;
  const place = (node: number) => {
    if ((number[node] as number) < 0) number[node] = count++;
    return number[node] as number;
  };
  const goal = place(net.goal);
  const arcs: Arc[] = [];
  const arcOf: number[] = [];
  for (let arc = 0; arc < net.arcCount; arc++) {
    const head = net.head[arc] as number;
    if (costs[arc] === Infinity || (value[head] === 0 && head !== net.goal)) continue;
    const tails = [...net.tails.subarray(net.tailStart[arc], net.tailStart[arc + 1])];
    if (tails.some((tail) => value[tail] === Infinity)) continue;
    arcs.push({ tails: tails.filter((tail) => value[tail] !== 0).map(place), head: place(head), cost: costs[arc] as number });
    arcOf.push(arc);
  }
  return { net: network(count, arcs, goal), costs: Float64Array.from(arcs, (arc) => arc.cost), arcOf };
}

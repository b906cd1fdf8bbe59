/**
 * The access problem as monotone reachability: nodes are (piece, level) pairs, payments and targets; an arc makes its head hold
 * once all of its tails hold. The least-cost set of arcs that makes the goal hold is the least-labour way in, and since
 * reachability is well-founded, nothing can rest on itself.
 */
export interface Arc {
  tails: number[];
  head: number;
  cost: number;
}

export interface Network {
  nodeCount: number;
  arcs: Arc[];
  goal: number;
  /** Arcs by tail, and arcs without tails. */
  byTail: number[][];
  sources: number[];
  byHead: number[][];
}

/** Indexes the arcs of a network. */
export function network(nodeCount: number, arcs: Arc[], goal: number): Network {
  const byTail: number[][] = Array.from({ length: nodeCount }, () => []);
  const byHead: number[][] = Array.from({ length: nodeCount }, () => []);
  const sources: number[] = [];
  arcs.forEach((arc, index) => {
    byHead[arc.head]?.push(index);
    if (arc.tails.length === 0) sources.push(index);
    for (const tail of arc.tails) byTail[tail]?.push(index);
  });
  return { nodeCount, arcs, goal, byTail, sources, byHead };
}

/** A binary heap of nodes by cost. */
class Heap {
  private readonly nodes: number[] = [];
  private readonly costs: number[] = [];

  get size(): number {
    return this.nodes.length;
  }

  push(node: number, cost: number): void {
    const { nodes, costs } = this;
    let place = nodes.length;
    nodes.push(node);
    costs.push(cost);
    while (place > 0) {
      const parent = (place - 1) >> 1;
      if ((costs[parent] ?? 0) <= cost) break;
      nodes[place] = nodes[parent] ?? 0;
      costs[place] = costs[parent] ?? 0;
      place = parent;
    }
    nodes[place] = node;
    costs[place] = cost;
  }

  pop(): { node: number; cost: number } {
    const { nodes, costs } = this;
    const top = { node: nodes[0] ?? 0, cost: costs[0] ?? 0 };
    const node = nodes.pop() ?? 0;
    const cost = costs.pop() ?? 0;
    const size = nodes.length;
    let place = 0;
    while (size > 0) {
      let child = 2 * place + 1;
      if (child >= size) break;
      if (child + 1 < size && (costs[child + 1] ?? 0) < (costs[child] ?? 0)) child++;
      if ((costs[child] ?? 0) >= cost) break;
      nodes[place] = nodes[child] ?? 0;
      costs[place] = costs[child] ?? 0;
      place = child;
    }
    if (size > 0) {
      nodes[place] = node;
      costs[place] = cost;
    }
    return top;
  }
}

export interface Reach {
  /** Cost of each node, Infinity where it cannot be reached. */
  value: Float64Array;
  /** Arc by which each node is cheapest, -1 where none. */
  by: Int32Array;
  /** Dearest tail of each arc, -1 for an arc without tails or one that cannot be used. */
  dearest: Int32Array;
}

/**
 * Cheapest reach of every node when an arc costs its own cost plus the largest (`max`) or the sum (`add`) of its tails.
 * A generalised Dijkstra; source: D. E. Knuth, A generalization of Dijkstra's algorithm, 1977.
 */
export function reach(net: Network, costs: Float64Array, combine: 'max' | 'add'): Reach {
  const value = new Float64Array(net.nodeCount).fill(Infinity);
  const by = new Int32Array(net.nodeCount).fill(-1);
  const dearest = new Int32Array(net.arcs.length).fill(-1);
  const waiting = Int32Array.from(net.arcs, (arc) => arc.tails.length);
  const sum = new Float64Array(net.arcs.length);
  const done = new Uint8Array(net.nodeCount);
  const heap = new Heap();
  const relax = (index: number, base: number) => {
    const arc = net.arcs[index];
    const cost = base + (costs[index] ?? Infinity);
    if (arc && cost < (value[arc.head] ?? Infinity)) {
      value[arc.head] = cost;
      by[arc.head] = index;
      heap.push(arc.head, cost);
    }
  };
  for (const index of net.sources) relax(index, 0);
  while (heap.size > 0) {
    const { node, cost } = heap.pop();
    if (done[node] || cost > (value[node] ?? Infinity)) continue;
    done[node] = 1;
    for (const index of net.byTail[node] ?? []) {
      sum[index] = (sum[index] ?? 0) + cost;
      dearest[index] = node;
      waiting[index] = (waiting[index] ?? 0) - 1;
      if (waiting[index] === 0) relax(index, combine === 'max' ? cost : (sum[index] ?? 0));
    }
  }
  return { value, by, dearest };
}

/** Arcs of the cheapest support of the goal, each once, in an order in which they can be used; undefined where there is none. */
export function support(net: Network, reached: Reach): number[] | undefined {
  if (reached.value[net.goal] === Infinity) return undefined;
  const chosen = new Set<number>();
  const seen = new Uint8Array(net.nodeCount);
  const visit = (node: number) => {
    if (seen[node]) return;
    seen[node] = 1;
    const index = reached.by[node] ?? -1;
    const arc = net.arcs[index];
    if (!arc) return;
    arc.tails.forEach(visit);
    chosen.add(index);
  };
  visit(net.goal);
  return [...chosen];
}

/**
 * A lower bound on the least cost, with the first cut found. Each cut is a set of arcs of which any solution uses at least one.
 * Source: M. Helmert and C. Domshlak, Landmarks, critical paths and abstractions, 2009 (the landmark cut).
 * `costs` is consumed: what is left of it are the costs not yet accounted for.
 */
export function landmarkBound(net: Network, costs: Float64Array, stopAt: number): { bound: number; smallest: number[] } {
  let bound = 0;
  let smallest: number[] = [];
  for (;;) {
    const reached = reach(net, costs, 'max');
    const goalValue = reached.value[net.goal] ?? Infinity;
    if (goalValue === Infinity) return { bound: Infinity, smallest };
    if (goalValue === 0) return { bound, smallest };
    const zone = goalZone(net, costs, reached);
    const cut = cutBefore(net, reached, zone);
    const least = cut.reduce((low, index) => Math.min(low, costs[index] ?? Infinity), Infinity);
    if (cut.length === 0 || least <= 0 || least === Infinity) return { bound, smallest };
    for (const index of cut) costs[index] = (costs[index] ?? 0) - least;
    bound += least;
    if (smallest.length === 0 || cut.length < smallest.length) smallest = cut;
    if (bound >= stopAt) return { bound, smallest };
  }
}

function goalZone(net: Network, costs: Float64Array, reached: Reach): Uint8Array {
  const zone = new Uint8Array(net.nodeCount);
  const open = [net.goal];
  zone[net.goal] = 1;
  for (let node = open.pop(); node !== undefined; node = open.pop()) {
    for (const index of net.byHead[node] ?? []) {
      const tail = reached.dearest[index] ?? -1;
      const arc = net.arcs[index];
      if (costs[index] !== 0 || tail < 0 || zone[tail] || !usable(arc, reached)) continue;
      zone[tail] = 1;
      open.push(tail);
    }
  }
  return zone;
}

function usable(arc: Arc | undefined, reached: Reach): boolean {
  return arc !== undefined && arc.tails.every((tail) => reached.value[tail] !== Infinity);
}

function cutBefore(net: Network, reached: Reach, zone: Uint8Array): number[] {
  const before = new Uint8Array(net.nodeCount);
  const cut: number[] = [];
  const open: number[] = [];
  const take = (index: number) => {
    const head = net.arcs[index]?.head ?? 0;
    if (zone[head]) cut.push(index);
    else if (!before[head]) {
      before[head] = 1;
      open.push(head);
    }
  };
  net.sources.forEach(take);
  for (let node = open.pop(); node !== undefined; node = open.pop()) {
    for (const index of net.byTail[node] ?? []) {
      if (reached.dearest[index] === node && usable(net.arcs[index], reached)) take(index);
    }
  }
  return cut;
}

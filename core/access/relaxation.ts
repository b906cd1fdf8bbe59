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

/** Arcs in flat arrays: the tails of arc a are `tails[tailStart[a]]` up to `tails[tailStart[a + 1] - 1]`, and likewise by tail and by head. */
export interface Network {
  nodeCount: number;
  arcCount: number;
  goal: number;
  head: Int32Array;
  tailStart: Int32Array;
  tails: Int32Array;
  byTailStart: Int32Array;
  byTail: Int32Array;
  byHeadStart: Int32Array;
  byHead: Int32Array;
  sources: Int32Array;
}

function grouped(count: number, pairs: readonly (readonly [group: number, member: number])[]): { start: Int32Array; members: Int32Array } {
  const start = new Int32Array(count + 1);
  for (const [group] of pairs) start[group + 1] = (start[group + 1] ?? 0) + 1;
  for (let index = 0; index < count; index++) start[index + 1] = (start[index + 1] ?? 0) + (start[index] ?? 0);
  const next = start.slice();
  const members = new Int32Array(pairs.length);
  for (const [group, member] of pairs) {
    const at = next[group] ?? 0;
    members[at] = member;
    next[group] = at + 1;
  }
  return { start, members };
}

/** Indexes the arcs of a network. */
export function network(nodeCount: number, arcs: readonly Arc[], goal: number): Network {
  const ofArc = grouped(
    arcs.length,
    arcs.flatMap((arc, index) => arc.tails.map((tail): [number, number] => [index, tail])),
  );
  const byTail = grouped(
    nodeCount,
    arcs.flatMap((arc, index) => arc.tails.map((tail): [number, number] => [tail, index])),
  );
  const byHead = grouped(
    nodeCount,
    arcs.map((arc, index): [number, number] => [arc.head, index]),
  );
  return {
    nodeCount,
    arcCount: arcs.length,
    goal,
    head: Int32Array.from(arcs, (arc) => arc.head),
    tailStart: ofArc.start,
    tails: ofArc.members,
    byTailStart: byTail.start,
    byTail: byTail.members,
    byHeadStart: byHead.start,
    byHead: byHead.members,
    sources: Int32Array.from(arcs.flatMap((arc, index) => (arc.tails.length === 0 ? [index] : []))),
  };
}

/**
 * Reachability over one network with work space that is used again by every question. Entries of the flat arrays are always in
 * range; `| 0` and `+` only tell the types so.
 */
export class Relaxation {
  /** Cost of each node after the last `reach`, Infinity where it cannot be reached. */
  readonly value: Float64Array;
  /** Arc by which each node is cheapest, -1 where none. */
  readonly by: Int32Array;
  /** Dearest tail of each arc, -1 for an arc without tails or one that cannot be used. */
  readonly dearest: Int32Array;
  private readonly waiting: Int32Array;
  private readonly sum: Float64Array;
  private readonly done: Uint8Array;
  private readonly zone: Uint8Array;
  private readonly stack: Int32Array;
  private readonly heapNode: Int32Array;
  private readonly heapCost: Float64Array;
  private heapSize = 0;
  private readonly tailCount: Int32Array;

  constructor(readonly net: Network) {
    const { nodeCount, arcCount } = net;
    this.value = new Float64Array(nodeCount);
    this.by = new Int32Array(nodeCount);
    this.dearest = new Int32Array(arcCount);
    this.waiting = new Int32Array(arcCount);
    this.sum = new Float64Array(arcCount);
    this.done = new Uint8Array(nodeCount);
    this.zone = new Uint8Array(nodeCount);
    this.stack = new Int32Array(nodeCount + arcCount + 1);
    this.heapNode = new Int32Array(arcCount + nodeCount + 1);
    this.heapCost = new Float64Array(arcCount + nodeCount + 1);
    this.tailCount = Int32Array.from({ length: arcCount }, (_, index) => (net.tailStart[index + 1] ?? 0) - (net.tailStart[index] ?? 0));
  }

  private push(node: number, cost: number): void {
    const { heapNode, heapCost } = this;
    let place = this.heapSize++;
    while (place > 0) {
      const parent = (place - 1) >> 1;
      const above = heapCost[parent] as number;
      if (above <= cost) break;
      heapNode[place] = heapNode[parent] as number;
      heapCost[place] = above;
      place = parent;
    }
    heapNode[place] = node;
    heapCost[place] = cost;
  }

  private pop(): number {
    const { heapNode, heapCost } = this;
    const top = heapNode[0] as number;
    const size = --this.heapSize;
    const node = heapNode[size] as number;
    const cost = heapCost[size] as number;
    let place = 0;
    for (;;) {
      let child = 2 * place + 1;
      if (child >= size) break;
      if (child + 1 < size && (heapCost[child + 1] as number) < (heapCost[child] as number)) child++;
      const below = heapCost[child] as number;
      if (below >= cost) break;
      heapNode[place] = heapNode[child] as number;
      heapCost[place] = below;
      place = child;
    }
    heapNode[place] = node;
    heapCost[place] = cost;
    return top;
  }

  private relax(arc: number, cost: number): void {
    const head = this.net.head[arc] as number;
    if (cost < (this.value[head] as number)) {
      this.value[head] = cost;
      this.by[head] = arc;
      this.push(head, cost);
    }
  }

  /**
   * Cheapest reach of every node when an arc costs its own cost plus the largest (`max`) or the sum (`add`) of its tails; an arc
   * of infinite cost is not there. A generalised Dijkstra; source: D. E. Knuth, A generalization of Dijkstra's algorithm, 1977.
   */
  reach(costs: Float64Array, combine: 'max' | 'add'): void {
    const { net, value, by, dearest, waiting, sum, done } = this;
    value.fill(Infinity);
    by.fill(-1);
    dearest.fill(-1);
    done.fill(0);
    sum.fill(0);
    waiting.set(this.tailCount);
    this.heapSize = 0;
    const adding = combine === 'add';
    for (const arc of net.sources) this.relax(arc, costs[arc] as number);
    while (this.heapSize > 0) {
      const node = this.pop();
      if (done[node]) continue;
      done[node] = 1;
      const cost = value[node] as number;
      const end = net.byTailStart[node + 1] as number;
      for (let at = net.byTailStart[node] as number; at < end; at++) {
        const arc = net.byTail[at] as number;
        dearest[arc] = node;
        if (adding) sum[arc] = (sum[arc] as number) + cost;
        const left = (waiting[arc] as number) - 1;
        waiting[arc] = left;
        if (left === 0) this.relax(arc, (adding ? (sum[arc] as number) : cost) + (costs[arc] as number));
      }
    }
  }

  /** Arcs of the cheapest support of the goal after `reach`, each once, in an order in which they can be used; undefined where there is none. */
  support(): number[] | undefined {
    const { net, value, by } = this;
    if (value[net.goal] === Infinity) return undefined;
    const chosen: number[] = [];
    const seen = new Uint8Array(net.nodeCount);
    const visit = (node: number) => {
      if (seen[node]) return;
      seen[node] = 1;
      const arc = by[node] as number;
      if (arc < 0) return;
      const end = net.tailStart[arc + 1] as number;
      for (let at = net.tailStart[arc] as number; at < end; at++) visit(net.tails[at] as number);
      chosen.push(arc);
    };
    visit(net.goal);
    return chosen;
  }

  /**
   * A lower bound on the least cost, with the smallest cut found. Each cut is a set of arcs of which any solution uses at least
   * one. Source: M. Helmert and C. Domshlak, Landmarks, critical paths and abstractions, 2009 (the landmark cut).
   * `costs` is consumed: what is left of it are the costs not yet accounted for. Stops once the bound reaches `stopAt`. After a
   * bound below that, `value` holds the reach over what is left.
   */
  landmarkBound(costs: Float64Array, stopAt: number): { bound: number; smallest: number[] } {
    let bound = 0;
    let smallest: number[] = [];
    this.reach(costs, 'max');
    for (;;) {
      const goalValue = this.value[this.net.goal] as number;
      if (goalValue === Infinity) return { bound: Infinity, smallest };
      if (goalValue === 0) return { bound, smallest };
      const cut = this.cut(costs);
      let least = Infinity;
      for (const arc of cut) if ((costs[arc] as number) < least) least = costs[arc] as number;
      if (cut.length === 0 || least <= 0 || least === Infinity) return { bound, smallest };
      for (const arc of cut) costs[arc] = (costs[arc] as number) - least;
      bound += least;
      if (smallest.length === 0 || cut.length < smallest.length) smallest = cut;
      if (bound >= stopAt) return { bound, smallest };
      this.lower(costs, cut);
    }
  }

  /** Brings `value`, `by` and `dearest` of a `max` reach up to date after the costs of some arcs fell. */
  private lower(costs: Float64Array, changed: readonly number[]): void {
    const { net, value, dearest } = this;
    this.heapSize = 0;
    for (const arc of changed) {
      const tail = dearest[arc] as number;
      this.relax(arc, (tail < 0 ? 0 : (value[tail] as number)) + (costs[arc] as number));
    }
    while (this.heapSize > 0) {
      const cost = this.heapCost[0] as number;
      const node = this.pop();
      if (cost > (value[node] as number)) continue;
      const end = net.byTailStart[node + 1] as number;
      for (let at = net.byTailStart[node] as number; at < end; at++) {
        const arc = net.byTail[at] as number;
        if (dearest[arc] !== node || (this.waiting[arc] as number) > 0) continue;
        let most = -1;
        let base = -1;
        for (let t = net.tailStart[arc] as number; t < (net.tailStart[arc + 1] as number); t++) {
          const tail = net.tails[t] as number;
          const here = value[tail] as number;
          if (here > base) {
            base = here;
            most = tail;
          }
        }
        dearest[arc] = most;
        this.relax(arc, base + (costs[arc] as number));
      }
    }
  }

  /** Arcs that lead into the zone from which the goal costs nothing more, each arc seen through its dearest tail only. */
  private cut(costs: Float64Array): number[] {
    const { net, value, dearest, zone, stack } = this;
    zone.fill(0);
    let size = 0;
    stack[size++] = net.goal;
    zone[net.goal] = 1;
    while (size > 0) {
      const node = stack[--size] as number;
      const end = net.byHeadStart[node + 1] as number;
      for (let at = net.byHeadStart[node] as number; at < end; at++) {
        const arc = net.byHead[at] as number;
        if (costs[arc] !== 0 || (this.waiting[arc] as number) > 0) continue;
        const tail = dearest[arc] as number;
        if (tail < 0 || zone[tail]) continue;
        zone[tail] = 1;
        stack[size++] = tail;
      }
    }
    const found: number[] = [];
    const take = (arc: number) => {
      const head = net.head[arc] as number;
      if (zone[head] === 1) found.push(arc);
      else if (zone[head] === 0) {
        zone[head] = 2;
        stack[size++] = head;
      }
    };
    for (const arc of net.sources) if (costs[arc] !== Infinity) take(arc);
    while (size > 0) {
      const node = stack[--size] as number;
      if (value[node] === Infinity) continue;
      const end = net.byTailStart[node + 1] as number;
      for (let at = net.byTailStart[node] as number; at < end; at++) {
        const arc = net.byTail[at] as number;
        if (dearest[arc] === node && (this.waiting[arc] as number) === 0 && costs[arc] !== Infinity) take(arc);
      }
    }
    return found;
  }
}

import { Relaxation, type Network } from './relaxation.ts';
import { compact, reduceNetwork } from './reduce.ts';

/** How far a search has come: the best support found and what no support can be cheaper than. */
export interface SearchResult {
  nodes: number;
  best: number;
  bound: number;
  /** Arcs of the best support, in an order in which they can be used; undefined where none was found. */
  arcs: number[] | undefined;
}

interface Open {
  costs: Float64Array;
  paid: number;
  /** No support below this place is cheaper. */
  low: number;
}

/** Search nodes between two reports. */
const REPORT_EVERY = 4;

/**
 * The cheapest support of the goal, by depth-first branch and bound on the arcs of the smallest landmark cut: first with the arc
 * paid for, then without it. What an arc would cost beyond the bound takes it out of a whole branch (reduced-cost fixing). Exact when
 * it ends by itself; whoever drives it may stop it at any report and has the best support so far with the bound that is proved.
 * Costs are whole numbers.
 * @param known a cost for which a support is known already; only cheaper ones are looked for
 */
export function* searchSupport(net: Network, costs: Float64Array, known = Infinity): Generator<SearchResult, SearchResult> {
  const reduced = costs.slice();
  const forced = reduceNetwork(net, reduced);
  const small = compact(net, reduced);
  const relaxation = new Relaxation(small.net);
  const found: SearchResult = { nodes: 0, best: known, bound: -Infinity, arcs: undefined };
  const offer = (using: Float64Array) => {
    relaxation.reach(using, 'add');
    const arcs = relaxation.support();
    if (!arcs) return;
    const cost = arcs.reduce((sum, arc) => sum + (small.costs[arc] as number), forced);
    if (cost >= found.best) return;
    found.best = cost;
    found.arcs = wholeSupport(net, reduced, new Set(arcs.map((arc) => small.arcOf[arc] as number)));
  };
  const open: Open[] = [{ costs: small.costs.slice(), paid: forced, low: forced }];
  for (let place = open.pop(); place; place = open.pop()) {
    if (place.low >= found.best) continue;
    const split = branch(relaxation, place, found, offer);
    if (split) open.push(...split);
    found.nodes++;
    if (found.nodes % REPORT_EVERY === 0) {
      found.bound = open.reduce((low, entry) => Math.min(low, entry.low), found.best);
      yield found;
    }
  }
  found.bound = found.best;
  return found;
}

/** The support in the whole network that uses no paid arc but the chosen ones and those that every support needs. */
function wholeSupport(net: Network, reduced: Float64Array, chosen: ReadonlySet<number>): number[] | undefined {
  const relaxation = new Relaxation(net);
  relaxation.reach(
    reduced.map((cost, arc) => (cost === 0 || chosen.has(arc) ? cost : Infinity)),
    'add',
  );
  return relaxation.support();
}

/** Bounds one place of the search; gives the two places it splits into, the one to look at first last, or nothing where it is settled. */
function branch(relaxation: Relaxation, place: Open, found: SearchResult, offer: (using: Float64Array) => void): Open[] | undefined {
  const { costs } = place;
  for (;;) {
    const residual = costs.slice();
    const { bound, smallest } = relaxation.landmarkBound(residual, found.best - place.paid);
    const low = place.paid + bound;
    if (low >= found.best) return undefined;
    const fixed = fixBeyond(relaxation, costs, residual, found.best - low);
    offer(residual);
    offer(costs);
    if (low >= found.best) return undefined;
    if (fixed > 0) {
      place.low = low;
      if (smallest.some((arc) => costs[arc] === Infinity)) continue;
    }
    const chosen = pick(costs, smallest);
    if (chosen < 0) return undefined;
    const cost = costs[chosen] as number;
    const using = costs.slice();
    using[chosen] = 0;
    costs[chosen] = Infinity;
    return [
      { costs, paid: place.paid, low },
      { costs: using, paid: place.paid + cost, low },
    ];
  }
}

/** Takes out every arc whose use costs so much beyond the bound that no better support has it. Returns how many. */
function fixBeyond({ net, value }: Relaxation, costs: Float64Array, residual: Float64Array, room: number): number {
  let count = 0;
  for (let arc = 0; arc < net.arcCount; arc++) {
    if (costs[arc] === Infinity) continue;
    let reach = 0;
    for (let at = net.tailStart[arc] as number; at < (net.tailStart[arc + 1] as number); at++) {
      const tail = value[net.tails[at] as number] as number;
      if (tail > reach) reach = tail;
    }
    if (reach + (residual[arc] as number) < room) continue;
    costs[arc] = Infinity;
    count++;
  }
  return count;
}

/** The dearest arc of a cut: paid for or forbidden, it moves the bound most. */
function pick(costs: Float64Array, cut: readonly number[]): number {
  let chosen = -1;
  for (const arc of cut) if (chosen < 0 || (costs[arc] as number) > (costs[chosen] as number)) chosen = arc;
  return chosen;
}

import { Improver, type Support } from './improve.ts';
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
/** Places looked at times arcs after which a problem counts as hard: from then on the best support is bettered beside the search, and the bound is raised. */
const HARD_WORK = 16_000;
/** Tries of bettering between two reports. */
const TRIES = 40;
/** Arcs from which a problem whose bound lies so far below its best support is first bettered from several beginnings. */
const LARGE = 700;
const FAR = 0.85;
/** Places looked at times arcs before that: what is easy is settled by then. */
const WORK_BEFORE = 20_000;
/** Tries times arcs that are spent on it before the search goes on, in so many beginnings. */
const WORK_AT_FIRST = 11_000_000;
const BEGINNINGS = 8;
const TRIES_A_REPORT = 150;
/** Open places up to which the one with the lowest bound is taken in turn. */
const MOST_OPEN = 6_000;

/**
 * The cheapest support of the goal, by branch and bound on the arcs of the smallest landmark cut: first with the arc
 * paid for, then without it. What an arc would cost beyond the bound takes it out of a whole branch (reduced-cost fixing). Depth first;
 * in a hard problem the best support so far is bettered beside it by large neighbourhoods, and in turn the place with the lowest bound is
 * taken, so that the bound of the whole rises. Exact when it ends by itself; whoever drives it may stop it at any report and has the best support so far with the bound that is proved.
 * Costs are whole numbers.
 * @param known a cost for which a support is known already; only cheaper ones are looked for
 */
export function* searchSupport(net: Network, costs: Float64Array, known = Infinity): Generator<SearchResult, SearchResult> {
  const reduced = costs.slice();
  const forced = reduceNetwork(net, reduced);
  const small = compact(net, reduced);
  const relaxation = new Relaxation(small.net);
  const found: SearchResult = { nodes: 0, best: known, bound: -Infinity, arcs: undefined };
  let own: Support | undefined;
  const take = (support: Support) => {
    if (!own || support.cost < own.cost) own = support;
    if (support.cost + forced >= found.best) return;
    found.best = support.cost + forced;
    found.arcs = wholeSupport(net, reduced, new Set(support.arcs.map((arc) => small.arcOf[arc] as number)));
  };
  const offer = (using: Float64Array) => {
    relaxation.reach(using, 'add');
    const arcs = relaxation.support();
    if (arcs) take({ arcs, cost: arcs.reduce((sum, arc) => sum + (small.costs[arc] as number), 0) });
  };
  const hard = () => found.nodes * small.net.arcCount > HARD_WORK;
  let improver: Improver | undefined;
  let begun = false;
  const open: Open[] = [{ costs: small.costs.slice(), paid: forced, low: forced }];
  for (let place = open.pop(); place; place = nextPlace(open, hard() ? found.nodes : 0)) {
    if (place.low >= found.best) continue;
    const split = branch(relaxation, place, found, offer);
    if (split) open.push(...split);
    found.nodes++;
    if (!begun && own && small.net.arcCount > LARGE && found.nodes * small.net.arcCount > WORK_BEFORE && place.low < FAR * found.best) {
      begun = true;
      found.bound = open.reduce((low, entry) => Math.min(low, entry.low), found.best);
      yield* bettered(new Improver(small.net, small.costs), own, take, found);
    }
    if (found.nodes % REPORT_EVERY === 0) {
      if (hard() && own) {
        improver ??= new Improver(small.net, small.costs);
        take(improver.better(own, TRIES));
      }
      found.bound = open.reduce((low, entry) => Math.min(low, entry.low), found.best);
      yield found;
    }
  }
  found.bound = found.best;
  return found;
}

/** Betters a first support from several beginnings, one after the other, and reports between. */
function* bettered(improver: Improver, first: Support, take: (support: Support) => void, found: SearchResult): Generator<SearchResult, void> {
  const reports = Math.ceil(WORK_AT_FIRST / (first.arcs.length === 0 ? 1 : improver.size) / TRIES_A_REPORT);
  for (let beginning = 0; beginning < BEGINNINGS; beginning++) {
    let own = improver.begin(first, beginning);
    for (let report = 0; report < reports / BEGINNINGS; report++) {
      own = improver.better(own, TRIES_A_REPORT);
      take(own);
      yield found;
    }
  }
}

/** The place to look at next: the last one split, in turn with the one of the lowest bound where `nodes` counts those of a hard problem. */
function nextPlace(open: Open[], nodes: number): Open | undefined {
  if (nodes % 2 === 0 || open.length > MOST_OPEN) return open.pop();
  let least = 0;
  for (let index = 1; index < open.length; index++) if ((open[index] as Open).low < (open[least] as Open).low) least = index;
  const [place] = open.splice(least, 1);
  return place;
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
    const here = place.paid + bound;
    // A cut may say less here than it did where this place was split from: what was proved there holds.
    const low = Math.max(place.low, here);
    if (low >= found.best) return undefined;
    const fixed = fixBeyond(relaxation, costs, residual, found.best - here);
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

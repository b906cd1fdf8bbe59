import { ROUTE_HAZARDS, type RouteHazard } from '../vehicle/index.ts';

/** What is better avoided along the way of a cable. */
export const HAZARDS = ROUTE_HAZARDS;
export type Hazard = RouteHazard;

/** A piece of the way that a cable can be laid along, between two places of the vehicle. */
export interface Segment {
  id: string;
  from: string;
  to: string;
  lengthMm: number;
  /** How much longer the way may be to be spared each hazard, as a share of its length. */
  hazards: Partial<Record<Hazard, number>>;
  /** Why nothing is ever laid here. */
  forbidden?: string;
}

export interface RoutePath {
  segments: string[];
  /** Places from the source to the lamp. */
  places: string[];
  lengthMm: number;
  /** Length weighed by hazards. */
  costMm: number;
  hazards: Hazard[];
}

/** Length of a segment weighed by what lies along it: length · (1 + Σ weights). */
export function segmentCostMm({ lengthMm, hazards }: Segment): number {
  return lengthMm * (1 + HAZARDS.reduce((sum, hazard) => sum + (hazards[hazard] ?? 0), 0));
}

/** A segment at one of its places, by the numbers of what it leads to. */
interface Arc {
  segment: number;
  to: number;
  costMm: number;
}

interface Net {
  segments: readonly Segment[];
  names: string[];
  number: Map<string, number>;
  /** Arcs at each place. */
  at: Arc[][];
}

const nets = new WeakMap<readonly Segment[], Net>();

/** The places of a list of segments and what leads from each, worked out once for a list. */
function netOf(segments: readonly Segment[]): Net {
  const known = nets.get(segments);
  if (known) return known;
  const net: Net = { segments, names: [], number: new Map(), at: [] };
  const numberOf = (place: string) => {
    const given = net.number.get(place);
    if (given !== undefined) return given;
    net.number.set(place, net.names.length);
    net.at.push([]);
    return net.names.push(place) - 1;
  };
  segments.forEach((segment, index) => {
    if (segment.forbidden !== undefined) return;
    const [from, to, costMm] = [numberOf(segment.from), numberOf(segment.to), segmentCostMm(segment)];
    net.at[from]?.push({ segment: index, to, costMm });
    net.at[to]?.push({ segment: index, to: from, costMm });
  });
  nets.set(segments, net);
  return net;
}

type Step = Pick<Arc, 'segment' | 'to'>;

/** Cheapest path without some segments and places. Source: E. W. Dijkstra, A note on two problems in connexion with graphs, 1959. */
function cheapest({ at }: Net, from: number, to: number, without: ReadonlySet<number>, closed: Iterable<number>): Step[] | undefined {
  const cost = new Float64Array(at.length).fill(Infinity);
  const done = new Uint8Array(at.length);
  const before = new Int32Array(at.length).fill(-1);
  const by = new Int32Array(at.length).fill(-1);
  for (const place of closed) done[place] = 1;
  cost[from] = 0;
  for (;;) {
    let place = -1;
    let least = Infinity;
    for (let candidate = 0; candidate < cost.length; candidate++) {
      const value = cost[candidate] ?? Infinity;
      if (!done[candidate] && value < least) [place, least] = [candidate, value];
    }
    if (place < 0) return undefined;
    if (place === to) break;
    done[place] = 1;
    for (const { segment, to: next, costMm } of at[place] ?? []) {
      const value = least + costMm;
      if (done[next] || value >= (cost[next] ?? Infinity) || without.has(segment)) continue;
      cost[next] = value;
      before[next] = place;
      by[next] = segment;
    }
  }
  const steps: Step[] = [];
  for (let place = to; place !== from; place = before[place] ?? from) steps.push({ segment: by[place] ?? -1, to: place });
  return steps.reverse();
}

function pathOf({ segments, names }: Net, from: string, steps: readonly Step[]): RoutePath {
  const along = steps.flatMap(({ segment }) => segments[segment] ?? []);
  return {
    segments: along.map(({ id }) => id),
    places: [from, ...steps.map(({ to }) => names[to] ?? '')],
    lengthMm: along.reduce((sum, { lengthMm }) => sum + lengthMm, 0),
    costMm: along.reduce((sum, segment) => sum + segmentCostMm(segment), 0),
    hazards: HAZARDS.filter((hazard) => along.some(({ hazards }) => (hazards[hazard] ?? 0) > 0)),
  };
}

const keyOf = (steps: readonly Step[]) => steps.map(({ segment }) => segment).join();

/**
 * The cheapest paths between two places without a place twice, cheapest first, at most so many; empty where none leads there. A segment that
 * is forbidden is never taken. Source: J. Y. Yen, Finding the k shortest loopless paths in a network, 1971.
 */
export function cheapestPaths(segments: readonly Segment[], from: string, to: string, most: number): RoutePath[] {
  const net = netOf(segments);
  const [start, end] = [net.number.get(from), net.number.get(to)];
  if (from === to) return [pathOf(net, from, [])];
  if (start === undefined || end === undefined) return [];
  const first = cheapest(net, start, end, new Set(), []);
  if (!first) return [];
  const found: Step[][] = [first];
  const waiting: { steps: Step[]; costMm: number }[] = [];
  const known = new Set([keyOf(first)]);
  while (found.length < most) {
    const last = found.at(-1) ?? [];
    last.forEach((_, spur) => {
      const root = last.slice(0, spur);
      const at = root.at(-1)?.to ?? start;
      const without = new Set(found.filter((path) => keyOf(path.slice(0, spur)) === keyOf(root)).flatMap((path) => path[spur]?.segment ?? []));
      const closed = [start, ...root.map((step) => step.to)].filter((place) => place !== at);
      const rest = cheapest(net, at, end, without, closed);
      if (!rest) return;
      const steps = [...root, ...rest];
      const key = keyOf(steps);
      if (known.has(key)) return;
      known.add(key);
      waiting.push({ steps, costMm: pathOf(net, from, steps).costMm });
    });
    waiting.sort((a, b) => a.costMm - b.costMm);
    const next = waiting.shift();
    if (!next) break;
    found.push(next.steps);
  }
  return found.map((steps) => pathOf(net, from, steps));
}

/** A lamp to be reached from a place, and how it is fed. */
export interface RouteEnd {
  lamp: string;
  at: string;
  /** Cable that stays loose so that the lamp can be lifted out. */
  liftOutMm: number;
}

/** Length of leg that a lamp needs: its path, slack at both ends, and the loop to lift it out. */
export function neededMm(pathMm: number, slackEndMm: number, liftOutMm: number): number {
  return pathMm + 2 * slackEndMm + liftOutMm;
}

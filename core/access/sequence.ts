import { standIn, stillToTake, type Position, type Side, type Stand, type Zone } from '../vehicle/index.ts';

export type { Position, Stand };

/** A step to be put in order; `before` are indexes of steps that must come earlier. */
export interface SequenceStep {
  side: Side;
  zone: Zone;
  tools: string[];
  people: number;
  before: number[];
  /** How the vehicle itself must stand, each of another kind. */
  positions?: readonly Position[];
  /** Its own time, where anything waits: in hundredths of a minute. */
  duration?: number;
  /** Steps after whose end so much time must pass, in hundredths of a minute, whoever works meanwhile: a supply until it is dead. */
  waits?: { step: number; lag: number }[];
  /** Not before so much time has passed from the start, in hundredths of a minute. */
  notBefore?: number;
}

/** Set-up times in whole hundredths of a minute. */
export interface SetUp {
  side: number;
  zone: number;
  tool: number;
  helper: number;
  /** A change of the vehicle's position. */
  position: number;
  /** Positions whose change costs something of its own, by kind and by the place it changes to. */
  places?: Readonly<Record<string, Readonly<Record<string, number>>>>;
}

/** Set-up between two steps: a change of side, of zone, the tools that must be fetched, a helper called. */
export function setUpBetween(from: SequenceStep | undefined, to: SequenceStep, setUp: SetUp): number {
  const side = from && from.side !== to.side ? setUp.side : 0;
  const zone = from && from.zone !== to.zone ? setUp.zone : 0;
  const fetched = to.tools.filter((tool) => !from?.tools.includes(tool)).length * setUp.tool;
  const helper = to.people > (from?.people ?? 1) ? setUp.helper : 0;
  return side + zone + fetched + helper;
}

/** What a change of position costs. */
export function turningTo(position: Position, setUp: SetUp): number {
  return setUp.places?.[position.kind]?.[position.place] ?? setUp.position;
}

function moved(stand: Stand, step: SequenceStep, setUp: SetUp): { stand: Stand; cost: number } {
  const taken = stillToTake(step.positions ?? [], stand);
  if (taken.length === 0) return { stand, cost: 0 };
  return { stand: standIn(stand, taken), cost: taken.reduce((sum, position) => sum + turningTo(position, setUp), 0) };
}

/** Set-up of all changes of the vehicle's position in an order. */
function turningOfOrder(steps: readonly SequenceStep[], order: readonly number[], setUp: SetUp, start: Stand): number {
  let cost = 0;
  let stand: Stand = start;
  for (const index of order) {
    const step = steps[index];
    if (!step) continue;
    const change = moved(stand, step, setUp);
    stand = change.stand;
    cost += change.cost;
  }
  return cost;
}

/** All set-up of steps in an order, in hundredths of a minute: between neighbours, and every change of the vehicle's position. */
export function setUpOfOrder(steps: readonly SequenceStep[], order: readonly number[], setUp: SetUp, start: Stand = {}): number {
  let total = turningOfOrder(steps, order, setUp, start);
  let last: SequenceStep | undefined;
  for (const index of order) {
    const step = steps[index];
    if (!step) continue;
    total += setUpBetween(last, step, setUp);
    last = step;
  }
  return total;
}

/** Time in an order in which one person can only wait, in hundredths of a minute. */
export function idleOfOrder(steps: readonly SequenceStep[], order: readonly number[], setUp: SetUp, start: Stand = {}): number {
  const end = new Map<number, number>();
  let now = 0;
  let idle = 0;
  let last: SequenceStep | undefined;
  let stand: Stand = start;
  for (const index of order) {
    const step = steps[index];
    if (!step) continue;
    const change = moved(stand, step, setUp);
    stand = change.stand;
    now += setUpBetween(last, step, setUp) + change.cost;
    const ready = (step.waits ?? []).reduce((latest, wait) => Math.max(latest, (end.get(wait.step) ?? -Infinity) + wait.lag), step.notBefore ?? 0);
    idle += Math.max(0, ready - now);
    now = Math.max(now, ready) + (step.duration ?? 0);
    end.set(index, now);
    last = step;
  }
  return idle;
}

/** Largest number of steps put in order exactly. */
export const EXACT_STEPS = 14;
/** Rounds of improvement beyond it. */
const MOST_ROUNDS = 40;
/** Largest number of steps that are improved at all. */
const IMPROVED_STEPS = 120;

/**
 * An order that keeps precedence with the least set-up in one lane: exact by subset dynamic programming up to `EXACT_STEPS`
 * steps (Held and Karp, 1962); beyond it the nearest ready step comes next, and single steps are then moved as long as that saves
 * set-up, so that the order is never worse than the nearest-step one. Where steps wait for time to pass, the better of that order and
 * the one that begins what is waited for first is taken, and single steps are moved while that saves set-up and waiting together.
 * Ties go to the lower index.
 * @param start how the vehicle stands at the beginning
 * @returns the order, and the steps left over where precedence has a cycle
 */
export function sequence(steps: readonly SequenceStep[], setUp: SetUp, start: Stand = {}): { order: number[]; leftOver: number[] } {
  const greedy = nearest(steps, setUp, start);
  if (greedy.leftOver.length > 0 || steps.length < 2) return greedy;
  const order = steps.length <= EXACT_STEPS ? exact(steps, setUp, start) : improved(steps, greedy.order, setUp, start);
  const waiting = steps.some((step) => (step.waits?.length ?? 0) > 0 || (step.notBefore ?? 0) > 0);
  if (!waiting || idleOfOrder(steps, order, setUp, start) === 0) return { order, leftOver: [] };
  const spent = (list: readonly number[]) => setUpOfOrder(steps, list, setUp, start) + idleOfOrder(steps, list, setUp, start);
  const early = nearest(hurried(steps), setUp, start).order;
  const better = [order, early].map((list) => shortened(steps, list, spent)).sort((a, b) => spent(a) - spent(b))[0];
  return { order: better ?? order, leftOver: [] };
}

/** Steps that nobody waits for come after all that lead to a wait, as far as they do not lead to one themselves. */
function hurried(steps: readonly SequenceStep[]): SequenceStep[] {
  const first = new Set<number>();
  const open = steps.flatMap((step) => (step.waits ?? []).map((wait) => wait.step));
  for (let index = open.pop(); index !== undefined; index = open.pop()) {
    if (first.has(index)) continue;
    first.add(index);
    open.push(...(steps[index]?.before ?? []));
  }
  return steps.map((step, index) => (first.has(index) ? step : { ...step, before: [...new Set([...step.before, ...first])] }));
}

/** Moves single steps to other places while that makes the whole less and keeps precedence. */
function shortened(steps: readonly SequenceStep[], begin: readonly number[], spent: (order: readonly number[]) => number): number[] {
  let order = [...begin];
  let least = spent(order);
  const keeps = (list: readonly number[]) => {
    const place = new Map(list.map((index, at) => [index, at]));
    return list.every((index, at) => (steps[index]?.before ?? []).every((earlier) => (place.get(earlier) ?? -1) < at));
  };
  for (let round = 0; round < MOST_ROUNDS; round++) {
    let found: { order: number[]; total: number } | undefined;
    for (let from = 0; from < order.length; from++) {
      const rest = order.filter((_, at) => at !== from);
      for (let to = 0; to <= rest.length; to++) {
        const tried = [...rest.slice(0, to), order[from] ?? 0, ...rest.slice(to)];
        if (to === from || !keeps(tried)) continue;
        const total = spent(tried);
        if (total < (found?.total ?? least)) found = { order: tried, total };
      }
    }
    if (!found) break;
    order = found.order;
    least = found.total;
  }
  return order;
}

/** The order in which the nearest ready step always comes next. */
export function nearest(steps: readonly SequenceStep[], setUp: SetUp, start: Stand = {}): { order: number[]; leftOver: number[] } {
  const done = new Set<number>();
  const order: number[] = [];
  let last: SequenceStep | undefined;
  let stand: Stand = start;
  for (;;) {
    let best = -1;
    let least = Infinity;
    steps.forEach((step, index) => {
      if (done.has(index) || !step.before.every((earlier) => done.has(earlier))) return;
      const cost = setUpBetween(last, step, setUp) + moved(stand, step, setUp).cost;
      if (cost < least) [best, least] = [index, cost];
    });
    const next = steps[best];
    if (!next) break;
    done.add(best);
    order.push(best);
    last = next;
    stand = moved(stand, next, setUp).stand;
  }
  return { order, leftOver: steps.map((_, index) => index).filter((index) => !done.has(index)) };
}

/** Moves single steps to other places in the order while that saves set-up and keeps precedence. */
function improved(steps: readonly SequenceStep[], begin: readonly number[], setUp: SetUp, start: Stand): number[] {
  const order = [...begin];
  if (order.length > IMPROVED_STEPS) return order;
  const between = steps.map((from) => steps.map((to) => setUpBetween(from, to, setUp)));
  const first = steps.map((step) => setUpBetween(undefined, step, setUp));
  const join = (from: number | undefined, to: number | undefined): number => {
    if (to === undefined) return 0;
    return (from === undefined ? first[to] : between[from]?.[to]) ?? 0;
  };
  const positioned = steps.some((step) => step.positions);
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const standing = positioned ? turningOfOrder(steps, order, setUp, start) : 0;
    let best: { from: number; to: number; saved: number } | undefined;
    for (let from = 0; from < order.length; from++) {
      const step = order[from] ?? 0;
      const rest = order.filter((_, place) => place !== from);
      // Only a step with a position of its own changes how often the vehicle is turned, and it cannot save more than all of it.
      const turns = steps[step]?.positions !== undefined;
      const leastTurned = turns ? -standing : 0;
      const freed = join(rest[from - 1], step) + join(step, rest[from]) - join(rest[from - 1], rest[from]);
      const earliest = 1 + Math.max(-1, ...(steps[step]?.before ?? []).map((earlier) => rest.indexOf(earlier)));
      for (let to = earliest; to <= rest.length; to++) {
        if (to > earliest && steps[rest[to - 1] ?? -1]?.before.includes(step)) break;
        if (to === from) continue;
        const added = join(rest[to - 1], step) + join(step, rest[to]) - join(rest[to - 1], rest[to]);
        const saved = freed - added;
        if (saved - leastTurned <= (best?.saved ?? 0)) continue;
        const turned = turns ? turningOfOrder(steps, [...rest.slice(0, to), step, ...rest.slice(to)], setUp, start) - standing : 0;
        if (saved - turned > (best?.saved ?? 0)) best = { from, to, saved: saved - turned };
      }
    }
    if (!best) break;
    const [step = 0] = order.splice(best.from, 1);
    order.splice(best.to, 0, step);
  }
  return order;
}

/** Every way the vehicle can stand when some steps are done, as the places of its kinds of position, numbered. */
function standsOf(steps: readonly SequenceStep[], setUp: SetUp, start: Stand): { list: Stand[]; after: number[][]; cost: number[][] } {
  const list: Stand[] = [start];
  const key = (stand: Stand) =>
    Object.entries(stand)
      .sort()
      .map(([kind, place]) => `${kind}=${place}`)
      .join(';');
  const known = new Map([[key(start), 0]]);
  const after: number[][] = [];
  const cost: number[][] = [];
  for (let index = 0; index < list.length; index++) {
    const stand = list[index] ?? {};
    const moves = steps.map((step) => moved(stand, step, setUp));
    after[index] = moves.map((move) => {
      const text = key(move.stand);
      const number = known.get(text) ?? list.push(move.stand) - 1;
      known.set(text, number);
      return number;
    });
    cost[index] = moves.map((move) => move.cost);
  }
  return { list, after, cost };
}

function exact(steps: readonly SequenceStep[], setUp: SetUp, start: Stand): number[] {
  const n = steps.length;
  const stands = standsOf(steps, setUp, start);
  const s = stands.list.length;
  const required = steps.map((step) => step.before.reduce((mask, index) => mask | (1 << index), 0));
  const size = (1 << n) * n * s;
  const cost = new Float64Array(size).fill(Infinity);
  const parent = new Int32Array(size).fill(-1);
  const between = steps.map((to) => steps.map((from) => setUpBetween(from, to, setUp)));
  const at = (mask: number, last: number, stand: number) => (mask * n + last) * s + stand;
  steps.forEach((step, index) => {
    if (required[index] === 0) cost[at(1 << index, index, stands.after[0]?.[index] ?? 0)] = setUpBetween(undefined, step, setUp) + (stands.cost[0]?.[index] ?? 0);
  });
  for (let mask = 1; mask < 1 << n; mask++) {
    for (let place = mask * n * s; place < (mask + 1) * n * s; place++) {
      const here = cost[place] ?? Infinity;
      if (here === Infinity) continue;
      const stand = place % s;
      const last = Math.floor(place / s) % n;
      for (let next = 0; next < n; next++) {
        const need = required[next] ?? 0;
        if (mask & (1 << next) || (mask & need) !== need) continue;
        const there = at(mask | (1 << next), next, stands.after[stand]?.[next] ?? 0);
        const through = here + (between[next]?.[last] ?? 0) + (stands.cost[stand]?.[next] ?? 0);
        if (through < (cost[there] ?? Infinity)) {
          cost[there] = through;
          parent[there] = place;
        }
      }
    }
  }
  const whole = (1 << n) - 1;
  let place = whole * n * s;
  for (let index = place; index < (whole + 1) * n * s; index++) if ((cost[index] ?? Infinity) < (cost[place] ?? Infinity)) place = index;
  const order: number[] = [];
  for (; place >= 0; place = parent[place] ?? -1) order.unshift(Math.floor(place / s) % n);
  return order;
}

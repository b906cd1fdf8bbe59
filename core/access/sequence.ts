import type { Side, Zone } from '../vehicle/index.ts';

/** A step to be put in order; `before` are indexes of steps that must come earlier. */
export interface SequenceStep {
  side: Side;
  zone: Zone;
  tools: string[];
  people: number;
  before: number[];
}

/** Set-up times in whole hundredths of a minute. */
export interface SetUp {
  side: number;
  zone: number;
  tool: number;
  helper: number;
}

/** Set-up between two steps: a change of side, of zone, the tools that must be fetched, a helper called. */
export function setUpBetween(from: SequenceStep | undefined, to: SequenceStep, setUp: SetUp): number {
  const side = from && from.side !== to.side ? setUp.side : 0;
  const zone = from && from.zone !== to.zone ? setUp.zone : 0;
  const fetched = to.tools.filter((tool) => !from?.tools.includes(tool)).length * setUp.tool;
  const helper = to.people > (from?.people ?? 1) ? setUp.helper : 0;
  return side + zone + fetched + helper;
}

/** Largest number of steps put in order exactly; beyond it the nearest ready step comes next. */
export const EXACT_STEPS = 14;

/**
 * An order that keeps precedence with the least set-up in one lane: exact by subset dynamic programming up to `EXACT_STEPS`
 * steps (Held and Karp, 1962), nearest ready step beyond. Ties go to the lower index.
 * @returns the order, and the steps left over where precedence has a cycle
 */
export function sequence(steps: readonly SequenceStep[], setUp: SetUp): { order: number[]; leftOver: number[] } {
  const greedy = nearest(steps, setUp);
  if (greedy.leftOver.length > 0 || steps.length > EXACT_STEPS || steps.length < 2) return greedy;
  return { order: exact(steps, setUp), leftOver: [] };
}

function nearest(steps: readonly SequenceStep[], setUp: SetUp): { order: number[]; leftOver: number[] } {
  const done = new Set<number>();
  const order: number[] = [];
  let last: SequenceStep | undefined;
  for (;;) {
    let best = -1;
    let least = Infinity;
    steps.forEach((step, index) => {
      if (done.has(index) || !step.before.every((earlier) => done.has(earlier))) return;
      const cost = setUpBetween(last, step, setUp);
      if (cost < least) [best, least] = [index, cost];
    });
    const next = steps[best];
    if (!next) break;
    done.add(best);
    order.push(best);
    last = next;
  }
  return { order, leftOver: steps.map((_, index) => index).filter((index) => !done.has(index)) };
}

function exact(steps: readonly SequenceStep[], setUp: SetUp): number[] {
  const n = steps.length;
  const required = steps.map((step) => step.before.reduce((mask, index) => mask | (1 << index), 0));
  const cost = new Float64Array((1 << n) * n).fill(Infinity);
  const parent = new Int8Array((1 << n) * n).fill(-1);
  const between = steps.map((to) => steps.map((from) => setUpBetween(from, to, setUp)));
  steps.forEach((step, index) => {
    if (required[index] === 0) cost[(1 << index) * n + index] = setUpBetween(undefined, step, setUp);
  });
  for (let mask = 1; mask < 1 << n; mask++) {
    for (let last = 0; last < n; last++) {
      const here = cost[mask * n + last] ?? Infinity;
      if (here === Infinity) continue;
      for (let next = 0; next < n; next++) {
        const need = required[next] ?? 0;
        if (mask & (1 << next) || (mask & need) !== need) continue;
        const at = (mask | (1 << next)) * n + next;
        const through = here + (between[next]?.[last] ?? 0);
        if (through < (cost[at] ?? Infinity)) {
          cost[at] = through;
          parent[at] = last;
        }
      }
    }
  }
  let mask = (1 << n) - 1;
  let last = 0;
  for (let index = 1; index < n; index++) {
    if ((cost[mask * n + index] ?? Infinity) < (cost[mask * n + last] ?? Infinity)) last = index;
  }
  const order: number[] = [];
  while (last >= 0) {
    order.unshift(last);
    const before = parent[mask * n + last] ?? -1;
    mask &= ~(1 << last);
    last = before;
  }
  return order;
}

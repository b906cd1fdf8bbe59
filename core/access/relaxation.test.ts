import fc from 'fast-check';
import { compact, reduceNetwork } from './reduce.ts';
import { network, Relaxation, type Arc } from './relaxation.ts';
import { searchSupport } from './search.ts';

// Nodes: 0 grille, 1 skin, 2 liner, 3 target. The skin needs the grille; the target is reached by the skin or by the liner.
const GRILLE = 0;
const SKIN = 1;
const LINER = 2;
const TARGET = 3;
const arc = (tails: number[], head: number, cost: number): Arc => ({ tails, head, cost });
const ARCS = [arc([], GRILLE, 2), arc([GRILLE], SKIN, 9), arc([], LINER, 6), arc([SKIN], TARGET, 0), arc([LINER], TARGET, 1)];
const costsOf = (arcs: readonly Arc[]) => Float64Array.from(arcs, (entry) => entry.cost);

function least(arcs: readonly Arc[], nodeCount: number, goal: number) {
  const search = searchSupport(network(nodeCount, arcs, goal), costsOf(arcs));
  let step = search.next();
  while (!step.done) step = search.next();
  return step.value;
}

test('reach adds along a chain, and takes the cheaper of two ways', () => {
  const relaxation = new Relaxation(network(4, ARCS, TARGET));
  relaxation.reach(costsOf(ARCS), 'add');
  expect([...relaxation.value]).toEqual([2, 11, 6, 7]);
  expect(relaxation.support()).toEqual([2, 4]);
});

test('an arc of two tails counts the dearer one by max, both by add', () => {
  const both = [arc([], 0, 3), arc([], 1, 5), arc([0, 1], 2, 1)];
  const relaxation = new Relaxation(network(3, both, 2));
  relaxation.reach(costsOf(both), 'max');
  expect(relaxation.value[2]).toBe(6);
  relaxation.reach(costsOf(both), 'add');
  expect(relaxation.value[2]).toBe(9);
});

test('an arc of infinite cost is not there; what rests on itself alone is never reached', () => {
  const relaxation = new Relaxation(network(4, ARCS, TARGET));
  const costs = costsOf(ARCS);
  costs[2] = Infinity;
  relaxation.reach(costs, 'add');
  expect(relaxation.value[TARGET]).toBe(11);
  const circle = [arc([1], 0, 1), arc([0], 1, 1)];
  const round = new Relaxation(network(2, circle, 0));
  round.reach(costsOf(circle), 'add');
  expect([round.value[0], round.support()]).toEqual([Infinity, undefined]);
});

test('the landmark bound of two separate needs is their sum, where max sees the dearer alone', () => {
  const two = [arc([], 0, 4), arc([], 1, 5), arc([0, 1], 2, 0)];
  const relaxation = new Relaxation(network(3, two, 2));
  relaxation.reach(costsOf(two), 'max');
  expect(relaxation.value[2]).toBe(5);
  expect(relaxation.landmarkBound(costsOf(two), Infinity).bound).toBe(9);
});

test('a piece that every way needs is paid at once; a way that another beats in every respect is dropped', () => {
  // The goal needs node 0 by its only arc; then node 1 by a cheap arc, or by a dearer one that needs more.
  const arcs = [arc([], 0, 7), arc([0], 1, 2), arc([0, 2], 1, 3), arc([], 2, 1), arc([1], 3, 0)];
  const net = network(4, arcs, 3);
  const costs = costsOf(arcs);
  expect(reduceNetwork(net, costs)).toBe(9);
  expect([...costs]).toEqual([0, 0, Infinity, Infinity, 0]);
});

test('a way that rests on what it opens is dropped', () => {
  const arcs = [arc([], 0, 5), arc([1], 0, 0), arc([0], 1, 1), arc([1], 2, 0)];
  const costs = costsOf(arcs);
  reduceNetwork(network(3, arcs, 2), costs);
  expect(costs[1]).toBe(Infinity);
});

test('the compact network leaves out what is free, and leads back to the arcs of the whole', () => {
  const arcs = [arc([], 0, 0), arc([0], 1, 4), arc([0], 2, 6), arc([1], 3, 0), arc([2], 3, 0)];
  const small = compact(network(4, arcs, 3), costsOf(arcs));
  expect(small.arcOf).toEqual([1, 2, 3, 4]);
  expect(small.net.nodeCount).toBe(3);
  const relaxation = new Relaxation(small.net);
  relaxation.reach(small.costs, 'add');
  expect(relaxation.value[small.net.goal]).toBe(4);
});

const SIZE = 6;
const arbitrary = fc.array(
  fc.record({ tails: fc.uniqueArray(fc.integer({ min: 0, max: SIZE - 2 }), { maxLength: 2 }), head: fc.integer({ min: 0, max: SIZE - 1 }), cost: fc.integer({ min: 0, max: 20 }) }),
  { minLength: 3, maxLength: 12 },
);
const clean = (arcs: Arc[]) => arcs.filter((entry) => !entry.tails.includes(entry.head));

/** All sets of arcs tried, each for whether it makes the goal hold: the plain and slow way to the least cost. */
function byTrying(arcs: readonly Arc[], goal: number): number {
  let best = Infinity;
  for (let mask = 0; mask < 1 << arcs.length; mask++) {
    const holds = new Set<number>();
    let cost = 0;
    for (let grew = true; grew;) {
      grew = false;
      arcs.forEach((entry, index) => {
        if (!(mask & (1 << index)) || holds.has(entry.head) || !entry.tails.every((tail) => holds.has(tail))) return;
        holds.add(entry.head);
        grew = true;
      });
    }
    arcs.forEach((entry, index) => (cost += mask & (1 << index) ? entry.cost : 0));
    if (holds.has(goal)) best = Math.min(best, cost);
  }
  return best;
}

test('the search finds the least cost of all supports, its support holds, and the bounds stay below it', () => {
  fc.assert(
    fc.property(arbitrary, (raw) => {
      const arcs = clean(raw);
      const goal = SIZE - 1;
      const truth = byTrying(arcs, goal);
      const found = least(arcs, SIZE, goal);
      if (truth === Infinity) return found.arcs === undefined;
      const cost = (found.arcs ?? []).reduce((sum, index) => sum + (arcs[index]?.cost ?? 0), 0);
      const { bound } = new Relaxation(network(SIZE, arcs, goal)).landmarkBound(costsOf(arcs), Infinity);
      return cost === truth && found.best === truth && bound <= truth;
    }),
    { numRuns: 150, seed: 21 },
  );
});

test('reducing a network leaves its least cost as it was', () => {
  fc.assert(
    fc.property(arbitrary, (raw) => {
      const arcs = clean(raw);
      const truth = byTrying(arcs, SIZE - 1);
      if (truth === Infinity) return true;
      const costs = costsOf(arcs);
      const paid = reduceNetwork(network(SIZE, arcs, SIZE - 1), costs);
      const left = arcs.map((entry, index) => ({ ...entry, cost: costs[index] ?? 0 })).filter((entry) => entry.cost !== Infinity);
      return paid + byTrying(left, SIZE - 1) === truth;
    }),
    { numRuns: 150, seed: 23 },
  );
});

import fc from 'fast-check';
import { nearest, sequence, setUpBetween, setUpOfOrder, twoLanes, type LaneStep, type SequenceStep } from './index.ts';

const SET_UP = { side: 50, zone: 30, tool: 20, helper: 100, position: 50 };
const lane = (duration: number, part: Partial<LaneStep> = {}): LaneStep => ({ side: 'left', zone: 'front', tools: [], people: 1, before: [], duration, ...part });
const by = (plan: ReturnType<typeof twoLanes>, step: number) => plan.entries.find((entry) => entry.step === step);

test('two steps of two minutes each are done side by side in two minutes', () => {
  const plan = twoLanes([lane(200), lane(200)], SET_UP);
  expect(plan).toMatchObject({ elapsed: 200, setUp: 0, proved: true, leftOver: [] });
  expect(plan.entries.map((entry) => entry.lane).sort()).toEqual([0, 1]);
});

test('a joint step waits until both are free and stands in both lanes', () => {
  // 300 and 100 side by side, then both together for 200: done after 500.
  const plan = twoLanes([lane(300), lane(100), lane(200, { people: 2, before: [0, 1] })], SET_UP);
  expect(plan.elapsed).toBe(500);
  expect(by(plan, 2)).toEqual({ step: 2, lane: 'both', start: 300, end: 500 });
});

test('who changes sides pays for it: each stays on a side', () => {
  const steps = [lane(200), lane(200), lane(200, { side: 'right' }), lane(200, { side: 'right' })];
  const plan = twoLanes(steps, SET_UP);
  expect(plan).toMatchObject({ elapsed: 400, setUp: 0, proved: true });
  expect(by(plan, 0)?.lane).toBe(by(plan, 1)?.lane);
});

test('wheels cannot be turned to the right while somebody works behind them turned left', () => {
  const wheels = (place: string) => ({ kind: 'wheels', place });
  const plan = twoLanes([lane(200, { position: wheels('left') }), lane(200, { side: 'right', position: wheels('right') })], SET_UP);
  // Turn 50, work 200, turn 50, work 200.
  expect(plan.elapsed).toBe(500);
});

test('steps that wait for each other are left over', () => {
  expect(twoLanes([lane(100, { before: [1] }), lane(100, { before: [0] }), lane(100)], SET_UP)).toMatchObject({ leftOver: [0, 1], elapsed: 100 });
});

const arbitrary = fc.array(
  fc.record({
    side: fc.constantFrom('left' as const, 'right' as const),
    zone: fc.constantFrom('front' as const, 'rear' as const),
    tools: fc.uniqueArray(fc.constantFrom('a', 'b'), { maxLength: 2 }),
    people: fc.constantFrom(1, 1, 1, 2),
    duration: fc.integer({ min: 1, max: 9 }).map((value) => value * 50),
    turn: fc.constantFrom(undefined, undefined, 'left', 'right'),
  }),
  { minLength: 1, maxLength: 5 },
);
const toSteps = (list: (Omit<LaneStep, 'before' | 'position'> & { turn?: string })[]): LaneStep[] =>
  list.map(({ turn, ...step }, index) => ({
    ...step,
    before: index > 1 ? [index - 2] : [],
    ...(turn ? { position: { kind: 'wheels', place: turn } } : {}),
  }));

/** Every order and every division, put down one step after the other: the plain and slow way to the soonest end. */
function soonest(steps: LaneStep[]): number {
  let best = Infinity;
  const visit = (done: Map<number, number>, free: [number, number], last: [LaneStep | undefined, LaneStep | undefined], stand: { place?: string; until: number }) => {
    if (done.size === steps.length) {
      best = Math.min(best, Math.max(...free));
      return;
    }
    steps.forEach((step, index) => {
      if (done.has(index) || !step.before.every((earlier) => done.has(earlier))) return;
      for (const lanes of step.people > 1 ? [[0, 1]] : [[0], [1]]) {
        const ready = Math.max(
          0,
          ...step.before.map((earlier) => done.get(earlier) ?? 0),
          ...lanes.map((l) => (free[l] ?? 0) + setUpBetween(last[l], step, { ...SET_UP, helper: 0 })),
        );
        const turns = step.position && step.position.place !== stand.place;
        const start = turns ? Math.max(ready, stand.place === undefined ? 0 : stand.until) + 50 : ready;
        const end = start + step.duration;
        const put = <T>(pair: [T, T], value: T): [T, T] => [lanes.includes(0) ? value : pair[0], lanes.includes(1) ? value : pair[1]];
        const until = turns ? end : Math.max(stand.until, end);
        visit(new Map(done).set(index, end), put(free, end), put(last, step), step.position ? { place: step.position.place, until } : stand);
      }
    });
  };
  visit(new Map(), [0, 0], [undefined, undefined], { until: 0 });
  return best;
}

test('up to six steps two lanes are as soon as the best of all orders and divisions', () => {
  fc.assert(
    fc.property(arbitrary, (list) => {
      const steps = toSteps(list);
      const plan = twoLanes(steps, SET_UP, { mostPlaces: Infinity });
      return plan.proved && plan.elapsed === soonest(steps);
    }),
    { numRuns: 40, seed: 3 },
  );
  const six = toSteps([1, 2, 3, 4, 5, 6].map((n) => ({ side: n % 2 ? 'left' : 'right', zone: 'front', tools: n % 3 ? ['a'] : ['b'], people: n === 5 ? 2 : 1, duration: n * 50 })));
  expect(twoLanes(six, SET_UP, { mostPlaces: Infinity }).elapsed).toBe(soonest(six));
});

test('stopped early it is never later than always taking what can begin soonest', () => {
  const many = toSteps(
    Array.from({ length: 16 }, (_, n) => ({ side: n % 3 ? 'left' : 'right', zone: 'front', tools: [String(n % 4)], people: n % 5 ? 1 : 2, duration: 50 + (n % 7) * 40 })),
  );
  const [first, more] = [twoLanes(many, SET_UP, { mostPlaces: 1 }), twoLanes(many, SET_UP, { mostPlaces: 5000 })];
  expect(first.leftOver).toEqual([]);
  expect(more.elapsed).toBeLessThanOrEqual(first.elapsed);
});

const single = fc.array(
  fc.record({
    side: fc.constantFrom('left' as const, 'right' as const),
    zone: fc.constantFrom('front' as const, 'rear' as const),
    tools: fc.uniqueArray(fc.constantFrom('a', 'b', 'c'), { maxLength: 2 }),
    people: fc.integer({ min: 1, max: 2 }),
    turn: fc.constantFrom(undefined, 'left', 'right'),
  }),
  { minLength: 2, maxLength: 7 },
);

test('one lane with wheels to turn is as good as the best permutation', () => {
  const permutations = (items: number[]): number[][] =>
    items.length < 2 ? [items] : items.flatMap((item) => permutations(items.filter((other) => other !== item)).map((rest) => [item, ...rest]));
  fc.assert(
    fc.property(single, (list) => {
      const steps: SequenceStep[] = list.map(({ turn, ...step }, index) => ({
        ...step,
        before: index > 3 ? [index - 4] : [],
        ...(turn ? { position: { kind: 'wheels', place: turn } } : {}),
      }));
      const allowed = permutations(steps.map((_, index) => index)).filter((order) =>
        order.every((index, place) => (steps[index]?.before ?? []).every((earlier) => order.indexOf(earlier) < place)),
      );
      const least = Math.min(...allowed.map((order) => setUpOfOrder(steps, order, SET_UP)));
      return setUpOfOrder(steps, sequence(steps, SET_UP).order, SET_UP) === least;
    }),
    { numRuns: 25, seed: 5 },
  );
});

test('beyond fourteen steps the order keeps precedence and is never worse than the nearest step next, and no single move betters it', () => {
  const long = fc.array(
    single.map((list) => list[0]),
    { minLength: 15, maxLength: 30 },
  );
  fc.assert(
    fc.property(long, (list) => {
      const steps: SequenceStep[] = list.flatMap((item, index) =>
        item
          ? [
              {
                side: item.side,
                zone: item.zone,
                tools: item.tools,
                people: item.people,
                before: index > 6 ? [index - 7] : [],
                ...(item.turn ? { position: { kind: 'wheels', place: item.turn } } : {}),
              },
            ]
          : [],
      );
      const { order } = sequence(steps, SET_UP);
      const keepsOrder = (list: number[]) => list.every((index, place) => (steps[index]?.before ?? []).every((earlier) => list.indexOf(earlier) < place));
      const cost = (list: number[]) => setUpOfOrder(steps, list, SET_UP);
      const betterByOneMove = order.some((step, from) => {
        const rest = order.filter((_, place) => place !== from);
        return rest.some((_, to) => {
          const moved = [...rest.slice(0, to), step, ...rest.slice(to)];
          return keepsOrder(moved) && cost(moved) < cost(order);
        });
      });
      return keepsOrder(order) && new Set(order).size === steps.length && cost(order) <= cost(nearest(steps, SET_UP).order) && !betterByOneMove;
    }),
    { numRuns: 15, seed: 9 },
  );
});

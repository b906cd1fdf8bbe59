import fc from 'fast-check';
import { nearest, sequence, setUpBetween, setUpOfOrder, twoLanes, type LaneStep, type SequenceStep, type SetUp } from './index.ts';

const SET_UP: SetUp = { side: 50, zone: 30, tool: 20, helper: 100, position: 50 };
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
  const plan = twoLanes([lane(200, { positions: [wheels('left')] }), lane(200, { side: 'right', positions: [wheels('right')] })], SET_UP);
  // Turn 50, work 200, turn 50, work 200.
  expect(plan.elapsed).toBe(500);
});

test('steps that wait for each other are left over', () => {
  expect(twoLanes([lane(100, { before: [1] }), lane(100, { before: [0] }), lane(100)], SET_UP)).toMatchObject({ leftOver: [0, 1], elapsed: 100 });
});

test('what a step prepares for is done in its own lane: who changes side, zone and tool does it while the other works', () => {
  // Lane 0: tool 20 + 300. Lane 1: tool 20 + 100, then side 50, zone 30 and a second tool 20 before the last 70: 120 + 100 + 70 = 290.
  const steps = [lane(300, { tools: ['a'] }), lane(100, { tools: ['b'] }), lane(70, { side: 'right', zone: 'rear', tools: ['b', 'c'], before: [1] })];
  const plan = twoLanes(steps, SET_UP);
  expect(plan).toEqual({
    entries: [
      { step: 0, lane: 0, start: 20, end: 320 },
      { step: 1, lane: 1, start: 20, end: 120 },
      { step: 2, lane: 1, start: 220, end: 290 },
    ],
    elapsed: 320,
    setUp: 140,
    proved: true,
    leftOver: [],
  });
});

test('for a joint step both prepare, nobody is called, and it begins when the later of them is there', () => {
  // Both fetch the tool, 2·20. Lane 0 is on the left until 300, lane 1 on the right until 100 and changes side, 50: the later is 300 + 20.
  const plan = twoLanes([lane(300), lane(100, { side: 'right' }), lane(200, { people: 2, tools: ['a'], before: [0, 1] })], SET_UP);
  expect([plan.elapsed, plan.setUp, by(plan, 2)]).toEqual([520, 90, { step: 2, lane: 'both', start: 320, end: 520 }]);
  const [joint] = twoLanes([lane(200, { people: 4, tools: ['a'] })], SET_UP).entries;
  expect(joint).toEqual({ step: 0, lane: 'both', start: 20, end: 220 });
});

test('a supply is waited for by the clock, whoever works meanwhile, and what may not begin yet does not', () => {
  // Isolated by 100, dead 250 later: the second begins at 350. The other person's step of 340 goes on beside them.
  const plan = twoLanes([lane(100), lane(60, { before: [0], waits: [{ step: 0, lag: 250 }] }), lane(340)], SET_UP);
  expect([plan.elapsed, by(plan, 1)?.start, by(plan, 2)?.start]).toEqual([410, 350, 0]);
  // With a wait of 30 the own work of the others is what counts: 100 + 60 ≥ 130.
  expect(by(twoLanes([lane(100), lane(60, { before: [0], waits: [{ step: 0, lag: 30 }] })], SET_UP), 1)?.start).toBe(130);
  const later = twoLanes([lane(100, { notBefore: 170 }), lane(50)], SET_UP);
  expect([by(later, 0)?.start, by(later, 1)?.start, later.elapsed]).toEqual([170, 0, 270]);
});

test('wheels that stand right already are not turned; those that stand otherwise are, at the cost of that place', () => {
  const wheels = (place: string) => ({ kind: 'wheels', place });
  const one = (start: Record<string, string>, setUp: SetUp = SET_UP) => {
    const { elapsed, setUp: cost } = twoLanes([lane(200, { positions: [wheels('left')] })], setUp, { start });
    return [elapsed, cost];
  };
  expect([one({}), one({ wheels: 'left' }), one({ wheels: 'right' }), one({ boot: 'left' })]).toEqual([
    [250, 50],
    [200, 0],
    [250, 50],
    [250, 50],
  ]);
  expect(one({ wheels: 'right' }, { ...SET_UP, places: { wheels: { left: 7 }, boot: { left: 9 } } })).toEqual([207, 7]);
});

test('who wants two kinds of position waits for both, and turns what does not hold', () => {
  const [left, right, up] = [
    { kind: 'wheels', place: 'left' },
    { kind: 'wheels', place: 'right' },
    { kind: 'raised', place: 'front' },
  ];
  const setUp: SetUp = { ...SET_UP, places: { raised: { front: 90 } } };
  // Raised at 90 for the one who needs that alone; turned left by 140 for the other; right once that one is through, at 340.
  const plan = twoLanes([lane(200, { positions: [left, up] }), lane(300, { positions: [up] }), lane(10, { positions: [right, up], before: [0] })], setUp);
  expect([by(plan, 0)?.start, by(plan, 1)?.start, by(plan, 2)?.start, plan.setUp]).toEqual([140, 90, 390, 190]);
});

test('they are turned only when the last of all who need them so is through', () => {
  const wheels = (place: string) => ({ kind: 'wheels', place });
  // Turned left 50, then 100 and 300 side by side; turned right after 350: 400 to 440.
  const steps = [lane(100, { positions: [wheels('left')] }), lane(300, { positions: [wheels('left')] }), lane(40, { positions: [wheels('right')], before: [0] })];
  const plan = twoLanes(steps, SET_UP);
  expect([by(plan, 0)?.start, by(plan, 1)?.start, by(plan, 2)?.start, plan.elapsed, plan.setUp]).toEqual([50, 50, 400, 440, 100]);
  // The other way about: the longer one first in the list.
  const [longer, shorter, turned] = [steps[1], steps[0], steps[2]].flatMap((step) => step ?? []);
  expect(
    twoLanes(
      [longer, shorter, turned].flatMap((step) => step ?? []),
      SET_UP,
    ).elapsed,
  ).toBe(440);
});

test('of orders that end as soon the one with less set-up is taken', () => {
  // Together 300 either way; whoever does the first does the third with the tool in hand.
  const plan = twoLanes([lane(100, { tools: ['a'] }), lane(380, { tools: ['b'] }), lane(100, { tools: ['a'] }), lane(100, { tools: ['a'] })], SET_UP);
  expect([plan.elapsed, plan.setUp, [0, 2, 3].map((step) => by(plan, step)?.lane)]).toEqual([400, 40, [by(plan, 0)?.lane, by(plan, 0)?.lane, by(plan, 0)?.lane]]);
});

test('nothing to do takes no time; the first to begin is the first person', () => {
  expect(twoLanes([], SET_UP)).toEqual({ entries: [], elapsed: 0, setUp: 0, proved: true, leftOver: [] });
  expect(twoLanes([lane(100)], SET_UP).entries).toEqual([{ step: 0, lane: 0, start: 0, end: 100 }]);
});

test('that no order is shorter is proved without looking at all of them: eleven steps within four hundred places', () => {
  const chain = (index: number) => (index > 1 ? [index - 2] : []);
  const steps = Array.from({ length: 11 }, (_, index) => lane(60 + 10 * index, { before: chain(index), tools: [index % 2 ? 'a' : 'b'] }));
  // 5 + 6 steps; the longer chain 60 + 80 + … + 160 = 660 and its tool 20.
  expect(twoLanes(steps, SET_UP, { mostPlaces: 400 })).toMatchObject({ elapsed: 680, setUp: 40, proved: true });
  expect(twoLanes(steps, SET_UP, { mostPlaces: 5 }).proved).toBe(false);
});

const arbitrary = fc.array(
  fc.record({
    side: fc.constantFrom('left' as const, 'right' as const),
    zone: fc.constantFrom('front' as const, 'rear' as const),
    tools: fc.uniqueArray(fc.constantFrom('a', 'b'), { maxLength: 2 }),
    people: fc.constantFrom(1, 1, 1, 2),
    duration: fc.integer({ min: 1, max: 9 }).map((value) => value * 50),
    turn: fc.constantFrom(undefined, undefined, 'left', 'right'),
    lag: fc.constantFrom(0, 0, 0, 140, 600),
    notBefore: fc.constantFrom(0, 0, 0, 130, 450),
  }),
  { minLength: 1, maxLength: 5 },
);
type Drawn = Omit<LaneStep, 'before' | 'positions' | 'waits'> & { turn?: string; lag?: number };
const toSteps = (list: Drawn[]): LaneStep[] =>
  list.map(({ turn, lag = 0, ...step }, index) => ({
    ...step,
    before: index > 1 ? [index - 2] : [],
    ...(lag > 0 && index > 1 ? { waits: [{ step: index - 2, lag }] } : {}),
    ...(turn ? { positions: [{ kind: 'wheels', place: turn }] } : {}),
  }));

interface Put {
  done: Map<number, number>;
  free: [number, number];
  last: [LaneStep | undefined, LaneStep | undefined];
  stand: { place?: string; since: number; until: number };
  setUp: number;
  /** Start of the step put down last. */
  start: number;
}
const NOTHING: Put = { done: new Map(), free: [0, 0], last: [undefined, undefined], stand: { since: 0, until: 0 }, setUp: 0, start: 0 };

/** All that can be put down next, by either person or both. */
function puts(steps: LaneStep[], { done, free, last, stand, setUp }: Put): Put[] {
  return steps.flatMap((step, index) => {
    if (done.has(index) || !step.before.every((earlier) => done.has(earlier))) return [];
    return (step.people > 1 ? [[0, 1]] : [[0], [1]]).map((lanes): Put => {
      const preparing = lanes.map((l) => setUpBetween(last[l], step, { ...SET_UP, helper: 0 }));
      const ready = Math.max(
        step.notBefore ?? 0,
        ...step.before.map((earlier) => done.get(earlier) ?? 0),
        ...(step.waits ?? []).map((wait) => (done.get(wait.step) ?? 0) + wait.lag),
        ...lanes.map((l, place) => (free[l] ?? 0) + (preparing[place] ?? 0)),
      );
      const place = step.positions?.[0]?.place;
      const turns = place !== undefined && place !== stand.place;
      const start = turns ? Math.max(ready, stand.until) + 50 : Math.max(ready, place !== undefined ? stand.since : 0);
      const end = start + step.duration;
      const put = <T>(pair: [T, T], value: T): [T, T] => [lanes.includes(0) ? value : pair[0], lanes.includes(1) ? value : pair[1]];
      const until = turns ? end : Math.max(stand.until, end);
      return {
        done: new Map(done).set(index, end),
        free: put(free, end),
        last: put(last, step),
        stand: place !== undefined ? { place, since: turns ? start : stand.since, until } : stand,
        setUp: setUp + preparing.reduce((sum, cost) => sum + cost, 0) + (turns ? 50 : 0),
        start,
      };
    });
  });
}

/** Every order and every division, put down one step after the other: the plain and slow way to the soonest end, and the least set-up of those. */
function soonest(steps: LaneStep[]): [elapsed: number, setUp: number] {
  let best: [number, number] = [Infinity, Infinity];
  const visit = (state: Put) => {
    const elapsed = Math.max(...state.free);
    if (state.done.size === steps.length && (elapsed < best[0] || (elapsed === best[0] && state.setUp < best[1]))) best = [elapsed, state.setUp];
    puts(steps, state).forEach(visit);
  };
  visit(NOTHING);
  return best;
}

/** Always what can begin soonest, of those what leaves the least set-up, of those the first in the list. */
function soonestNext(steps: LaneStep[]): [elapsed: number, setUp: number] {
  let state = NOTHING;
  for (let next: Put | undefined = NOTHING; next; next = puts(steps, state).sort((a, b) => a.start - b.start || a.setUp - b.setUp)[0]) state = next;
  return [Math.max(...state.free), state.setUp];
}

test('up to six steps two lanes are as soon as the best of all orders and divisions, with the least set-up of those', () => {
  fc.assert(
    fc.property(arbitrary, (list) => {
      const steps = toSteps(list);
      const plan = twoLanes(steps, SET_UP, { mostPlaces: Infinity });
      expect([plan.proved, plan.elapsed, plan.setUp]).toEqual([true, ...soonest(steps)]);
    }),
    { numRuns: 40, seed: 3 },
  );
  const six = toSteps([1, 2, 3, 4, 5, 6].map((n) => ({ side: n % 2 ? 'left' : 'right', zone: 'front', tools: n % 3 ? ['a'] : ['b'], people: n === 5 ? 2 : 1, duration: n * 50 })));
  const plan = twoLanes(six, SET_UP, { mostPlaces: Infinity });
  expect([plan.elapsed, plan.setUp]).toEqual(soonest(six));
});

test('stopped early it is never later than always taking what can begin soonest', () => {
  const many = toSteps(
    Array.from({ length: 16 }, (_, n) => ({ side: n % 3 ? 'left' : 'right', zone: 'front', tools: [String(n % 4)], people: n % 5 ? 1 : 2, duration: 50 + (n % 7) * 40 })),
  );
  fc.assert(
    fc.property(arbitrary, (list) => {
      const { elapsed, setUp, leftOver } = twoLanes(toSteps(list), SET_UP, { mostPlaces: 1 });
      expect([elapsed, setUp, leftOver]).toEqual([...soonestNext(toSteps(list)), []]);
    }),
    { numRuns: 150, seed: 4 },
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
        ...(turn ? { positions: [{ kind: 'wheels', place: turn }] } : {}),
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
                ...(item.turn ? { positions: [{ kind: 'wheels', place: item.turn }] } : {}),
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

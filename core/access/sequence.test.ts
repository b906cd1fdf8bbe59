import fc from 'fast-check';
import { EXACT_STEPS, idleOfOrder, nearest, sequence, setUpBetween, setUpOfOrder, type SequenceStep, type SetUp } from './index.ts';

const SET_UP: SetUp = { side: 50, zone: 30, tool: 20, helper: 100, position: 40 };
const step = (duration: number, part: Partial<SequenceStep> = {}): SequenceStep => ({ side: 'left', zone: 'front', tools: [], people: 1, before: [], duration, ...part });
const wheels = (place: string) => ({ kind: 'wheels', place });

test('between two steps: a change of side, of zone, the tools that are not in hand, a helper who is not there', () => {
  const from = step(0, { tools: ['a', 'b'] });
  const cost = (part: Partial<SequenceStep>, start: SequenceStep | undefined = from) => setUpBetween(start, step(0, part), SET_UP);
  expect([cost({}), cost({ side: 'right' }), cost({ zone: 'rear' }), cost({ tools: ['b', 'c', 'd'] }), cost({ people: 2 }), cost({ people: 2 }, step(0, { people: 2 }))]).toEqual([
    0, 50, 30, 40, 100, 0,
  ]);
  // At the beginning one is where the work is, and fetches what it takes.
  expect([cost({ side: 'right', zone: 'rear', tools: ['a'] }, undefined), setUpBetween(undefined, step(0, { people: 3 }), SET_UP)]).toEqual([50 + 30, 100]);
  expect(setUpBetween(undefined, step(0, { side: 'right', zone: 'rear', tools: ['a'] }), SET_UP)).toBe(20);
});

test('the vehicle is turned once for all that follow each other so, at the price of the place', () => {
  const steps = [
    step(10, { positions: [wheels('left')] }),
    step(10),
    step(10, { positions: [wheels('left')] }),
    step(10, { positions: [wheels('right')] }),
    step(10, { positions: [{ kind: 'boot', place: 'right' }] }),
  ];
  const cost = (order: number[], start: Record<string, string> = {}, setUp = SET_UP) => setUpOfOrder(steps, order, setUp, start);
  expect([cost([0, 1, 2, 3]), cost([0, 3, 2]), cost([0, 1, 2], { wheels: 'left' }), cost([3, 4]), cost([1]), cost([])]).toEqual([80, 120, 0, 80, 0, 0]);
  expect(cost([0, 3, 4], {}, { ...SET_UP, places: { wheels: { right: 7 }, boot: { left: 3 } } })).toBe(40 + 7 + 40);
  // A number that is no step counts nothing.
  expect(cost([0, 9, 2])).toBe(40);
});

test('a step that wants two kinds of position pays for each that does not hold', () => {
  const steps = [step(10, { positions: [wheels('left'), { kind: 'raised', place: 'front' }] }), step(10, { positions: [{ kind: 'raised', place: 'front' }] })];
  const cost = (order: number[], start: Record<string, string> = {}) => setUpOfOrder(steps, order, { ...SET_UP, places: { raised: { front: 300 } } }, start);
  expect([cost([0, 1]), cost([1, 0]), cost([0], { wheels: 'left' }), cost([0], { raised: 'front' }), cost([0], { raised: 'front', wheels: 'left' })]).toEqual([
    340, 340, 300, 40, 0,
  ]);
});

test('one person waits where a supply is not dead yet, less all that is done meanwhile', () => {
  const steps = [step(100), step(60, { waits: [{ step: 0, lag: 300 }] }), step(80, { side: 'right' }), step(10, { notBefore: 130 }), step(20, { positions: [wheels('left')] })];
  const idle = (order: number[], start: Record<string, string> = {}) => idleOfOrder(steps, order, SET_UP, start);
  // 300 after 100; the right side 50 there, 80 and 50 back in between; wheels 40 + 20.
  expect([idle([0, 1]), idle([0, 2, 1]), idle([0, 4, 1]), idle([0, 4, 1], { wheels: 'left' }), idle([0, 2, 4, 1])]).toEqual([
    300,
    300 - 180,
    300 - 60,
    300 - 20,
    300 - 80 - 50 - 50 - 60,
  ]);
  // Not before 130; nothing is waited for that was not done here.
  expect([idle([3]), idle([0, 3]), idle([0, 4, 3]), idle([1]), idle([1, 0]), idle([0, 9, 1])]).toEqual([130, 30, 0, 0, 0, 300]);
  // Two waits: the later counts.
  expect(
    idleOfOrder(
      [
        step(100),
        step(50),
        step(10, {
          waits: [
            { step: 0, lag: 300 },
            { step: 1, lag: 40 },
          ],
          notBefore: 20,
        }),
      ],
      [0, 1, 2],
      SET_UP,
    ),
  ).toBe(250);
});

test('what somebody has to wait for comes first, with all that leads to it', () => {
  // By set-up alone the right side would come last; its second step isolates, and the last one waits 400 for it.
  const steps = [
    step(100, { side: 'right', tools: ['a'] }),
    step(100, { side: 'right', tools: ['a'], before: [0] }),
    step(150),
    step(150),
    step(50, { before: [1, 2], waits: [{ step: 1, lag: 400 }] }),
  ];
  const { order } = sequence(steps, SET_UP);
  expect(order.slice(0, 2)).toEqual([0, 1]);
  expect([order.at(-1), idleOfOrder(steps, order, SET_UP)]).toEqual([4, 400 - 50 - 300]);
});

test('a wait that nothing can shorten leaves the order with the least set-up', () => {
  const steps = [step(10, { tools: ['a'] }), step(10, { tools: ['b'] }), step(10, { tools: ['a'] }), step(10, { tools: ['b'], notBefore: 5 })];
  const plain = steps.map(({ notBefore: _, ...rest }) => rest);
  expect(sequence(steps, SET_UP)).toEqual(sequence(plain, SET_UP));
});

const permutations = (items: number[]): number[][] =>
  items.length < 2 ? [items] : items.flatMap((item) => permutations(items.filter((other) => other !== item)).map((rest) => [item, ...rest]));
const keeps = (steps: readonly SequenceStep[], order: number[]) => order.every((index, place) => (steps[index]?.before ?? []).every((earlier) => order.indexOf(earlier) < place));

const waiting = fc
  .array(
    fc.record({
      side: fc.constantFrom('left' as const, 'right' as const),
      tools: fc.uniqueArray(fc.constantFrom('a', 'b'), { maxLength: 2 }),
      duration: fc.integer({ min: 1, max: 6 }).map((value) => value * 40),
      turn: fc.constantFrom(undefined, undefined, 'left', 'right'),
      lag: fc.constantFrom(0, 0, 150, 500),
      notBefore: fc.constantFrom(0, 0, 0, 220),
    }),
    { minLength: 3, maxLength: 6 },
  )
  .map((list) =>
    list.map(({ turn, lag, notBefore, ...rest }, index): SequenceStep => ({
      ...rest,
      zone: 'front',
      people: 1,
      before: index > 2 ? [index - 3] : [],
      ...(lag > 0 && index > 2 ? { waits: [{ step: index - 3, lag }] } : {}),
      ...(notBefore > 0 ? { notBefore } : {}),
      ...(turn ? { positions: [wheels(turn)] } : {}),
    })),
  );

test('with waits the order keeps precedence, moving no single step shortens it, and it is never longer than the one with the least set-up', () => {
  let best = 0;
  let all = 0;
  fc.assert(
    fc.property(waiting, (steps) => {
      const spent = (list: number[]) => setUpOfOrder(steps, list, SET_UP) + idleOfOrder(steps, list, SET_UP);
      const { order, leftOver } = sequence(steps, SET_UP);
      expect([leftOver, [...order].sort(), keeps(steps, order)]).toEqual([[], steps.map((_, index) => index), true]);
      const allowed = permutations(steps.map((_, index) => index)).filter((list) => keeps(steps, list));
      const leastSetUp = sequence(
        steps.map(({ waits: _, notBefore: __, ...rest }) => rest),
        SET_UP,
      ).order;
      expect(spent(order)).toBeLessThanOrEqual(spent(leastSetUp));
      for (const [from, index] of order.entries()) {
        const rest = order.filter((_, place) => place !== from);
        for (let to = 0; to <= rest.length; to++) {
          const moved = [...rest.slice(0, to), index, ...rest.slice(to)];
          if (keeps(steps, moved)) expect(spent(moved)).toBeGreaterThanOrEqual(spent(order));
        }
      }
      all++;
      if (spent(order) === Math.min(...allowed.map(spent))) best++;
    }),
    { numRuns: 120, seed: 31 },
  );
  // It is no exact search; on so few steps it is nearly always the shortest there is.
  expect(best / all).toBeGreaterThan(0.9);
});

test('as long as it is exact it is so with the vehicle as it stands, and with two kinds of position', () => {
  const steps = [
    step(10, { positions: [wheels('left')], tools: ['a'] }),
    step(10, { positions: [wheels('right')] }),
    step(10, { positions: [{ kind: 'boot', place: 'open' }], tools: ['a'] }),
    step(10, { positions: [wheels('left')] }),
    step(10, { positions: [{ kind: 'boot', place: 'shut' }], before: [2] }),
    step(10, { positions: [wheels('right')], tools: ['b'], before: [3] }),
  ];
  for (const start of [{}, { wheels: 'left' }, { wheels: 'right', boot: 'open' }, { boot: 'shut' }] as Record<string, string>[]) {
    const least = Math.min(
      ...permutations([0, 1, 2, 3, 4, 5])
        .filter((list) => keeps(steps, list))
        .map((list) => setUpOfOrder(steps, list, SET_UP, start)),
    );
    expect(setUpOfOrder(steps, sequence(steps, SET_UP, start).order, SET_UP, start)).toBe(least);
  }
});

/** Steps whose nearest next one leads astray: two tools each, of which the neighbour has one. */
const astray = (count: number) =>
  Array.from({ length: count }, (_, index) =>
    step(10, { tools: [`t${index % 7}`, `u${index % 5}`], side: index % 3 ? 'left' : 'right', before: index % 4 === 3 ? [index - 3] : [] }),
  );

test(`to ${EXACT_STEPS} steps the order is the least there is; beyond, it is bettered from the nearest one, to a hundred and twenty steps`, () => {
  const cost = (steps: SequenceStep[], order: number[]) => setUpOfOrder(steps, order, SET_UP);
  // Forward and backward are two problems of one cost where nothing has to come before.
  const free = astray(EXACT_STEPS).map((entry) => ({ ...entry, before: [] }));
  expect(cost(free, sequence(free, SET_UP).order)).toBe(cost([...free].reverse(), sequence([...free].reverse(), SET_UP).order));
  for (const count of [EXACT_STEPS + 1, 40, 120]) {
    const steps = astray(count);
    const { order, leftOver } = sequence(steps, SET_UP);
    expect([leftOver, keeps(steps, order), new Set(order).size]).toEqual([[], true, count]);
    const near = cost(steps, nearest(steps, SET_UP).order);
    if (count > 30) expect(cost(steps, order)).toBeLessThan(near);
    else expect(cost(steps, order)).toBeLessThanOrEqual(near);
  }
  const more = astray(121);
  expect(sequence(more, SET_UP)).toEqual(nearest(more, SET_UP));
});

test('a list of one or none is that list; a circle is left over, and what hangs on it', () => {
  expect(sequence([], SET_UP)).toEqual({ order: [], leftOver: [] });
  expect(sequence([step(10, { notBefore: 40 })], SET_UP)).toEqual({ order: [0], leftOver: [] });
  expect(sequence([step(1, { before: [2] }), step(1), step(1, { before: [0] }), step(1, { before: [0] })], SET_UP)).toEqual({ order: [1], leftOver: [0, 2, 3] });
});

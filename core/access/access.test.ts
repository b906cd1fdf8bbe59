import fc from 'fast-check';
import { sequence, setUpBetween, solveAccess, type AccessProblem, type AccessWay, type SequenceStep } from './index.ts';

const way = (id: string, needs: [string, 'loosened' | 'folded' | 'hung' | 'off'][] = [], extra = 0): AccessWay => ({
  id,
  needs: needs.map(([piece, level]) => ({ piece, level })),
  extra,
  irreversible: false,
});
const off = (id: string, cost: number, ways: AccessWay[]) => ({ id, levels: [{ level: 'off' as const, open: cost, close: cost, breakage: 0, ways }] });
const problem = (part: Partial<AccessProblem>): AccessProblem => ({ pieces: [], targets: [], present: [], replaced: [], ...part });

test('two targets behind one skin share it: grille 2·200, skin 2·900, against two liners 2·2·500', () => {
  const pieces = [
    off('grille', 200, [way('front')]),
    off('skin', 900, [way('front', [['grille', 'off']])]),
    off('liner-left', 500, [way('wheel')]),
    off('liner-right', 500, [way('wheel')]),
  ];
  const target = (side: string) => ({ id: side, ways: [way('front', [['skin', 'off']]), way('arch', [[`liner-${side}`, 'off']])] });
  expect(solveAccess(problem({ pieces, targets: [target('left')] }))).toMatchObject({ total: 1000, proved: true });
  const both = solveAccess(problem({ pieces, targets: [target('left'), target('right')] }));
  expect(both.total).toBe(2000);
  expect(both.moves.map((move) => move.piece).sort()).toEqual(['liner-left', 'liner-right']);
  const dearer = pieces.map((piece) => (piece.id.startsWith('liner') ? off(piece.id, 600, [way('wheel')]) : piece));
  const shared = solveAccess(problem({ pieces: dearer, targets: [target('left'), target('right')] }));
  expect(shared).toMatchObject({ total: 2200, open: 1100, close: 1100 });
  expect(shared.moves.map((move) => move.piece)).toEqual(['grille', 'skin']);
});

test('nothing rests on itself: a pair that opens each other is of use only through a third way', () => {
  const pieces = [off('a', 10, [way('x', [['b', 'off']])]), off('b', 10, [way('y', [['a', 'off']]), way('z', [], 500)])];
  const choice = solveAccess(problem({ pieces, targets: [{ id: 't', ways: [way('t', [['a', 'off']])] }] }));
  expect(choice.total).toBe(540);
  expect(choice.moves.map((move) => [move.piece, move.way])).toEqual([
    ['b', 'z'],
    ['a', 'x'],
  ]);
});

test('a piece may stop at a lower level on its way up, and pays the extra of both ways', () => {
  const liner = {
    id: 'liner',
    levels: [
      { level: 'loosened' as const, open: 100, close: 100, breakage: 0, ways: [way('by-hand', [], 30)] },
      { level: 'off' as const, open: 300, close: 250, breakage: 20, ways: [way('after-skin', [['skin', 'off']], 40)] },
    ],
  };
  const pieces = [liner, off('skin', 400, [way('front', [['liner', 'loosened']])])];
  const choice = solveAccess(problem({ pieces, targets: [{ id: 't', ways: [way('t', [['liner', 'off']])] }] }));
  expect(choice.moves.map((move) => `${move.piece} ${move.from} ${move.level}`)).toEqual(['liner fitted loosened', 'skin fitted off', 'liner loosened off']);
  // open 100 + 30 + 400 + 200 + 40, close 250 + 400, breakage 20
  expect(choice).toMatchObject({ open: 770, close: 650, breakage: 20, total: 1440 });
});

test('what is open already costs only its closing', () => {
  const pieces = [off('grille', 200, [way('front')]), off('skin', 900, [way('front', [['grille', 'off']])])];
  const targets = [{ id: 't', ways: [way('t', [['skin', 'off']])] }];
  const choice = solveAccess(problem({ pieces, targets, present: [{ piece: 'grille', level: 'off' }] }));
  expect(choice).toMatchObject({ open: 900, close: 900, closePresent: 200, total: 2000 });
  expect(choice.moves).toHaveLength(1);
});

test('a piece that closes cheaper from higher up is taken there where that pays', () => {
  const tray = {
    id: 'tray',
    levels: [
      { level: 'hung' as const, open: 100, close: 900, breakage: 0, ways: [way('hang')] },
      { level: 'off' as const, open: 200, close: 300, breakage: 0, ways: [way('lift', [['tray', 'hung']])] },
    ],
  };
  const choice = solveAccess(problem({ pieces: [tray], targets: [{ id: 't', ways: [way('t', [['tray', 'hung']])] }] }));
  expect(choice.total).toBe(500);
  expect(choice.moves.map((move) => move.level)).toEqual(['hung', 'off']);
});

test('a replaced piece comes off and costs no close', () => {
  const pieces = [off('old-lamp', 300, [way('front')])];
  expect(solveAccess(problem({ pieces, replaced: ['old-lamp'] }))).toMatchObject({ open: 300, close: 0, total: 300 });
});

test('an unreachable target is named and the rest is planned', () => {
  const pieces = [off('a', 100, [way('x')]), off('b', 100, [])];
  const targets = [
    { id: 'good', ways: [way('g', [['a', 'off']])] },
    { id: 'lost', ways: [way('l', [['b', 'off']])] },
  ];
  const choice = solveAccess(problem({ pieces, targets }));
  expect(choice.problems).toEqual([{ code: 'unreachable-target', target: 'lost' }]);
  expect(choice).toMatchObject({ total: 200, proved: true });
});

test('a piece to be replaced that nothing takes off, or that has no such level, is named and the rest is planned', () => {
  const hung = { id: 'hung', levels: [{ level: 'hung' as const, open: 50, close: 50, breakage: 0, ways: [way('h')] }] };
  const pieces = [off('a', 100, [way('x')]), off('fast', 100, [way('y', [['shut', 'off']])]), off('shut', 100, []), hung, off('old', 30, [way('z')])];
  const choice = solveAccess(problem({ pieces, targets: [{ id: 'good', ways: [way('g', [['a', 'off']])] }], replaced: ['fast', 'hung', 'old'] }));
  expect(choice.problems).toEqual([
    { code: 'unreachable-piece', piece: 'fast' },
    { code: 'unreachable-piece', piece: 'hung' },
  ]);
  // The first twice 100, the old one only comes off.
  expect(choice.total).toBe(230);
  expect(choice.moves.map((move) => move.piece).sort()).toEqual(['a', 'old']);
});

/** All subsets of (piece, way) choices, the slow and plain way to the same least cost. */
function byEnumeration({ pieces, targets }: AccessProblem): number {
  let best = Infinity;
  const options = pieces.map((piece) => [undefined, ...(piece.levels[0]?.ways ?? [])]);
  const count = options.reduce((product, list) => product * list.length, 1);
  for (let index = 0; index < count; index++) {
    let rest = index;
    const chosen = options.map((list) => {
      const pick = list[rest % list.length];
      rest = Math.floor(rest / list.length);
      return pick;
    });
    const reached = new Set<string>();
    for (let grew = true; grew;) {
      grew = false;
      pieces.forEach((piece, place) => {
        const pick = chosen[place];
        if (pick && !reached.has(piece.id) && pick.needs.every((need) => reached.has(need.piece))) {
          reached.add(piece.id);
          grew = true;
        }
      });
    }
    if (chosen.some((pick, place) => pick && !reached.has(pieces[place]?.id ?? ''))) continue;
    const costs = targets.map((target) => Math.min(...target.ways.filter((w) => w.needs.every((need) => reached.has(need.piece))).map((w) => w.extra)));
    const cost = chosen.reduce((sum, pick, place) => sum + (pick ? pick.extra + (pieces[place]?.levels[0]?.open ?? 0) + (pieces[place]?.levels[0]?.close ?? 0) : 0), 0);
    best = Math.min(best, cost + costs.reduce((sum, c) => sum + c, 0));
  }
  return best;
}

test('equals full enumeration on small vehicles with mutually dependent ways', () => {
  const size = 6;
  const needs = (own: number) =>
    fc.uniqueArray(
      fc.integer({ min: 0, max: size - 1 }).filter((index) => index !== own),
      { maxLength: 2 },
    );
  const wayOf = (own: number) => fc.tuple(needs(own), fc.integer({ min: 0, max: 300 }));
  const pieceOf = (own: number) => fc.tuple(fc.integer({ min: 0, max: 500 }), fc.array(wayOf(own), { minLength: 1, maxLength: 2 }));
  const arbitrary = fc.tuple(
    fc.tuple(...Array.from({ length: size }, (_, index) => pieceOf(index))),
    fc.array(fc.array(wayOf(-1), { minLength: 1, maxLength: 2 }), { minLength: 1, maxLength: 2 }),
  );
  const toWay = ([list, extra]: [number[], number], index: number) =>
    way(
      `w${index}`,
      list.map((need) => [`p${need}`, 'off']),
      extra,
    );
  fc.assert(
    fc.property(arbitrary, ([pieces, targets]) => {
      const generated = problem({
        pieces: pieces.map(([cost, ways], index) => off(`p${index}`, cost, ways.map(toWay))),
        targets: targets.map((ways, index) => ({ id: `t${index}`, ways: ways.map(toWay) })),
      });
      const least = byEnumeration(generated);
      const choice = solveAccess(generated);
      if (least === Infinity) return choice.problems.length > 0;
      return choice.proved && choice.total === least;
    }),
    { numRuns: 300, seed: 7 },
  );
});

test('the order keeps precedence and saves set-up: both left steps before the right one', () => {
  const step = (side: 'left' | 'right', before: number[] = []): SequenceStep => ({ side, zone: 'front', tools: ['T20 six-lobe'], people: 1, before });
  const setUp = { side: 50, zone: 30, tool: 20, helper: 100, position: 50 };
  const { order } = sequence([step('left'), step('right'), step('left')], setUp);
  expect([order.indexOf(1) === 1, order.length]).toEqual([false, 3]);
  expect(sequence([step('left', [1]), step('right'), step('left', [0])], setUp).order).toEqual([1, 0, 2]);
  expect(sequence([step('left', [1]), step('left', [0])], setUp).leftOver).toEqual([0, 1]);
  expect(setUpBetween(undefined, { ...step('left'), people: 2 }, setUp)).toBe(120);
});

test('up to six steps the order is as good as the best permutation', () => {
  const setUp = { side: 50, zone: 30, tool: 20, helper: 100, position: 50 };
  const one = fc.record({
    side: fc.constantFrom('left' as const, 'right' as const),
    zone: fc.constantFrom('front' as const, 'rear' as const),
    tools: fc.uniqueArray(fc.constantFrom('a', 'b', 'c'), { maxLength: 2 }),
    people: fc.integer({ min: 1, max: 2 }),
  });
  const costOf = (steps: SequenceStep[], order: number[]) =>
    order.reduce((sum, index, place) => sum + setUpBetween(place > 0 ? steps[order[place - 1] ?? 0] : undefined, steps[index] ?? steps[0]!, setUp), 0);
  const permutations = (items: number[]): number[][] =>
    items.length < 2 ? [items] : items.flatMap((item) => permutations(items.filter((other) => other !== item)).map((rest) => [item, ...rest]));
  fc.assert(
    fc.property(fc.array(one, { minLength: 2, maxLength: 6 }), (list) => {
      const steps = list.map((item, index) => ({ ...item, before: index > 2 ? [index - 3] : [] }));
      const allowed = permutations(steps.map((_, index) => index)).filter((order) =>
        order.every((index, place) => (steps[index]?.before ?? []).every((b) => order.indexOf(b) < place)),
      );
      const least = Math.min(...allowed.map((order) => costOf(steps, order)));
      return costOf(steps, sequence(steps, setUp).order) === least;
    }),
    { numRuns: 100, seed: 11 },
  );
});

import { layersOf, type OpenLevel, type Piece } from './index.ts';

/** A piece with its ways per level, each a list of what it needs off. */
const piece = (id: string, levels: Partial<Record<OpenLevel, string[][]>>) =>
  ({
    id,
    levels: Object.entries(levels).map(([level, ways]) => ({ level, ways: ways.map((needs) => ({ needs: needs.map((other) => ({ piece: other, level: 'off' })) })) })),
  }) as unknown as Piece;

test('a piece lies one layer behind the furthest of what the easiest way to it needs', () => {
  const pieces = [
    piece('foam', { off: [['skin']] }),
    piece('skin', { off: [['grille', 'lamp']] }),
    // From the front behind the grille alone, or from the arch behind two.
    piece('lamp', { off: [['skin-bolt', 'liner'], ['grille']] }),
    piece('liner', { off: [['wheel']] }),
    piece('wheel', { off: [[]] }),
    piece('grille', { off: [[]] }),
    piece('skin-bolt', { off: [['liner']] }),
  ];
  expect(Object.fromEntries(layersOf(pieces))).toEqual({ foam: 4, skin: 3, lamp: 2, liner: 2, wheel: 1, grille: 1, 'skin-bolt': 3 });
});

test('the furthest of its levels counts; what needs its own loosening does not lie behind itself', () => {
  const needs = (...each: [string, OpenLevel][]) => each.map(([other, level]) => ({ piece: other, level }));
  const tank = {
    id: 'tank',
    levels: [
      { level: 'loosened', ways: [{ needs: [] }] },
      { level: 'off', ways: [{ needs: needs(['cover', 'off'], ['tank', 'loosened']) }] },
    ],
  } as unknown as Piece;
  const lid = {
    id: 'lid',
    levels: [
      { level: 'loosened', ways: [{ needs: [] }] },
      { level: 'off', ways: [{ needs: needs(['lid', 'loosened']) }] },
    ],
  } as unknown as Piece;
  expect([...layersOf([tank, piece('cover', { off: [[]] }), lid, { id: 'still', levels: [] } as unknown as Piece])]).toEqual([
    ['tank', 2],
    ['cover', 1],
    ['lid', 1],
    ['still', 1],
  ]);
});

test('two that wait for each other are reached by the way round, not taken for the outside; what cannot be reached lies behind all', () => {
  // a waits for b, b for a or for c: b comes off behind c, a behind b.
  const tangled = [piece('a', { off: [['b']] }), piece('b', { off: [['a'], ['c']] }), piece('c', { off: [[]] })];
  expect(Object.fromEntries(layersOf(tangled))).toEqual({ a: 3, b: 2, c: 1 });
  expect(Object.fromEntries(layersOf([...tangled].reverse()))).toEqual({ a: 3, b: 2, c: 1 });
  const shut = [piece('x', { off: [['y']] }), piece('y', { off: [['x', 'gone']] }), piece('z', { off: [[]] }), piece('w', { off: [['z']] })];
  expect(Object.fromEntries(layersOf(shut))).toEqual({ x: 3, y: 3, z: 1, w: 2 });
});

test('a need of a lower level waits for that level alone', () => {
  // The liner loosens at once and comes off behind the lamp, which needs it loosened only.
  const liner = piece('liner', { loosened: [[]], off: [['lamp']] });
  const lamp = { ...piece('lamp', { off: [[]] }), levels: [{ level: 'off', ways: [{ needs: [{ piece: 'liner', level: 'loosened' }] }] }] } as unknown as Piece;
  // The trim waits until it is off.
  expect(Object.fromEntries(layersOf([liner, lamp, piece('trim', { off: [['liner']] })]))).toEqual({ liner: 3, lamp: 2, trim: 4 });
});

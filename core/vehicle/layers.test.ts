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
  const pieces = [piece('cover', { off: [[]] }), piece('tank', { loosened: [[]], off: [['cover', 'tank']] }), piece('bare', { off: [] })];
  expect([...layersOf(pieces)]).toEqual([
    ['cover', 1],
    ['tank', 2],
    ['bare', 1],
  ]);
});

test('pieces in a circle, and needs that are not described, end all the same', () => {
  const pieces = [piece('a', { off: [['b']] }), piece('b', { off: [['a', 'gone']] })];
  expect([...layersOf(pieces).values()].every((layer) => layer >= 1 && layer <= 3)).toBe(true);
});

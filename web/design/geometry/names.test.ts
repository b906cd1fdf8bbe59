import * as fc from 'fast-check';
import { lineUp, namesOutside, type Named } from './names.ts';

test('things along a line go no farther from where they want to be than the others make them', () => {
  // Wanted 10, 12 and 50 with lengths 10, 6 and 4: the second is pushed past the first.
  expect(
    lineUp(
      [
        { at: 10, length: 10 },
        { at: 12, length: 6 },
        { at: 50, length: 4 },
      ],
      0,
      100,
    ),
  ).toEqual([10, 18, 50]);
  // At the end of the line they are pushed back.
  expect(
    lineUp(
      [
        { at: 90, length: 20 },
        { at: 99, length: 10 },
      ],
      0,
      100,
    ),
  ).toEqual([80, 95]);
  expect(lineUp([{ at: 5, length: 101 }], 0, 100)).toBeUndefined();
});

const item = fc.record({
  text: fc.constantFrom('Grille', 'Bumper skin', 'Wheel arch liner, left', 'Tape of the dormant fog plug, right', 'Front undertray'),
  middle: fc.tuple(fc.integer({ min: 0, max: 2000 }), fc.integer({ min: 0, max: 1300 })),
});
const many = fc.array(item, { maxLength: 40 }).map((list): Named[] => list.map((entry, index) => ({ ...entry, id: String(index) })));

test.each([
  ['a tall drawing', [0, 0, 2000, 1400]],
  ['a wide drawing', [-300, -200, 5000, 1500]],
] as const)('on %s no name covers another or the drawing, and none gets lost', (_, [x, y, width, height]) => {
  fc.assert(
    fc.property(many, (items) => {
      const { names, left, frame } = namesOutside(items, [x, y, width, height]);
      expect([...names.map(({ id }) => id), ...left].sort()).toEqual(items.map(({ id }) => id).sort());
      names.forEach(({ cover: a }, index) => {
        expect(a.x >= x + width || a.x + a.width <= x || a.y >= y + height || a.y + a.height <= y).toBe(true);
        expect([a.x >= frame[0] - 1, a.y >= frame[1] - 1, a.x + a.width <= frame[0] + frame[2] + 1, a.y + a.height <= frame[1] + frame[3] + 1]).toEqual([true, true, true, true]);
        for (const { cover: b } of names.slice(index + 1)) {
          expect(a.x >= b.x + b.width - 0.01 || b.x >= a.x + a.width - 0.01 || a.y >= b.y + b.height - 0.01 || b.y >= a.y + a.height - 0.01).toBe(true);
        }
      });
    }),
    { numRuns: 60 },
  );
});

test('a name stands on the side of what it names, its line ends there; what weighs least is left out where there is no room', () => {
  const items: Named[] = [
    { id: 'r', text: 'Headlamp, left', middle: [1800, 700] },
    { id: 'l', text: 'Headlamp, right', middle: [150, 700] },
  ];
  const { names } = namesOutside(items, [0, 0, 2000, 1400]);
  const [left, right] = [names.find(({ id }) => id === 'l'), names.find(({ id }) => id === 'r')];
  expect([left?.anchor, (left?.cover.x ?? 1) < 0, left?.lead.at(-1)]).toEqual(['end', true, [150, 700]]);
  expect([right?.anchor, (right?.cover.x ?? 0) >= 2000, right?.lead.at(-1)]).toEqual(['start', true, [1800, 700]]);
  // Signs 80 mm high, lines of 92 mm, 48 mm apart: ten on each side of 1 400 mm.
  const crowd = Array.from({ length: 21 }, (_, index): Named => ({ id: String(index), text: 'Bolt', middle: [100, 60 * index] }));
  expect(namesOutside(crowd, [0, 0, 2000, 1400]).left).toEqual(['20']);
});

test('without names the frame stays as it is', () => {
  expect(namesOutside([], [1, 2, 30, 40])).toMatchObject({ frame: [1, 2, 30, 40], names: [], left: [] });
});

import { barePiece } from '../test/bare-profile.ts';
import { joinedPiece, needsAsKept, sharedOf } from './index.ts';
import type { FastenerGroup, Piece } from '../vehicle/index.ts';

const group = (id: string, part: Partial<FastenerGroup> = {}): FastenerGroup => ({
  id,
  drive: 'hex',
  size: '10 mm',
  count: 2,
  place: 'top',
  side: 'centre',
  singleUse: false,
  release: 'unscrew',
  tighten: { snug: 'plastic' },
  atLevel: 'off',
  ...part,
});
const level = (name: 'folded' | 'off', openMin: number) => ({ level: name, openMin, closeMin: openMin, people: 1, ways: [{ id: 'seen', needs: [], extraMin: 0 }] });
const piece = (id: string, part: Partial<Piece>) => barePiece(id, { fasteners: [], ...part });

test('two descriptions of one piece are the first one, with the levels that only the second one has and what came out at them', () => {
  const first = piece('grille-a1', {
    levels: [level('folded', 5)],
    fasteners: [group('fixing-1', { atLevel: 'folded', count: 4 }), group('fixing-2', { drive: 'hook', atLevel: 'folded' })],
  });
  const second = piece('grille-z9', {
    levels: [level('folded', 2), level('off', 3.5)],
    fasteners: [
      group('fixing-1', { drive: 'push-pin', size: '8 mm', count: 3 }),
      group('fixing-2', { size: '13 mm' }),
      group('fixing-3', { drive: 'six-lobe', size: 'T20', atLevel: 'folded' }),
    ],
  });
  const { piece: one, groups } = joinedPiece(first, second);
  // Off took 3.5 minutes by who saw it fold in two: no less than the five that the other one took to fold it.
  expect(one.levels.map(({ level: own, openMin }) => [own, openMin])).toEqual([
    ['folded', 5],
    ['off', 5],
  ]);
  expect(one.fasteners.map(({ id, drive, count }) => [id, drive, count])).toEqual([
    ['fixing-1', 'hex', 4],
    ['fixing-2', 'hook', 2],
    ['fixing-1-2', 'push-pin', 3],
  ]);
  // Push-pins came out at a level that the first did not see; bolts of another size are its bolts; screws at a level that it saw without any are none.
  expect([...groups]).toEqual([
    ['fixing-1', 'fixing-1-2'],
    ['fixing-2', 'fixing-1'],
  ]);
  expect(one.id).toBe('grille-a1');
  const third = joinedPiece(one, piece('grille-q5', { levels: [{ ...level('off', 9), level: 'hung' }], fasteners: [group('fixing-1', { drive: 'plug lock', atLevel: 'hung' })] }));
  expect(third.piece.fasteners.at(-1)?.id).toBe('fixing-1-3');
  expect(third.piece.levels.map(({ level: own }) => own)).toEqual(['folded', 'hung', 'off']);
});

test('the bolts of the same size are meant where there are some, whatever comes first', () => {
  const first = piece('a', { levels: [level('off', 2)], fasteners: [group('short'), group('long', { size: '13 mm' })] });
  expect([...joinedPiece(first, piece('b', { levels: [level('off', 2)], fasteners: [group('x', { size: '13 mm' })] })).groups]).toEqual([['x', 'long']]);
});

test('needs name each piece once, as far open as any of them asks for, and none itself', () => {
  const to = (id: string) => (id === 'z9' || id === 'y8' ? 'a1' : id);
  const needs = [
    { piece: 'z9', level: 'folded' as const },
    { piece: 'duct', level: 'off' as const },
    { piece: 'a1', level: 'hung' as const },
    { piece: 'y8', level: 'loosened' as const },
  ];
  expect(needsAsKept(needs, to)).toEqual([
    { piece: 'a1', level: 'hung' },
    { piece: 'duct', level: 'off' },
  ]);
  expect(needsAsKept(needs, to, 'a1')).toEqual([{ piece: 'duct', level: 'off' }]);
});

test('two boxes share what lies in both of the smaller one', () => {
  const one = { xMm: [0, 100] as [number, number], yMm: [0, 200] as [number, number], zMm: [0, 50] as [number, number] };
  // 40 of 60 across, all of its length and height.
  expect(sharedOf(one, { xMm: [60, 120], yMm: [10, 110], zMm: [10, 20] })).toBeCloseTo(40 / 60, 9);
  expect(sharedOf({ xMm: [60, 120], yMm: [10, 110], zMm: [10, 20] }, one)).toBeCloseTo(40 / 60, 9);
  expect([sharedOf(one, { xMm: [100, 120], yMm: [0, 1], zMm: [0, 1] }), sharedOf(one, { xMm: [0, 0], yMm: [0, 1], zMm: [0, 1] })]).toEqual([0, 0]);
});

import fc from 'fast-check';
import { sumTaken, type TakenBySteps } from '../schedule/index.ts';
import { barePiece, bareProfile } from '../test/bare-profile.ts';
import { checkProfile, type OpenLevel, type Piece, type PieceLevel } from '../vehicle/index.ts';
import { learnedSteps, withLearnedTimes } from './index.ts';

test('what was timed stands beside the profile, the farthest off first; ways and pieces that it no longer has are left out', () => {
  const profile = bareProfile({ pieces: [barePiece('grille'), barePiece('skin')] });
  const [level] = profile.pieces[0]?.levels ?? [];
  const way = level?.ways[0]?.id ?? '';
  const taken = {
    [`grille/fitted>off/${way}`]: sumTaken([4, 4, 4]),
    'skin/off>fitted': sumTaken([32, 32, 32]),
    'skin/fitted>off/gone': sumTaken([9]),
    'gone/off>fitted': sumTaken([9]),
    nonsense: sumTaken([9]),
  };
  const [open, close] = [level?.openMin ?? 0, profile.pieces[1]?.levels[0]?.closeMin ?? 0];
  expect(learnedSteps(profile, taken).map(({ piece, level: to, profileMin, estimate }) => [piece, to, profileMin, estimate.medianMin.toFixed(2)])).toEqual([
    ['skin', 'fitted', close, Math.sqrt(close * 32).toFixed(2)],
    ['grille', 'off', open, Math.sqrt(open * 4).toFixed(2)],
  ]);
});

const WAY = { needs: [], extraMin: 0 };
const level = (name: OpenLevel, openMin: number, closeMin: number, more: Partial<PieceLevel> = {}): PieceLevel => ({
  level: name,
  openMin,
  closeMin,
  people: 1,
  ways: [{ id: 'w', ...WAY }],
  ...more,
});
const piece = (levels: PieceLevel[]): Piece => ({ ...barePiece('grille'), levels });
/** Times by which an estimate is moved to a number of minutes: three of them weigh as much as the profile. */
const moves = (fromMin: number, toMin: number) => sumTaken([1, 2, 3].map(() => toMin ** 2 / fromMin));
const learned = (levels: PieceLevel[], taken: TakenBySteps) => withLearnedTimes(bareProfile({ pieces: [piece(levels)] }), taken);
const minutesOf = ({ profile }: ReturnType<typeof learned>) =>
  Object.fromEntries(profile.pieces[0]?.levels.map(({ level: name, openMin, closeMin, ways }) => [name, [openMin, closeMin, ...ways.map(({ extraMin }) => extraMin)]]) ?? []);

test('minutes go where this shop’s times have moved them, opening and back each by its own', () => {
  const { profile, changes, steps } = learned([level('off', 4, 3)], { 'grille/fitted>off/w': moves(4, 6), 'grille/off>fitted': moves(3, 2.5) });
  expect(profile.pieces[0]?.levels).toEqual([level('off', 6, 2.5)]);
  expect(changes).toEqual([
    { piece: 'grille', level: 'off', what: { minutes: 'open' }, beforeMin: 4, nowMin: 6, times: 3 },
    { piece: 'grille', level: 'off', what: { minutes: 'close' }, beforeMin: 3, nowMin: 2.5, times: 3 },
  ]);
  expect(steps.sort()).toEqual(['grille/fitted>off/w', 'grille/off>fitted']);
});

test('of a piece in levels each step counts from the level that it began at, and for all its people', () => {
  const levels = [level('folded', 2, 1), level('off', 5, 4, { people: 2 })];
  // Folded 2 → 3 by one person; from there off by two, (10 − 2)/2 = 4 → 5 each: 3 + 2·5 = 13 for both, 6.5 each.
  expect(minutesOf(learned(levels, { 'grille/fitted>folded/w': moves(2, 3), 'grille/folded>off/w': moves(4, 5) }))).toEqual({ folded: [3, 1, 0], off: [6.5, 4, 0] });
  // Back to folded 3 → 4, and from there 1 → 2.
  const back = { 'grille/off>folded': moves(3, 4), 'grille/folded>fitted': moves(1, 2) };
  expect(minutesOf(learned([level('folded', 2, 1), level('off', 5, 4)], back))).toEqual({ folded: [2, 2, 0], off: [5, 6, 0] });
  // Back from off to folded (8 − 1)/2 = 3.5 → 3: 1 + 2·3 = 7, 3.5 each.
  expect(minutesOf(learned(levels, { 'grille/off>folded': moves(3.5, 3) }))).toEqual({ folded: [2, 1, 0], off: [5, 3.5, 0] });
});

test('of steps that end at one level by one way each counts as often as it was done', () => {
  const levels = [level('folded', 2, 1), level('off', 5, 4)];
  // Straight off three times, 5 → 8; on from folded once, 3 → (3³·48)^¼ = 6, and the 2 before it: (3·8 + 8)/4 = 8.
  expect(minutesOf(learned(levels, { 'grille/fitted>off/w': moves(5, 8), 'grille/folded>off/w': sumTaken([48]) }))).toEqual({ folded: [2, 1, 0], off: [8, 4, 0] });
  // 5 → 8 three times, and 3 → 3 with the 2 before it once: (24 + 5)/4.
  expect(minutesOf(learned(levels, { 'grille/fitted>off/w': moves(5, 8), 'grille/folded>off/w': sumTaken([3]) }))).toEqual({ folded: [2, 1, 0], off: [7.25, 4, 0] });
});

test('a level that nobody timed keeps its minutes, and goes up with the one below it, never down', () => {
  const levels = [level('folded', 2, 1), level('off', 5, 4)];
  const slower = learned(levels, { 'grille/fitted>folded/w': moves(2, 6) });
  expect(minutesOf(slower)).toEqual({ folded: [6, 1, 0], off: [9, 4, 0] });
  expect(slower.changes[1]).toEqual({ piece: 'grille', level: 'off', what: { minutes: 'open' }, beforeMin: 5, nowMin: 9, times: 0 });
  expect(minutesOf(learned(levels, { 'grille/fitted>folded/w': moves(2, 1) }))).toEqual({ folded: [1, 1, 0], off: [5, 4, 0] });
  // Of two people each takes half of what it goes up by: 2·2 → 2·3, and 5 + 2 by one.
  expect(minutesOf(learned([level('folded', 2, 1, { people: 2 }), level('off', 5, 4)], { 'grille/fitted>folded/w': moves(2, 3) }))).toEqual({ folded: [3, 1, 0], off: [7, 4, 0] });
  // Straight off it was quicker than folding it is by now: it takes no less than that.
  expect(minutesOf(learned(levels, { 'grille/fitted>folded/w': moves(2, 6), 'grille/fitted>off/w': moves(5, 4) }))).toEqual({ folded: [6, 1, 0], off: [6, 4, 0] });
});

test('what a way takes more stays where only that one was timed, and is measured where a plainer one was', () => {
  const ways = [
    { id: 'w', ...WAY },
    { id: 'round', ...WAY, extraMin: 2 },
  ];
  const levels = [level('off', 4, 3, { ways })];
  // 4 + 2 → 9, of which 2 are the way's.
  expect(minutesOf(learned(levels, { 'grille/fitted>off/round': moves(6, 9) }))).toEqual({ off: [7, 3, 0, 2] });
  // 6 → (6³·9⁴/6³)^¼ = 9.
  const both = learned(levels, { 'grille/fitted>off/w': moves(4, 5), 'grille/fitted>off/round': sumTaken([9 ** 4 / 6 ** 3]) });
  expect(minutesOf(both)).toEqual({ off: [5, 3, 0, 4] });
  expect(both.changes[1]).toEqual({ piece: 'grille', level: 'off', what: { extraOf: 'round' }, beforeMin: 2, nowMin: 4, times: 1 });
  // The way round is the quicker one by now.
  expect(minutesOf(learned(levels, { 'grille/fitted>off/w': moves(4, 8), 'grille/fitted>off/round': moves(6, 7) }))).toEqual({ off: [7, 3, 1, 0] });
});

test('a way that is quicker than what lies below it takes nothing more than that', () => {
  const ways = [
    { id: 'w', ...WAY },
    { id: 'round', ...WAY, extraMin: 1 },
  ];
  const levels = [level('folded', 2, 1), level('off', 5, 4, { ways })];
  const taken = { 'grille/fitted>folded/w': moves(2, 6), 'grille/fitted>off/w': moves(5, 4), 'grille/fitted>off/round': moves(6, 7) };
  expect(minutesOf(learned(levels, taken))).toEqual({ folded: [6, 1, 0], off: [6, 4, 0, 1] });
});

test('what is lost by rounding to each of two people is no extra of the way', () => {
  const levels = [level('off', 2, 3, { people: 2 })];
  // 5.346 for both are 2.67 each: six thousandths are lost, and the way takes nothing more.
  expect(minutesOf(learned(levels, { 'grille/fitted>off/w': moves(2, 2.673) }))).toEqual({ off: [2.67, 3, 0] });
  // Below it one of three minutes and a hundredth: of three who take no less each takes a third of that, rounded up.
  const over = [level('folded', 3, 1), level('off', 2, 3, { people: 3 })];
  expect(minutesOf(learned(over, { 'grille/fitted>folded/w': moves(3, 3.01), 'grille/fitted>off/w': moves(2, 1) }))).toEqual({ folded: [3.01, 1, 0], off: [1.01, 3, 0] });
});

test('times that move nothing do not go in, and what the profile does not have changes nothing', () => {
  const profile = bareProfile({ pieces: [piece([level('off', 4, 3)])] });
  expect(withLearnedTimes(profile, { 'grille/fitted>off/w': sumTaken([4, 4]) })).toEqual({ profile, changes: [], steps: [] });
  expect(withLearnedTimes(profile, { 'grille/hung>off/w': moves(4, 9), 'other/off>fitted': sumTaken([9]) })).toEqual({ profile, changes: [], steps: [] });
  const some = withLearnedTimes(profile, { 'grille/fitted>off/w': moves(4, 5), 'grille/hung>off/w': moves(4, 9), 'grille/off>fitted': sumTaken([3]) });
  // That it takes the three minutes that it was given is known by a time too, which is in.
  expect(some.steps.sort()).toEqual(['grille/fitted>off/w', 'grille/off>fitted']);
});

test('what goes in is what was reckoned with, and opening never falls as the level rises', () => {
  const minutes = fc.double({ min: 0.1, max: 60, noNaN: true });
  const people = fc.integer({ min: 1, max: 3 });
  fc.assert(
    fc.property(
      fc.array(minutes, { minLength: 2, maxLength: 2 }),
      minutes,
      minutes,
      people,
      people,
      fc.array(minutes, { minLength: 1, maxLength: 4 }),
      (rise, back, other, one, two, taken) => {
        const [low = 1, high = 1] = rise.map((value) => Math.round(value * 100) / 100);
        const levels = [level('folded', low, 1, { people: one }), level('off', (low * one + high) / two, 2, { people: two })];
        const steps = { 'grille/fitted>folded/w': sumTaken([other]), 'grille/off>fitted': sumTaken([back]), 'grille/folded>off/w': sumTaken(taken) };
        const before = bareProfile({ pieces: [piece(levels)] });
        const { profile } = withLearnedTimes(before, steps);
        expect(checkProfile(profile).filter(({ code }) => code === 'open-falls')).toEqual([]);
        const now = new Map(learnedSteps(profile, steps).map(({ step, profileMin }) => [step, profileMin]));
        for (const { step, estimate } of learnedSteps(before, steps)) expect(Math.abs((now.get(step) ?? 0) - estimate.medianMin)).toBeLessThan(0.04);
      },
    ),
  );
});

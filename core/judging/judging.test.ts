import type { GapPoint } from '../vehicle/index.ts';
import { acrossFrom, judgeGap, judgeLens, judgeMinutes, judgeOpening, judgeRest, judgeWarnings, lensWorse } from './index.ts';

const codes = (list: readonly { code: string }[]) => list.map(({ code }) => code);
const gap = (id: string, side: GapPoint['side'], yMm: number, part: Partial<GapPoint> = {}): GapPoint => ({
  id,
  name: id,
  side,
  at: { xMm: 600, yMm, zMm: 700 },
  nominalMm: 5,
  toleranceMm: 1.5,
  ...part,
});
const [left, right, roof] = [gap('left', 'left', 820), gap('right', 'right', -822), gap('roof', 'centre', 0)];
const ALL = [left, right, roof];

test.each([
  [12.4, 12, []],
  [12, 12, []],
  [13, 12, []],
  [11.9, 12, ['battery low']],
  [13.1, 12, ['not at rest']],
  [24.8, 12, ['other system']],
  [7.9, 12, ['other system']],
  [24.8, 24, []],
  [12.4, 24, ['other system']],
  [23.9, 24, ['battery low']],
  [26.1, 24, ['not at rest']],
])('%d V at rest of %d V: %j', (restV, systemV, expected) => {
  expect(codes(judgeRest(restV, systemV))).toEqual(expected);
});

test('a gap is held against what it is meant to be; the limit itself passes', () => {
  expect(judgeGap(left, 6.5, ALL, {})).toEqual([]);
  expect(judgeGap(left, 3.5, ALL, {})).toEqual([]);
  expect(judgeGap(left, 6.6, ALL, {})).toEqual([{ code: 'outside', nominalMm: 5, toleranceMm: 1.5 }]);
});

test('it is held against the other side, and against how it was before', () => {
  expect(acrossFrom(left, ALL)).toBe(right);
  expect([acrossFrom(roof, ALL), acrossFrom(left, [left, gap('else', 'right', -760)]), acrossFrom(left, [left, gap('same', 'left', -820)])]).toEqual([
    undefined,
    undefined,
    undefined,
  ]);
  expect(judgeGap(left, 6.2, ALL, { right: 4.6 })).toEqual([{ code: 'uneven', otherMm: 4.6 }]);
  expect(judgeGap(left, 6, ALL, { right: 4.6 })).toEqual([]);
  expect(judgeGap(left, 6.2, ALL, {}, 4.6)).toEqual([{ code: 'changed', beforeMm: 4.6 }]);
  expect(codes(judgeGap(left, 8, ALL, { right: 4.6 }, 4.6))).toEqual(['outside', 'changed', 'uneven']);
});

test('three of one moment that are the same to the tenth are wondered at, two are not; its own earlier value does not count', () => {
  expect(codes(judgeGap(left, 5, ALL, { right: 5, left: 5 }))).toEqual([]);
  expect(judgeGap(left, 5, ALL, { right: 5, roof: 5.04 })).toEqual([{ code: 'alike', count: 3 }]);
  expect(judgeGap(left, 5, ALL, { right: 5, roof: 5.1 })).toEqual([]);
});

test('a job is not promised for a time that is past, and a second one of a vehicle is meant', () => {
  const [now, past, later] = ['2026-03-05T12:00:00Z', '2026-03-05T11:59:00Z', '2026-03-05T12:00:00Z'];
  expect(judgeOpening(past, true, false, now)).toEqual(['promise past']);
  expect(judgeOpening(later, undefined, false, now)).toEqual([]);
  expect(judgeOpening(undefined, false, false, now)).toEqual(['job open']);
  expect(judgeOpening(undefined, false, true, now)).toEqual([]);
  expect(judgeOpening(past, false, false, now)).toEqual(['promise past', 'job open']);
});

test('a lamp that a control unit lights is wondered at where no code is stored; others, and unread codes, say nothing', () => {
  expect(judgeWarnings(['tyre pressure', 'airbag', 'engine'], 0)).toEqual([{ code: 'no code', lit: ['airbag', 'engine'] }]);
  expect(judgeWarnings(['airbag'], 1)).toEqual([]);
  expect(judgeWarnings(['airbag'], undefined)).toEqual([]);
  expect(judgeWarnings(['tyre pressure', 'oil pressure', 'lamp out', 'another'], 0)).toEqual([]);
  expect(judgeWarnings([], 0)).toEqual([]);
});

test('a lens is held against the one across from it and against how it came: worse is no doubt, better is', () => {
  expect(judgeLens('light haze', 'light haze')).toEqual([]);
  expect(judgeLens('light haze', undefined)).toEqual([]);
  expect(judgeLens('light haze', 'clear')).toEqual([{ code: 'lens uneven', other: 'clear' }]);
  expect(judgeLens('heavy haze', 'heavy haze', 'light haze')).toEqual([]);
  expect(judgeLens('clear', 'clear', 'light haze')).toEqual([{ code: 'lens better', before: 'light haze' }]);
  expect([lensWorse('heavy haze', 'clear'), lensWorse('clear', 'light haze'), lensWorse('clear', 'clear')]).toEqual([2, -1, 0]);
});

test('minutes of work are more than none, and not more than they are likely to be', () => {
  expect(judgeMinutes(0)).toEqual([{ code: 'no time' }]);
  expect(judgeMinutes(0.5)).toEqual([]);
  expect(judgeMinutes(60)).toEqual([]);
  expect(judgeMinutes(60.5)).toEqual([{ code: 'long', likelyMin: 60 }]);
  expect(judgeMinutes(31, 30)).toEqual([{ code: 'long', likelyMin: 30 }]);
});

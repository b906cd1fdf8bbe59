import type { MinutesChange } from '@jade/core/overlay';
import { LEARNED_TIMES, sayMinutesChange } from './index.ts';

const change = (part: Partial<MinutesChange>): MinutesChange => ({ piece: 'grille', level: 'off', what: { minutes: 'open' }, beforeMin: 4, nowMin: 6.25, times: 3, ...part });
const name = (piece: string) => (piece === 'grille' ? 'Grille' : piece);

test.each<[Partial<MinutesChange>, string, string]>([
  [{}, 'Grille off', '4\u202fmin → 6.25\u202fmin (timed 3 times)'],
  [{ what: { minutes: 'close' }, level: 'hung', times: 1 }, 'Grille back from hung', '4\u202fmin → 6.25\u202fmin (timed once)'],
  [{ what: { extraOf: 'through-arch' }, beforeMin: 0.5, nowMin: 2 }, 'Grille off, through arch, more than the quickest way', '0.50\u202fmin → 2\u202fmin (timed 3 times)'],
  [{ times: 0 }, 'Grille off', '4\u202fmin → 6.25\u202fmin (goes up with the level below it, nobody timed it by itself)'],
])('minutes that times make other: %j', (part, which, says) => {
  expect(sayMinutesChange(change(part), name)).toEqual({ which, says });
});

test('what a version holds is not said to be untimed', () => {
  expect(LEARNED_TIMES.noneSince(2, 5)).toContain('Version 2 holds 5 times in its minutes.');
  expect(LEARNED_TIMES.held(2, 1)).toMatch(/^Version 2 holds 1 time in/);
});

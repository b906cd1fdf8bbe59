import type { LoggedEvent } from '../events/index.ts';
import { bareProfile, barePiece } from '../test/bare-profile.ts';
import type { Supply } from '../vehicle/index.ts';
import { NOTHING_DESCRIBED } from '../overlay/index.ts';
import { kindCaptured, NOTHING_TAKEN, revivedIn, withCaptured, type Revived } from './index.ts';

const LOW: Supply = { id: 'low', name: '12 V', piece: 'battery', level: 'off', waitMin: 3, by: 'anyone', before: [], forgets: ['clock', 'windows'] };
type Said = [min: number, type: 'dead' | 'live' | 'other' | 'clock' | 'windows', person?: string];
const log = (...said: Said[]): LoggedEvent[] =>
  said.map(([min, what, person = 'fern'], index) => {
    const at = new Date(Date.parse('2026-03-05T09:00:00Z') + min * 60_000).toISOString();
    const own = { id: `e${index}`, v: 1, at, person, seq: index + 1 };
    if (what === 'dead' || what === 'live') return { ...own, type: 'supply.set', payload: { supply: 'low', is: what }, act: `a${index}` };
    if (what === 'other') return { ...own, type: 'piece.moved', payload: { piece: 'battery', level: 'fitted', fasteners: [] } };
    return { ...own, type: 'setting.restored', payload: { supply: 'low', setting: what } };
  }) as LoggedEvent[];
const taken = (...said: Said[]) => revivedIn(log(...said), [LOW]).map(({ minutes }) => minutes);

test('bringing a supply back takes from its being live until all that it forgets is set again, by one person at one go', () => {
  expect(taken([0, 'dead'], [40, 'live'], [43, 'windows'], [46.5, 'clock'])).toEqual([6.5]);
  // What another person does meanwhile is none of it; what this one does is.
  expect(taken([40, 'live'], [41, 'other', 'slate'], [42, 'clock'], [44, 'windows'])).toEqual([4]);
  expect(taken([40, 'live'], [41, 'other'], [42, 'clock'], [44, 'windows'])).toEqual([]);
  expect(taken([40, 'live'], [42, 'clock'])).toEqual([]);
  expect(taken([40, 'live'], [42, 'clock', 'slate'], [44, 'windows', 'slate'])).toEqual([]);
  // Only the last time counts, whole and within an hour.
  expect(taken([0, 'live'], [5, 'clock'], [6, 'windows'], [10, 'dead'], [40, 'live'], [42, 'windows'], [43, 'clock'])).toEqual([3]);
  expect(taken([0, 'live'], [5, 'clock'], [6, 'windows'], [10, 'dead'], [40, 'live'])).toEqual([]);
  expect([taken([40, 'live'], [41, 'clock'], [100, 'windows']), taken([40, 'live'], [41, 'clock'], [100.1, 'windows'])]).toEqual([[60], []]);
});

test('the move that made it live belongs to it, what was taken back does not, and who forgets nothing measures nothing', () => {
  const events = log([40, 'live'], [40, 'other'], [42, 'clock'], [44, 'windows']);
  const [live, move] = events;
  if (!live || !move) throw new Error('no events');
  expect(revivedIn([live, { ...move, act: live.act }, ...events.slice(2)] as LoggedEvent[], [LOW])).toEqual([{ supply: 'low', minutes: 4 }]);
  const undone = { id: 'u', v: 1, at: live.at, person: 'fern', seq: 9, type: 'undone', payload: { event: 'e1' } } as LoggedEvent;
  expect(revivedIn([...events, undone], [LOW])).toEqual([{ supply: 'low', minutes: 4 }]);
  expect(revivedIn(events, [{ ...LOW, forgets: [] }])).toEqual([]);
});

test('it is kept with the supply where nobody had measured it: the mean of logarithms, in tenths', () => {
  const told = (job: string, minutes?: number, supplies = {}) => ({
    job,
    described: { ...NOTHING_DESCRIBED, supplies },
    ...(minutes === undefined ? {} : { revived: [{ supply: 'low', minutes }] as Revived[] }),
  });
  const profile = bareProfile({ pieces: [barePiece('battery')], supplies: [LOW] });
  const taught = kindCaptured([], [told('one', 2), told('two', 8), told('three')], profile);
  // The root of 2 times 8.
  expect(taught.revived).toEqual([{ entry: { ...LOW, liveMin: 4 }, jobs: ['one', 'two'] }]);
  expect([withCaptured(profile, taught, { ...NOTHING_TAKEN, revived: ['low'] }).supplies, withCaptured(profile, taught, NOTHING_TAKEN).supplies]).toEqual([
    [{ ...LOW, liveMin: 4 }],
    [LOW],
  ]);
  expect(kindCaptured([], [told('one', 2)], { ...profile, supplies: [{ ...LOW, liveMin: 1 }] }).revived).toEqual([]);
  // One that the very jobs described has it from the beginning.
  const own = kindCaptured([], [told('one', 3.14, { low: LOW })], { ...profile, supplies: [] });
  expect([own.supplies.map(({ entry }) => entry.liveMin), own.revived]).toEqual([[3.1], []]);
});

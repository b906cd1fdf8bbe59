import { byBay, byDay, byWeekLeft, dayGroupOf, lateBy, type OnBoard } from './index.ts';

const DAY_MS = 86_400_000;
const dayOf = (iso: string) => Math.floor(Date.parse(iso) / DAY_MS);
/** Monday 0; the first of January 1970 was a Thursday. */
const weekdayOf = (iso: string) => (dayOf(iso) + 3) % 7;
/** A Thursday. */
const NOW = '2026-03-05T12:00:00Z';
const job = (id: string, part: Partial<OnBoard> = {}): OnBoard => ({ id, bay: null, promisedAt: null, left: false, leftAt: null, ...part });
const ids = (jobs: readonly OnBoard[]) => jobs.map(({ id }) => id);

test.each([
  ['2026-03-05T11:59:00Z', 'late'],
  ['2026-03-04T18:00:00Z', 'late'],
  ['2026-03-05T12:00:00Z', 'today'],
  ['2026-03-05T23:59:00Z', 'today'],
  ['2026-03-06T00:01:00Z', 'tomorrow'],
  ['2026-03-07T00:00:00Z', 'later'],
  [null, 'no promise'],
])('promised for %s: %s', (promisedAt, group) => {
  expect(dayGroupOf({ promisedAt }, NOW, dayOf)).toBe(group);
});

test('by day what is late comes first, each group by its time; what has left is not among them', () => {
  const jobs = [
    job('none'),
    job('later', { promisedAt: '2026-03-09T08:00:00Z' }),
    job('noon', { promisedAt: '2026-03-05T16:00:00Z' }),
    job('early', { promisedAt: '2026-03-05T14:00:00Z' }),
    job('late', { promisedAt: '2026-03-03T14:00:00Z' }),
    job('gone', { promisedAt: '2026-03-05T14:00:00Z', left: true, leftAt: NOW }),
  ];
  expect(byDay(jobs, NOW, dayOf).map(({ group, jobs: own }) => [group, ids(own)])).toEqual([
    ['late', ['late']],
    ['today', ['early', 'noon']],
    ['later', ['later']],
    ['no promise', ['none']],
  ]);
});

test('by bay every bay of the shop stands, also an empty one; a bay that is no more and none come last', () => {
  const jobs = [
    job('b', { bay: 'Bay 1', promisedAt: '2026-03-06T08:00:00Z' }),
    job('a', { bay: 'Bay 1', promisedAt: '2026-03-05T13:00:00Z' }),
    job('old', { bay: 'Shed' }),
    job('none'),
  ];
  expect(byBay(jobs, ['Yard', 'Bay 1']).map(({ bay, jobs: own }) => [bay, ids(own)])).toEqual([
    ['Yard', []],
    ['Bay 1', ['a', 'b']],
    ['Shed', ['old']],
    [null, ['none']],
  ]);
  expect(byBay([], ['Yard'])).toEqual([{ bay: 'Yard', jobs: [] }]);
});

test('what has left stands by week, Monday to Sunday, the last first', () => {
  const gone = (id: string, leftAt: string) => job(id, { left: true, leftAt });
  const jobs = [
    gone('sunday', '2026-03-01T20:00:00Z'),
    gone('monday', '2026-03-02T07:00:00Z'),
    gone('today', '2026-03-05T09:00:00Z'),
    gone('long ago', '2026-02-10T09:00:00Z'),
    job('here'),
  ];
  expect(byWeekLeft(jobs, NOW, dayOf, weekdayOf).map(({ weeksAgo, mondayAgoDays, jobs: own }) => [weeksAgo, mondayAgoDays, ids(own)])).toEqual([
    [0, 3, ['today', 'monday']],
    [1, 10, ['sunday']],
    [3, 24, ['long ago']],
  ]);
});

test('what left by a clock that goes before counts to this week', () => {
  const ahead = job('ahead', { left: true, leftAt: '2026-03-10T09:00:00Z' });
  expect(byWeekLeft([ahead], NOW, dayOf, weekdayOf).map(({ weeksAgo }) => weeksAgo)).toEqual([0]);
});

test.each([
  [null, undefined],
  ['2026-03-05T12:00:00Z', undefined],
  ['2026-03-05T11:59:00Z', { in: 'hours', count: 0 }],
  ['2026-03-05T10:30:00Z', { in: 'hours', count: 1 }],
  ['2026-03-03T12:30:00Z', { in: 'hours', count: 47 }],
  ['2026-03-03T12:00:00Z', { in: 'days', count: 2 }],
  ['2026-02-28T13:00:00Z', { in: 'days', count: 4 }],
])('promised for %s it is late by %j', (promisedAt, late) => {
  expect(lateBy({ promisedAt }, NOW)).toEqual(late);
});

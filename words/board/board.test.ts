import { sayDayGroup, sayLate, sayWeek } from './index.ts';

test('how late it is, in which group it stands, and which week it left in', () => {
  expect([sayLate({ in: 'hours', count: 0 }), sayLate({ in: 'hours', count: 1 }), sayLate({ in: 'days', count: 3 })]).toEqual([
    'just past its promise',
    '1 hour past its promise',
    '3 days past its promise',
  ]);
  expect([sayDayGroup('late'), sayDayGroup('no promise')]).toEqual(['Past its promise', 'Nothing promised']);
  expect([0, 1, 3].map((ago) => sayWeek(ago, '9 February'))).toEqual(['This week', 'Last week', 'Week of 9 February']);
});

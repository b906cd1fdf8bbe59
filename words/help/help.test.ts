import { STATIONS } from '@jade/core/stations';
import { HELP, HELPED_VIEWS } from './index.ts';

test('every station and every view has help that says what is done there, no mark twice', () => {
  for (const view of [...STATIONS, ...HELPED_VIEWS]) {
    const { how, marks } = HELP[view];
    expect([view, how.length]).toEqual([view, 2]);
    for (const text of [...how, ...marks.map(({ says }) => `${says}.`)]) expect(text).toMatch(/^.{5,270}\.$/);
    expect(new Set(marks.map(({ sign }) => sign)).size).toBe(marks.length);
  }
});

test('every station that has a drawing with marks says what they mean', () => {
  expect(STATIONS.filter((station) => HELP[station].marks.length === 0)).toEqual([]);
});

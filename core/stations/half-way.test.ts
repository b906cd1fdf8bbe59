import type { LoggedEvent, School } from '../events/index.ts';
import { Robot } from './test/robot.ts';
import { said } from './test/said.ts';
import { SMALL } from './test/small-van.ts';

/** Every so many events another takes over; every single one where all is asked for. */
const EVERY = process.env.JADE_ROBOT === 'all' ? 1 : 9;

test.each<[1 | 2, string]>([
  [1, 'there'],
  [2, 'there'],
  [2, 'none'],
])('where one side cannot be proved alone, or two work side by side, the order is the other one: %i, guard %s', (people, guard) => {
  const [one, other] = (['least set-up', 'prove one side first'] as const).map((school) => {
    const robot = new Robot(SMALL, { school, people, facts: { guard } });
    expect(robot.work()).toBeUndefined();
    return robot.log.flatMap(said);
  });
  expect(other).toEqual(one);
});

test.each<[School, 1 | 2, string]>([
  ['least set-up', 2, 'there'],
  ['prove one side first', 1, 'none'],
])('the small van, %s, %i, guard %s: another goes on from half-way states', (school, people, guard) => {
  const robot = new Robot(SMALL, { school, people, facts: { guard } });
  expect(robot.work()).toBeUndefined();
  for (let count = 2; count < robot.log.length; count += EVERY) {
    const other = robot.takeOver(count);
    expect([count, other.work(), other.vehicle.faults()]).toEqual([count, undefined, []]);
    // What was done as planned is no reason to do the rest in another order; the word of a supply is missing where only half of an act is there.
    const lines = (log: readonly LoggedEvent[]) => log.flatMap(said).filter((line) => line !== 'live' && line !== 'dead');
    expect([count, lines(other.log)]).toEqual([count, lines(robot.log)]);
  }
});

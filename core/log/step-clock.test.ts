import { openedLog, type TestLog } from '../job/test/log.ts';
import { foldJob, minutesOfStep } from './index.ts';
import type { EventType, LoggedEvent, Payloads } from '../events/index.ts';

const clock = (time: string) => `2026-03-05T${time}Z`;
function at<T extends EventType>(log: TestLog, time: string, type: T, payload: Payloads[T]): string {
  const id = log.add(type, payload);
  Object.assign(log.events.at(-1) as LoggedEvent, { at: clock(time) });
  return id;
}
const begun = () => {
  const log = openedLog();
  at(log, '09:00:00', 'piece.wanted', { piece: 'grille', level: 'off' });
  return log;
};
const minutes = (log: TestLog, time: string) => minutesOfStep(log.state, clock(time));

test('a step takes from what was recorded before it, to the tenth; nothing where no time passed or nothing was recorded', () => {
  const log = begun();
  expect([minutes(log, '09:04:20'), minutes(log, '09:00:02'), minutes(log, '08:59:00')]).toEqual([4.3, undefined, undefined]);
  expect(minutesOfStep(foldJob([]), clock('09:00:00'))).toBeUndefined();
});

test('pauses are no part of it, however many; one that goes on ends it where it began', () => {
  const log = begun();
  at(log, '09:02:00', 'work.paused', {});
  expect([minutes(log, '09:30:00'), log.state.pause?.by, log.state.pause?.at]).toEqual([2, 'fern', clock('09:02:00')]);
  // Said once more by another device, it began when it began.
  at(log, '09:05:00', 'work.paused', {});
  at(log, '09:32:00', 'work.resumed', {});
  expect([minutes(log, '09:35:00'), log.state.pause]).toEqual([5, undefined]);
  at(log, '09:36:00', 'work.paused', {});
  at(log, '09:37:00', 'work.resumed', {});
  // A clock that runs behind makes no time.
  at(log, '09:39:00', 'work.paused', {});
  at(log, '09:38:00', 'work.resumed', {});
  at(log, '09:40:00', 'work.resumed', {});
  expect(minutes(log, '09:41:00')).toBe(10);
  at(log, '09:41:00', 'piece.wanted', { piece: 'old-lamp', level: 'off' });
  expect(minutes(log, '09:42:30')).toBe(1.5);
});

test('what is written or photographed in a pause leaves it be; whoever records work is back, and the next step begins there', () => {
  const log = begun();
  at(log, '09:03:00', 'work.paused', {});
  at(log, '09:10:00', 'note.written', { station: 'open-up', note: 'the clip is hidden' });
  expect([minutes(log, '09:20:00'), log.state.pause?.at]).toEqual([3, clock('09:03:00')]);
  at(log, '09:21:00', 'damage.noted', { place: 'grille', note: 'a crack' });
  expect([minutes(log, '09:23:00'), log.state.pause]).toEqual([2, undefined]);
  // Outside of one, a note is something recorded like all else.
  at(log, '09:24:00', 'note.written', { station: 'open-up', note: 'two of them' });
  expect(minutes(log, '09:25:00')).toBe(1);
});

test('a pause that is taken back was none, and what is taken back began nothing', () => {
  const log = begun();
  const pause = at(log, '09:02:00', 'work.paused', {});
  at(log, '09:03:00', 'undone', { event: pause });
  expect([minutes(log, '09:04:00'), log.state.pause]).toEqual([4, undefined]);
  const wrong = at(log, '09:05:00', 'damage.noted', { place: 'grille', note: 'a crack' });
  at(log, '09:06:00', 'undone', { event: wrong });
  expect(minutes(log, '09:07:00')).toBe(7);
});

test('a pause after a job was signed changes nothing of what was signed for', () => {
  const log = begun();
  at(log, '09:02:00', 'job.signed', { atSeq: 2 });
  at(log, '09:03:00', 'work.paused', {});
  at(log, '09:04:00', 'work.resumed', {});
  expect(log.state.questions).toEqual([]);
});

import { openedLog, contextOf, RULES, type TestLog } from '../job/test/log.ts';
import { barePiece, bareProfile } from '../test/bare-profile.ts';
import { stepTimes } from './index.ts';
import type { EventType, LoggedEvent, Payloads } from '../events/index.ts';
import type { JobContext } from '../job/index.ts';

/** Adds an event at a clock time of one day, by a person. */
function at<T extends EventType>(log: TestLog, clock: string, type: T, payload: Payloads[T], person = 'fern'): string {
  const id = log.add(type, payload);
  Object.assign(log.events.at(-1) as LoggedEvent, { at: `2026-03-05T${clock}:00Z`, person });
  return id;
}
const bolts = (count = 2) => [{ group: 'bolts', count }];
const off = (piece: string, fasteners = piece === 'grille' ? bolts() : []) => ({ piece, level: 'off' as const, way: 'w', fasteners });
const back = (piece: string, fasteners = piece === 'grille' ? bolts() : []) => ({ piece, level: 'fitted' as const, fasteners });
/** A grille of 4 min off and 3 min back, a lamp of 1 and 1, both in the middle at the front. */
function timesOf(log: TestLog, change: Partial<JobContext> = {}): Record<string, string> {
  const context = { ...contextOf(log), ...change };
  const pieces = context.profile.pieces.map((piece) =>
    piece.id === 'grille' ? { ...piece, levels: piece.levels.map((level) => ({ ...level, openMin: 4, closeMin: 3 })) } : piece,
  );
  return Object.fromEntries(stepTimes({ ...context, profile: { ...context.profile, pieces } }, log.events).map(({ step, minutes }) => [step, minutes.toFixed(1)]));
}

test('a step took from the tick before it to its own, less the set-up between them', () => {
  const log = openedLog();
  at(log, '09:00', 'piece.moved', off('grille'));
  at(log, '09:02', 'piece.moved', off('old-lamp'));
  at(log, '09:30', 'test.tried', { kit: 'test-kit', test: 'lights', passed: true });
  at(log, '09:31', 'piece.moved', back('old-lamp'));
  at(log, '09:35', 'piece.moved', back('grille'));
  // The first has no beginning. Putting the grille back fetches the 10 mm hex: 4 min less 0.2.
  expect(timesOf(log)).toEqual({ 'old-lamp/fitted>off/w': '2.0', 'old-lamp/off>fitted': '1.0', 'grille/off>fitted': '3.8' });
});

test('unplugging a sensor and choosing a way take no time of the step; other work in between does, and the step is left out', () => {
  const log = openedLog();
  at(log, '09:00', 'step.passed', { kit: 'test-kit', step: 'screw', pass: 'start' });
  at(log, '09:04', 'sensor.unplugged', { sensor: 'radar' });
  at(log, '09:04', 'order.chosen', { school: 'least set-up', people: 1 });
  at(log, '09:05', 'piece.moved', off('grille'));
  at(log, '09:06', 'damage.noted', { place: 'grille', note: 'a crack' });
  at(log, '09:07', 'piece.moved', off('old-lamp'));
  expect(timesOf(log)).toEqual({ 'grille/fitted>off/w': '4.8' });
});

test('each person’s times run by themselves', () => {
  const log = openedLog();
  at(log, '09:00', 'test.tried', { kit: 'test-kit', test: 'lights', passed: false });
  at(log, '09:03', 'test.tried', { kit: 'test-kit', test: 'lights', passed: true }, 'copper');
  at(log, '09:05', 'piece.moved', off('grille'));
  at(log, '09:06', 'piece.moved', off('old-lamp'), 'copper');
  expect(timesOf(log)).toEqual({ 'grille/fitted>off/w': '4.8', 'old-lamp/fitted>off/w': '3.0' });
});

test('a pause is no time of the step it lies in; of who goes on without a word of it nobody knows how long it was', () => {
  const log = openedLog();
  at(log, '09:00', 'test.tried', { kit: 'test-kit', test: 'lights', passed: false });
  at(log, '09:00', 'test.tried', { kit: 'test-kit', test: 'lights', passed: true }, 'copper');
  at(log, '09:02', 'work.paused', {});
  // Copper works on, and says when the other one does.
  at(log, '09:01', 'piece.moved', off('old-lamp'), 'copper');
  at(log, '09:40', 'work.resumed', {}, 'copper');
  at(log, '09:41', 'work.paused', {});
  at(log, '09:44', 'work.paused', {});
  at(log, '09:51', 'work.resumed', {});
  at(log, '09:54', 'piece.moved', off('grille'));
  // Two minutes, one, three; the tool costs 0.2.
  expect(timesOf(log)).toEqual({ 'old-lamp/fitted>off/w': '1.0', 'grille/fitted>off/w': '5.8' });
  at(log, '09:55', 'work.paused', {});
  at(log, '09:59', 'piece.moved', back('grille'));
  at(log, '10:00', 'piece.moved', back('old-lamp'));
  expect(timesOf(log)).toEqual({ 'old-lamp/fitted>off/w': '1.0', 'grille/fitted>off/w': '5.8', 'old-lamp/off>fitted': '1.0' });
});

test('steps ticked together, a step over a pause, one taken back, and one with a broken bolt are left out', () => {
  const log = openedLog();
  at(log, '09:00', 'piece.moved', off('grille'));
  at(log, '09:00', 'piece.moved', off('old-lamp'));
  // Four spreads of one minute end at exp(1.4) = 4.06 min.
  at(log, '09:05', 'piece.moved', back('old-lamp'));
  expect(timesOf(log)).toEqual({});
  at(log, '09:06', 'piece.moved', off('old-lamp'));
  const wrong = at(log, '09:08', 'piece.moved', back('old-lamp'));
  at(log, '09:08', 'undone', { event: wrong });
  at(log, '09:12', 'piece.moved', back('grille'));
  expect(timesOf(log)).toEqual({ 'old-lamp/fitted>off/w': '1.0', 'grille/off>fitted': '5.8' });
  at(log, '09:13', 'fastener.broken', { piece: 'grille', group: 'bolts', count: 1 });
  expect(timesOf(log)).toEqual({ 'old-lamp/fitted>off/w': '1.0' });
});

test('the set-up is that of the job’s rules', () => {
  const log = openedLog();
  at(log, '09:00', 'test.tried', { kit: 'test-kit', test: 'lights', passed: true });
  at(log, '09:05', 'piece.moved', off('grille'));
  expect(timesOf(log, { rules: { ...RULES, sequence: { ...RULES.sequence, toolMin: 1 } } })).toEqual({ 'grille/fitted>off/w': '4.0' });
});

test.each<[EventType, object]>([
  ['step.passed', { kit: 'test-kit', step: 'screw', pass: 'start' }],
  ['plug.joined', { kit: 'test-kit', connection: 'joint' }],
  ['test.tried', { kit: 'test-kit', test: 'lights', passed: true }],
  ['sensor.calibrated', { sensor: 'radar', how: 'done here', note: 'x' }],
  ['piece.moved', { piece: 'other', level: 'off', way: 'w', fasteners: [] }],
])('a step begins where %s was ticked', (type, payload) => {
  const log = openedLog();
  at(log, '09:00', type, payload as never);
  at(log, '09:04', 'piece.moved', off('grille'));
  const times = timesOf(log);
  expect(Object.keys(times)).toEqual(type === 'piece.moved' ? [] : ['grille/fitted>off/w']);
});

test.each<[EventType, object]>([
  ['sensor.reconnected', { sensor: 'radar' }],
  ['way.chosen', { place: 'grille', way: 'w' }],
])('%s in between takes no time of the step', (type, payload) => {
  const log = openedLog();
  at(log, '09:00', 'step.passed', { kit: 'test-kit', step: 'screw', pass: 'start' });
  at(log, '09:02', type, payload as never);
  at(log, '09:05', 'piece.moved', off('grille'));
  expect(timesOf(log)).toEqual({ 'grille/fitted>off/w': '4.8' });
});

test.each<[EventType, object]>([
  ['fastener.seized', { piece: 'grille', group: 'bolts', count: 1, addMin: 6 }],
  ['fastener.dropped', { piece: 'grille', group: 'bolts', count: 1 }],
])('after %s the time of that piece is not taken', (type, payload) => {
  const log = openedLog();
  at(log, '09:00', 'step.passed', { kit: 'test-kit', step: 'screw', pass: 'start' });
  at(log, '09:05', 'piece.moved', off('grille'));
  at(log, '09:06', 'piece.moved', off('old-lamp'));
  at(log, '09:07', type, payload as never);
  expect(timesOf(log)).toEqual({ 'old-lamp/fitted>off/w': '1.0' });
});

test('the set-up of a step is that of its level: people called, the vehicle turned, tools, by the way it went', () => {
  const way = (id: string, turned?: string) => ({ id, needs: [], extraMin: 0, ...(turned ? { position: { kind: 'wheels', place: turned } } : {}) });
  const liner = barePiece('liner', {
    levels: [
      { level: 'loosened', openMin: 4, closeMin: 4, people: 1, ways: [way('w')] },
      { level: 'off', openMin: 8, closeMin: 8, people: 2, ways: [way('w'), way('arch', 'left')] },
    ],
  });
  const profile = bareProfile({ pieces: [liner, barePiece('skin')] });
  const timed = (...moves: [string, 'loosened' | 'off' | 'fitted', string?][]) => {
    const log = openedLog();
    at(log, '09:00', 'test.tried', { kit: 'test-kit', test: 'lights', passed: true });
    moves.forEach(([piece, level, by], index) =>
      at(log, `09:${String(6 * (index + 1)).padStart(2, '0')}`, 'piece.moved', { piece, level, ...(by ? { way: by } : {}), fasteners: [] }),
    );
    return stepTimes({ ...contextOf(log), profile }, log.events).map(({ step, minutes }) => [step, minutes.toFixed(1)]);
  };
  // Each took 6 min: less 1 for a second pair of hands, less 0.5 for the wheels; the way back of a level as its opening.
  expect(timed(['liner', 'loosened', 'w'])).toEqual([['liner/fitted>loosened/w', '6.0']]);
  expect(timed(['liner', 'off', 'w'])).toEqual([['liner/fitted>off/w', '5.0']]);
  expect(timed(['liner', 'off', 'arch'])).toEqual([['liner/fitted>off/arch', '4.5']]);
  expect(timed(['liner', 'off', 'w'], ['liner', 'loosened'])).toEqual([
    ['liner/fitted>off/w', '5.0'],
    ['liner/off>loosened', '6.0'],
  ]);
});

test('a position that is said by itself is where the next step begins, and it is not counted anew; one that a move took is part of its set-up', () => {
  const raised = { kind: 'raised', place: 'front' };
  const tray = barePiece('tray', { levels: [{ level: 'off', openMin: 4, closeMin: 4, people: 1, ways: [{ id: 'w', needs: [], extraMin: 0, position: raised }] }] });
  const profile = bareProfile({ pieces: [tray, barePiece('skin'), { ...tray, id: 'second' }] });
  const timed = (fill: (log: TestLog) => void) => {
    const log = openedLog();
    at(log, '09:00', 'test.tried', { kit: 'test-kit', test: 'lights', passed: true });
    fill(log);
    return stepTimes({ ...contextOf(log), profile }, log.events).map(({ step, minutes }) => [step, minutes.toFixed(1)]);
  };
  const move = (log: TestLog, clock: string) => at(log, clock, 'piece.moved', { piece: 'tray', level: 'off', way: 'w', fasteners: [] });
  // Said at 09:05 by itself: five minutes of raising are none of the step.
  expect(
    timed((log) => {
      at(log, '09:05', 'position.set', raised);
      move(log, '09:08');
    }),
  ).toEqual([['tray/fitted>off/w', '3.0']]);
  // Taken with the move: half a minute of its six is the raising.
  const together = timed((log) => {
    at(log, '09:06', 'position.set', raised);
    Object.assign(log.events.at(-1) as object, { act: 'a' });
    move(log, '09:06');
    Object.assign(log.events.at(-1) as object, { act: 'a' });
  });
  expect(together).toEqual([['tray/fitted>off/w', '5.5']]);
  // It stands so since the step before: nothing is raised for it, also where another step lay between.
  expect(
    timed((log) => {
      move(log, '09:06');
      at(log, '09:09', 'piece.moved', off('skin'));
      at(log, '09:12', 'piece.moved', { piece: 'second', level: 'off', way: 'w', fasteners: [] });
    }).at(-1),
  ).toEqual(['second/fitted>off/w', '3.0']);
  // Let down again meanwhile: raised anew for the way back, which goes by no way and asks for nothing.
  expect(
    timed((log) => {
      at(log, '09:02', 'position.set', raised);
      at(log, '09:03', 'position.set', { kind: 'raised' });
      move(log, '09:06');
    }),
  ).toEqual([['tray/fitted>off/w', '2.5']]);
});

test('an accessory, a piece that is not in the profile, and a time at the very bound of what is likely are left out', () => {
  const log = openedLog();
  at(log, '09:00', 'test.tried', { kit: 'test-kit', test: 'lights', passed: true });
  at(log, '09:02', 'piece.moved', off('winch'));
  at(log, '09:03', 'piece.moved', off('old-lamp'));
  // The winch was ticked too: the lamp's step begins nowhere that is known.
  expect(timesOf(log)).toEqual({});
});

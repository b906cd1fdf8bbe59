import fc from 'fast-check';
import { factValues, foldJob, outstanding, pinsOf } from './index.ts';
import { openedLog, TestLog } from './test/log.ts';

test('an empty log is a job nothing happened to', () => {
  expect(foldJob([])).toMatchObject({ lastSeq: 0, eventCount: 0, moves: [], questions: [] });
});

test('opening pins the documents; newer ones taken over replace the pins and name what was lost', () => {
  const log = openedLog();
  expect(pinsOf(log.state)).toEqual({ profile: { slug: 'test-van', version: 1 }, kits: [{ slug: 'test-kit', version: 1 }], rules: { slug: 'r', version: 1 } });
  log.add('job.repinned', {
    profile: { slug: 'test-van', version: 2 },
    kits: [{ slug: 'test-kit', version: 1 }],
    rules: { slug: 'r', version: 1 },
    lost: ['test-van pieces foam'],
  });
  expect(pinsOf(log.state)?.profile.version).toBe(2);
  expect(log.state.lost).toEqual(['test-van pieces foam']);
  expect(log.state.opened?.vehicle).toBe('v');
});

test('the last word on a fact counts, and an unknown one is no value', () => {
  const log = openedLog();
  log.add('fact.recorded', { fact: 'trim', certainty: 'assumed', value: 'plain' });
  expect(factValues(log.state)).toEqual({ trim: 'plain' });
  log.add('fact.recorded', { fact: 'trim', certainty: 'known', value: 'guard' });
  expect(factValues(log.state)).toEqual({ trim: 'guard' });
  log.add('fact.recorded', { fact: 'trim', certainty: 'unknown' });
  expect(factValues(log.state)).toEqual({});
});

test('fasteners out, back, broken: the tray counts what is left', () => {
  const log = openedLog();
  const tally = () => log.state.tray.skin?.bolts ?? { out: 0, back: 0, broken: 0, dropped: 0 };
  log.add('piece.moved', { piece: 'skin', level: 'off', way: 'front', fasteners: [{ group: 'bolts', count: 4 }] });
  expect(outstanding(tally())).toBe(4);
  log.add('fastener.broken', { piece: 'skin', group: 'bolts', count: 1 });
  expect(outstanding(tally())).toBe(3);
  log.add('piece.moved', { piece: 'skin', level: 'fitted', fasteners: [{ group: 'bolts', count: 2 }] });
  expect([outstanding(tally()), tally()]).toEqual([1, { out: 4, back: 2, broken: 1, dropped: 0 }]);
});

test('more back than out is a question, not a refusal', () => {
  const log = openedLog();
  log.add('piece.moved', { piece: 'skin', level: 'off', fasteners: [{ group: 'bolts', count: 2 }] });
  const id = log.add('piece.moved', { piece: 'skin', level: 'fitted', fasteners: [{ group: 'bolts', count: 3 }] });
  expect(log.state.questions).toEqual([{ code: 'more-back-than-out', event: id, piece: 'skin', group: 'bolts' }]);
});

test('dropped hardware stays open until it is found, and never below nothing', () => {
  const log = openedLog();
  log.add('fastener.dropped', { piece: 'skin', group: 'bolts', count: 2 });
  log.add('fastener.found', { piece: 'skin', group: 'bolts', count: 1 });
  expect(log.state.tray.skin?.bolts?.dropped).toBe(1);
  log.add('fastener.found', { piece: 'skin', group: 'bolts', count: 5 });
  expect(log.state.tray.skin?.bolts?.dropped).toBe(0);
});

test('opening moves are remembered with their ways, and forgotten stage by stage on the way back', () => {
  const log = openedLog();
  log.add('piece.moved', { piece: 'liner', level: 'loosened', way: 'by-hand', fasteners: [] });
  log.add('piece.moved', { piece: 'liner', level: 'off', way: 'after-skin', fasteners: [] });
  expect(log.state.moves.map(({ piece, from, level, way }) => [piece, from, level, way])).toEqual([
    ['liner', 'fitted', 'loosened', 'by-hand'],
    ['liner', 'loosened', 'off', 'after-skin'],
  ]);
  log.add('piece.moved', { piece: 'liner', level: 'loosened', fasteners: [] });
  expect(log.state.moves.map((move) => move.level)).toEqual(['loosened']);
  expect([log.state.pieces.liner, log.state.reached.liner]).toEqual(['loosened', 'off']);
});

test('one undo takes one event back, an undone undo brings it again', () => {
  const log = openedLog();
  const first = log.add('battery.measured', { restV: 12.1 });
  const second = log.add('battery.measured', { restV: 12.6 });
  const undo = log.add('undone', { event: second });
  expect(log.state.restV).toBe(12.1);
  log.add('undone', { event: undo });
  expect(log.state.restV).toBe(12.6);
  log.add('undone', { event: first });
  expect(log.state.restV).toBe(12.6);
});

test('an undone reading leaves those of other states', () => {
  const log = openedLog();
  log.add('reading.taken', { plug: 'p', pin: '2', state: 'front fog', lowV: 12, highV: 12 });
  const off = log.add('reading.taken', { plug: 'p', pin: '2', state: 'key off', lowV: 0, highV: 0 });
  log.add('reading.taken', { plug: 'p', pin: '2', state: 'front fog', lowV: 11.9, highV: 11.9 });
  expect(log.state.readings['p/2']?.map((reading) => [reading.state, reading.highV])).toEqual([
    ['key off', 0],
    ['front fog', 11.9],
  ]);
  log.add('undone', { event: off });
  expect(log.state.readings['p/2']?.map((reading) => reading.state)).toEqual(['front fog']);
});

test('after signing, late events count and are flagged until the job is reopened', () => {
  const log = openedLog();
  log.add('job.signed', { atSeq: 1 });
  const late = log.add('battery.measured', { restV: 12.6 });
  expect(log.state).toMatchObject({ restV: 12.6, signed: { atSeq: 1, by: 'fern' }, questions: [{ code: 'late-event', event: late }] });
  log.add('job.reopened', { why: 'lamp came loose' });
  log.add('battery.measured', { restV: 12.4 });
  expect(log.state.signed).toBeUndefined();
  expect(log.state.questions).toHaveLength(1);
});

test('what comes before the opening, and a second opening, become questions', () => {
  const log = new TestLog();
  const early = log.add('battery.measured', { restV: 12 });
  const open = openedLog();
  const again = open.add('job.opened', { vehicle: 'other', profile: { slug: 'x', version: 1 }, kits: [], rules: { slug: 'r', version: 1 } });
  expect(log.state.questions).toEqual([{ code: 'event-before-opening', event: early }]);
  expect(open.state.questions).toEqual([{ code: 'second-opening', event: again }]);
  expect(open.state.opened?.vehicle).toBe('v');
});

test('ids that are words of the language do no harm', () => {
  const log = openedLog();
  log.add('content.counted', { kit: 'constructor', item: 'constructor', count: 3 });
  log.add('piece.moved', { piece: 'valueof', level: 'off', fasteners: [{ group: 'constructor', count: 2 }] });
  expect(log.state.counts.constructor?.constructor).toBe(3);
  expect(log.state.tray.valueof?.constructor).toMatchObject({ out: 2 });
});

test('tests, passes, sensors, aim and exceptions keep their last word', () => {
  const log = openedLog();
  log.add('test.tried', { kit: 'k', test: 't', passed: true });
  log.add('test.tried', { kit: 'k', test: 't', passed: false });
  log.add('step.passed', { kit: 'k', step: 's', pass: 'start' });
  log.add('step.passed', { kit: 'k', step: 's', pass: 'start' });
  log.add('sensor.unplugged', { sensor: 'radar' });
  log.add('sensor.unplugged', { sensor: 'radar' });
  log.add('sensor.reconnected', { sensor: 'radar' });
  log.add('aim.by-others', { lamp: 'k/l', by: 'quay' });
  log.add('aim.measured', { lamp: 'k/l', moment: 'after', heightMm: 210, referenceMm: 374 });
  log.add('exception.named', { about: 'number', note: 'plate missing' });
  expect(log.state).toMatchObject({
    tests: { k: { t: false } },
    passes: { k: { s: ['start'] } },
    unplugged: [],
    aimByOthers: {},
    aims: { 'k/l': { after: { heightMm: 210 } } },
    exceptions: { number: 'plate missing' },
  });
});

test('a reading before the work leaves aim by others as it is, one after it takes its place', () => {
  const log = openedLog();
  log.add('aim.by-others', { lamp: 'k/l', by: 'quay' });
  log.add('aim.measured', { lamp: 'k/l', moment: 'before', heightMm: 240, referenceMm: 374 });
  expect(log.state.aimByOthers).toEqual({ 'k/l': 'quay' });
  log.add('aim.measured', { lamp: 'k/l', moment: 'after', heightMm: 210, referenceMm: 374 });
  expect(log.state.aimByOthers).toEqual({});
});

test('folding is the same whether events are known to the server or not, and never changes its input', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.constantFrom('a', 'b'), fc.constantFrom('off' as const, 'fitted' as const, 'loosened' as const), fc.integer({ min: 0, max: 4 })), { maxLength: 20 }),
      (moves) => {
        const log = openedLog();
        for (const [piece, level, count] of moves) log.add('piece.moved', { piece, level, fasteners: [{ group: 'g', count }] });
        const before = JSON.stringify(log.events);
        const { lastSeq: _, ...known } = log.state;
        const { lastSeq: __, ...unsent } = foldJob(log.events.map(({ seq: ___, ...event }) => event));
        return JSON.stringify(known) === JSON.stringify(unsent) && JSON.stringify(log.events) === before;
      },
    ),
    { numRuns: 100, seed: 4 },
  );
});

import fc from 'fast-check';
import { factValues, outstanding, wanting, type GroupTally, pinsOf, type EventType, type LoggedEvent } from '../events/index.ts';
import { foldJob, lastEvents, standingEvents } from './index.ts';
import { openedLog, TestLog } from '../job/test/log.ts';

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
  const tally = () => log.state.tray.skin?.bolts ?? { out: 0, back: 0, broken: 0, dropped: 0, renewed: 0, spent: 0 };
  log.add('piece.moved', { piece: 'skin', level: 'off', way: 'front', fasteners: [{ group: 'bolts', count: 4 }] });
  expect(outstanding(tally())).toBe(4);
  log.add('fastener.broken', { piece: 'skin', group: 'bolts', count: 1 });
  expect(outstanding(tally())).toBe(3);
  log.add('piece.moved', { piece: 'skin', level: 'fitted', fasteners: [{ group: 'bolts', count: 2 }] });
  expect([outstanding(tally()), tally()]).toEqual([1, { out: 4, back: 2, broken: 1, dropped: 0, renewed: 0, spent: 0 }]);
  expect(wanting(tally())).toBe(1);
});

test('a new fastener fills the place of a broken one first; beyond that a whole old one is put aside', () => {
  const log = openedLog();
  const tally = () => log.state.tray.skin?.bolts;
  log.add('piece.moved', { piece: 'skin', level: 'off', way: 'front', fasteners: [{ group: 'bolts', count: 6 }] });
  log.add('fastener.broken', { piece: 'skin', group: 'bolts', count: 2 });
  log.add('piece.moved', { piece: 'skin', level: 'fitted', fasteners: [{ group: 'bolts', count: 3 }] });
  const three = log.add('fastener.renewed', { piece: 'skin', group: 'bolts', count: 3 });
  expect(tally()).toEqual({ out: 6, back: 3, broken: 2, dropped: 0, renewed: 3, spent: 1 });
  expect([outstanding(tally() as GroupTally), wanting(tally() as GroupTally), log.state.questions]).toEqual([0, 0, []]);
  // Opened again all six lie in the tray, whatever was renewed.
  log.add('piece.moved', { piece: 'skin', level: 'off', way: 'front', fasteners: [{ group: 'bolts', count: 6 }] });
  expect([outstanding(tally() as GroupTally), wanting(tally() as GroupTally)]).toEqual([6, 0]);
  // One that breaks now leaves its own place empty: what was renewed before fills others.
  const late = log.add('fastener.broken', { piece: 'skin', group: 'bolts', count: 1 });
  expect([outstanding(tally() as GroupTally), wanting(tally() as GroupTally)]).toEqual([5, 1]);
  log.add('undone', { event: late });
  const more = log.add('fastener.renewed', { piece: 'skin', group: 'bolts', count: 7 });
  expect(log.state.questions).toEqual([{ code: 'more-back-than-out', event: more, piece: 'skin', group: 'bolts' }]);
  log.add('undone', { event: more });
  log.add('undone', { event: three });
  expect([outstanding(tally() as GroupTally), wanting(tally() as GroupTally)]).toEqual([7, 2]);
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
    ['front fog', 12],
    ['key off', 0],
    ['front fog', 11.9],
  ]);
  log.add('undone', { event: off });
  expect(log.state.readings['p/2']?.map((reading) => reading.state)).toEqual(['front fog', 'front fog']);
});

test('after signing, late events count and are flagged until the job is reopened', () => {
  const log = openedLog();
  log.add('job.signed', { atSeq: 1 });
  const late = log.add('battery.measured', { restV: 12.6 });
  expect(log.state).toMatchObject({ restV: 12.6, signed: { atSeq: 1, by: 'fern' }, questions: [{ code: 'late-event', event: late }] });
  log.add('customer.signed', { strokes: [{ points: [1, 2, 3, 4] }] });
  expect(log.state.signature).toHaveLength(1);
  log.add('job.reopened', { why: 'lamp came loose' });
  log.add('battery.measured', { restV: 12.4 });
  // What came late is in the job again, and whoever signed for it before has not signed for what comes now.
  expect(log.state).toMatchObject({ signed: undefined, restV: 12.4, questions: [] });
  expect(log.state.signature).toBeUndefined();
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

/** What each event leaves behind in the job. */
test.each<[EventType, object, object]>([
  ['job.assigned', { person: 'copper' }, { assigned: 'copper' }],
  ['number.recorded', { number: 'X1' }, { number: 'X1' }],
  ['baseline.tried', { lamp: 'dipped', result: 'dim' }, { baseline: { dipped: 'dim' } }],
  ['battery.measured', { restV: 12.4 }, { restV: 12.4 }],
  ['code.recorded', { code: 'B1', moment: 'after', note: 'x' }, { codes: { before: [], after: [{ code: 'B1', note: 'x' }] } }],
  ['codes.read', { moment: 'before', count: 3 }, { codesRead: { before: 3 } }],
  ['warnings.read', { moment: 'after', lit: ['airbag'], why: 'owner knows' }, { warnings: { after: ['airbag'] }, measureWhy: { 'warnings/after': 'owner knows' } }],
  [
    'lens.graded',
    { lamp: 'dipped', moment: 'before', grade: 'heavy haze', why: 'old' },
    { lenses: { before: { dipped: 'heavy haze' }, after: {} }, measureWhy: { 'lens/dipped/before': 'old' } },
  ],
  ['gap.measured', { gap: 'wing', moment: 'after', widthMm: 4.5 }, { gaps: { before: {}, after: { wing: 4.5 } } }],
  ['damage.noted', { place: 'door', note: 'dent' }, { damage: [{ event: '00000000-0000-7000-8000-000000000002', place: 'door', note: 'dent' }] }],
  ['option.chosen', { kit: 'k', option: 'lens', choice: 'amber' }, { options: { k: { lens: 'amber' } } }],
  ['match.confirmed', { kit: 'k' }, { confirmed: ['k'] }],
  ['content.counted', { kit: 'k', item: 'bolt', count: 5 }, { counts: { k: { bolt: 5 } } }],
  ['bench.done', { kit: 'k', task: 'light' }, { benchDone: { k: ['light'] } }],
  ['setting.restored', { supply: 'low', setting: 'Clock' }, { settings: { low: ['Clock'] } }],
  ['order.chosen', { school: 'least set-up', people: 2 }, { order: { school: 'least set-up', people: 2 } }],
  ['opening.left', { why: 'agreed' }, { left: 'agreed' }],
  ['plug.joined', { kit: 'k', connection: 'c' }, { joined: { k: ['c'] } }],
  ['load.accepted', { kit: 'k', circuit: 'fog' }, { loadsAccepted: { fog: {} } }],
  ['load.accepted', { kit: 'k', circuit: 'fog', afterA: 3.5 }, { loadsAccepted: { fog: { afterA: 3.5 } } }],
  ['reference.checked', { groundV: 0.03, feedV: 12.5 }, { reference: { groundV: 0.03, feedV: 12.5 } }],
  ['sensor.moved', { sensor: 'radar', yawDeg: 1, pitchDeg: 0 }, { sensorMoves: { radar: { yawDeg: 1, pitchDeg: 0 } } }],
  ['sensor.calibrated', { sensor: 'radar', how: 'by others', note: 'quay' }, { calibrated: { radar: { how: 'by others', note: 'quay' } } }],
  ['wall.set', { rule: 'fog', distanceMm: 7000 }, { wall: { rule: 'fog', distanceMm: 7000 } }],
  ['aim.prepared', { tyres: true, load: false, levelling: true }, { aimPrepared: { tyres: true, load: false, levelling: true } }],
  ['aim.measured', { lamp: 'k/l', moment: 'before', heightMm: 200, referenceMm: 370 }, { aims: { 'k/l': { before: { heightMm: 200, referenceMm: 370 } } } }],
  ['aim.referenced', { lamp: 'k/l', referenceMm: 366 }, { references: { 'k/l': 366 } }],
  ['aim.by-others', { lamp: 'k/l', by: 'quay' }, { aimByOthers: { 'k/l': 'quay' } }],
  ['final.tried', { lamp: 'dipped', result: 'works' }, { final: { dipped: 'works' } }],
  ['part.bagged', { piece: 'blank', where: 'shelf' }, { bagged: { blank: 'shelf' } }],
  ['supply.set', { supply: 'low', is: 'dead', by: 'Slate' }, { supplies: { low: { is: 'dead', at: '2026-03-05T08:30:00Z', order: 2, by: 'Slate' } } }],
  ['way.blocked', { place: 'grille', way: 'front', why: 'bent' }, { blocked: [{ place: 'grille', way: 'front', why: 'bent' }] }],
  ['fastener.seized', { piece: 'grille', group: 'bolts', count: 1, addMin: 6 }, { seized: [{ piece: 'grille', group: 'bolts', count: 1, addMin: 6 }] }],
])('%s is kept, once where it is said twice, and gone when it is undone', (type, payload, expected) => {
  const log = openedLog();
  const event = log.add(type, payload as never);
  expect(log.state).toMatchObject(expected);
  const once = ['match.confirmed', 'bench.done', 'setting.restored', 'plug.joined', 'load.accepted', 'sensor.unplugged'];
  if (once.includes(type)) {
    log.add(type, payload as never);
    expect(log.state).toMatchObject(expected);
    log.events.pop();
  }
  log.add('undone', { event });
  expect(log.state).not.toMatchObject(expected);
  expect(log.state.questions).toEqual([]);
});

test('what is given up is taken up again, a way given back, a job signed once and reopened', () => {
  const log = openedLog();
  log.add('opening.left', { why: 'agreed' });
  log.add('opening.resumed', { why: 'parts came' });
  expect(log.state.left).toBeUndefined();
  log.add('way.chosen', { place: 'grille', level: 'off', way: 'front' });
  log.add('way.chosen', { place: 'place', way: 'arch' });
  expect(Object.values(log.state.waysChosen)).toEqual(['front', 'arch']);
  log.add('way.chosen', { place: 'grille', level: 'off' });
  expect(Object.values(log.state.waysChosen)).toEqual(['arch']);
  const first = log.add('job.signed', { atSeq: 5 });
  log.add('job.signed', { atSeq: 6 });
  expect(log.state.signed).toEqual({ event: first, at: '2026-03-05T08:30:00Z', atSeq: 5, by: 'fern' });
  expect(log.state.questions).toEqual([]);
  log.add('job.reopened', { why: 'late' } as never);
  expect(log.state.signed).toBeUndefined();
  expect(log.state.openedYear).toBe(2026);
});

test('a supply that is dead again has forgotten again; said live it has not', () => {
  const log = openedLog();
  log.add('setting.restored', { supply: 'low', setting: 'Clock' });
  log.add('supply.set', { supply: 'low', is: 'live' });
  expect([log.state.settings, log.state.supplies.low]).toEqual([{ low: ['Clock'] }, { is: 'live', at: '2026-03-05T08:30:00Z', order: 3 }]);
  log.add('supply.set', { supply: 'low', is: 'dead' });
  expect(log.state.settings).toEqual({});
});

test('a piece moved keeps how far it ever came, when it last moved, and back past a level only what led there', () => {
  const log = openedLog();
  for (const level of ['loosened', 'off'] as const) log.add('piece.moved', { piece: 'liner', level, way: level, fasteners: [] });
  log.add('piece.moved', { piece: 'skin', level: 'off', way: 'w', fasteners: [] });
  log.add('piece.moved', { piece: 'liner', level: 'folded', fasteners: [] });
  const moves = () => log.state.moves.map(({ piece, from, level, way }) => [piece, from, level, way]);
  expect(moves()).toEqual([
    ['liner', 'fitted', 'loosened', 'loosened'],
    ['liner', 'loosened', 'folded', 'off'],
    ['skin', 'fitted', 'off', 'w'],
  ]);
  expect([log.state.reached, log.state.pieces, log.state.lastMoved.liner?.order]).toEqual([{ liner: 'off', skin: 'off' }, { liner: 'folded', skin: 'off' }, 5]);
  log.add('piece.moved', { piece: 'liner', level: 'loosened', fasteners: [] });
  expect(moves()).toEqual([
    ['liner', 'fitted', 'loosened', 'loosened'],
    ['skin', 'fitted', 'off', 'w'],
  ]);
  log.add('piece.moved', { piece: 'liner', level: 'fitted', fasteners: [] });
  expect([moves(), log.state.history.length]).toEqual([[['skin', 'fitted', 'off', 'w']], 3]);
});

test('the last lines are the newest first, without those that only take another back', () => {
  const log = openedLog();
  const first = log.add('battery.measured', { restV: 12 });
  log.add('undone', { event: first });
  log.add('number.recorded', { number: 'X' });
  expect(lastEvents(log.events, 2).map((event) => event.type)).toEqual(['number.recorded', 'battery.measured']);
  expect(lastEvents(log.events, 9).map((event) => event.type)).toEqual(['number.recorded', 'battery.measured', 'job.opened']);
  expect(standingEvents(log.events).map((event) => event.type)).toEqual(['job.opened', 'undone', 'number.recorded']);
});

test('a log of before that says no choices with the kits an earlier job fitted is read all the same', () => {
  const [opened] = openedLog().events;
  if (opened?.type !== 'job.opened') throw new Error('no opening');
  const before = { ...opened, payload: { ...opened.payload, fitted: [{ slug: 'pair', version: 1 }] } } as LoggedEvent;
  expect(foldJob([before]).options).toEqual({});
});

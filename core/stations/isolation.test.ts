import { idCheck } from '../log/index.ts';
import { jobContext, suppliesNow, type JobContext } from '../job/index.ts';
import { planClosingOf, planOpening } from '../plan/index.ts';
import type { Happened, JobEvent } from '../events/index.ts';
import { openedLog, PAIR, RULES, type TestLog } from '../job/test/log.ts';
import { NEW_HERON } from '../test/new-heron.ts';
import { key } from '../subject/index.ts';
import { newKind, type Piece, type Supply, type VehicleProfile } from '../vehicle/index.ts';
import { isRefused, openUp, sense, standingOf, type Act } from './index.ts';

const { undescribed: _lists, ...HERON } = newKind(NEW_HERON);
const contextAt = (log: TestLog, profile: VehicleProfile = HERON): JobContext => jobContext(log.state, { profile, kits: [PAIR], rules: RULES, year: 2022 });
function perform(log: TestLog, act: Act): void {
  if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
  for (const { type, payload } of act.events as Happened[]) log.add(type, payload as never);
}
const refusedOf = (act: Act) => (isRefused(act) ? act.refused : []);

const came = (part: Partial<openUp.CamePiece> = {}): openUp.CamePiece => ({
  name: 'Battery negative',
  side: 'left',
  zone: 'front',
  box: { xMm: [300, 420], yMm: [350, 470], zMm: [820, 900] },
  level: 'off',
  openMin: 0.7,
  people: 1,
  fasteners: [{ drive: 'hex', size: '10 mm', count: 1, release: 'unscrew' }],
  beside: [],
  brittle: false,
  ...part,
});
const isolated = (part: Partial<openUp.Isolated> = {}): openUp.Isolated => ({
  supply: 'low',
  by: came(),
  waitMin: 4,
  before: ['Keys out of the vehicle'],
  forgets: [' Clock ', 'One-touch windows', 'Clock'],
  ...part,
});
/** What cannot be seen afterwards was looked at. */
function looked(): TestLog {
  const log = openedLog();
  log.add('codes.read', { moment: 'before', count: 0 });
  log.add('warnings.read', { moment: 'before', lit: [] });
  return log;
}

test('a battery that was taken off is described by it, dead once its wait is over, and brought back with what it forgets', () => {
  const log = looked();
  expect(openUp.isolationUnknown(contextAt(log))).toEqual(['low']);
  perform(log, openUp.pieceCame(contextAt(log), came({ name: 'Bonnet', side: 'centre', level: 'folded' }), 'bonnet-a1b2'));
  perform(log, openUp.supplyIsolated(contextAt(log), isolated(), 'battery-negative-c3d4'));
  const context = contextAt(log);
  expect(context.profile.supplies).toEqual([
    {
      id: 'low',
      name: '12 V battery',
      piece: 'battery-negative-c3d4',
      level: 'off',
      waitMin: 4,
      by: 'anyone',
      before: ['Keys out of the vehicle'],
      forgets: ['Clock', 'One-touch windows'],
    },
  ]);
  expect(context.profile.pieces[1]).toMatchObject({ id: 'battery-negative-c3d4', levels: [{ openMin: 0.7, ways: [{ needs: [{ piece: 'bonnet-a1b2', level: 'folded' }] }] }] });
  // Dead four minutes after it came off, as its maker says.
  expect(suppliesNow(context)).toMatchObject([{ is: 'dead', deadAt: '2026-03-05T08:34:00.000Z', wasDead: true, forgotten: ['Clock', 'One-touch windows'] }]);
  expect([openUp.isolationUnknown(context), refusedOf(openUp.supplyIsolated(context, isolated(), 'other-e5f6'))]).toEqual([[], [{ code: 'already' }]]);
  // The way back puts it on again before what has to be open for it.
  const closing = planClosingOf(context, planOpening(context)).steps.map((step) => (step.kind === 'piece' ? step.piece : step.kind));
  expect(closing).toEqual(['battery-negative-c3d4', 'bonnet-a1b2']);
});

test('what comes off while it is dead asks for that by itself, as does a place that is reached so; once it is live again nothing does', () => {
  const log = looked();
  perform(log, openUp.supplyIsolated(contextAt(log), isolated(), 'battery-negative-c3d4'));
  perform(log, openUp.pieceCame(contextAt(log), came({ name: 'Pillar trim', zone: 'cabin' }), 'pillar-trim-e5f6'));
  const wayOf = (id: string) => contextAt(log).profile.pieces.find((piece) => piece.id === id)?.levels[0]?.ways[0];
  expect(wayOf('pillar-trim-e5f6')).toEqual({ id: 'seen', needs: [], extraMin: 0, asks: [{ supply: 'low', is: 'dead' }] });
  expect(openUp.wayNow(contextAt(log))).toMatchObject({ needs: [{ piece: 'pillar-trim-e5f6', level: 'off' }], asks: [{ supply: 'low', is: 'dead' }] });
  // Said to be live it is, though the clamp is off: then that is only a piece that is open.
  const again = { ...contextAt(log), state: { ...log.state, supplies: { low: { is: 'live' as const, at: '2026-03-05T09:30:00Z', order: 99 } } } };
  expect(openUp.wayNow(again)).toEqual({
    id: 'seen',
    needs: [
      { piece: 'battery-negative-c3d4', level: 'off' },
      { piece: 'pillar-trim-e5f6', level: 'off' },
    ],
    extraMin: 0,
  });
  log.add('piece.moved', { piece: 'battery-negative-c3d4', level: 'fitted', fasteners: [] });
  log.add('supply.set', { supply: 'low', is: 'live' });
  expect(openUp.wayNow(contextAt(log))).toEqual({ id: 'seen', needs: [{ piece: 'pillar-trim-e5f6', level: 'off' }], extraMin: 0 });
});

test('a piece that is open already can be what isolated it', () => {
  const log = looked();
  perform(log, openUp.pieceCame(contextAt(log), came({ name: 'Battery plug', level: 'loosened' }), 'battery-plug-c3d4'));
  expect(refusedOf(openUp.supplyIsolated(contextAt(log), isolated({ by: { open: 'grille' } }), 'x'))).toEqual([{ code: 'unknown', what: 'piece', id: 'grille' }]);
  // What an owner added is none of the kind, though it is off.
  const box = {
    accessory: 'tool-box',
    name: 'Tool box',
    side: 'left' as const,
    zone: 'front' as const,
    holds: [],
    openMin: 1,
    closeMin: 1,
    people: 1,
    drive: 'hook' as const,
    count: 2,
  };
  const added = openedLog();
  for (const { type, payload } of log.events.slice(1)) added.add(type, payload as never);
  added.add('accessory.found', box);
  added.add('piece.moved', { piece: 'tool-box', level: 'off', fasteners: [] });
  expect(openUp.canHaveIsolated(contextAt(added)).map(({ id }) => id)).toEqual(['battery-plug-c3d4']);
  expect(refusedOf(openUp.supplyIsolated(contextAt(added), isolated({ by: { open: 'tool-box' } }), 'x'))).toEqual([{ code: 'unknown', what: 'piece', id: 'tool-box' }]);
  perform(log, openUp.supplyIsolated(contextAt(log), isolated({ by: { open: 'battery-plug-c3d4' }, waitMin: 0 }), 'x'));
  expect(contextAt(log).profile.supplies[0]).toMatchObject({ piece: 'battery-plug-c3d4', level: 'loosened', waitMin: 0 });
  expect([log.state.moves.length, suppliesNow(contextAt(log))[0]?.is]).toEqual([1, 'dead']);
});

test('what cannot be seen afterwards comes first, of lamps that nobody has looked through as well', () => {
  const before = (log: TestLog, profile?: VehicleProfile) => refusedOf(openUp.supplyIsolated(contextAt(log, profile), isolated(), 'x'));
  expect(before(openedLog())).toEqual([{ code: 'before-dead', what: ['codes', 'warnings'] }]);
  expect(before(looked())).toEqual([]);
  expect(before(looked(), { ...HERON, undescribed: ['functions'] })).toEqual([{ code: 'before-dead', what: ['baseline'] }]);
  const excused = looked();
  excused.add('exception.named', { about: key({ kind: 'undescribed', list: 'functions' }), note: 'no lamp of it works' });
  expect(before(excused, { ...HERON, undescribed: ['functions'] })).toEqual([]);
});

test('high voltage is isolated by qualified people alone, who say by which procedure', () => {
  const hybrid = { ...HERON, highVoltage: true };
  const log = looked();
  expect(openUp.isolationUnknown(contextAt(log, hybrid))).toEqual(['low', 'high']);
  const high = isolated({ supply: 'high', by: came({ name: 'Service plug' }), waitMin: 10 });
  expect(refusedOf(openUp.supplyIsolated(contextAt(log), high, 'x'))).toEqual([{ code: 'already' }]);
  expect(refusedOf(openUp.supplyIsolated(contextAt(log, hybrid), { ...high, who: ' ' }, 'x'))).toEqual([{ code: 'qualified-first', supply: 'high' }]);
  const act = openUp.supplyIsolated(contextAt(log, hybrid), { ...high, who: ' Slate, by the maker’s procedure ' }, 'service-plug-a1b2');
  expect(isRefused(act) ? [] : act.events.map(({ type, payload }) => [type, payload])).toMatchObject([
    ['kind.described', { supplies: [{ id: 'high', name: 'High-voltage supply', by: 'qualified people' }] }],
    ['piece.moved', { piece: 'service-plug-a1b2', level: 'off' }],
    ['supply.set', { supply: 'high', is: 'dead', by: 'Slate, by the maker’s procedure' }],
  ]);
  // Of a battery too, where it is so.
  expect(refusedOf(openUp.supplyIsolated(contextAt(log), isolated({ qualified: true }), 'x'))).toEqual([{ code: 'qualified-first', supply: 'low' }]);
});

test('bad input at an isolation is refused with what is wrong, all at once', () => {
  const refusals = (part: Partial<openUp.Isolated>, sure = false) => refusedOf(openUp.supplyIsolated(contextAt(looked()), isolated(part), 'x-a1b2', sure));
  expect(refusals({ waitMin: undefined })).toEqual([{ code: 'missing', count: 1 }]);
  expect(refusals({ waitMin: -1, by: came({ name: ' ', side: undefined }) })).toEqual([{ code: 'missing', count: 3 }]);
  expect(refusals({ forgets: ['x'.repeat(123)] })).toEqual([{ code: 'too-long', over: 3, most: 120 }]);
  expect(refusals({ before: ['x'.repeat(122)] })).toEqual([{ code: 'too-long', over: 2, most: 120 }]);
  expect(refusals({ qualified: true, who: 'x'.repeat(201) })).toEqual([{ code: 'too-long', over: 1, most: 200 }]);
  expect(refusals({ by: came({ openMin: 25 }) })).toEqual([{ code: 'doubtful', doubts: [{ code: 'long', likelyMin: 20 }] }]);
  expect(refusals({ by: came({ openMin: 25 }) }, true)).toEqual([]);
  const log = looked();
  perform(log, openUp.pieceCame(contextAt(log), came(), 'battery-negative-c3d4'));
  expect(refusedOf(openUp.supplyIsolated(contextAt(log), isolated(), 'other-e5f6'))).toEqual([{ code: 'described', piece: 'battery-negative-c3d4' }]);
});

test('how the vehicle stood is kept with the way; what is on one side alone is offered for the other', () => {
  const log = looked();
  const liner = came({ name: 'Arch liner, left', level: 'folded', stands: [{ kind: 'wheels', place: 'right' }] });
  perform(log, openUp.pieceCame(contextAt(log), liner, 'arch-liner-left-a1b2'));
  expect(contextAt(log).profile.pieces[0]?.levels[0]?.ways[0]).toEqual({ id: 'seen', needs: [], extraMin: 0, position: { kind: 'wheels', place: 'right' } });
  perform(log, openUp.pieceCame(contextAt(log), came({ name: 'Mud flap, left', stands: [{ kind: 'raised', place: 'rear' }] }), 'mud-flap-left-c3d4'));
  perform(log, openUp.pieceCame(contextAt(log), came({ name: 'Cap, left' }), 'cap-left-e5f6'));
  // What is on one side alone is offered for the other, the last first.
  expect(openUp.oneSided(contextAt(log))).toEqual(['cap-left-e5f6', 'mud-flap-left-c3d4', 'arch-liner-left-a1b2']);
  perform(log, openUp.pieceCame(contextAt(log), came({ name: 'Mud flap, right', side: 'right' }), 'mud-flap-right-a7b8'));
  expect(openUp.oneSided(contextAt(log))).toEqual(['cap-left-e5f6', 'arch-liner-left-a1b2']);
});

test('what a plan opens though it was only seen open is named; what some other way is said to need is not', () => {
  const way = (...needs: { piece: string; level: 'off' | 'loosened'; seen?: boolean }[]) => [{ id: 'w', needs, extraMin: 0 }];
  const piece = (id: string, ways: ReturnType<typeof way>): Piece => ({
    id,
    name: id,
    box: came().box,
    side: 'left',
    zone: 'front',
    fasteners: [],
    cautions: [],
    levels: [{ level: 'off', openMin: 1, closeMin: 1, people: 1, ways }],
  });
  const off = (id: string, seen = false) => ({ piece: id, level: 'off' as const, ...(seen ? { seen } : {}) });
  const profile = { ...HERON, pieces: [piece('a', way()), piece('b', way()), piece('c', way(off('a', true), off('b', true))), piece('d', way(off('b'), off('c', true)))] };
  const log = looked();
  log.add('piece.wanted', { piece: 'd', level: 'off' });
  const context = { ...contextAt(log, profile) };
  expect(openUp.onlySeen(context, planOpening(context)).sort()).toEqual(['a', 'c']);
  // Its own lower level is no piece that had to be open for it.
  const steps = [
    { level: 'loosened' as const, openMin: 1, closeMin: 1, people: 1, ways: way() },
    { level: 'off' as const, openMin: 2, closeMin: 1, people: 1, ways: way({ piece: 'e', level: 'loosened', seen: true }) },
  ];
  const two = { ...profile, pieces: [{ ...piece('e', way()), levels: steps }] };
  const own = openedLog();
  own.add('piece.wanted', { piece: 'e', level: 'off' });
  expect([planOpening(contextAt(own, two)).steps.length, openUp.onlySeen(contextAt(own, two), planOpening(contextAt(own, two)))]).toEqual([2, []]);
  // What is open already is no part of the plan.
  log.add('piece.moved', { piece: 'a', level: 'off', fasteners: [] });
  expect(openUp.onlySeen(contextAt(log, profile), planOpening(contextAt(log, profile)))).toEqual(['c']);
});

const found = (part: Partial<sense.SensorFound> = {}): sense.SensorFound => ({
  kind: 'parking',
  name: ' Parking sensor, left ',
  on: 'skin-a1b2',
  looks: 'left',
  lock: 'tab',
  calibration: 'not required',
  procedure: 'service sheet of its maker',
  unplugged: true,
  ...part,
});
function skinOff(): TestLog {
  const log = looked();
  perform(log, openUp.pieceCame(contextAt(log), came({ name: 'Skin', side: 'centre', box: { xMm: [700, 900], yMm: [-800, 600], zMm: [300, 500] } }), 'skin-a1b2'));
  return log;
}

test('a sensor that was found is described on what carries it, unplugged where it was, and counts from then on', () => {
  const log = skinOff();
  const holds = () =>
    standingOf(contextAt(log), planOpening(contextAt(log)))
      .stations.find(({ station }) => station === 'sense')
      ?.holds.map(({ code }) => code);
  perform(log, sense.sensorFound(contextAt(log), found(), 'parking-sensor-left-c3d4'));
  expect(contextAt(log).profile.sensors).toEqual([
    {
      id: 'parking-sensor-left-c3d4',
      name: 'Parking sensor, left',
      kind: 'parking',
      on: 'skin-a1b2',
      lock: 'tab',
      pose: { xMm: 800, yMm: -100, zMm: 400, yawDeg: 90, pitchDeg: 0 },
      calibration: 'not required',
      procedure: 'service sheet of its maker',
    },
  ]);
  expect([log.state.unplugged, holds()]).toEqual([['parking-sensor-left-c3d4'], ['sensor-unplugged']]);
  perform(log, sense.sensorFound(contextAt(log), found({ name: 'Radar', kind: 'radar', looks: 'down', calibration: 'required', procedure: ' ', unplugged: false }), 'radar-e5f6'));
  expect(contextAt(log).profile.sensors[1]).toMatchObject({ procedure: 'Calibrate by the vehicle maker’s procedure.', pose: { yawDeg: 0, pitchDeg: -90 } });
  expect([log.state.unplugged, holds()]).toEqual([['parking-sensor-left-c3d4'], ['sensor-unplugged', 'calibration-due']]);
  // How far it may stand off nobody knows: any angle is too much, also where its maker asks for nothing.
  perform(log, sense.moved(contextAt(log), 'parking-sensor-left-c3d4', { yawDeg: 0.1 }));
  expect(sense.disturbedSensors(contextAt(log), undefined)[0]).toMatchObject({ beyondTolerance: true, calibrationDue: true, why: 'beyond tolerance' });
});

test('where a sensor looks is its pose, each side its own', () => {
  const poseOf = (looks: sense.Looks) => {
    const act = sense.sensorFound(contextAt(skinOff()), found({ looks }), 'x-a1b2');
    const [event] = isRefused(act) ? [] : act.events;
    const { yawDeg, pitchDeg } = (event?.type === 'kind.described' ? event.payload.sensors?.[0]?.pose : undefined) ?? { yawDeg: NaN, pitchDeg: NaN };
    return [yawDeg, pitchDeg];
  };
  expect(sense.LOOKS.map(poseOf)).toEqual([
    [0, 0],
    [180, 0],
    [90, 0],
    [-90, 0],
    [0, -90],
  ]);
});

test('bad input at a sensor is refused with what is wrong', () => {
  const log = skinOff();
  const refusals = (part: Partial<sense.SensorFound>) => refusedOf(sense.sensorFound(contextAt(log), found(part), 'x-a1b2'));
  expect(refusals({ kind: undefined, on: undefined, looks: undefined, calibration: undefined, unplugged: undefined, name: ' ', lock: '' })).toEqual([
    { code: 'missing', count: 7 },
  ]);
  // That nothing has to be calibrated is said with where it stands.
  expect(refusals({ procedure: ' ' })).toEqual([{ code: 'missing', count: 1 }]);
  expect(refusals({ calibration: 'required', procedure: '' })).toEqual([]);
  expect(refusals({ name: 'x'.repeat(81) })).toEqual([{ code: 'too-long', over: 1, most: 80 }]);
  expect(refusals({ lock: 'x'.repeat(82) })).toEqual([{ code: 'too-long', over: 2, most: 80 }]);
  expect(refusals({ procedure: 'x'.repeat(303) })).toEqual([{ code: 'too-long', over: 3, most: 300 }]);
  expect(refusals({ on: 'grille' })).toEqual([{ code: 'unknown', what: 'piece', id: 'grille' }]);
  perform(log, sense.sensorFound(contextAt(log), found(), 'parking-sensor-left-c3d4'));
  expect(refusals({ name: 'parking sensor, LEFT' })).toEqual([{ code: 'already' }]);
  const winch = {
    accessory: 'winch',
    name: 'Winch',
    side: 'centre' as const,
    zone: 'front' as const,
    holds: [],
    openMin: 5,
    closeMin: 6,
    people: 1,
    drive: 'hex' as const,
    count: 4,
  };
  log.add('accessory.found', winch);
  log.add('piece.moved', { piece: 'winch', level: 'off', fasteners: [] });
  expect(sense.carriers(contextAt(log)).map(({ id }) => id)).toEqual(['skin-a1b2']);
});

test('a supply and a sensor that name what is not there are refused with their path', () => {
  const faults = (payload: object) =>
    idCheck({ profile: HERON, kits: [PAIR], rules: RULES })({ type: 'kind.described', payload } as JobEvent, 'events[0]').map(({ path, code }) => [path, code]);
  const supply: Supply = { id: 'low', name: '12 V battery', piece: 'clamp', level: 'off', waitMin: 3, by: 'anyone', before: [], forgets: [] };
  expect(faults({ supplies: [supply] })).toEqual([['events[0].payload.supplies[0].piece', 'unknown-id']]);
  expect(faults({ supplies: [supply, supply] })).toEqual([
    ['events[0].payload.supplies[1].id', 'duplicate-id'],
    ['events[0].payload.supplies[0].piece', 'unknown-id'],
    ['events[0].payload.supplies[1].piece', 'unknown-id'],
  ]);
  expect(faults({ sensors: [{ id: 'radar', on: 'skin' }] })).toEqual([['events[0].payload.sensors[0].on', 'unknown-id']]);
  // A way that asks for a dead supply needs that supply described.
  const { fasteners: _fasteners, ...bare } = came();
  const piece = {
    ...bare,
    id: 'trim',
    levels: [{ level: 'off', openMin: 1, closeMin: 1, people: 1, ways: [{ id: 'seen', needs: [], extraMin: 0, asks: [{ supply: 'low', is: 'dead' }] }] }],
  };
  const whole = { ...piece, fasteners: [], cautions: [] };
  expect(faults({ pieces: [whole] })).toEqual([['events[0].payload.pieces[0].levels[0].ways[0].asks[0].supply', 'mark-without-supply']]);
  const mount = {
    id: 'place',
    name: 'Place',
    side: 'left',
    at: { xMm: 0, yMm: 0, zMm: 0 },
    reach: [{ id: 'seen', needs: [], extraMin: 0, asks: [{ supply: 'low', is: 'dead' }] }],
    hiddenBy: [],
  };
  expect(faults({ mounts: [mount] })).toEqual([['events[0].payload.mounts[0].reach[0].asks[0].supply', 'mark-without-supply']]);
  expect(faults({})).toEqual([['events[0].payload', 'one-of']]);
});

import { piecesBack } from '../closing/index.ts';
import { key } from '../subject/index.ts';
import { circuitLoads, wireJoints } from '../loom/index.ts';
import { foldJob } from '../log/index.ts';
import { gatesOf, openingDone, planClosingOf, planOpening } from '../plan/index.ts';
import { lampAims, type JobContext } from '../job/index.ts';
import { contextOf, openedLog, PAIR, VAN, type TestLog } from '../job/test/log.ts';
import { handOver, sense, standingOf, type Station } from './index.ts';

const { functionWorse } = handOver;
const { disturbedSensors } = sense;

const standing = (log: TestLog, change: Partial<JobContext> = {}) => {
  const context = { ...contextOf(log), ...change };
  return standingOf(context, planOpening(context));
};
const stateOf = (log: TestLog, station: Station, change: Partial<JobContext> = {}) => standing(log, change).stations.find((entry) => entry.station === station)?.state;
const codesOf = (log: TestLog, station: Station, change: Partial<JobContext> = {}) =>
  standing(log, change)
    .stations.find((entry) => entry.station === station)
    ?.holds.map((hold) => hold.code);

function checkedIn(): TestLog {
  const log = openedLog();
  log.add('number.recorded', { number: '11111111111111111' });
  log.add('fact.recorded', { fact: 'trim', certainty: 'known', value: 'plain' });
  log.add('baseline.tried', { lamp: 'dipped', result: 'works' });
  log.add('baseline.tried', { lamp: 'old-fog', result: 'dim' });
  log.add('battery.measured', { restV: 12.6 });
  log.add('codes.read', { moment: 'before', count: 0 });
  log.add('warnings.read', { moment: 'before', lit: [] });
  log.add('lens.graded', { lamp: 'dipped', moment: 'before', grade: 'light haze' });
  log.add('gap.measured', { gap: 'wing', moment: 'before', widthMm: 5 });
  return log;
}

function opened(): TestLog {
  const log = checkedIn();
  log.add('match.confirmed', { kit: 'test-kit' });
  log.add('content.counted', { kit: 'test-kit', item: 'lamp', count: 1 });
  log.add('bench.done', { kit: 'test-kit', task: 'light-up' });
  log.add('sensor.unplugged', { sensor: 'radar' });
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'front', fasteners: [{ group: 'bolts', count: 2 }] });
  log.add('piece.moved', { piece: 'old-lamp', level: 'off', way: 'w', fasteners: [] });
  return log;
}

function fitted(): TestLog {
  const log = opened();
  log.add('load.accepted', { kit: 'test-kit', circuit: 'fog' });
  log.add('plug.joined', { kit: 'test-kit', connection: 'joint' });
  log.add('reference.checked', { groundV: 0.02, feedV: 12.5 });
  log.add('reading.taken', { plug: 'fog-plug', pin: '2', state: 'front fog', lowV: 12.4, highV: 12.4 });
  log.add('reading.taken', { plug: 'fog-plug', pin: '2', state: 'key off', lowV: 0, highV: 0 });
  for (const pass of ['start', 'align', 'tighten'] as const) log.add('step.passed', { kit: 'test-kit', step: 'screw', pass });
  log.add('test.tried', { kit: 'test-kit', test: 'lights', passed: true });
  return log;
}

function closed(): TestLog {
  const log = fitted();
  log.add('piece.moved', { piece: 'grille', level: 'fitted', fasteners: [{ group: 'bolts', count: 2 }] });
  log.add('sensor.reconnected', { sensor: 'radar' });
  log.add('sensor.calibrated', { sensor: 'radar', how: 'by others', note: 'quay' });
  log.add('part.bagged', { piece: 'old-lamp', where: 'shelf 3' });
  return log;
}

function readyJob(): TestLog {
  const log = closed();
  log.add('wall.set', { rule: 'fog', distanceMm: 10_000, floorAtWallMm: 0 });
  log.add('aim.prepared', { tyres: true, load: true, levelling: true });
  log.add('aim.referenced', { lamp: 'test-kit/lamp', referenceMm: 374 });
  log.add('aim.measured', { lamp: 'test-kit/lamp', moment: 'after', heightMm: 205, referenceMm: 374 });
  log.add('final.tested', { kit: 'test-kit', test: 'lights', passed: true });
  log.add('final.tried', { lamp: 'dipped', result: 'works' });
  log.add('codes.read', { moment: 'after', count: 0 });
  log.add('warnings.read', { moment: 'after', lit: [] });
  log.add('lens.graded', { lamp: 'dipped', moment: 'after', grade: 'light haze' });
  log.add('gap.measured', { gap: 'wing', moment: 'after', widthMm: 5.2 });
  return log;
}

test('a fresh job waits for its number; nothing but the match asks a question', () => {
  const { holding, readyToSign, stations } = standing(openedLog());
  expect(holding).toMatchObject({ station: 'check-in', code: 'number-missing' });
  expect(readyToSign).toBe(false);
  expect(stations.filter((entry) => entry.state === 'blocked')).toEqual([]);
});

test('check in wants number, lamps, battery, codes, gaps and facts, and is settled with all of them', () => {
  expect(codesOf(openedLog(), 'check-in')).toEqual([
    'number-missing',
    'baseline-missing',
    'battery-missing',
    'codes-before-missing',
    'warnings-before-missing',
    'lenses-before-missing',
    'gaps-before-missing',
    'fact-unknown',
  ]);
  expect(stateOf(openedLog(), 'check-in')).toBe('not begun');
  expect(stateOf(checkedIn(), 'check-in')).toBe('settled');
});

test('facts that an earlier visit left do not begin the check-in; one that is seen now does', () => {
  const log = openedLog();
  log.add('fact.recorded', { fact: 'trim', certainty: 'assumed', value: 'plain', seenAt: '2026-01-05T08:30:00Z' });
  expect(stateOf(log, 'check-in')).toBe('not begun');
  log.add('fact.recorded', { fact: 'trim', certainty: 'known', value: 'plain' });
  expect(stateOf(log, 'check-in')).toBe('under way');
});

test('a fact that was looked for and not found is an answer', () => {
  const log = checkedIn();
  log.add('fact.recorded', { fact: 'trim', certainty: 'unknown' });
  expect(stateOf(log, 'check-in')).toBe('settled');
});

test('a named exception releases its hold and no other', () => {
  const log = openedLog();
  log.add('exception.named', { about: 'number', note: 'plate unreadable, checked by papers' });
  expect(codesOf(log, 'check-in')).not.toContain('number-missing');
  expect(codesOf(log, 'check-in')).toContain('battery-missing');
});

test('a kit made for other years blocks; one that fits wants to be confirmed', () => {
  expect(stateOf(checkedIn(), 'match', { year: 2030 })).toBe('blocked');
  expect(standing(checkedIn(), { year: 2030 }).holding).toMatchObject({ code: 'kit-does-not-fit' });
  expect(codesOf(checkedIn(), 'match')).toEqual(['kit-unconfirmed']);
  expect(codesOf(checkedIn(), 'match', { year: undefined })).toEqual(['kit-undecided']);
  expect(stateOf(opened(), 'match')).toBe('settled');
});

test('a lamp missing from the box blocks before anything comes off', () => {
  const log = checkedIn();
  log.add('content.counted', { kit: 'test-kit', item: 'lamp', count: 0 });
  expect(codesOf(log, 'gather')).toEqual(['content-short', 'bench-task']);
  expect(stateOf(log, 'gather')).toBe('blocked');
});

test('opening is settled once the place was reachable and the replaced lamp is out', () => {
  const log = checkedIn();
  expect(codesOf(log, 'open-up')).toEqual(['pieces-to-open']);
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'front', fasteners: [] });
  expect([stateOf(log, 'open-up'), openingDone(contextOf(log))]).toEqual(['under way', false]);
  log.add('piece.moved', { piece: 'old-lamp', level: 'off', way: 'w', fasteners: [] });
  expect([stateOf(log, 'open-up'), openingDone(contextOf(log))]).toEqual(['settled', true]);
});

test('the plan goes on from what is off, and asks for nothing once all was reached', () => {
  const log = checkedIn();
  expect(planOpening(contextOf(log)).steps.map((step) => step.piece)).toEqual(['grille', 'old-lamp']);
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'front', fasteners: [] });
  expect(planOpening(contextOf(log)).steps.map((step) => step.piece)).toEqual(['old-lamp']);
  expect(planOpening(contextOf(closed())).steps).toEqual([]);
});

test('wire: load before plugs, a plug that does not mate blocks', () => {
  expect(codesOf(opened(), 'wire')).toEqual(['load-to-accept', 'plug-to-join']);
  const other = { ...PAIR, plugs: PAIR.plugs.map((plug) => ({ ...plug, keying: 'B' })) };
  expect(stateOf(opened(), 'wire', { kits: [other] })).toBe('blocked');
  expect(stateOf(fitted(), 'wire')).toBe('settled');
});

test('an overloaded circuit blocks, and so does one of a safety system', () => {
  const strong = { ...PAIR, lamps: PAIR.lamps.map((lamp) => ({ ...lamp, load: { ...lamp.load, powerW: 120 } })) };
  expect(codesOf(opened(), 'wire', { kits: [strong] })).toContain('load-refused');
  const context = contextOf(opened());
  const guarded = { ...context, rules: { ...context.rules, neverUseCircuits: ['fog'] } };
  expect(circuitLoads(guarded)[0]?.check.verdict).toBe('never');
  expect(circuitLoads(context)[0]).toMatchObject({ added: [{ powerW: 21.6 }], check: { addedA: 2, weakest: 'fuse' } });
});

test('probe wants the reference, then on and off; a reading against it asks a question', () => {
  const log = opened();
  expect(codesOf(log, 'probe')).toEqual(['reference-missing', 'wire-unproved']);
  log.add('reference.checked', { groundV: 0, feedV: 12.5 });
  log.add('reading.taken', { plug: 'fog-plug', pin: '2', state: 'front fog', lowV: 12.4, highV: 12.4 });
  expect(wireJoints(contextOf(log))[0]?.toProve[0]?.proof).toEqual({ code: 'needs-off', state: 'front fog' });
  log.add('reading.taken', { plug: 'fog-plug', pin: '2', state: 'key off', lowV: 12.4, highV: 12.4 });
  expect([codesOf(log, 'probe'), stateOf(log, 'probe')]).toEqual([['wire-contradictory'], 'needs an answer']);
  expect(stateOf(fitted(), 'probe')).toBe('settled');
});

test('a radar on an opened grille: reconnect and calibrate', () => {
  expect(disturbedSensors(contextOf(openedLog()), undefined)).toEqual([]);
  expect(disturbedSensors(contextOf(openedLog()), planOpening(contextOf(openedLog()))).map((effect) => effect.sensor.id)).toEqual(['radar']);
  expect(codesOf(opened(), 'sense')).toEqual(['sensor-unplugged', 'calibration-due']);
  expect(stateOf(closed(), 'sense')).toBe('settled');
});

test('fit: passes and tests; a failed test blocks until it passes', () => {
  expect(codesOf(opened(), 'fit')).toEqual(['fit-passes', 'test-missing']);
  const log = fitted();
  log.add('test.tried', { kit: 'test-kit', test: 'lights', passed: false });
  expect(stateOf(log, 'fit')).toBe('blocked');
  log.add('test.tried', { kit: 'test-kit', test: 'lights', passed: true });
  expect(stateOf(log, 'fit')).toBe('settled');
});

test('the test is a gate before the grille goes back', () => {
  const context = contextOf(opened());
  const test_ = gatesOf(context, undefined).find((gate) => gate.subject.kind === 'test');
  expect(test_).toMatchObject({ coveredBy: [{ piece: 'grille', level: 'off' }], passed: false });
  expect(piecesBack(planClosingOf(context, undefined).steps).map((step) => [step.piece, step.gates.map((gate) => key(gate.subject))])).toEqual([
    ['grille', ['joint:test-kit/joint', 'test:test-kit/lights']],
  ]);
});

test('a grille that went back untested is a block that names it', () => {
  const log = opened();
  log.add('piece.moved', { piece: 'grille', level: 'fitted', fasteners: [{ group: 'bolts', count: 2 }] });
  expect(standing(log).missing.find((hold) => hold.code === 'covered-untested')).toMatchObject({ kind: 'block', data: { kit: 'test-kit', test: 'lights', piece: 'grille' } });
  log.add('test.tried', { kit: 'test-kit', test: 'lights', passed: true });
  expect(codesOf(log, 'close-up')).not.toContain('covered-untested');
});

test('one bolt left in the tray holds the job back until it is named', () => {
  const log = fitted();
  log.add('piece.moved', { piece: 'grille', level: 'fitted', fasteners: [{ group: 'bolts', count: 1 }] });
  log.add('part.bagged', { piece: 'old-lamp', where: 'shelf 3' });
  const hold = standing(log).missing.find((entry) => entry.code === 'fasteners-out');
  expect(hold).toMatchObject({ data: { piece: 'grille', group: 'bolts', count: 1 }, about: 'tray:grille/bolts' });
  log.add('exception.named', { about: 'tray:grille/bolts', note: 'thread stripped, clip fitted instead' });
  expect(codesOf(log, 'close-up')).toEqual([]);
});

test('the replaced lamp is bagged for the owner, its pieces need not come back', () => {
  expect(codesOf(fitted(), 'close-up')).toEqual(['piece-open', 'part-to-bag', 'fasteners-out']);
  expect(codesOf(closed(), 'close-up')).toEqual([]);
});

test('aim: wall, preparation, then in or out; by others is a result', () => {
  const log = closed();
  expect(codesOf(log, 'aim')).toEqual(['wall-missing', 'aim-preparation', 'height-missing', 'aim-missing']);
  log.add('aim.referenced', { lamp: 'test-kit/lamp', referenceMm: 374 });
  log.add('wall.set', { rule: 'fog', distanceMm: 10_000, floorAtWallMm: 0 });
  log.add('aim.prepared', { tyres: true, load: true, levelling: true });
  log.add('aim.measured', { lamp: 'test-kit/lamp', moment: 'after', heightMm: 260, referenceMm: 374 });
  // Mark at 374 − 175 = 199 mm, 61 mm below the measured one.
  expect(lampAims(contextOf(log))[0]?.after).toMatchObject({ within: false, direction: 'up', errorMm: expect.closeTo(61, 6) });
  expect(stateOf(log, 'aim')).toBe('needs an answer');
  log.add('aim.by-others', { lamp: 'test-kit/lamp', by: 'quay aiming bay' });
  expect(stateOf(log, 'aim')).toBe('settled');
});

test('a floor beyond the tolerance is a question, not hidden in the mark', () => {
  const log = readyJob();
  log.add('wall.set', { rule: 'fog', distanceMm: 10_000, floorAtWallMm: 400 });
  expect(standing(log).missing.filter(({ station }) => station === 'aim')).toMatchObject([
    { code: 'floor-beyond', kind: 'question', about: 'floor', data: { mmPerM: 40 } },
    { code: 'aim-out' },
  ]);
});

test('without a measured height the lower edge lies half the lamp below the middle of its place', () => {
  expect(lampAims(contextOf(openedLog()))[0]?.referenceMm).toBe(430 - 56);
});

test('a function that leaves worse than it came asks a question, one that came dim does not', () => {
  expect([
    functionWorse('works', 'dim'),
    functionWorse('dim', 'dim'),
    functionWorse('dead', 'works'),
    functionWorse('works', 'not fitted'),
    functionWorse('not fitted', 'dead'),
    functionWorse(undefined, 'dead'),
  ]).toEqual([true, false, false, true, false, false]);
  const log = readyJob();
  log.add('final.tried', { lamp: 'dipped', result: 'dead' });
  expect(codesOf(log, 'hand-over')).toEqual(['function-worse', 'sign-off']);
});

test('a fault code that was not there on arrival holds back, one that was does not', () => {
  const log = readyJob();
  log.add('code.recorded', { moment: 'before', code: 'B1F20' });
  log.add('code.recorded', { moment: 'after', code: 'B1F20' });
  expect(standing(log).readyToSign).toBe(true);
  log.add('code.recorded', { moment: 'after', code: 'C0045' });
  expect(standing(log).missing.map((hold) => hold.code)).toEqual(['code-new']);
});

test('a whole job is ready, holds only the signature, and is settled everywhere when signed', () => {
  const log = readyJob();
  expect(standing(log)).toMatchObject({ readyToSign: true, missing: [], holding: { code: 'sign-off' } });
  log.add('job.signed', { atSeq: log.events.length });
  const { holding, stations, readyToSign } = standing(log);
  expect([holding, readyToSign]).toEqual([undefined, false]);
  expect(stations.map((entry) => entry.state)).toEqual(stations.map(() => 'settled'));
});

test('what the log leaves open is asked at hand over', () => {
  const log = readyJob();
  log.add('job.signed', { atSeq: log.events.length });
  log.add('battery.measured', { restV: 12.7 });
  expect(codesOf(log, 'hand-over')).toEqual(['log-question']);
});

test('what the kit lights is tried once more with everything closed, and again once anything was opened', () => {
  const log = readyJob();
  const wanted = () => (codesOf(log, 'hand-over') ?? []).filter((code) => code.startsWith('new-'));
  expect(wanted()).toEqual([]);
  const failed = log.add('final.tested', { kit: 'test-kit', test: 'lights', passed: false, note: 'pinched' });
  expect(standing(log).missing).toMatchObject([{ code: 'new-failed', kind: 'block', about: 'closed:test-kit/lights' }]);
  log.add('undone', { event: failed });
  log.add('piece.moved', { piece: 'grille', level: 'off', way: 'front', fasteners: [] });
  expect(wanted()).toEqual(['new-untried']);
  expect(handOver.triedClosed(contextOf(log), 'test-kit', 'lights', true, log.events.at(-1)?.at ?? '')).toMatchObject({ refused: [{ code: 'back-first', pieces: ['grille'] }] });
  log.add('piece.moved', { piece: 'grille', level: 'fitted', fasteners: [] });
  expect(wanted()).toEqual(['new-untried']);
  // The factory lamp was tried before it, too.
  expect(codesOf(log, 'hand-over')).toContain('final-missing');
  expect(handOver.othersTriedClosed(contextOf(log), log.events.at(-1)?.at ?? '')).toEqual({
    events: [{ type: 'final.tested', payload: { kit: 'test-kit', test: 'lights', passed: true } }],
  });
});

test('two people who contradict each other are asked to look again, each pair by itself', () => {
  const log = readyJob();
  const first = log.add('gap.measured', { gap: 'wing', moment: 'after', widthMm: 5.2 });
  const other = log.add('gap.measured', { gap: 'wing', moment: 'after', widthMm: 7.1 });
  const said = log.events.map((event) => (event.id === other ? { ...event, person: 'copper', at: log.events.find(({ id }) => id === first)?.at ?? event.at } : event));
  const state = foldJob(said);
  expect(standingOf({ ...contextOf(log), state }, undefined).missing).toMatchObject([{ code: 'contradicted', kind: 'question', about: `entry:${other}` }]);
});

test('a place that no way reaches is a block that names it, the rest is still planned', () => {
  const lost = {
    ...VAN,
    mounts: VAN.mounts.map((mount) => ({
      ...mount,
      reach: [
        {
          id: 'w',
          needs: [
            { piece: 'grille', level: 'hung' as const },
            { piece: 'old-lamp', level: 'off' as const },
          ],
          extraMin: 0,
        },
      ],
    })),
    pieces: VAN.pieces.map((piece) => (piece.id === 'old-lamp' ? { ...piece, levels: piece.levels.map((level) => ({ ...level, ways: [] })) } : piece)),
  };
  expect(standing(checkedIn(), { profile: lost, kits: [{ ...PAIR, fitments: PAIR.fitments.map((fitment) => ({ ...fitment, replaces: [] })) }] }).holding).toMatchObject({
    code: 'target-unreachable',
    kind: 'block',
  });
  // The kit takes the old lamp's place, and nothing takes the lamp off.
  expect(standing(checkedIn(), { profile: { ...lost, mounts: VAN.mounts } }).holding).toMatchObject({ code: 'piece-unreachable', kind: 'block', data: { piece: 'old-lamp' } });
});

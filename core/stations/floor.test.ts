import { openedLog, contextOf, PAIR, type TestLog } from '../job/test/log.ts';
import { aim, fit, gather } from './index.ts';

const AT = '2026-03-05T12:00:00Z';
const ids = (list: readonly { id: string }[]) => list.map(({ id }) => id);
const screw = PAIR.fitments[0]?.fitSteps[0];
if (!screw) throw new Error('no step');
/** The kit with a second step of its side and one of the other. */
const more = {
  ...PAIR,
  fitments: PAIR.fitments.map((fitment) => ({ ...fitment, fitSteps: [screw, { ...screw, id: 'clip' }, { ...screw, id: 'right', side: 'right' as const }] })),
};
const fitting = (log: TestLog) => fit.floorSteps({ ...contextOf(log), kits: [more] }, AT);

test('at Gather each item is counted, then each task of the bench done; none comes again', () => {
  const log = openedLog();
  expect(ids(gather.floorSteps(contextOf(log)))).toEqual(['count:test-kit/lamp', 'bench:test-kit/light-up']);
  log.add('content.counted', { kit: 'test-kit', item: 'lamp', count: 0 });
  expect(ids(gather.floorSteps(contextOf(log)))).toEqual(['bench:test-kit/light-up']);
  log.add('bench.done', { kit: 'test-kit', task: 'light-up' });
  expect(gather.floorSteps(contextOf(log))).toEqual([]);
});

test('at Fit every fastener of a side is started before one is aligned; what waits comes last, with what it waits for', () => {
  const log = openedLog();
  expect(ids(fitting(log))).toEqual(['test-kit/screw/start', 'test-kit/clip/start', 'test-kit/right/start', 'test-kit/lights']);
  expect(fitting(log).at(-1)).toMatchObject({ kind: 'test', failed: false, against: [{ code: 'join-first' }] });
  log.add('step.passed', { kit: 'test-kit', step: 'screw', pass: 'start' });
  // The other step of the left side is not started: aligning waits, the right side does not.
  expect(ids(fitting(log))).toEqual(['test-kit/clip/start', 'test-kit/right/start', 'test-kit/screw/align', 'test-kit/lights']);
  log.add('step.passed', { kit: 'test-kit', step: 'clip', pass: 'start' });
  expect(ids(fitting(log))[0]).toBe('test-kit/screw/align');
});

test('a test is tried once its plug is joined; one that failed comes after what can be done, until it passes', () => {
  const log = openedLog();
  for (const pass of ['start', 'align', 'tighten'] as const) for (const step of ['screw', 'clip']) log.add('step.passed', { kit: 'test-kit', step, pass });
  log.add('plug.joined', { kit: 'test-kit', connection: 'joint' });
  expect(ids(fitting(log))).toEqual(['test-kit/right/start', 'test-kit/lights']);
  log.add('test.tried', { kit: 'test-kit', test: 'lights', passed: false });
  expect(fitting(log).at(-1)).toMatchObject({ kind: 'test', failed: true, against: [] });
  log.add('test.tried', { kit: 'test-kit', test: 'lights', passed: true });
  expect(ids(fitting(log))).toEqual(['test-kit/right/start']);
});

test('at Aim the vehicle is prepared, the wall set, then each lamp measured and read until it lands in its band', () => {
  const log = openedLog();
  const steps = () => ids(aim.floorSteps(contextOf(log)));
  expect(steps()).toEqual(['tyres', 'load', 'levelling', 'wall', 'floor', 'height:test-kit/lamp', 'read:test-kit/lamp']);
  log.add('aim.prepared', { tyres: true, load: false, levelling: true });
  log.add('wall.set', { rule: 'fog', distanceMm: 10_000 });
  expect(steps()).toEqual(['load', 'floor', 'height:test-kit/lamp', 'read:test-kit/lamp']);
  log.add('aim.prepared', { tyres: true, load: true, levelling: true });
  log.add('wall.set', { rule: 'fog', distanceMm: 10_000, floorAtWallMm: 0 });
  log.add('aim.referenced', { lamp: 'test-kit/lamp', referenceMm: 374 });
  log.add('aim.measured', { lamp: 'test-kit/lamp', moment: 'after', heightMm: 260, referenceMm: 374 });
  expect(steps()).toEqual(['read:test-kit/lamp']);
  log.add('aim.measured', { lamp: 'test-kit/lamp', moment: 'after', heightMm: 205, referenceMm: 374 });
  expect(steps()).toEqual([]);
});

test('a lamp aimed by others is not read here', () => {
  const log = openedLog();
  log.add('aim.by-others', { lamp: 'test-kit/lamp', by: 'the test lane' });
  expect(aim.floorSteps(contextOf(log))).toEqual([]);
});

test('what is photographed at a step is what is fitted or aimed there, and nothing at a test, at the wall, at what is taken out', () => {
  const log = openedLog();
  expect(fitting(log).map((step) => fit.pictured(step))).toEqual([
    { kind: 'fit', kit: 'test-kit', step: 'screw' },
    { kind: 'fit', kit: 'test-kit', step: 'clip' },
    { kind: 'fit', kit: 'test-kit', step: 'right' },
    undefined,
  ]);
  const shown = aim.floorSteps(contextOf(log)).map((step) => [step.kind, aim.pictured(step)]);
  expect(shown.filter(([, subject]) => subject !== undefined)).toEqual([['read', { kind: 'aim', kit: 'test-kit', lamp: 'lamp' }]]);
});

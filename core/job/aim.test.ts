import { contextOf, openedLog, PAIR, RULES, type TestLog } from './test/log.ts';
import { floorSlope, lampAims } from './index.ts';

// The lamp sits with its centre 430 mm high and is 112 mm tall: its lower edge is 374 mm above the floor.
const aimOf = (log: TestLog) => {
  const [aim] = lampAims(contextOf(log));
  if (!aim) throw new Error('no lamp to aim');
  return aim;
};
const withWall = (floorAtWallMm = 0) => {
  const log = openedLog();
  log.add('wall.set', { rule: 'fog', distanceMm: 10_000, floorAtWallMm });
  return log;
};

test('without a wall there is a lamp to aim but no mark', () => {
  const aim = aimOf(openedLog());
  expect([aim.key, aim.referenceMm, aim.mark, aim.before, aim.after]).toEqual(['test-kit/lamp', 374, undefined, undefined, undefined]);
});

test('1.75 % at 10 m is 175 mm below the lower edge; the floor at the wall takes its share', () => {
  expect(aimOf(withWall()).mark?.wantedMm).toBeCloseTo(199, 6);
  expect(aimOf(withWall(20)).mark?.wantedMm).toBeCloseTo(179, 6);
});

test('a height measured on this vehicle wins over the profile, the latest over the first', () => {
  const log = withWall();
  log.add('aim.measured', { lamp: 'test-kit/lamp', moment: 'before', heightMm: 260, referenceMm: 380 });
  expect(aimOf(log)).toMatchObject({ referenceMm: 380, before: { heightMm: 260, within: false, direction: 'up' } });
  log.add('aim.measured', { lamp: 'test-kit/lamp', moment: 'after', heightMm: 210, referenceMm: 390 });
  const aim = aimOf(log);
  expect([aim.referenceMm, aim.after?.errorMm.toFixed(1), aim.after?.within]).toEqual([390, '-5.0', true]);
  expect(aim.before?.errorMm.toFixed(1)).toBe('55.0');
  expect(aim.referenced).toBe(false);
  // Measured by itself it counts for both readings: 402 − 175 = 227 mm.
  log.add('aim.referenced', { lamp: 'test-kit/lamp', referenceMm: 402 });
  const known = aimOf(log);
  expect([known.referenced, known.referenceMm, known.before?.errorMm.toFixed(1), known.after?.errorMm.toFixed(1)]).toEqual([true, 402, '33.0', '-17.0']);
});

test('an angle over the pitch of the screw gives its turns: 61 mm at 10 m is 0.35° is 1.4 turns of 0.25°', () => {
  const log = withWall();
  log.add('aim.measured', { lamp: 'test-kit/lamp', moment: 'before', heightMm: 260, referenceMm: 374 });
  expect(aimOf(log).before?.screwTurns).toBeCloseTo(1.398, 3);
});

test('a floor beyond the rule set’s tolerance is told, at the tolerance it passes: 30 mm over 10 m are 3 mm for each metre', () => {
  const slope = (floorAtWallMm: number, toleranceMmPerM: number) =>
    floorSlope({ state: withWall(floorAtWallMm).state, rules: { ...RULES, floorToleranceMmPerM: toleranceMmPerM } });
  expect(slope(-30, 3)).toEqual({ mmPerM: 3, toleranceMmPerM: 3, beyond: false });
  expect(slope(31, 3)).toMatchObject({ mmPerM: 3.1, beyond: true });
  expect(floorSlope({ state: openedLog().state, rules: RULES })).toBeUndefined();
});

test('a lamp aimed by others says by whom; a lamp whose beam has no rule is not aimed', () => {
  const log = withWall();
  log.add('aim.by-others', { lamp: 'test-kit/lamp', by: 'test lane' });
  expect(aimOf(log).byOthers).toBe('test lane');
  expect(lampAims({ ...contextOf(log), rules: { ...RULES, aim: RULES.aim.map((rule) => ({ ...rule, beam: 'dipped' as const })) } })).toEqual([]);
});

test('a lower edge that no band covers has no mark', () => {
  const log = withWall();
  log.add('aim.measured', { lamp: 'test-kit/lamp', moment: 'before', heightMm: 700, referenceMm: 900 });
  expect(aimOf(log)).toMatchObject({ mark: undefined, before: undefined });
});

test('the rule chosen at the wall wins among those for the beam', () => {
  const other = RULES.aim.map((rule) => ({ ...rule, id: 'other', bands: rule.bands.map((band) => ({ ...band, wantedDip: 2.5 })) }));
  const log = openedLog();
  log.add('wall.set', { rule: 'other', distanceMm: 10_000, floorAtWallMm: 0 });
  const [aim] = lampAims({ ...contextOf(log), kits: [PAIR], rules: { ...RULES, aim: [...RULES.aim, ...other] } });
  expect([aim?.rule.id, aim?.mark?.wantedMm.toFixed(3)]).toEqual(['other', '124.000']);
});

import type { AimRule } from '../rules/index.ts';
import { aimError, bandFor, cutOffTiltDeg, dipInDegrees, dropForDegrees, dropForPercent, reachM, wallMarks } from './index.ts';

const percent: AimRule = {
  id: 'fog',
  name: 'fog',
  beam: 'front fog',
  family: 'percent',
  reference: 'lower edge',
  source: 'test',
  certainty: 'to be confirmed',
  bands: [
    { fromMm: 250, toMm: 800, wantedDip: 1.75, toleranceUp: 0.25, toleranceDown: 0.25 },
    { fromMm: 800, toMm: 1200, wantedDip: 2.25, toleranceUp: 0.25, toleranceDown: 0.25 },
  ],
};

test('drops: 1.2 % at 10 m is 120 mm, 2.5° at 5 m is 218.3 mm', () => {
  expect(dropForPercent(10_000, 1.2)).toBeCloseTo(120, 9);
  expect(dropForDegrees(5_000, 2.5)).toBeCloseTo(218.3, 1);
});

test('2.1 inches below at 25 ft are 0.4 degrees', () => {
  expect(dipInDegrees({ ...percent, family: 'inches at 25 ft' }, 2.1)).toBeCloseTo(0.401, 3);
});

test('a height at a shared end belongs to the later band, a height outside to none', () => {
  expect(bandFor(percent, 799)?.wantedDip).toBe(1.75);
  expect(bandFor(percent, 800)?.wantedDip).toBe(2.25);
  expect([bandFor(percent, 1200)?.wantedDip, bandFor(percent, 1300), bandFor(percent, 249)]).toEqual([2.25, undefined, undefined]);
});

test('where the later band begins a tenth after it, the shared end and what lies between belong to the earlier one', () => {
  const bands = percent.bands.map((band) => ({ ...band, fromMm: band.fromMm === 800 ? 800.1 : band.fromMm }));
  expect([800, 800.05, 800.1].map((height) => bandFor({ bands }, height)?.wantedDip)).toEqual([1.75, 1.75, 2.25]);
});

test('a fog lamp 400 mm high at 10 m: mark 225 mm, in from 200 to 250 mm', () => {
  const { marks } = wallMarks(percent, [{ lamp: 'left', referenceMm: 400, sidewaysMm: 700 }], { distanceMm: 10_000, floorAtWallMm: 0 });
  expect(marks[0]?.wantedMm).toBeCloseTo(225, 6);
  expect(marks[0]?.highestMm).toBeCloseTo(250, 6);
  expect(marks[0]?.lowestMm).toBeCloseTo(200, 6);
});

test('a floor 30 mm lower at the wall raises the mark above that floor by 30 mm; a lamp outside the bands is named', () => {
  const place = { lamp: 'left', referenceMm: 400, sidewaysMm: 700 };
  expect(wallMarks(percent, [place], { distanceMm: 10_000, floorAtWallMm: -30 }).marks[0]?.wantedMm).toBeCloseTo(255, 6);
  expect(wallMarks(percent, [{ ...place, referenceMm: 1300 }], { distanceMm: 10_000, floorAtWallMm: 0 }).uncovered).toEqual(['left']);
});

test('measured 60 mm high at 10 m: 0.6 % up, out, and turned down by the screw', () => {
  const mark = wallMarks(percent, [{ lamp: 'left', referenceMm: 400, sidewaysMm: 700 }], { distanceMm: 10_000, floorAtWallMm: 0 }).marks[0];
  if (!mark) throw new Error('no mark');
  const error = aimError(mark, 285, 10_000, 0.25);
  expect(error).toMatchObject({ within: false, direction: 'up' });
  expect(error.errorPercent).toBeCloseTo(0.6, 6);
  // atan(0.0175) − atan(0.0115) = 1.00257° − 0.65887°
  expect(error.errorDeg).toBeCloseTo(0.3437, 4);
  expect(error.screwTurns).toBeCloseTo(1.3748, 3);
  expect(aimError(mark, 250, 10_000).within).toBe(true);
  expect(aimError(mark, 251, 10_000).within).toBe(false);
});

test('with 0.2 % up and 0.4 % down at 10 m the cut-off is in from 40 mm below the mark to 20 mm above it, both included', () => {
  const lopsided = { ...percent, bands: [{ fromMm: 250, toMm: 800, wantedDip: 1.5, toleranceUp: 0.2, toleranceDown: 0.4 }] };
  const [mark] = wallMarks(lopsided, [{ lamp: 'left', referenceMm: 700, sidewaysMm: 700 }], { distanceMm: 10_000, floorAtWallMm: 0 }).marks;
  if (!mark) throw new Error('no mark');
  // 700 − 150 = 550 mm.
  const said = (heightMm: number) => {
    const { within, direction } = aimError(mark, heightMm, 10_000);
    return `${within ? 'in' : 'out'} ${direction}`;
  };
  expect([509, 509.999, 510, 549.4, 549.5, 549.6, 550, 550.4, 550.5, 570, 570.001, 571].map(said)).toEqual([
    'out down',
    'out down',
    'in down',
    'in down',
    'in down',
    'in none',
    'in none',
    'in none',
    'in up',
    'in up',
    'out up',
    'out up',
  ]);
  expect(aimError(mark, 520, 10_000).errorMm).toBeCloseTo(-30, 6);
  expect(aimError(mark, 520, 10_000).errorPercent).toBeCloseTo(-0.3, 9);
});

test('a fixed angle is taken as it is, a dip in inches through the arc tangent of inches over 300', () => {
  expect(dipInDegrees({ ...percent, family: 'fixed angle' }, 2.5)).toBe(2.5);
  expect(dipInDegrees({ ...percent, family: 'inches at 25 ft' }, 30)).toBeCloseTo(5.7106, 4);
  expect(dipInDegrees(percent, 10)).toBeCloseTo(5.7106, 4);
});

test('the right end 20 mm high over 1 m tilts by 1.146°; 9 600 cd reach 98.0 m at 1 lx', () => {
  expect(cutOffTiltDeg(200, 220, 1000)).toBeCloseTo(1.1458, 4);
  expect(reachM(9600, 1)).toBeCloseTo(98, 1);
  expect(reachM(9600, 4)).toBeCloseTo(49, 1);
});

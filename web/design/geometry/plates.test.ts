import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { BODIES, TYPICAL_MEASURES, type Body, type Measures, type VehicleProfile } from '@jade/core/vehicle';
import { frame, outline, project, VIEWS, type SheetPoint, type View } from './outline.ts';
import { endPen, heightAt, lengthAt, sidePen, topPen, tyres } from './pen.ts';
import type { PlateStroke } from './plate.ts';

const profileOf = (slug: string) => JSON.parse(readFileSync(join(import.meta.dirname, `../../../demo/vehicles/${slug}.json`), 'utf8')) as VehicleProfile;
const DEMO = ['wexholm-bollard-35', 'oskarre-linnet', 'dunmorrow-causeway-26', 'pellorin-trio-300', 'wexholm-fieldcat'].map(profileOf);
/** Another vehicle of the same kind: longer, wider and lower than typical, on smaller wheels. */
const other = (m: Measures): Measures => ({
  ...m,
  lengthMm: m.lengthMm + 310,
  wheelbaseMm: m.wheelbaseMm + 140,
  frontOverhangMm: m.frontOverhangMm + 50,
  widthMm: m.widthMm + 70,
  trackMm: m.trackMm && m.trackMm + 60,
  heightMm: m.heightMm - 60,
  bonnetHeightMm: m.bonnetHeightMm - 30,
  wheelDiameterMm: m.wheelDiameterMm - 40,
});
const drawn = BODIES.flatMap((body): [string, Body, Measures][] => [
  [`${body}, typical`, body, TYPICAL_MEASURES[body]],
  [`${body}, of other measures`, body, other(TYPICAL_MEASURES[body])],
]);
/** Bodies of which the wheels turn in the open, under guards. */
const OPEN_WHEELED: readonly Body[] = ['motorcycle-naked', 'motorcycle-faired', 'scooter-box', 'utility-side-by-side', 'trailer'];

/** Points that a path names; of half a circle its extent, of another arc its top and end. */
function pointsOf(path: string): SheetPoint[] {
  const points: SheetPoint[] = [];
  let start: SheetPoint = [0, 0];
  for (const [, command = '', rest = ''] of path.matchAll(/([MLQAaZ])([^MLQAaZ]*)/g)) {
    const numbers = rest.match(/-?\d+(\.\d+)?/g)?.map(Number) ?? [];
    const [x = 0, y = 0] = numbers.slice(-2);
    if (command === 'a') {
      const [fromX, fromY] = start;
      // Half a circle: its highest and lowest point too.
      start = [fromX + x, fromY + y];
      points.push(start, [fromX + x / 2, fromY - x / 2], [fromX + x / 2, fromY + x / 2]);
    } else if (command === 'A') {
      const [radius = 0, , , large] = numbers;
      const rise = Math.sqrt(Math.max(0, radius ** 2 - ((x - start[0]) / 2) ** 2));
      // Its centre lies above the chord when the larger part is drawn.
      points.push([(x + start[0]) / 2, y + (large ? -rise : rise) - radius], (start = [x, y]));
    } else for (let index = 0; index + 1 < numbers.length; index += 2) points.push((start = [numbers[index] ?? 0, numbers[index + 1] ?? 0]));
  }
  return points;
}
function extent(...strokes: PlateStroke[]) {
  const points = strokes.flatMap(({ path }) => pointsOf(path));
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
}
const holds = (stroke: PlateStroke, [x, y]: SheetPoint, mm = 0) => {
  const { left, right, top, bottom } = extent(stroke);
  return x >= left - mm && x <= right + mm && y >= top - mm && y <= bottom + mm;
};
const near = (value: number, wanted: number, mm: number) => Math.abs(value - wanted) <= mm;

test.each(drawn.flatMap(([name, body, measures]) => VIEWS.map((view) => [name, view, body, measures] as const)))(
  '%s, from the %s: shapes are closed, and all of it is on the sheet',
  (_, view, body, measures) => {
    const strokes = outline(body, view, measures);
    const [x, y, width, height] = frame(view, measures);
    expect(strokes.length).toBeGreaterThan(10);
    for (const stroke of strokes) {
      if (stroke.kind !== 'panel' && stroke.kind !== 'detail') expect(stroke.path).toMatch(/Z$/);
      expect(stroke.path).not.toMatch(/NaN/);
      for (const [px, py] of pointsOf(stroke.path)) expect([px >= x, px <= x + width, py >= y, py <= y + height]).toEqual([true, true, true, true]);
    }
  },
);

test.each(drawn)('%s: as long, wide and high as it is measured, standing on the ground', (_, body, measures) => {
  const { lengthMm, widthMm, heightMm, frontOverhangMm } = measures;
  const side = extent(...outline(body, 'side', measures));
  const { left, right } = extent(...outline(body, 'top', measures));
  for (const [from, to] of [
    [side.left, side.right],
    [left, right],
  ] as const) {
    // A deflector or a visor may stand ahead of the nose, a plate holder behind the tail, by little.
    expect([near(from, -frontOverhangMm, 120), near(to, lengthMm - frontOverhangMm, 70)]).toEqual([true, true]);
  }
  expect([near(side.top, -heightMm, 25), near(side.bottom, 0, 1)]).toEqual([true, true]);
  for (const view of ['front', 'rear'] as const) {
    const end = extent(...outline(body, view, measures));
    expect([near(end.top, -heightMm, 25), near(end.bottom, 0, 1)]).toEqual([true, true]);
    // Mirrors stand out by up to a hand and a half on each side.
    expect([near(end.left, -widthMm / 2, 155), near(end.right, widthMm / 2, 155)]).toEqual([true, true]);
  }
});

test.each(drawn)('%s: body, glass and lamps are alike on both sides, from ahead, from behind and from above', (_, body, measures) => {
  const alike = (view: View) => {
    const flip = ([x, y]: SheetPoint): SheetPoint => (view === 'top' ? [x, -y] : [-x, y]);
    const points = outline(body, view, measures)
      .filter(({ kind }) => kind === 'body' || kind === 'glass' || kind === 'lamp' || kind === 'turn')
      .flatMap(({ path }) => pointsOf(path));
    return points.filter((point) => {
      const [wantX, wantY] = flip(point);
      // To the millimetre that a path is rounded to, twice.
      return !points.some(([x, y]) => near(x, wantX, 2) && near(y, wantY, 2));
    });
  };
  for (const view of ['front', 'rear', 'top'] as const) expect([view, alike(view)]).toEqual([view, []]);
});

test.each(drawn)('%s: the wheels stand on the ground at their axles, in arches larger than their tyres or in the open', (_, body, measures) => {
  const { wheelDiameterMm, wheelbaseMm, trackMm } = measures;
  const side = outline(body, 'side', measures);
  const wheels = side.filter(({ kind }) => kind === 'tyre').map((stroke) => extent(stroke));
  const atAxle = (x: number) => wheels.filter(({ left, right, bottom }) => near((left + right) / 2, x, 1) && near(right - left, wheelDiameterMm, 1) && near(bottom, 0, 1));
  expect([atAxle(0).length, atAxle(wheelbaseMm).length]).toEqual([1, 1]);
  const arches = side.filter(({ kind }) => kind === 'arch').map((stroke) => extent(stroke));
  if (!OPEN_WHEELED.includes(body)) {
    const [front] = atAxle(0);
    expect(front && arches.some(({ left, right, top }) => left < front.left && right > front.right && top < front.top)).toBe(true);
  }
  for (const view of ['front', 'rear'] as const) {
    const ends = outline(body, view, measures)
      .filter(({ kind }) => kind === 'tyre')
      .map((stroke) => extent(stroke));
    expect(ends.length).toBeGreaterThan(0);
    expect(ends.some(({ left, right }) => near((left + right) / 2, trackMm / 2, 120))).toBe(true);
    expect(ends.some(({ bottom }) => near(bottom, 0, 1))).toBe(true);
  }
});

test.each(drawn)('%s: front and rear differ as they do: red lamps behind, none ahead', (_, body, measures) => {
  const reds = (view: View) => outline(body, view, measures).filter(({ kind }) => kind === 'red').length;
  expect(reds('front')).toBe(0);
  expect(reds('rear')).toBeGreaterThan(0);
  if (body !== 'trailer') expect(outline(body, 'front', measures).some(({ kind }) => kind === 'lamp')).toBe(true);
});

test.each(DEMO.map((profile) => [profile.slug, profile] as const))('%s: every lamp that the profile names lies on a lamp that is drawn', (_, { body, measures, functions }) => {
  const off = functions.flatMap(({ id, at }) => {
    // A lamp on the flank is seen from the side.
    const middle = measures.frontOverhangMm - measures.lengthMm / 2;
    const view: View = Math.abs(at.yMm) > measures.widthMm / 2 - 40 && Math.abs(at.xMm - middle) < measures.lengthMm / 2 - 300 ? 'side' : at.xMm > middle ? 'front' : 'rear';
    const lamps = outline(body, view, measures).filter(({ kind }) => ['lamp', 'blank', 'red', 'lens', 'turn'].includes(kind));
    return lamps.some((stroke) => holds(stroke, project(view, at), 45)) ? [] : [[id, view, ...project(view, at)]];
  });
  expect(off).toEqual([]);
});

describe('a pen', () => {
  const m: Measures = {
    lengthMm: 4000,
    widthMm: 1800,
    heightMm: 1500,
    wheelbaseMm: 2400,
    frontOverhangMm: 700,
    wheelDiameterMm: 600,
    trackMm: 1500,
    bonnetHeightMm: 900,
    groundClearanceMm: 100,
  };
  test('counts heights from the clearance over the bonnet to the roof, lengths over both axles', () => {
    expect([-1, -0.25, 0, 0.5, 1, 1.5, 2].map((share) => heightAt(m, share))).toEqual([0, 75, 100, 500, 900, 1200, 1500]);
    expect([0, 0.5, 1, 1.25, 2, 3].map((share) => lengthAt(m, share))).toEqual([-700, -350, 0, 600, 2400, 3300]);
  });
  test('writes in millimetres of one vehicle and draws them in the measures of another', () => {
    const of = { ...m, lengthMm: 5000, wheelbaseMm: 3000, frontOverhangMm: 1000, heightMm: 2000, bonnetHeightMm: 1000, groundClearanceMm: 200, widthMm: 2000 };
    // Half the nose, half way between the axles, half the tail; half way to the bonnet and from there to the roof.
    expect([sidePen(m, of).at(-500, 600), sidePen(m, of).at(1500, 1500), sidePen(m, of).at(3500, 1000)]).toEqual([
      [-350, -500],
      [1200, -1200],
      [2850, -900],
    ]);
    // Half way up to the clearance.
    expect(endPen(m, of).at(400, 100)).toEqual([-360, -50]);
    expect(topPen(m, of).at(1500, -250)).toEqual([1200, -225]);
  });
  test('mirrors a half: the whole shape, and what one side has', () => {
    const e = endPen(m);
    expect(extent(e.whole('glass', [0.2, 1.5, 0.6, 1]))).toEqual({ left: -540, right: 540, top: -1200, bottom: -900 });
    const [left, right] = e.twin((p) => [p.box('lamp', [0.5, 1, 0.7, 0.5])]);
    expect([left && extent(left), right && extent(right)]).toEqual([
      { left: -630, right: -450, top: -900, bottom: -500 },
      { left: 450, right: 630, top: -900, bottom: -500 },
    ]);
  });
  test('no tyres stand where no track was measured', () => {
    expect(tyres({ ...m, trackMm: 0 }, 200)).toEqual([]);
    expect(tyres(m, 200).map((stroke) => extent(stroke).left)).toEqual([-850, 650]);
  });
});

import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { VehicleProfile } from '@jade/core/vehicle';
import { frame, outline, outerPieces, project, shellPieces, VIEWS, type SheetPoint } from './outline.ts';
import type { PlateStroke } from './plate.ts';
import { PLATES } from './plates.ts';

const profileOf = (slug: string) => JSON.parse(readFileSync(join(import.meta.dirname, `../../../demo/vehicles/${slug}.json`), 'utf8')) as VehicleProfile;
const VAN = profileOf('wexholm-bollard-35');
/** A vehicle of the demo with each body that has a plate. */
const DRAWN = ['wexholm-bollard-35', 'oskarre-linnet'].map(profileOf);
const plates = DRAWN.map((profile) => {
  const draw = PLATES[profile.body];
  if (!draw) throw new Error(`${profile.body} has no plate`);
  return [profile.body, draw(profile.measures), profile] as const;
});

test('every body that has a plate is looked at here', () => {
  expect(DRAWN.map(({ body }) => body).sort()).toEqual(Object.keys(PLATES).sort());
});

/** Points that a path names; of an arc its end. */
function pointsOf(path: string): SheetPoint[] {
  const points: SheetPoint[] = [];
  for (const [, command = '', rest = ''] of path.matchAll(/([MLQAaZ])([^MLQAaZ]*)/g)) {
    const numbers = rest.match(/-?\d+(\.\d+)?/g)?.map(Number) ?? [];
    const [x = 0, y = 0] = numbers.slice(-2);
    if (command === 'a') {
      const [fromX, fromY] = points.at(-1) ?? [0, 0];
      points.push([fromX + x, fromY + y]);
    } else if (command === 'A') points.push([x, y]);
    else for (let index = 0; index + 1 < numbers.length; index += 2) points.push([numbers[index] ?? 0, numbers[index + 1] ?? 0]);
  }
  return points;
}
function extent({ path }: PlateStroke) {
  const [xs, ys] = [pointsOf(path).map(([x]) => x), pointsOf(path).map(([, y]) => y)];
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
}
const holds = (stroke: PlateStroke, [x, y]: SheetPoint, mm = 0) => {
  const { left, right, top, bottom } = extent(stroke);
  return x >= left - mm && x <= right + mm && y >= top - mm && y <= bottom + mm;
};

test.each(plates.flatMap(([body, views, { measures }]) => VIEWS.map((view) => [body, view, views[view], measures] as const)))(
  '%s from the %s: shapes are closed, and all of it is on the sheet',
  (_, view, strokes, measures) => {
    const [x, y, width, height] = frame(view, measures);
    expect(strokes.filter(({ kind }) => kind === 'body')).toHaveLength(1);
    for (const stroke of strokes) {
      if (stroke.kind !== 'panel' && stroke.kind !== 'detail') expect(stroke.path).toMatch(/Z$/);
      for (const [px, py] of pointsOf(stroke.path)) {
        expect([px >= x, px <= x + width, py >= y, py <= y + height]).toEqual([true, true, true, true]);
      }
    }
  },
);

test.each(plates)('%s: the outline is as long, wide and high as it is measured, and alike on both sides', (_, views, { measures }) => {
  const body = (view: (typeof VIEWS)[number]) => {
    const [stroke] = views[view].filter(({ kind }) => kind === 'body');
    if (!stroke) throw new Error('no body');
    return stroke;
  };
  const { lengthMm, widthMm, heightMm, frontOverhangMm } = measures;
  const side = extent(body('side'));
  expect([side.left, side.right, side.top]).toEqual([-frontOverhangMm, lengthMm - frontOverhangMm, -heightMm]);
  for (const view of ['front', 'rear'] as const) {
    const { left, right, top } = extent(body(view));
    expect([left, right, top]).toEqual([-widthMm / 2, widthMm / 2, -heightMm]);
    // To the millimetre that a path is rounded to.
    const points = pointsOf(body(view).path);
    for (const [x, y] of points) expect(points.some(([otherX, otherY]) => Math.abs(otherX + x) <= 1 && otherY === y)).toBe(true);
  }
  const top = extent(body('top'));
  expect(top.top).toBe(-top.bottom);
});

test.each(plates)('%s: the wheels stand on the ground at their axles, each in an arch that is larger than its tyre', (_, views, { measures: { wheelDiameterMm, wheelbaseMm } }) => {
  const [tyres, arches] = (['tyre', 'arch'] as const).map((kind) => views.side.filter((stroke) => stroke.kind === kind).map(extent));
  expect(tyres?.map(({ left, right }) => (left + right) / 2)).toEqual([0, wheelbaseMm]);
  tyres?.forEach((tyre, index) => {
    expect(tyre.right - tyre.left).toBe(wheelDiameterMm);
    const arch = arches?.[index];
    expect(arch && arch.left < tyre.left && arch.right > tyre.right).toBe(true);
  });
  for (const view of ['front', 'rear'] as const) for (const stroke of views[view].filter(({ kind }) => kind === 'tyre')) expect(extent(stroke).bottom).toBe(0);
});

test.each(plates)('%s: every lamp that the profile names lies on a lamp that is drawn, from ahead and from behind', (_, views, { functions }) => {
  for (const { id, at } of functions) {
    const view = at.xMm > 0 ? 'front' : 'rear';
    const drawn = views[view].filter(({ kind }) => ['lamp', 'blank', 'red', 'lens', 'turn'].includes(kind));
    expect([id, drawn.some((stroke) => holds(stroke, project(view, at), 45))]).toEqual([id, true]);
  }
});

test('a body with a plate needs no boxes for its features, one without has them', () => {
  expect(shellPieces(VAN, 'front')).toEqual([]);
  expect(outerPieces(VAN, 'front').length).toBeGreaterThan(3);
  const scooter = profileOf('pellorin-trio-300');
  expect(shellPieces(scooter, 'front')).toEqual(outerPieces(scooter, 'front'));
  expect(outline('van-high-roof', 'rear', VAN.measures)).not.toEqual(outline('van-high-roof', 'front', VAN.measures));
});

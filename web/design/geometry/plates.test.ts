import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { VehicleProfile } from '@jade/core/vehicle';
import { frame, outline, outerPieces, project, shellPieces, VIEWS, type SheetPoint } from './outline.ts';
import type { PlateStroke } from './plate.ts';
import { PLATES } from './plates.ts';

const profileOf = (slug: string) => JSON.parse(readFileSync(join(import.meta.dirname, `../../../demo/vehicles/${slug}.json`), 'utf8')) as VehicleProfile;
const VAN = profileOf('wexholm-bollard-35');
const plates = Object.entries(PLATES).map(([body, draw]) => [body, draw(VAN.measures)] as const);

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

test.each(plates.flatMap(([body, views]) => VIEWS.map((view) => [body, view, views[view]] as const)))(
  '%s from the %s: shapes are closed, and all of it is on the sheet',
  (_, view, strokes) => {
    const [x, y, width, height] = frame(view, VAN.measures);
    expect(strokes.filter(({ kind }) => kind === 'body')).toHaveLength(1);
    for (const stroke of strokes) {
      if (stroke.kind !== 'panel' && stroke.kind !== 'detail') expect(stroke.path).toMatch(/Z$/);
      for (const [px, py] of pointsOf(stroke.path)) {
        expect([px >= x, px <= x + width, py >= y, py <= y + height]).toEqual([true, true, true, true]);
      }
    }
  },
);

test.each(plates)('%s: the outline is as long, wide and high as it is measured, and alike on both sides', (_, views) => {
  const body = (view: (typeof VIEWS)[number]) => {
    const [stroke] = views[view].filter(({ kind }) => kind === 'body');
    if (!stroke) throw new Error('no body');
    return stroke;
  };
  const { lengthMm, widthMm, heightMm, frontOverhangMm } = VAN.measures;
  const side = extent(body('side'));
  expect([side.left, side.right, side.top]).toEqual([-frontOverhangMm, lengthMm - frontOverhangMm, -heightMm]);
  for (const view of ['front', 'rear'] as const) {
    const { left, right, top } = extent(body(view));
    expect([left, right, top]).toEqual([-widthMm / 2, widthMm / 2, -heightMm]);
    const points = new Set(pointsOf(body(view).path).map(([x, y]) => `${x} ${y}`));
    for (const [x, y] of pointsOf(body(view).path)) expect(points.has(`${-x} ${y}`)).toBe(true);
  }
  const top = extent(body('top'));
  expect(top.top).toBe(-top.bottom);
});

test.each(plates)('%s: the wheels stand on the ground at their axles, each in an arch that is larger than its tyre', (_, views) => {
  const { wheelDiameterMm, wheelbaseMm } = VAN.measures;
  const [tyres, arches] = (['tyre', 'arch'] as const).map((kind) => views.side.filter((stroke) => stroke.kind === kind).map(extent));
  expect(tyres?.map(({ left, right }) => (left + right) / 2)).toEqual([0, wheelbaseMm]);
  tyres?.forEach((tyre, index) => {
    expect(tyre.right - tyre.left).toBe(wheelDiameterMm);
    const arch = arches?.[index];
    expect(arch && arch.left < tyre.left && arch.right > tyre.right).toBe(true);
  });
  for (const view of ['front', 'rear'] as const) for (const stroke of views[view].filter(({ kind }) => kind === 'tyre')) expect(extent(stroke).bottom).toBe(0);
});

test('every lamp of the van that the profile names lies on a lamp that is drawn, from ahead and from behind', () => {
  const views = PLATES['van-high-roof']?.(VAN.measures);
  if (!views) throw new Error('no van');
  for (const { id, at } of VAN.functions) {
    const view = at.xMm > 0 ? 'front' : 'rear';
    const drawn = views[view].filter(({ kind }) => ['lamp', 'blank', 'red', 'lens'].includes(kind));
    expect([id, drawn.some((stroke) => holds(stroke, project(view, at), 45))]).toEqual([id, true]);
  }
});

test('a body with a plate needs no boxes for its features, one without has them', () => {
  expect(shellPieces(VAN, 'front')).toEqual([]);
  expect(outerPieces(VAN, 'front').length).toBeGreaterThan(3);
  const crossover = profileOf('oskarre-linnet');
  expect(shellPieces(crossover, 'front')).toEqual(outerPieces(crossover, 'front'));
  expect(outline('van-high-roof', 'rear', VAN.measures)).not.toEqual(outline('van-high-roof', 'front', VAN.measures));
});

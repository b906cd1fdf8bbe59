import type { Body, BoxMm, Measures, PointMm, Zone } from '@jade/core/vehicle';
import type { SheetPoint, View } from './paths.ts';
import type { PlateStroke } from './plate.ts';
import { PLATES } from './plates.ts';

export { rounded, VIEWS, type SheetPoint, type View } from './paths.ts';

/** The view from which a zone of the vehicle is best seen. */
export function viewOf(zone: Zone): View {
  switch (zone) {
    case 'front':
    case 'rear':
      return zone;
    case 'roof':
    case 'underneath':
      return 'top';
    case 'left-side':
    case 'right-side':
    case 'cabin':
      return 'side';
  }
}

/** Places farther apart than this along the vehicle are seen from its side. */
const ALONG_MM = 1500;

/** The view in which some places lie best apart: the side where they run along the vehicle, else the end that most are nearer to. */
export function viewOfPlaces({ frontOverhangMm, lengthMm }: Pick<Measures, 'frontOverhangMm' | 'lengthMm'>, places: readonly PointMm[]): View {
  const along = places.map((place) => place.xMm);
  if (Math.max(...along) - Math.min(...along) > ALONG_MM) return 'side';
  const middleMm = frontOverhangMm - lengthMm / 2;
  return along.filter((xMm) => xMm < middleMm).length * 2 > places.length ? 'rear' : 'front';
}

/** Puts a point of the vehicle onto the sheet of a view. Taken from zero, so that a zero stays one. */
export function project(view: View, { xMm, yMm, zMm }: PointMm): SheetPoint {
  if (view === 'front') return [yMm, 0 - zMm];
  if (view === 'rear') return [0 - yMm, 0 - zMm];
  return view === 'side' ? [0 - xMm, 0 - zMm] : [0 - xMm, yMm];
}

/** The rectangle that a box of the vehicle covers on the sheet of a view. */
export function projectBox(view: View, box: BoxMm): { x: number; y: number; width: number; height: number } {
  const corners = [0, 1].map((end): SheetPoint => project(view, { xMm: box.xMm[end] ?? 0, yMm: box.yMm[end] ?? 0, zMm: box.zMm[end] ?? 0 }));
  const [[x0, y0], [x1, y1]] = [corners[0] ?? [0, 0], corners[1] ?? [0, 0]];
  return { x: Math.min(x0, x1), y: Math.min(y0, y1), width: Math.abs(x1 - x0), height: Math.abs(y1 - y0) };
}

/** Plates that were drawn, by the measures they were drawn for: those of a document never change. */
const drawnFor = new WeakMap<Measures, Partial<Record<Body, Record<View, PlateStroke[]>>>>();

/** The lines of a body in one view, drawn to its measures, from what lies behind to what lies before. */
export function outline(body: Body, view: View, measures: Measures): readonly PlateStroke[] {
  const known = drawnFor.get(measures) ?? {};
  const plate = known[body] ?? PLATES[body](measures);
  drawnFor.set(measures, { ...known, [body]: plate });
  return plate[view];
}

/** The part of the sheet a view takes, with a margin all round: x, y, width, height in millimetres. */
export function frame(view: View, m: Measures, marginMm = 160): [number, number, number, number] {
  const half = m.widthMm / 2;
  const [x, y, width, height] =
    view === 'side'
      ? [-m.frontOverhangMm, -m.heightMm, m.lengthMm, m.heightMm]
      : view === 'top'
        ? [-m.frontOverhangMm, -half, m.lengthMm, m.widthMm]
        : [-half, -m.heightMm, m.widthMm, m.heightMm];
  return [x - marginMm, y - marginMm, width + 2 * marginMm, height + 2 * marginMm];
}

/** A part of a view that ends less than this above the ground is drawn down to it, and so much below. */
const GROUND = { nearMm: 500, belowMm: 100 };

/** The part of a view round some points, no larger than the whole view, at least `leastMm` each way. */
export function frameAround(view: View, m: Measures, points: readonly PointMm[], marginMm = 300, leastMm = 1400): [number, number, number, number] {
  const [x, y, width, height] = frame(view, m);
  if (points.length === 0) return [x, y, width, height];
  const spot = points.map((point) => project(view, point));
  const span = (values: number[], low: number, size: number): [number, number] => {
    const middle = (Math.min(...values) + Math.max(...values)) / 2;
    const wanted = Math.min(size, Math.max(leastMm, Math.max(...values) - Math.min(...values) + 2 * marginMm));
    return [Math.max(low, Math.min(middle - wanted / 2, low + size - wanted)), wanted];
  };
  const [left, wide] = span(
    spot.map((point) => point[0]),
    x,
    width,
  );
  const [top, high] = span(
    spot.map((point) => point[1]),
    y,
    height,
  );
  // What nearly reaches the ground is shown standing on it.
  const bottom = top + high;
  const stands = view !== 'top' && bottom < GROUND.belowMm && bottom > -GROUND.nearMm;
  return [left, top, wide, stands ? GROUND.belowMm - top : high];
}

/** The part of a view round the boxes of some pieces. */
export const frameAroundBoxes = (view: View, m: Measures, boxes: readonly BoxMm[], marginMm: number, leastMm: number): [number, number, number, number] =>
  frameAround(
    view,
    m,
    boxes.flatMap(({ xMm, yMm, zMm }): PointMm[] => [
      { xMm: xMm[0], yMm: yMm[0], zMm: zMm[0] },
      { xMm: xMm[1], yMm: yMm[1], zMm: zMm[1] },
    ]),
    marginMm,
    leastMm,
  );

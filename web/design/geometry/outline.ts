import type { Body, BoxMm, Measures, Piece, PointMm, VehicleProfile, Zone } from '@jade/core/vehicle';
import { SHAPES, type Shape } from './bodies.ts';
import { rounded, type SheetPoint, type View } from './paths.ts';
import type { PlateKind } from './plate.ts';
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

export interface Stroke {
  kind: PlateKind | 'line' | 'wheel';
  path: string;
}

/** Puts a point of the vehicle onto the sheet of a view. */
export function project(view: View, { xMm, yMm, zMm }: PointMm): SheetPoint {
  if (view === 'front') return [yMm, -zMm];
  if (view === 'rear') return [-yMm, -zMm];
  return view === 'side' ? [-xMm, -zMm] : [-xMm, yMm];
}

/** The rectangle that a box of the vehicle covers on the sheet of a view. */
export function projectBox(view: View, box: BoxMm): { x: number; y: number; width: number; height: number } {
  const corners = [0, 1].map((end): SheetPoint => project(view, { xMm: box.xMm[end] ?? 0, yMm: box.yMm[end] ?? 0, zMm: box.zMm[end] ?? 0 }));
  const [[x0, y0], [x1, y1]] = [corners[0] ?? [0, 0], corners[1] ?? [0, 0]];
  return { x: Math.min(x0, x1), y: Math.min(y0, y1), width: Math.abs(x1 - x0), height: Math.abs(y1 - y0) };
}

const circle = (x: number, y: number, radius: number) =>
  `M${Math.round(x - radius)} ${Math.round(y)}a${radius} ${radius} 0 1 0 ${2 * radius} 0a${radius} ${radius} 0 1 0 ${-2 * radius} 0Z`;

function sideStrokes(shape: Shape, m: Measures): Stroke[] {
  const at = ([along, up]: SheetPoint): SheetPoint => [along * m.lengthMm - m.frontOverhangMm, -up * m.heightMm];
  const wheel = m.wheelDiameterMm / 2;
  const axles = [0, m.wheelbaseMm];
  return [
    { kind: 'body', path: rounded(shape.side.map(at), m.heightMm * 0.05) },
    ...shape.glass.map((points): Stroke => ({ kind: 'glass', path: rounded(points.map(at), m.heightMm * 0.02) })),
    ...shape.lines.map((points): Stroke => ({ kind: 'line', path: rounded(points.map(at), 10, false) })),
    ...axles.flatMap((x): Stroke[] => [
      { kind: 'wheel', path: circle(x, -wheel, Math.round(wheel)) },
      { kind: 'line', path: circle(x, -wheel, Math.round(wheel * 0.58)) },
    ]),
  ];
}

function endStrokes(shape: Shape, m: Measures, rear: boolean): Stroke[] {
  const half = m.widthMm / 2;
  const at = ([out, up]: SheetPoint, sign: number): SheetPoint => [sign * out * half, -up * m.heightMm];
  const outline = [...shape.front.map((point) => at(point, -1)), ...[...shape.front].reverse().map((point) => at(point, 1))];
  const [low, lowUp, high, highUp] = shape.windscreen;
  const screen: SheetPoint[] = [
    [-low, lowUp],
    [-high, highUp],
    [high, highUp],
    [low, lowUp],
  ];
  const wheelWidth = m.wheelDiameterMm * 0.32;
  const wheels = m.trackMm > 0 ? [-1, 1] : [];
  return [
    ...wheels.map((sign): Stroke => {
      const middle = (sign * m.trackMm) / 2;
      const box: SheetPoint[] = [
        [middle - wheelWidth / 2, 0],
        [middle - wheelWidth / 2, -m.wheelDiameterMm],
        [middle + wheelWidth / 2, -m.wheelDiameterMm],
        [middle + wheelWidth / 2, 0],
      ];
      return { kind: 'wheel', path: rounded(box, 40) };
    }),
    { kind: 'body', path: rounded(outline, m.heightMm * 0.045) },
    {
      kind: 'glass',
      path: rounded(
        screen.map((point) => at(point, 1)),
        m.heightMm * 0.02,
      ),
    },
    ...(rear
      ? [{ kind: 'line' as const, path: rounded([at([0, 0.12], 1), at([0, 0.95], 1)], 5, false) }]
      : [{ kind: 'line' as const, path: rounded([at([low, lowUp - 0.03], -1), at([low, lowUp - 0.03], 1)], 5, false) }]),
  ];
}

function topStrokes(shape: Shape, m: Measures): Stroke[] {
  const half = m.widthMm / 2;
  const nose = -m.frontOverhangMm;
  const tail = nose + m.lengthMm;
  const outline: SheetPoint[] = [
    [nose + 90, half * 0.9],
    [nose, half * 0.55],
    [nose, -half * 0.55],
    [nose + 90, -half * 0.9],
    [nose + 320, -half],
    [tail - 60, -half * 0.98],
    [tail, -half * 0.9],
    [tail, half * 0.9],
    [tail - 60, half * 0.98],
    [nose + 320, half],
  ];
  const cross = shape.plan.map((share): Stroke => ({
    kind: 'line',
    path: rounded(
      [
        [nose + share * m.lengthMm, -half * 0.9],
        [nose + share * m.lengthMm - 40, 0],
        [nose + share * m.lengthMm, half * 0.9],
      ],
      200,
      false,
    ),
  }));
  return [{ kind: 'body', path: rounded(outline, 140) }, ...cross];
}

/** The lines of a body in one view, drawn to its measures, from what lies behind to what lies before. */
export function outline(body: Body, view: View, measures: Measures): Stroke[] {
  const plate = PLATES[body]?.(measures)[view];
  if (plate) return plate;
  const shape = SHAPES[body];
  if (view === 'side') return sideStrokes(shape, measures);
  return view === 'top' ? topStrokes(shape, measures) : endStrokes(shape, measures, view === 'rear');
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

/** Pieces that give the drawing of a body its features, where the body itself has none: the plate of one has its own lamps, grille and doors. */
export const shellPieces = (profile: VehicleProfile, view: View): Piece[] => (PLATES[profile.body] ? [] : outerPieces(profile, view));

/** Pieces that make up the face of a view: those at the very front or rear, to give the drawing its features. */
export function outerPieces({ pieces, measures }: VehicleProfile, view: View): Piece[] {
  const nose = measures.frontOverhangMm;
  if (view === 'front') return pieces.filter((piece) => piece.zone === 'front' && piece.box.xMm[1] > nose - 130);
  return view === 'rear' ? pieces.filter((piece) => piece.zone === 'rear' && piece.box.xMm[0] < nose - measures.lengthMm + 130) : [];
}

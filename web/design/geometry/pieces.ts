import clipping, { type Polygon } from 'polygon-clipping';
import type { Body, BoxMm, Measures, Piece } from '@jade/core/vehicle';
import { outline, projectBox } from './outline.ts';
import { flattened, rounded, type SheetPoint, type View } from './paths.ts';
import { circle, type PlateKind, type PlateStroke } from './plate.ts';

export interface Extent {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** A piece as it is drawn in a view. */
export interface DrawnPiece {
  path: string;
  /** It lies behind something else: drawn dashed, and below what lies before it. */
  behind: boolean;
  /** How far it lies behind the skin of the vehicle in this view, in mm; negative before it. */
  depthMm: number;
  /** Where a line to its name ends. */
  middle: SheetPoint;
  extent: Extent;
}

/** A piece this far under the skin is still the skin: a panel has its own thickness. */
const SKIN_MM = 110;
/** A drawn feature stands for a piece where they share at least this part of what both cover; a panel that lies flat, as a bonnet does, is seen edge on. */
const ALIKE = 0.5;
const ALIKE_PANEL = 0.36;
/** A piece that the body holds less of than this stands beside it, and keeps its own shape. */
const HELD = 0.35;
const CORNER_MM = 34;
/** Slivers smaller than this are not drawn. */
const LEAST_MM2 = 400;
/** Strokes that can be a piece: closed shapes before the body. */
const FEATURES = new Set<PlateKind>(['black', 'glass', 'lamp', 'red', 'blank', 'panel', 'body', 'turn', 'lens']);

const extentOf = (points: readonly SheetPoint[]): Extent => {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return { left: Math.min(...xs), right: Math.max(...xs), top: Math.min(...ys), bottom: Math.max(...ys) };
};
/** Extents of strokes that were asked for: a stroke is never changed. */
const extents = new WeakMap<PlateStroke, Extent>();
function extentOfStroke(stroke: PlateStroke): Extent {
  const extent = extents.get(stroke) ?? extentOf(flattened(stroke.path));
  extents.set(stroke, extent);
  return extent;
}
const areaOf = ({ left, right, top, bottom }: Extent) => (right > left && bottom > top ? (right - left) * (bottom - top) : 0);
const overlap = (a: Extent, b: Extent) =>
  areaOf({ left: Math.max(a.left, b.left), right: Math.min(a.right, b.right), top: Math.max(a.top, b.top), bottom: Math.min(a.bottom, b.bottom) });
function likeness(a: Extent, b: Extent): number {
  const shared = overlap(a, b);
  return shared / (areaOf(a) + areaOf(b) - shared || 1);
}
const ringArea = (ring: readonly SheetPoint[]) =>
  Math.abs(ring.reduce((sum, [x, y], index) => sum + x * (ring[(index + 1) % ring.length]?.[1] ?? 0) - (ring[(index + 1) % ring.length]?.[0] ?? 0) * y, 0)) / 2;

function inside(points: readonly SheetPoint[], x: number, y: number): boolean {
  let within = false;
  let [x0, y0] = points.at(-1) ?? [0, 0];
  for (const [x1, y1] of points) {
    if (y0 > y !== y1 > y && x < ((x1 - x0) * (y - y0)) / (y1 - y0) + x0) within = !within;
    [x0, y0] = [x1, y1];
  }
  return within;
}
/** Whether an outline holds all of an upright rectangle: its corners, and no corner of the outline within. */
function contains(points: readonly SheetPoint[], { left, right, top, bottom }: Extent): boolean {
  for (const [x, y] of points) if (x > left && x < right && y > top && y < bottom) return false;
  return inside(points, left, top) && inside(points, right, top) && inside(points, right, bottom) && inside(points, left, bottom);
}

/** Where a line across the sheet meets outlines: least and largest of the other axis, or undefined where it meets none. */
function crossing(outlines: readonly SheetPoint[][], axis: 0 | 1, at: number): [number, number] | undefined {
  const other = axis === 0 ? 1 : 0;
  let [least, most] = [Infinity, -Infinity];
  for (const points of outlines) {
    let from = points.at(-1);
    for (const to of points) {
      if (from && from[axis] !== to[axis] && at >= Math.min(from[axis], to[axis]) && at <= Math.max(from[axis], to[axis])) {
        const met = from[other] + ((to[other] - from[other]) * (at - from[axis])) / (to[axis] - from[axis]);
        least = Math.min(least, met);
        most = Math.max(most, met);
      }
      from = to;
    }
  }
  return least > most ? undefined : [least, most];
}

/** Draws pieces of one vehicle in one view; make it once for all of them. */
export function pieceDrawer(body: Body, measures: Measures, view: View): (piece: Pick<Piece, 'box' | 'zone'>) => DrawnPiece {
  const strokes = outline(body, view, measures);
  const skin = (of: View) =>
    outline(body, of, measures)
      .filter(({ kind }) => kind === 'body')
      .map(({ path }) => flattened(path));
  const own = skin(view);
  const across = view === 'side' ? skin('front') : view === 'top' ? skin('side') : skin('top');
  const features = strokes
    .filter(({ kind, path }) => FEATURES.has(kind) && path.endsWith('Z'))
    .map((stroke) => ({ path: stroke.path, extent: extentOfStroke(stroke), least: stroke.kind === 'panel' ? ALIKE_PANEL : ALIKE }));
  const closed = (ring: SheetPoint[]): Polygon => [[...ring, ...ring.slice(0, 1)]];
  const whole = own.length > 0 ? clipping.union(closed(own[0] ?? []), ...own.slice(1).map(closed)) : [];
  const wheels = view === 'side' && strokes.some(({ kind }) => kind === 'arch') ? [0, measures.wheelbaseMm] : [];
  const tyre = measures.wheelDiameterMm / 2;
  /** What is never part of a piece beside it: arches, lamps. */
  const holes = [
    ...wheels.map((axle) => flattened(circle('arch', [axle, -tyre], tyre * 1.18).path)),
    ...strokes.filter(({ kind }) => kind === 'lamp' || kind === 'red').map(({ path }) => flattened(path)),
  ].map((points) => ({ polygon: closed(points), extent: extentOf(points) }));

  /** How far behind the skin the nearest face of a box lies. */
  function depthMm({ xMm, yMm, zMm }: BoxMm): number {
    const middle = ([low, high]: readonly [number, number]) => (low + high) / 2;
    switch (view) {
      case 'front':
        return -(crossing(across, 1, middle(yMm))?.[0] ?? -xMm[1]) - xMm[1];
      case 'rear':
        return xMm[0] + (crossing(across, 1, middle(yMm))?.[1] ?? -xMm[0]);
      case 'side':
        return (crossing(across, 1, -middle(zMm))?.[1] ?? yMm[1]) - yMm[1];
      case 'top':
        return -(crossing(across, 0, -middle(xMm))?.[0] ?? -zMm[1]) - zMm[1];
    }
  }

  function cut(ring: SheetPoint[], extent: Extent, radiusMm: number): string {
    const left = whole.length === 0 || own.some((points) => contains(points, extent)) ? [closed(ring)] : clipping.intersection(closed(ring), whole);
    // A hole inside a piece is drawn over it; one that reaches in at its edge is cut out.
    const bites = holes.filter((hole) => overlap(hole.extent, extent) > 0 && overlap(hole.extent, extent) < areaOf(hole.extent) * 0.98);
    const kept = bites.length === 0 || left.length === 0 ? left : clipping.difference(left, ...bites.map(({ polygon }) => polygon));
    const rings = kept.flatMap((polygon) => polygon.slice(0, 1).map((outer) => outer.slice(0, -1))).filter((each) => ringArea(each) > LEAST_MM2);
    const area = rings.reduce((sum, each) => sum + ringArea(each), 0);
    if (area < ringArea(ring) * HELD) return rounded(ring, radiusMm);
    return rings.map((each) => rounded(each, radiusMm)).join('');
  }

  return ({ box, zone }) => {
    const { x, y, width, height } = projectBox(view, box);
    const [wide, high] = [Math.max(width, 14), Math.max(height, 14)];
    const ring: SheetPoint[] = [
      [x, y],
      [x + wide, y],
      [x + wide, y + high],
      [x, y + high],
    ];
    const depth = depthMm(box);
    const behind = depth > SKIN_MM || zone === 'cabin' || (zone === 'underneath' && view === 'top');
    const radiusMm = Math.min(CORNER_MM, Math.min(wide, high) * 0.3);
    const extent = extentOf(ring);
    let alike: (typeof features)[number] | undefined;
    let most = 0;
    for (const feature of behind ? [] : features) {
      const over = likeness(feature.extent, extent) - feature.least;
      if (over >= most) [alike, most] = [feature, over];
    }
    const shape = behind ? { path: rounded(ring, radiusMm), extent } : alike ? alike : { path: cut(ring, extent, radiusMm), extent };
    return { path: shape.path, behind, depthMm: depth, middle: [x + wide / 2, y + high / 2], extent: shape.extent };
  };
}

/** Kinds of strokes that a lamp can be. */
const LAMP_KINDS: ReadonlySet<PlateKind> = new Set<PlateKind>(['lamp', 'lens', 'turn', 'red', 'blank']);
/** A lamp whose place is noted this far beside its drawn housing is that one. */
const BESIDE_MM = 45;

/** The smallest lamp that is drawn at a place of the sheet; undefined where there is none. */
export function lampAt(strokes: readonly PlateStroke[], [x, y]: SheetPoint): PlateStroke | undefined {
  let found: PlateStroke | undefined;
  let least = Infinity;
  for (const stroke of strokes) {
    if (!LAMP_KINDS.has(stroke.kind)) continue;
    const extent = extentOfStroke(stroke);
    const away = Math.max(extent.left - x, x - extent.right, extent.top - y, y - extent.bottom, 0);
    // One that holds the place goes before any beside it.
    const weight = areaOf(extent) + (away > 0 ? 1e9 + away * 1e6 : 0);
    if (away <= BESIDE_MM && weight < least) [found, least] = [stroke, weight];
  }
  return found;
}

/** What is cut out of a body as a part of its own, or set into it. */
const PARTS = new Set<PlateStroke['kind']>(['black', 'panel', 'lamp', 'blank', 'arch']);
/** A part of a body is at least so large and takes at most this share of the view, or it is a line on it, or the body itself. */
const PART = { leastMm: 60, share: 0.75 };

/** How far the parts of a body reach that are drawn at a place, the smallest first; none where the place lies on the body alone. */
export function partsAt(strokes: readonly PlateStroke[], [x, y]: SheetPoint): Extent[] {
  const extents = strokes.filter(({ path }) => /z$/i.test(path)).map((stroke) => ({ stroke, extent: extentOfStroke(stroke) }));
  const wide = Math.max(...extents.map(({ extent }) => extent.right - extent.left));
  const holds = ({ left, right, top, bottom }: Extent) => left <= x && x <= right && top <= y && y <= bottom;
  const isPart = ({ left, right, top, bottom }: Extent) => Math.min(right - left, bottom - top) >= PART.leastMm && right - left <= wide * PART.share;
  return extents
    .filter(({ stroke, extent }) => PARTS.has(stroke.kind) && isPart(extent) && holds(extent))
    .map(({ extent }) => extent)
    .sort((a, b) => areaOf(a) - areaOf(b));
}

/** Ids of what can be meant by a tap: what holds the point, the smallest first, then what is no farther from it than a finger reaches, the nearest first. */
export function meantAt(pieces: readonly { id: string; extent: Extent }[], [x, y]: SheetPoint, reachMm: number): string[] {
  const away = ({ left, right, top, bottom }: Extent) => Math.hypot(Math.max(left - x, 0, x - right), Math.max(top - y, 0, y - bottom));
  return pieces
    .map(({ id, extent }) => ({ id, away: away(extent), area: areaOf(extent) }))
    .filter((entry) => entry.away <= reachMm)
    .sort((a, b) => a.away - b.away || a.area - b.area)
    .map(({ id }) => id);
}

/** How far each layer moves out, as a share of the view's width, and which way across the sheet. */
const OUT = { share: 0.2, x: -0.7, y: 0.46 };

/** A piece moved out of the vehicle, with the lines of the drawing that are on it. */
export interface MovedPiece {
  id: string;
  dx: number;
  dy: number;
  on: PlateStroke[];
}

/**
 * Moves pieces out along one slant, each layer farther than the one behind it, so that each is seen with what it hides; drawn in this order the outer ones
 * lie on top. A line of the drawing goes with the smallest piece that holds it.
 */
export function movedOut(pieces: readonly (DrawnPiece & { id: string; layer: number })[], strokes: readonly PlateStroke[], widthMm: number): MovedPiece[] {
  const deepest = Math.max(0, ...pieces.map(({ layer }) => layer));
  const details = strokes.filter(({ kind }) => kind !== 'body' && kind !== 'tyre' && kind !== 'arch').map((stroke) => ({ stroke, extent: extentOfStroke(stroke) }));
  const outer = pieces.filter(({ behind }) => !behind).sort((a, b) => areaOf(a.extent) - areaOf(b.extent));
  const holder = ({ left, right, top, bottom }: Extent) =>
    outer.find(({ extent }) => extent.left <= left + 4 && extent.right >= right - 4 && extent.top <= top + 4 && extent.bottom >= bottom - 4)?.id;
  const owned = details.map(({ stroke, extent }) => ({ stroke, id: holder(extent) }));
  return [...pieces]
    .sort((a, b) => b.layer - a.layer || b.depthMm - a.depthMm)
    .map(({ id, layer }) => {
      const out = (deepest - layer + 1) * OUT.share * widthMm;
      return { id, dx: OUT.x * out, dy: OUT.y * out, on: owned.flatMap((entry) => (entry.id === id ? [entry.stroke] : [])) };
    });
}

import type { BoxMm, Measures, Side, SpanMm, Zone } from '@jade/core/vehicle';
import { viewOf, type SheetPoint, type View } from './outline.ts';

/** What a piece takes round the place that was pointed at, until somebody says its extent: across, up and behind the skin, in millimetres. */
export const AROUND_MM = { across: 360, up: 220, deep: 90 };
/** Within this share of half the width a place lies in the middle. */
const MIDDLE = 0.12;
/** The front end reaches this share of the length behind the nose, as far as the windscreen. */
const FRONT_END = 0.24;

const around = (middle: number, whole: number): SpanMm => [Math.round(middle - whole / 2), Math.round(middle + whole / 2)];

/** A part of the sheet: from the left, from above. */
export interface Part {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** The middle of a part. */
export const middleOfPart = ({ left, right, top, bottom }: Part): SheetPoint => [(left + right) / 2, (top + bottom) / 2];

/** Least edge of an extent that is dragged, in millimetres of the sheet: what is less was a tap. */
const LEAST_EXTENT_MM = 40;

/** The part of a sheet between two corners; nothing where it is too small to be meant. */
export function partBetween(one: SheetPoint | undefined, other: SheetPoint | undefined): Part | undefined {
  if (!one || !other) return undefined;
  const part = { left: Math.min(one[0], other[0]), right: Math.max(one[0], other[0]), top: Math.min(one[1], other[1]), bottom: Math.max(one[1], other[1]) };
  return part.right - part.left >= LEAST_EXTENT_MM && part.bottom - part.top >= LEAST_EXTENT_MM ? part : undefined;
}

/**
 * The box of a piece that lies behind the skin where somebody pointed at the sheet of a view. From the side it is the left side that is seen.
 * @param part what is drawn there as a part of its own: the piece is taken to be as large
 */
export function boxAround(view: View, at: SheetPoint, { frontOverhangMm, lengthMm, widthMm, heightMm, bonnetHeightMm }: Measures, part?: Part): BoxMm {
  const { deep } = AROUND_MM;
  const [x, y] = part ? middleOfPart(part) : at;
  const [across, up] = part ? [part.right - part.left, part.bottom - part.top] : [AROUND_MM.across, AROUND_MM.up];
  const rearMm = frontOverhangMm - lengthMm;
  switch (view) {
    case 'front':
      return { xMm: [frontOverhangMm - deep, frontOverhangMm], yMm: around(x, across), zMm: around(-y, up) };
    case 'rear':
      return { xMm: [rearMm, rearMm + deep], yMm: around(-x, across), zMm: around(-y, up) };
    case 'side':
      return { xMm: around(-x, across), yMm: [Math.round(widthMm / 2) - deep, Math.round(widthMm / 2)], zMm: around(-y, up) };
    case 'top': {
      const top = -x > frontOverhangMm - lengthMm * FRONT_END ? bonnetHeightMm : heightMm;
      return { xMm: around(-x, across), yMm: around(y, part ? up : across), zMm: [top - deep, top] };
    }
  }
}

const same = (one: BoxMm, other: BoxMm | undefined) => JSON.stringify(one) === JSON.stringify(other);

/** What is meant by pointing at a place: the smallest part that is drawn there; the next larger one where that stands already, and after the last the place itself. */
export function boxPointed(view: View, at: SheetPoint, measures: Measures, parts: readonly Part[], before: BoxMm | undefined): BoxMm {
  const boxes = [...parts.map((part) => boxAround(view, at, measures, part)), boxAround(view, at, measures)];
  const now = boxes.findIndex((box) => same(box, before));
  const [first] = boxes;
  return boxes[now + 1] ?? first ?? boxAround(view, at, measures);
}

/** On which side a box lies. */
export function sideOfBox({ yMm: [from, to] }: BoxMm, { widthMm }: Pick<Measures, 'widthMm'>): Side {
  const middle = (from + to) / 2;
  if (Math.abs(middle) <= (widthMm / 2) * MIDDLE) return 'centre';
  return middle > 0 ? 'left' : 'right';
}

/** The zone that a view shows of a place. */
export function zoneOfSpot(view: View, [x]: SheetPoint, { frontOverhangMm, lengthMm }: Pick<Measures, 'frontOverhangMm' | 'lengthMm'>): Zone {
  if (view === 'front' || view === 'rear') return view;
  if (view === 'side') return 'left-side';
  return -x > frontOverhangMm - lengthMm * FRONT_END ? 'front' : 'roof';
}

/** The zone of a place of a view: that of the piece before, where it is seen from the same side, as one works on from where one is. */
export const zoneNear = (view: View, at: SheetPoint, measures: Pick<Measures, 'frontOverhangMm' | 'lengthMm'>, before: Zone | undefined): Zone =>
  before !== undefined && viewOf(before) === view ? before : zoneOfSpot(view, at, measures);

/** A box on the side that is named: what was pointed at from the left is mirrored where it is on the right. */
export function boxOnSide(box: BoxMm, side: Side): BoxMm {
  const [from, to] = box.yMm;
  const is = (from + to) / 2;
  const turned = (side === 'right' && is > 0) || (side === 'left' && is < 0);
  return turned ? { ...box, yMm: [0 - to, 0 - from] } : box;
}

/** A zone on the side that is named: what was pointed at from the left lies on the right side where the piece does. */
export function zoneOnSide(zone: Zone, side: Side | undefined): Zone {
  if (zone !== 'left-side' && zone !== 'right-side') return zone;
  return side === 'left' || side === 'right' ? `${side}-side` : zone;
}

/** Where in a view a zone is pointed at when nobody did: its middle. */
export function middleOf(zone: Zone, { frontOverhangMm, lengthMm, heightMm, bonnetHeightMm }: Measures): SheetPoint {
  switch (zone) {
    case 'front':
    case 'rear':
      return [0, -bonnetHeightMm * 0.6];
    case 'left-side':
    case 'right-side':
      return [lengthMm / 2 - frontOverhangMm, -bonnetHeightMm * 0.6];
    case 'cabin':
      return [lengthMm / 2 - frontOverhangMm, -heightMm * 0.6];
    case 'roof':
    case 'underneath':
      return [lengthMm / 2 - frontOverhangMm, 0];
  }
}

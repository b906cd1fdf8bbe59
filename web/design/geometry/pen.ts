import type { Measures } from '@jade/core/vehicle';
import type { SheetPoint } from './paths.ts';
import { box, circle, line, shape, wheel, type PlateKind, type PlateStroke } from './plate.ts';

/** Draws in shares of a vehicle's own measures; the lists of shares are x and y by turns. */
export interface Pen {
  at: (x: number, y: number) => SheetPoint;
  shape: (kind: PlateKind, shares: readonly number[], radiusMm?: number) => PlateStroke;
  line: (kind: PlateKind, shares: readonly number[], radiusMm?: number) => PlateStroke;
  box: (kind: PlateKind, shares: readonly [number, number, number, number], radiusMm?: number) => PlateStroke;
  disc: (kind: PlateKind, shares: readonly [number, number], radiusMm: number) => PlateStroke;
}

/** A pen for a view that is alike on both sides of its middle. */
export interface MirrorPen extends Pen {
  /** A closed shape of which the shares name one half. */
  whole: (kind: PlateKind, half: readonly number[], radiusMm?: number) => PlateStroke;
  /** An open line of which the shares name one half, from its end to the middle. */
  arc: (kind: PlateKind, half: readonly number[], radiusMm?: number) => PlateStroke;
  /** What is drawn of one side, and the same on the other. */
  twin: (draw: (pen: Pen) => PlateStroke[]) => PlateStroke[];
}

type Place = (x: number, y: number) => SheetPoint;

function pen(at: Place): Pen {
  const points = (shares: readonly number[]): SheetPoint[] =>
    Array.from({ length: Math.floor(shares.length / 2) }, (_, index) => at(shares[2 * index] ?? 0, shares[2 * index + 1] ?? 0));
  return {
    at,
    shape: (kind, shares, radiusMm = 20) => shape(kind, points(shares), radiusMm),
    line: (kind, shares, radiusMm = 10) => line(kind, points(shares), radiusMm),
    box: (kind, [x0, y0, x1, y1], radiusMm = 12) => box(kind, at(x0, y0), at(x1, y1), radiusMm),
    disc: (kind, [x, y], radiusMm) => circle(kind, at(x, y), radiusMm),
  };
}

function mirrorPen(at: Place, turned: Place): MirrorPen {
  const [near, far] = [pen(at), pen(turned)];
  const halves = (half: readonly number[], ofFar: (points: SheetPoint[]) => SheetPoint[]): SheetPoint[] => {
    const each = (place: Place) => Array.from({ length: Math.floor(half.length / 2) }, (_, index) => place(half[2 * index] ?? 0, half[2 * index + 1] ?? 0));
    return [...each(at), ...ofFar(each(turned))];
  };
  return {
    ...near,
    whole: (kind, half, radiusMm = 20) =>
      shape(
        kind,
        halves(half, (points) => points.reverse()),
        radiusMm,
      ),
    arc: (kind, half, radiusMm = 10) =>
      line(
        kind,
        halves(half, (points) => points.reverse()),
        radiusMm,
      ),
    twin: (draw) => [...draw(near), ...draw(far)],
  };
}

/**
 * Where a height lies: -1 on the ground, 0 at the ground clearance, 1 at the bonnet, 2 at the roof, in between and above by the same rule, in mm above the ground.
 * So a drawing keeps its proportions whatever the measures are.
 */
export function heightAt({ groundClearanceMm: low, bonnetHeightMm: bonnet, heightMm: high }: Measures, share: number): number {
  if (share < 0) return low * (1 + share);
  return share <= 1 ? low + share * (bonnet - low) : bonnet + (share - 1) * (high - bonnet);
}

/** Where a length lies: 0 at the nose, 1 at the front axle, 2 at the rear axle, 3 at the tail, in mm behind the front axle. */
export function lengthAt({ frontOverhangMm: nose, wheelbaseMm: base, lengthMm: long }: Measures, share: number): number {
  if (share <= 1) return (share - 1) * nose;
  return share <= 2 ? (share - 1) * base : base + (share - 2) * (long - nose - base);
}

/** The share that `heightAt` puts at this height, in mm above the ground. */
function heightShare({ groundClearanceMm: low, bonnetHeightMm: bonnet, heightMm: high }: Measures, mm: number): number {
  if (mm < low) return mm / low - 1;
  return mm <= bonnet ? (mm - low) / (bonnet - low) : 1 + (mm - bonnet) / (high - bonnet);
}

/** The share that `lengthAt` puts at this place, in mm behind the front axle. */
function lengthShare({ frontOverhangMm: nose, wheelbaseMm: base, lengthMm: long }: Measures, mm: number): number {
  if (mm <= 0) return 1 + mm / nose;
  return mm <= base ? 1 + mm / base : 2 + (mm - base) / (long - nose - base);
}

/** How x and y of a drawing are written: as shares, or in millimetres of a vehicle of these measures from which the shares follow. */
interface Written {
  along: (x: number) => number;
  across: (x: number) => number;
  up: (y: number) => number;
}
function writtenFor(of: Measures | undefined): Written {
  if (!of) return { along: (x) => x, across: (x) => x, up: (y) => y };
  return { along: (x) => lengthShare(of, x), across: (x) => (2 * x) / of.widthMm, up: (y) => heightShare(of, y) };
}

/** Draws the left side: x along the vehicle (`lengthAt`), y up (`heightAt`); in millimetres of `of` where it is given. */
export function sidePen(m: Measures, of?: Measures): Pen {
  const { along, up } = writtenFor(of);
  return pen((x, y) => [lengthAt(m, along(x)), -heightAt(m, up(y))]);
}

/** Draws the front or the rear: x as a share of half the width from the middle, y up; in millimetres of `of` where it is given. A half is named on the left. */
export function endPen(m: Measures, of?: Measures): MirrorPen {
  const { across, up } = writtenFor(of);
  const place =
    (sign: 1 | -1): Place =>
    (x, y) => [(sign * across(x) * m.widthMm) / 2, -heightAt(m, up(y))];
  return mirrorPen(place(-1), place(1));
}

/** Draws the view from above: x along the vehicle, y as a share of half the width from the middle; in millimetres of `of` where it is given. */
export function topPen(m: Measures, of?: Measures): MirrorPen {
  const { along, across } = writtenFor(of);
  const place =
    (sign: 1 | -1): Place =>
    (x, y) => [lengthAt(m, along(x)), (sign * across(y) * m.widthMm) / 2];
  return mirrorPen(place(1), place(-1));
}

/** Both wheels of a side that turn in arches above the sill (`heightAt`). */
export function wheels(m: Measures, sill: number, archShare = 1.18): PlateStroke[] {
  const radius = m.wheelDiameterMm / 2;
  return [0, m.wheelbaseMm].flatMap((axle) => wheel([axle, -radius], radius, radius * archShare, -heightAt(m, sill)));
}

/** A black trim that follows each arch, drawn before the wheels. */
export function archTrims(m: Measures, sill: number, archShare = 1.38): PlateStroke[] {
  const radius = m.wheelDiameterMm / 2;
  return [0, m.wheelbaseMm].flatMap((axle) =>
    wheel([axle, -radius], radius, radius * archShare, -heightAt(m, sill))
      .slice(0, 1)
      .map((stroke): PlateStroke => ({ ...stroke, kind: 'black' })),
  );
}

/** A wheel from the side that turns in no arch, at an axle. */
export function bareWheel(m: Measures, axle: 0 | 1): PlateStroke[] {
  const radius = m.wheelDiameterMm / 2;
  return wheel([axle * m.wheelbaseMm, -radius], radius, radius, -radius).slice(1);
}

/** The tyres of an axle from ahead or behind, standing on the ground; none where no track was measured. */
export function tyres(m: Measures, widthMm: number, upShare = 0.7): PlateStroke[] {
  return (m.trackMm > 0 ? [-1, 1] : []).map((sign) => {
    const middle = (sign * m.trackMm) / 2;
    return box('tyre', [middle - widthMm / 2, -m.wheelDiameterMm * upShare], [middle + widthMm / 2, 0], 36);
  });
}

/** The one tyre that is seen of wheels in line. */
export const tyreInLine = (m: Measures, widthMm: number, radiusMm = 60): PlateStroke => box('tyre', [-widthMm / 2, -m.wheelDiameterMm], [widthMm / 2, 0], radiusMm);

import { degToRad, percentToDeg, radToDeg } from '../units/index.ts';
import type { AimBand, AimRule } from '../rules/index.ts';

/** Inches at 25 ft are angles at 300 in. */
const RANGE_25_FT_IN = 300;

/** Drop of a beam at a distance for a dip in percent: D·p/100, in the unit of the distance. 1.2 % at 10 000 mm is 120 mm. */
export function dropForPercent(distanceMm: number, dipPercent: number): number {
  return (distanceMm * dipPercent) / 100;
}

/** Drop of a beam at a distance for a dip in degrees: D·tan θ. 2.5° at 5 000 mm is 218.3 mm. */
export function dropForDegrees(distanceMm: number, dipDeg: number): number {
  return distanceMm * Math.tan(degToRad(dipDeg));
}

/**
 * The band of a rule for a reference height; undefined where the rule says nothing about it. A later band wins at a shared end; where
 * the later one begins a sliver after it, what lies between them belongs to the earlier.
 */
export function bandFor({ bands }: Pick<AimRule, 'bands'>, referenceMm: number): AimBand | undefined {
  const at = bands.findLastIndex((band) => referenceMm >= band.fromMm);
  const band = bands[at];
  return band && (referenceMm <= band.toMm || bands[at + 1] !== undefined) ? band : undefined;
}

/** A dip in a rule's own unit as degrees: percent, inches below at 25 ft, or degrees. */
export function dipInDegrees(rule: AimRule, dip: number): number {
  if (rule.family === 'percent') return percentToDeg(dip);
  if (rule.family === 'inches at 25 ft') return radToDeg(Math.atan(dip / RANGE_25_FT_IN));
  return dip;
}

export interface WallSetUp {
  distanceMm: number;
  /** Height of the floor at the wall below (negative) or above the plane the wheels stand on, carried on to the wall. */
  floorAtWallMm: number;
}

export interface LampPlace {
  lamp: string;
  /** Height of the rule's reference point above the floor at the lamp, in mm. */
  referenceMm: number;
  /** Sideways from the vehicle's centre line, left positive, in mm. */
  sidewaysMm: number;
}

/** Where the cut-off or hot spot of one lamp is wanted on the wall, heights above the floor at the wall. */
export interface WallMark {
  lamp: string;
  sidewaysMm: number;
  wantedMm: number;
  /** Highest and lowest height still in. */
  highestMm: number;
  lowestMm: number;
  wantedDipDeg: number;
  band: AimBand;
}

/**
 * Wall marks for one rule at a chosen distance. Mark height = reference height − drop, corrected by the floor's height at the
 * wall. Lamps of a height that no band covers are left out and named.
 */
export function wallMarks(rule: AimRule, lamps: readonly LampPlace[], wall: WallSetUp): { marks: WallMark[]; uncovered: string[] } {
  const marks: WallMark[] = [];
  const uncovered: string[] = [];
  for (const place of lamps) {
    const band = bandFor(rule, place.referenceMm);
    if (!band) {
      uncovered.push(place.lamp);
      continue;
    }
    const height = (dip: number) => place.referenceMm - wall.floorAtWallMm - dropForDegrees(wall.distanceMm, dipInDegrees(rule, dip));
    marks.push({
      lamp: place.lamp,
      sidewaysMm: place.sidewaysMm,
      wantedMm: height(band.wantedDip),
      highestMm: height(band.wantedDip - band.toleranceUp),
      lowestMm: height(band.wantedDip + band.toleranceDown),
      wantedDipDeg: dipInDegrees(rule, band.wantedDip),
      band,
    });
  }
  return { marks, uncovered };
}

export interface AimError {
  /** Up is positive in all of them. */
  errorMm: number;
  errorDeg: number;
  errorPercent: number;
  within: boolean;
  direction: 'up' | 'down' | 'none';
  /** Turns of the aim screw that bring it home; undefined where the lamp states no pitch. */
  screwTurns?: number;
}

/** A measured cut-off height on the wall against its mark: error = measured − wanted; degrees are the difference of the two angles. */
export function aimError(mark: WallMark, measuredMm: number, distanceMm: number, degPerTurn?: number): AimError {
  const errorMm = measuredMm - mark.wantedMm;
  const wantedTan = Math.tan(degToRad(mark.wantedDipDeg));
  const measuredDipDeg = radToDeg(Math.atan(wantedTan - errorMm / distanceMm));
  const errorDeg = mark.wantedDipDeg - measuredDipDeg;
  return {
    errorMm,
    errorDeg,
    errorPercent: (errorMm / distanceMm) * 100,
    within: measuredMm <= mark.highestMm + 1e-6 && measuredMm >= mark.lowestMm - 1e-6,
    direction: Math.abs(errorMm) < 0.5 ? 'none' : errorMm > 0 ? 'up' : 'down',
    screwTurns: degPerTurn ? Math.abs(errorDeg) / degPerTurn : undefined,
  };
}

/** Tilt of the cut-off in degrees from two heights on the wall; positive where the right end is high. */
export function cutOffTiltDeg(leftMm: number, rightMm: number, spacingMm: number): number {
  return radToDeg(Math.atan((rightMm - leftMm) / spacingMm));
}

/** Reach on axis √(I/E): how far a lamp of so many candela still gives so many lux. 9 600 cd at 1 lx is 98.0 m. */
export function reachM(peakCd: number, lux: number): number {
  return Math.sqrt(peakCd / lux);
}

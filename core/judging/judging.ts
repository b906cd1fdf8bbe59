import { LENS_GRADES, type LensGrade, type WarningLamp } from '../events/index.ts';
import type { GapPoint } from '../vehicle/index.ts';

/** What makes one wonder about a measure. It is said where it is entered, and allowed with a word that stays in the record. */
export type MeasureDoubt =
  | { code: 'other system'; systemV: number }
  | { code: 'battery low'; leastV: number }
  | { code: 'not at rest'; mostV: number }
  | { code: 'outside'; nominalMm: number; toleranceMm: number }
  | { code: 'changed'; beforeMm: number }
  | { code: 'uneven'; otherMm: number }
  | { code: 'alike'; count: number }
  | { code: 'no code'; lit: WarningLamp[] }
  | { code: 'lens uneven'; other: LensGrade }
  | { code: 'lens better'; before: LensGrade }
  | { code: 'no time' }
  | { code: 'long'; likelyMin: number };

/** Of a battery of 12 V, at rest: below the first it should be charged, above the second it was charged just now, beyond the others it is another battery. Defaults, to be confirmed. */
const REST = { lowV: 12, highV: 13, leastV: 8, mostV: 16 };
const OF_V = 12;

/** A battery at rest against the system of its vehicle. 12.4 V of 12 V and 24.8 V of 24 V say nothing. */
export function judgeRest(restV: number, systemVoltageV: number): MeasureDoubt[] {
  const times = systemVoltageV / OF_V;
  if (restV < REST.leastV * times || restV > REST.mostV * times) return [{ code: 'other system', systemV: systemVoltageV }];
  if (restV < REST.lowV * times) return [{ code: 'battery low', leastV: REST.lowV * times }];
  return restV > REST.highV * times ? [{ code: 'not at rest', mostV: REST.highV * times }] : [];
}

/** Gaps of one moment that are the same to the tenth of a millimetre before it is wondered at: this one among them. */
const ALIKE_FROM = 3;
/** Mirrored points of a profile lie so close, in millimetres. */
const MIRRORED_MM = 5;
/** How far a gap may be off where nobody states it, in millimetres; to be confirmed by the shop. */
const USUAL_MM = 1;
const far = (one: number, other: number, mostMm: number) => Math.abs(one - other) > mostMm + 1e-9;

/** The gap at the same place on the other side, where there is one. */
export function acrossFrom(gap: GapPoint, gaps: readonly GapPoint[]): GapPoint | undefined {
  if (gap.side === 'centre') return undefined;
  return gaps.find(
    (other) =>
      other.id !== gap.id &&
      other.side !== gap.side &&
      other.side !== 'centre' &&
      !far(other.at.xMm, gap.at.xMm, MIRRORED_MM) &&
      !far(other.at.zMm, gap.at.zMm, MIRRORED_MM) &&
      !far(other.at.yMm, -gap.at.yMm, MIRRORED_MM),
  );
}

/**
 * A panel gap against what it is meant to be where that is stated, against the other side, against how it was before, and against the others of the same moment.
 * @param measured widths of the same moment in millimetres, by gap
 * @param beforeMm how it was on arrival, of one that is measured leaving
 */
export function judgeGap(gap: GapPoint, widthMm: number, gaps: readonly GapPoint[], measured: Readonly<Record<string, number>>, beforeMm?: number): MeasureDoubt[] {
  const { nominalMm, toleranceMm = USUAL_MM } = gap;
  const across = acrossFrom(gap, gaps);
  const otherMm = across && measured[across.id];
  const alike = Object.entries(measured).filter(([id, width]) => id !== gap.id && !far(width, widthMm, 0.05)).length + 1;
  return [
    ...(nominalMm !== undefined && far(widthMm, nominalMm, toleranceMm) ? [{ code: 'outside' as const, nominalMm, toleranceMm }] : []),
    ...(beforeMm !== undefined && far(widthMm, beforeMm, toleranceMm) ? [{ code: 'changed' as const, beforeMm }] : []),
    ...(otherMm !== undefined && far(widthMm, otherMm, toleranceMm) ? [{ code: 'uneven' as const, otherMm }] : []),
    ...(alike >= ALIKE_FROM ? [{ code: 'alike' as const, count: alike }] : []),
  ];
}

/** What stands against opening a job: it is promised for a time that is past, or the vehicle has one that is open. */
export type OpeningDoubt = 'promise past' | 'job open';

/**
 * What makes one wonder about a job that is to be opened.
 * @param promisedAt when it is promised for, as an ISO time; undefined where it is not
 * @param lastSigned whether the vehicle's last job is signed; undefined of a vehicle that was not here before
 * @param second somebody said that a second one is meant
 */
export function judgeOpening(promisedAt: string | undefined, lastSigned: boolean | undefined, second: boolean, now: string): OpeningDoubt[] {
  return [
    ...(promisedAt !== undefined && Date.parse(promisedAt) < Date.parse(now) ? ['promise past' as const] : []),
    ...(lastSigned === false && !second ? ['job open' as const] : []),
  ];
}

/** Warning lamps that a control unit lights and keeps a fault code for; the others look at a level, a pressure or a bulb alone. */
const CODED: readonly WarningLamp[] = ['engine', 'anti-lock brakes', 'stability', 'airbag', 'power steering', 'headlamp levelling', 'driver assistance', 'high voltage'];

/**
 * Warning lamps that are lit against the fault codes of the same moment: one that a control unit lights while none is stored is wondered at.
 * @param codes how many fault codes were read then; undefined while they are not read
 */
export function judgeWarnings(lit: readonly WarningLamp[], codes: number | undefined): MeasureDoubt[] {
  const coded = codes === 0 ? lit.filter((lamp) => CODED.includes(lamp)) : [];
  return coded.length > 0 ? [{ code: 'no code', lit: coded }] : [];
}

/** How much worse one lens is than another, in grades: below zero where it is better. */
export const lensWorse = (grade: LensGrade, than: LensGrade): number => LENS_GRADES.indexOf(grade) - LENS_GRADES.indexOf(than);

/**
 * A lens against the one across from it, and against how it came: lenses of one age haze alike, and none clears up by itself.
 * @param across the lens of the other side at the same moment
 * @param before how it came, of one that leaves
 */
export function judgeLens(grade: LensGrade, across: LensGrade | undefined, before?: LensGrade): MeasureDoubt[] {
  return [
    ...(across !== undefined && across !== grade ? [{ code: 'lens uneven' as const, other: across }] : []),
    ...(before !== undefined && lensWorse(grade, before) < 0 ? [{ code: 'lens better' as const, before }] : []),
  ];
}

/** Minutes above which one wonders, of work for which the profile gives no time. A default, to be confirmed. */
export const LONG_MIN = 60;

/**
 * Minutes as somebody says them of work.
 * @param likelyMin what they hardly exceed
 */
export function judgeMinutes(minutes: number, likelyMin = LONG_MIN): MeasureDoubt[] {
  if (minutes <= 0) return [{ code: 'no time' }];
  return minutes > likelyMin ? [{ code: 'long', likelyMin }] : [];
}

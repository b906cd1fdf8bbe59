import { checkVehicleNumber, type NumberRemark, type VehicleProfile } from '../vehicle/index.ts';

export const MILEAGE_UNITS = ['km', 'mi'] as const;
export type MileageUnit = (typeof MILEAGE_UNITS)[number];

/** What the vehicle's counter showed, as it was read. */
export interface Mileage {
  value: number;
  unit: MileageUnit;
}

/** What of a profile a vehicle's number and year are held against. */
export type NumberedKind = Pick<VehicleProfile, 'years' | 'numberCheckDigit' | 'numberYearByPlace7'>;

/** What makes one wonder about a customer's vehicle; nothing of it refuses the vehicle. */
export type VehicleRemark =
  | NumberRemark
  /** The number tells other years than the one written down. */
  | { code: 'year-not-told'; year: number; told: number[] }
  /** At the vehicle another number is read than the shop has written down for it. */
  | { code: 'number-other'; written: string }
  /** The kind of vehicle was not made in that year. */
  | { code: 'year-outside'; year: number; from: number; to?: number };

const MM_PER_KM = 1_000_000;
const MM_PER_MI = 1_609_344;

const inMm = ({ value, unit }: Mileage) => value * (unit === 'km' ? MM_PER_KM : MM_PER_MI);

/**
 * Whether a counter shows less than it did before: read wrongly, exchanged, or another vehicle. Units may differ (1 mi is 1.609344 km,
 * the international mile); what was read in whole units may be off by one of each.
 */
export function mileageFell(before: Mileage, now: Mileage): boolean {
  return inMm(now) + inMm({ value: 1, unit: now.unit }) + inMm({ value: 1, unit: before.unit }) <= inMm(before);
}

const madeIn = ({ years }: NumberedKind, year: number) => year >= years.from && year <= (years.to ?? Infinity);

/**
 * Model years that a vehicle number tells: those of place 10, and of these the ones in which the kind of vehicle was made, where any
 * of them is among those. Empty where the number is not a whole one.
 */
export function yearsTold(number: string, kind: NumberedKind): number[] {
  const { years } = checkVehicleNumber(number, kind.numberCheckDigit, kind.numberYearByPlace7);
  const made = years.filter((year) => madeIn(kind, year));
  return made.length > 0 ? made : years;
}

/** Whether on a visit the counter showed less than on the last one before it on which it was read; visits the last first. */
export function counterFell(visits: readonly { mileage: Mileage | null }[], visit: number): boolean {
  const now = visits[visit]?.mileage;
  const before = visits.slice(visit + 1).find(({ mileage }) => mileage !== null)?.mileage;
  return now && before ? mileageFell(before, now) : false;
}

/** What is odd about a vehicle's number and year, held against its kind, and against the number `written` down for it before. */
export function remarksOn({ number, year, written }: { number?: string; year?: number; written?: string }, kind: NumberedKind): VehicleRemark[] {
  const check = number ? checkVehicleNumber(number, kind.numberCheckDigit, kind.numberYearByPlace7) : undefined;
  const remarks: VehicleRemark[] = [...(check?.remarks ?? [])];
  if (check && written && check.number !== checkVehicleNumber(written, false).number) remarks.push({ code: 'number-other', written });
  if (year === undefined) return remarks;
  const told = number ? yearsTold(number, kind) : [];
  if (told.length > 0 && !told.includes(year)) remarks.push({ code: 'year-not-told', year, told });
  if (!madeIn(kind, year)) remarks.push({ code: 'year-outside', year, from: kind.years.from, to: kind.years.to });
  return remarks;
}

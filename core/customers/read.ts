import type { Mileage, MileageUnit } from './remarks.ts';

/** Model years that can be written down. */
export const YEARS = { least: 1950, most: 2100 };
const MOST_ON_COUNTER = 9_999_999;

/** A model year as somebody typed it: undefined where nothing stands there, null where it is none. */
export function readYear(text: string): number | undefined | null {
  const written = text.trim();
  if (written === '') return undefined;
  const year = Number(written);
  return Number.isInteger(year) && year >= YEARS.least && year <= YEARS.most ? year : null;
}

/** What the counter shows as somebody typed it, in whole units, with dots, commas or spaces between the thousands: undefined where nothing stands there, null where it is none. */
export function readCounter(text: string, unit: MileageUnit): Mileage | undefined | null {
  const written = text.replace(/[\s.,]/g, '');
  if (written === '') return text.trim() === '' ? undefined : null;
  return /^\d+$/.test(written) && Number(written) <= MOST_ON_COUNTER ? { value: Number(written), unit } : null;
}

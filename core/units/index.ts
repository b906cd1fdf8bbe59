export * from './typed.ts';

/** Minutes as whole hundredths, so that sums and comparisons of plans are exact. */
export function minutesToHundredths(minutes: number): number {
  return Math.round(minutes * 100);
}

/** Whole hundredths of a minute back to minutes. */
export function hundredthsToMinutes(hundredths: number): number {
  return hundredths / 100;
}

/** Minutes of each of several people who work together, in whole hundredths; all of them together take no less than a least in person-minutes. */
export function minutesEach(personMin: number, people: number, leastPersonMin = 0): number {
  const each = minutesToHundredths(personMin / people);
  const least = minutesToHundredths(leastPersonMin);
  return hundredthsToMinutes(each * people < least ? Math.ceil(least / people) : each);
}

/** Millimetres to inches; 1 in is 25.4 mm by definition. */
export function mmToInches(lengthMm: number): number {
  return lengthMm / 25.4;
}

/** Inches to millimetres; 1 in is 25.4 mm by definition. */
export function inchesToMm(lengthIn: number): number {
  return lengthIn * 25.4;
}

/** Degrees to radians. */
export function degToRad(angleDeg: number): number {
  return (angleDeg * Math.PI) / 180;
}

/** Radians to degrees. */
export function radToDeg(angleRad: number): number {
  return (angleRad * 180) / Math.PI;
}

/** A slope in percent (rise per hundred) as an angle in degrees. */
export function percentToDeg(slopePercent: number): number {
  return radToDeg(Math.atan(slopePercent / 100));
}

/** An angle in degrees as a slope in percent. */
export function degToPercent(angleDeg: number): number {
  return Math.tan(degToRad(angleDeg)) * 100;
}

/** Minutes from one moment to another, by the clocks of the devices that say them. */
export const minutesBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / 60_000;

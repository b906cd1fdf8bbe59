import type { ShopWays } from './moments.ts';

export { LANGUAGE } from './language.ts';
export * from './moments.ts';

const MINUS = '\u2212';
const GAP = '\u202f';

function fixed(value: number, digits: number): string {
  const text = Math.abs(value).toFixed(digits);
  return value < 0 && Number(text) !== 0 ? MINUS + text : text;
}

/** A number with so many places after the point and its unit. */
export function amount(value: number, unit: string, digits = 0): string {
  return `${fixed(value, digits)}${GAP}${unit}`;
}

/** Minutes as hours and minutes where they are many: 95.4 is 1 h 35 min, 4.5 is 4.5 min. */
export function minutes(value: number): string {
  if (value < 10) return amount(value, 'min', Number.isInteger(value) ? 0 : 1);
  const whole = Math.round(value);
  if (whole < 60) return amount(whole, 'min');
  const rest = whole % 60;
  const hours = amount(Math.floor(whole / 60), 'h');
  return rest === 0 ? hours : `${hours} ${amount(rest, 'min')}`;
}

/** Person-minutes, so that nobody takes them for time on the clock. */
export function personMinutes(value: number): string {
  return `${fixed(value, value < 10 && !Number.isInteger(value) ? 1 : 0)}${GAP}person-min`;
}

/** Time that runs down, in seconds: 605 is 10 min 05 s. */
export const minutesSeconds = (seconds: number): string => `${Math.floor(seconds / 60)}${GAP}min ${String(seconds % 60).padStart(2, '0')}${GAP}s`;

export function millimetres(value: number, digits = 0): string {
  return amount(value, 'mm', digits);
}

export function inches(value: number, digits = 2): string {
  return amount(value, 'in', digits);
}

/** Millimetres and inches beside each other; which of them leads is the shop's to say. */
export function bothLengths(lengthMm: number, leads: ShopWays['lengths'] = 'mm'): string {
  const [metric, inch] = [millimetres(lengthMm), inches(lengthMm / 25.4, 1)];
  return leads === 'in' ? `${inch} (${metric})` : `${metric} (${inch})`;
}

export function degrees(value: number, digits = 1): string {
  return `${fixed(value, digits)}°`;
}

export function percent(share: number, digits = 0): string {
  return `${fixed(share * 100, digits)}${GAP}%`;
}

export function volts(value: number, digits = 2): string {
  return amount(value, 'V', digits);
}

export function amperes(value: number, digits = 1): string {
  return amount(value, 'A', digits);
}

/** A figure as it is stated on a part: whole, or with its tenth where it has one, such as a fuse of 7.5 A. */
export function stated(value: number, unit: string): string {
  return amount(value, unit, Number.isInteger(value) ? 0 : 1);
}

export function metres(value: number, digits = 2): string {
  return amount(value, 'm', digits);
}

/** Money from whole smallest coins. */
export function money(cents: number, currency: string): string {
  return `${fixed(cents / 100, 2)}${GAP}${currency}`;
}

/** A sentence as it begins. */
export const capitalised = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}`;

/** A name inside a sentence: its first letter small, unless it begins with an abbreviation such as LED. */
export function inSentence(name: string): string {
  return /^[A-Z][a-z]/.test(name) ? name.charAt(0).toLowerCase() + name.slice(1) : name;
}

/** "1 screw", "3 screws". */
export function plural(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`;
}

/** Between what a measure lies. */
export const sayBetween = (least: number | undefined, most: number | undefined, unit: string): string =>
  least === undefined ? `At most ${most} ${unit}.` : most === undefined ? `At least ${least} ${unit}.` : `Between ${least} and ${most} ${unit}.`;

/** A text that is longer than what is kept of it. */
export const sayTooLong = (over: number, most: number): string => `${plural(over, 'character')} too many: ${most} at most.`;

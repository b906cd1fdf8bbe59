import { LANGUAGE } from './language.ts';
/** How a shop writes measures and times: which length leads, and its own clock. */
export interface ShopWays {
  /** Which of two lengths leads where both stand. */
  lengths?: 'mm' | 'in';
  /** Name of the time zone, such as "Etc/UTC". */
  timeZone?: string;
}

/** A moment by the clock of the shop: "5 March 2026, 15:00". */
export function sayMoment(iso: string, { timeZone = 'UTC' }: Pick<ShopWays, 'timeZone'>): string {
  const written = new Intl.DateTimeFormat(LANGUAGE, { day: 'numeric', month: 'long', year: 'numeric', hour: '2-digit', minute: '2-digit', timeZone });
  return written.format(new Date(iso)).replace(' at ', ', ');
}

/** A day: "19 March 2026". */
export function sayDay(day: string): string {
  return new Intl.DateTimeFormat(LANGUAGE, { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`));
}

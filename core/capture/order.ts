import type { LoggedEvent } from '../job/index.ts';

/** Entries of two devices nearer to each other than this are put in order by people, not by clocks. */
const APART_MS = 60_000;

/** How much later than a device's clock the server's was at the same moment, in milliseconds, by device. */
export type ClockSkews = Readonly<Record<string, number>>;

/**
 * How far each device's clock is off, from when its entries were made by it and taken by the server: what is made is taken at once or later, so the least
 * difference is the clock's own.
 * @returns milliseconds to be added to a device's time, by device
 */
export function clockSkews(entries: readonly { device: string; at: string; storedAt: string }[]): Record<string, number> {
  const skews: Record<string, number> = {};
  for (const { device, at, storedAt } of entries) {
    const difference = Date.parse(storedAt) - Date.parse(at);
    if (Number.isFinite(difference)) skews[device] = Math.min(skews[device] ?? Infinity, difference);
  }
  return skews;
}

/** An entry of the log at its time by the server's clock. */
export interface Timed {
  event: LoggedEvent;
  device: string;
  ms: number;
  /** Its place in the order of time. */
  place: number;
}

/** Entries in the order in which they happened: each device's as it made them, those of several by their clocks as corrected. */
export function inOrder(events: readonly LoggedEvent[], skews: ClockSkews): Timed[] {
  const last = new Map<string, number>();
  const timed = events.map((event, place): Timed => {
    const device = event.device ?? '';
    const ms = Math.max(last.get(device) ?? -Infinity, Date.parse(event.at) + (skews[device] ?? 0));
    last.set(device, ms);
    return { event, device, ms, place };
  });
  return timed.sort((a, b) => a.ms - b.ms || a.place - b.place).map((entry, place) => ({ ...entry, place }));
}

/** Which of two entries came first, as people said: the first and the second, put together. */
export function ordersOf(events: readonly LoggedEvent[]): ReadonlySet<string> {
  return new Set(events.flatMap((event) => (event.type === 'moves.ordered' ? [`${event.payload.first} ${event.payload.then}`] : [])));
}

/** Whether one entry came before another: by one device's own order, by clocks that are far enough apart, or by what somebody said. */
export function orderSaid(
  one: Pick<Timed, 'device' | 'ms' | 'place'> & { event: string },
  other: Pick<Timed, 'device' | 'ms' | 'place'> & { event: string },
  said: ReadonlySet<string>,
): 'before' | 'after' | 'unknown' {
  if (said.has(`${one.event} ${other.event}`)) return 'before';
  if (said.has(`${other.event} ${one.event}`)) return 'after';
  if (one.device !== other.device && Math.abs(one.ms - other.ms) < APART_MS) return 'unknown';
  return one.place < other.place ? 'before' : 'after';
}

import type { LoggedEvent } from '../events/index.ts';

/** Entries of two devices nearer to each other than this are put in order by people, not by clocks. */
const APART_MS = 60_000;

/** An entry that was taken within this of being made was made by somebody who had the server: then the clock is off by no more than that shows. */
const LIVE_MS = 60_000;

/** How much later than a device's clock the server's was at the same moment, in milliseconds, by device; of one that is not named nobody can say. */
export type ClockSkews = Readonly<Record<string, number>>;

/**
 * How far each device's clock is off, from when its entries were made by it and taken by the server: what is made is taken at once or later, so the least
 * difference is the clock's own. A device of which even that is long was away from the server all the time, or has a slow clock: which of them, nothing says,
 * so it is left out.
 * @returns milliseconds to be added to a device's time, by device
 */
export function clockSkews(entries: readonly { device: string; at: string; storedAt: string }[]): Record<string, number> {
  const least: Record<string, number> = {};
  for (const { device, at, storedAt } of entries) {
    const difference = Date.parse(storedAt) - Date.parse(at);
    if (Number.isFinite(difference)) least[device] = Math.min(least[device] ?? Infinity, difference);
  }
  return Object.fromEntries(Object.entries(least).filter(([, difference]) => difference <= LIVE_MS));
}

/** An entry of the log at its time by the server's clock. */
export interface Timed {
  event: LoggedEvent;
  device: string;
  ms: number;
  /** Whether its device's clock is known to be right, or by how much it is not. */
  sure: boolean;
  /** Its place in the order of time, and in the log. */
  place: number;
  logged: number;
}

/** Entries in the order in which they happened: each device's as it made them, those of several by their clocks as corrected. */
export function inOrder(events: readonly LoggedEvent[], skews?: ClockSkews): Timed[] {
  const last = new Map<string, number>();
  const timed = events.map((event, place): Timed => {
    const device = event.device ?? '';
    const ms = Math.max(last.get(device) ?? -Infinity, Date.parse(event.at) + (skews?.[device] ?? 0));
    last.set(device, ms);
    return { event, device, ms, sure: skews === undefined || skews[device] !== undefined, place, logged: place };
  });
  return timed.sort((a, b) => a.ms - b.ms || a.place - b.place).map((entry, place) => ({ ...entry, place }));
}

/** Which of two entries came first, as people said: the first and the second, put together. */
export function ordersOf(events: readonly LoggedEvent[]): ReadonlySet<string> {
  return new Set(events.flatMap((event) => (event.type === 'moves.ordered' ? [`${event.payload.first} ${event.payload.then}`] : [])));
}

type Placed = Pick<Timed, 'device' | 'ms' | 'place' | 'sure'> & { event: string };

/** Whether one entry came before another: by one device's own order, by clocks that are known and far enough apart, or by what somebody said. */
export function orderSaid(one: Placed, other: Placed, said: ReadonlySet<string>): 'before' | 'after' | 'unknown' {
  if (said.has(`${one.event} ${other.event}`)) return 'before';
  if (said.has(`${other.event} ${one.event}`)) return 'after';
  if (one.device !== other.device && (!one.sure || !other.sure || Math.abs(one.ms - other.ms) < APART_MS)) return 'unknown';
  return one.place < other.place ? 'before' : 'after';
}

/**
 * Whether one entry may have come after another, so that who made the other cannot have spoken of it: it stands later in the log, or another device made it
 * at a later time, or within a minute of it where both clocks are known.
 */
export function mayFollow(one: Omit<Timed, 'event'>, other: Omit<Timed, 'event'>): boolean {
  if (one.logged > other.logged) return true;
  return one.device !== other.device && one.ms > other.ms - (one.sure && other.sure ? APART_MS : 0);
}

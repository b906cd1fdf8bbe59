/** What the board knows of a job when it puts it into its group. */
export interface OnBoard {
  id: string;
  bay: string | null;
  promisedAt: string | null;
  left: boolean;
  leftAt: string | null;
}

/** The number of a day in the reader's own calendar, from whatever day it is counted. */
export type DayOf = (iso: string) => number;

export type DayGroup = 'late' | 'today' | 'tomorrow' | 'later' | 'no promise';
const DAYS: readonly DayGroup[] = ['late', 'today', 'tomorrow', 'later', 'no promise'];

/** In which group of days a job in the shop stands; one that is promised for earlier today and still here is late. */
export function dayGroupOf({ promisedAt }: Pick<OnBoard, 'promisedAt'>, now: string, dayOf: DayOf): DayGroup {
  if (promisedAt === null) return 'no promise';
  if (Date.parse(promisedAt) < Date.parse(now)) return 'late';
  const days = dayOf(promisedAt) - dayOf(now);
  return days <= 0 ? 'today' : days === 1 ? 'tomorrow' : 'later';
}

/** By how much a promise is past: whole hours up to two days, then whole days. */
export interface Late {
  in: 'hours' | 'days';
  count: number;
}
const HOUR_MS = 3_600_000;
const DAY_HOURS = 24;

/** By how much what was promised is past; undefined where it is not, or nothing was. */
export function lateBy({ promisedAt }: Pick<OnBoard, 'promisedAt'>, now: string): Late | undefined {
  const pastMs = promisedAt === null ? -1 : Date.parse(now) - Date.parse(promisedAt);
  if (pastMs <= 0) return undefined;
  const hours = Math.floor(pastMs / HOUR_MS);
  return hours < 2 * DAY_HOURS ? { in: 'hours', count: hours } : { in: 'days', count: Math.floor(hours / DAY_HOURS) };
}

const byPromise = (a: OnBoard, b: OnBoard) => (a.promisedAt ?? '9').localeCompare(b.promisedAt ?? '9') || a.id.localeCompare(b.id);

/** Jobs in the shop by day, what is late first; groups without a job are not there. */
export function byDay<J extends OnBoard>(jobs: readonly J[], now: string, dayOf: DayOf): { group: DayGroup; jobs: J[] }[] {
  const here = jobs.filter(({ left }) => !left).sort(byPromise);
  return DAYS.map((group) => ({ group, jobs: here.filter((job) => dayGroupOf(job, now, dayOf) === group) })).filter((entry) => entry.jobs.length > 0);
}

/**
 * Jobs in the shop by bay, in the order of the shop's bays; a bay with nothing in it is there too. What stands in no bay, or in one that the shop
 * no longer has, comes last under `null` or under that name.
 */
export function byBay<J extends OnBoard>(jobs: readonly J[], bays: readonly string[]): { bay: string | null; jobs: J[] }[] {
  const here = jobs.filter(({ left }) => !left).sort(byPromise);
  const others = [...new Set(here.map(({ bay }) => bay).filter((bay): bay is string => bay !== null && !bays.includes(bay)))].sort();
  const nowhere = here.some(({ bay }) => bay === null) ? [null] : [];
  return [...bays, ...others, ...nowhere].map((bay) => ({ bay, jobs: here.filter((job) => job.bay === bay) }));
}

const WEEK = 7;

/**
 * Jobs that have left, by the week in which they did, the last first: how many weeks ago, and a day of that week to name it by.
 * @param weekdayOf day of the week of a moment, Monday 0
 */
export function byWeekLeft<J extends OnBoard>(
  jobs: readonly J[],
  now: string,
  dayOf: DayOf,
  weekdayOf: (iso: string) => number,
): { weeksAgo: number; mondayAgoDays: number; jobs: J[] }[] {
  const monday = (iso: string) => dayOf(iso) - weekdayOf(iso);
  const left = jobs
    .flatMap((job) => (job.left && job.leftAt !== null ? [{ job, at: job.leftAt }] : []))
    .sort((a, b) => b.at.localeCompare(a.at) || a.job.id.localeCompare(b.job.id));
  const weeks = new Map<number, J[]>();
  for (const { job, at } of left) {
    const ago = Math.max(0, (monday(now) - monday(at)) / WEEK);
    weeks.set(ago, [...(weeks.get(ago) ?? []), job]);
  }
  return [...weeks].sort(([a], [b]) => a - b).map(([weeksAgo, list]) => ({ weeksAgo, mondayAgoDays: weekdayOf(now) + weeksAgo * WEEK, jobs: list }));
}

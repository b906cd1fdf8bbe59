import type { DayGroup, Late } from '@jade/core/board';
import { plural } from '@jade/words/units';

/** The day board. */
export const BOARD = {
  title: 'Day board',
  open: 'Open a job',
  by: 'Board by',
  byDay: 'By day',
  byBay: 'By bay',
  noPromise: 'nothing promised',
  noBay: 'no bay',
  noBayName: 'In no bay',
  leftOn: (day: string) => `left ${day}`,
  stationsOf: (plate: string) => `Stations of ${plate}`,
  nobody: 'nobody on it',
  night: 'left open overnight',
  left: 'Left the shop',
  free: 'Nothing stands here.',
  find: 'Find a job',
  findHint: 'number, plate, customer, kit, vehicle or body',
  finding: 'Searching…',
  found: (count: number, words: string) => `${plural(count, 'job')} for “${words}”`,
  noneFound: (words: string) => `No job is found by “${words}”.`,
  clear: 'Back to the board',
  away: 'The board cannot be read: the server is away.',
  again: 'Try again',
  reading: 'Reading the board…',
  empty: 'No job is open. Open one for the vehicle that stands in the yard.',
  marksWhy: 'Eleven marks, one for each station in the order of work, each with its state. The line beside or below them says what holds the job back now.',
  more: (count: number) => `Show ${plural(count, 'earlier job')}`,
} as const;

/** What each mark of a station says. */
export const MARKS: readonly { state: 'not begun' | 'under way' | 'settled' | 'needs an answer' | 'blocked'; text: string }[] = [
  { state: 'not begun', text: 'not begun' },
  { state: 'under way', text: 'under way' },
  { state: 'settled', text: 'settled: nothing is open there' },
  { state: 'needs an answer', text: 'somebody has to decide something' },
  { state: 'blocked', text: 'cannot go on as it is' },
];

const DAY_GROUPS: Readonly<Record<DayGroup, string>> = {
  late: 'Past its promise',
  today: 'Today',
  tomorrow: 'Tomorrow',
  later: 'Later',
  'no promise': 'Nothing promised',
};
export const sayDayGroup = (group: DayGroup): string => DAY_GROUPS[group];

/** A week that jobs left in. */
export const sayWeek = (weeksAgo: number, monday: string): string => (weeksAgo === 0 ? 'This week' : weeksAgo === 1 ? 'Last week' : `Week of ${monday}`);

/** By how much a promise is past. */
export function sayLate({ in: unit, count }: Late): string {
  return unit === 'hours' && count < 1 ? 'just past its promise' : `${plural(count, unit === 'hours' ? 'hour' : 'day')} past its promise`;
}

export * from './views.ts';

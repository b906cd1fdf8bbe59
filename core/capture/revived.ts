import { standingEvents } from '../log/index.ts';
import type { LoggedEvent } from '../events/index.ts';
import type { Supply, SupplyId } from '../vehicle/index.ts';

/** Minutes that setting again what a vehicle forgot took, of one supply on one job. */
export interface Revived {
  supply: SupplyId;
  minutes: number;
}

/** Longer nobody sets clocks and windows without a break. */
const LONGEST_MIN = 60;

/** Minutes from a supply being live until its person had set again all that it forgets; undefined where that person did something else before, or never did it all. */
function minutesAfter(live: LoggedEvent, later: readonly LoggedEvent[], { id, forgets }: Supply): number | undefined {
  const missing = new Set(forgets);
  for (const event of later) {
    if (event.person !== live.person || (event.act !== undefined && event.act === live.act)) continue;
    if (event.type !== 'setting.restored' || event.payload.supply !== id) return undefined;
    missing.delete(event.payload.setting);
    if (missing.size > 0) continue;
    const minutes = (Date.parse(event.at) - Date.parse(live.at)) / 60_000;
    return minutes > 0 && minutes <= LONGEST_MIN ? minutes : undefined;
  }
  return undefined;
}

/** What bringing supplies back took on a job besides their pieces, by its log: the last time of each, where one person did it all at one go. */
export function revivedIn(log: readonly LoggedEvent[], supplies: readonly Supply[]): Revived[] {
  const events = standingEvents(log);
  return supplies.flatMap((supply): Revived[] => {
    const at = events.findLastIndex((event) => event.type === 'supply.set' && event.payload.supply === supply.id && event.payload.is === 'live');
    const live = events[at];
    const minutes = live && supply.forgets.length > 0 ? minutesAfter(live, events.slice(at + 1), supply) : undefined;
    return minutes === undefined ? [] : [{ supply: supply.id, minutes }];
  });
}

/** What bringing a supply back takes by the jobs that measured it: the mean of logarithms, in tenths of a minute; undefined where none did. */
export function liveMinOf(supply: SupplyId, told: readonly { job: string; revived?: readonly Revived[] }[]): { liveMin: number; jobs: string[] } | undefined {
  const taken = told.flatMap(({ job, revived = [] }) => revived.flatMap((entry) => (entry.supply === supply ? [{ job, minutes: entry.minutes }] : [])));
  if (taken.length === 0) return undefined;
  const liveMin = Math.round(10 * Math.exp(taken.reduce((sum, { minutes }) => sum + Math.log(minutes), 0) / taken.length)) / 10;
  return { liveMin, jobs: taken.map(({ job }) => job) };
}

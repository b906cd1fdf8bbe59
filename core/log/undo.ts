import type { Fault } from '../faults/index.ts';
import { flagsOf, type JobEvent, type LoggedEvent } from '../events/index.ts';
import { undoneEvents } from './fold.ts';

/** Whether an event is of a kind that can be undone. */
export const canUndo = (event: Pick<JobEvent, 'type'>): boolean => !flagsOf(event).stays;

/** What an event takes back: the event it names with the rest of its act, or all of the act it names. None where it undoes nothing or nothing is there. */
export function undoTargets<T extends JobEvent | LoggedEvent>(log: readonly T[], event: JobEvent): T[] {
  if (event.type !== 'undone') return [];
  const { event: id, act = log.find((entry) => entry.id === id)?.act } = event.payload;
  return log.filter((entry) => entry.id === id || (act !== undefined && entry.act === act));
}

/**
 * What keeps an event or an act from being undone by `event`: it is not in this job's log, is of a kind that stays, or is undone already, alone or
 * with the act it belongs to. None for events that undo nothing.
 */
export function undoFaults(log: readonly (JobEvent | LoggedEvent)[], event: JobEvent, path: string): Fault[] {
  if (event.type !== 'undone') return [];
  const { event: id, act } = event.payload;
  const at = `${path}.payload.${id === undefined ? 'act' : 'event'}`;
  const targets = undoTargets(log, event);
  const [first] = targets;
  if (!first) return [{ path: at, code: 'unknown-id', data: { id: id ?? act ?? '', what: `${id === undefined ? 'act' : 'event'} of this job` } }];
  const stays = targets.find((target) => !canUndo(target));
  if (stays) return [{ path: at, code: 'not-undoable', data: { type: stays.type } }];
  return undoneEvents(log as readonly LoggedEvent[]).has(first.id) ? [{ path: at, code: 'undone-already', data: {} }] : [];
}

import type { Fault } from '../faults/index.ts';
import type { EventType, JobEvent, LoggedEvent } from './events.ts';
import { undoneEvents } from './fold.ts';

/** What is never taken back: a signed job is opened again by another event, with its reason. */
const FIXED: readonly EventType[] = ['job.opened', 'job.repinned', 'job.signed'];

/** Whether an event is of a kind that can be undone. */
export const canUndo = ({ type }: Pick<JobEvent, 'type'>): boolean => !FIXED.includes(type);

/**
 * What keeps an event from being undone by `event`: it is not in this job's log, is of a kind that stays, or is undone already, alone or
 * with the act it belongs to. None for events that undo nothing.
 */
export function undoFaults(log: readonly (JobEvent | LoggedEvent)[], event: JobEvent, path: string): Fault[] {
  if (event.type !== 'undone') return [];
  const at = `${path}.payload.event`;
  const { event: id } = event.payload;
  const target = log.find((entry) => entry.id === id);
  if (!target) return [{ path: at, code: 'unknown-id', data: { id, what: 'event of this job' } }];
  if (!canUndo(target)) return [{ path: at, code: 'not-undoable', data: { type: target.type } }];
  return undoneEvents(log as readonly LoggedEvent[]).has(id) ? [{ path: at, code: 'undone-already', data: {} }] : [];
}

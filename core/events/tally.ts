import { within } from './keep.ts';
import type { GroupTally, JobState } from './state.ts';

/** Fasteners of a group as they are counted, from none on. */
export function tally(state: JobState, piece: string, group: string): GroupTally {
  return (within(state.tray, piece)[group] ??= { out: 0, back: 0, broken: 0, dropped: 0, renewed: 0, spent: 0 });
}

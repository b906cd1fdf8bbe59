import { records, type DescribedHere } from '../overlay/index.ts';
import type { GroupTally, JobState } from './state.ts';

/** What is kept under a key, made where there is nothing yet. */
export function within<T>(record: Record<string, Record<string, T>>, key: string): Record<string, T> {
  return (record[key] ??= records<T>());
}

export function addOnce<T extends string>(list: T[], item: T): void {
  if (!list.includes(item)) list.push(item);
}

/** Fasteners of a group as they are counted, from none on. */
export function tally(state: JobState, piece: string, group: string): GroupTally {
  return (within(state.tray, piece)[group] ??= { out: 0, back: 0, broken: 0, dropped: 0, renewed: 0, spent: 0 });
}

/** A word on a measure stands as long as that measure does. */
export function said(state: JobState, key: string, why: string | undefined): void {
  if (why === undefined) delete state.measureWhy[key];
  else state.measureWhy[key] = why;
}

/** What was described, less what was said to be missing of pieces that were opened all the same: those are there, whoever said what first. */
export function thereAfterAll({ described, reached }: JobState): DescribedHere {
  const without = described.without.filter((piece) => reached[piece] === undefined);
  return without.length === described.without.length ? described : { ...described, without };
}

/** What was tried of a kit says nothing any more once something of it is parted or loose. */
export function untried(state: JobState, kit: string): void {
  delete state.tests[kit];
  delete state.finalTests[kit];
}

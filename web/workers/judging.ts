import { closeUpList, followUps, planMinutesOf, type CloseUpEntry, type FollowUp, type SeenJob, type WaysProfile } from '@jade/core/capture';
import { beside } from './beside.ts';

/** A job that is asked about, with what is known of its kind. */
export interface ToJudge {
  seen: SeenJob;
  known: WaysProfile;
}
export interface WorthAsking {
  list: CloseUpEntry[];
  followUps: FollowUp[];
}

/** What is worth asking of what was opened on a job. */
export function worthAsking({ seen, known }: ToJudge): WorthAsking {
  const plan = planMinutesOf(known);
  const levelsOf = (piece: string) => known.pieces.find(({ id }) => id === piece)?.levels.map(({ level }) => level) ?? [];
  return { list: closeUpList([seen], seen.job, plan), followUps: followUps([seen], seen.job, plan, levelsOf) };
}

/** The same, away from the page's own thread: it plans once for each piece. */
export const askWorth = beside<ToJudge, WorthAsking>(
  () => new Worker(new URL('./judging.worker.ts', import.meta.url), { type: 'module' }),
  (asked) => Promise.resolve(worthAsking(asked)),
);

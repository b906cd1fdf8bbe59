import type { JobState } from '../events/index.ts';

/** Minutes from one moment to another, by the clocks of the devices that say them. */
export const minutesBetween = (from: string, to: string): number => (Date.parse(to) - Date.parse(from)) / 60_000;

/**
 * Minutes that a step took which ends now, to the tenth: since something was last recorded on the job, without pauses; one that goes on ends it where it
 * began. Undefined where nothing was recorded before, or no time passed by the clocks.
 * @param now an ISO time
 */
export function minutesOfStep({ begun, pause }: Pick<JobState, 'begun' | 'pause'>, now: string): number | undefined {
  if (!begun) return undefined;
  const minutes = Math.round((minutesBetween(begun.at, pause?.at ?? now) - begun.restMin) * 10) / 10;
  return minutes > 0 ? minutes : undefined;
}

import type { JobState } from '../events/index.ts';
import { minutesBetween } from '../units/index.ts';

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

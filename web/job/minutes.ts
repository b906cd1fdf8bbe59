import { minutesOfStep } from '@jade/core/log';
import type { JobState } from '@jade/core/events';

/** Minutes of the step that ends with this tap, as they stand in a field; nothing where the clock does not know them. */
export const minutesSince = (state: Pick<JobState, 'begun' | 'pause'>): string => String(minutesOfStep(state, new Date().toISOString()) ?? '');

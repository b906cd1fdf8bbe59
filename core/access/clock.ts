import { estimateTotal, type Estimate } from '../schedule/index.ts';
import { hundredthsToMinutes } from '../units/index.ts';
import type { LanePlan } from './lanes.ts';

/** Steps in the order they are done, on the clock. */
export interface Clock {
  /** Set-up included. */
  estimate: Estimate;
  /** Who does what, where two people work; steps by their place in that order. */
  lanes?: LanePlan;
}

/** How long steps take one after the other, or side by side where there are lanes. */
export function onTheClock(steps: readonly { estimate: Estimate }[], setUpMin: number, lanes: LanePlan | undefined): Clock {
  const estimates = steps.map((step) => step.estimate);
  if (!lanes) return { estimate: estimateTotal(estimates, setUpMin) };
  const oneAfterOther = estimates.reduce((sum, { medianMin }) => sum + medianMin, 0);
  return {
    estimate: estimateTotal(estimates, hundredthsToMinutes(lanes.elapsed) - oneAfterOther),
    lanes: { ...lanes, entries: lanes.entries.map((entry, place) => ({ ...entry, step: place })) },
  };
}

import { estimateTotal, type Estimate } from '../schedule/index.ts';
import { hundredthsToMinutes } from '../units/index.ts';
import type { LaneEntry, LanePlan } from './lanes.ts';

/** Two people side by side, in minutes from the first step; `step` is the place of the step in the plan's order. */
export interface LanesOnClock {
  entries: { step: number; lane: LaneEntry['lane']; startMin: number; endMin: number }[];
  elapsedMin: number;
  setUpMin: number;
  /** True where no other order and division is shorter. */
  proved: boolean;
}

/** Steps in the order they are done, on the clock. */
export interface Clock {
  /** Set-up and waiting included. */
  estimate: Estimate;
  /** Who does what, where two people work. */
  lanes?: LanesOnClock;
}

/** How long steps take one after the other with set-up and waiting, or side by side where there are lanes; minutes. */
export function onTheClock(steps: readonly { estimate: Estimate }[], betweenMin: number, lanes: LanePlan | undefined): Clock {
  const estimates = steps.map((step) => step.estimate);
  if (!lanes) return { estimate: estimateTotal(estimates, betweenMin) };
  const oneAfterOther = estimates.reduce((sum, { medianMin }) => sum + medianMin, 0);
  const elapsedMin = hundredthsToMinutes(lanes.elapsed);
  return {
    estimate: estimateTotal(estimates, elapsedMin - oneAfterOther),
    lanes: {
      entries: lanes.entries.map(({ lane, start, end }, step) => ({ step, lane, startMin: hundredthsToMinutes(start), endMin: hundredthsToMinutes(end) })),
      elapsedMin,
      setUpMin: hundredthsToMinutes(lanes.setUp),
      proved: lanes.proved,
    },
  };
}

import loadHighs from 'highs';
import { searchAccess, type AccessProblem } from '@jade/core/access';
import type { Line } from '../measure.ts';
import { formulate } from './formulation.ts';
import { tangled } from '../../core/access/test/generated.ts';

/** When a planner that waits takes what there is, and when the bound has to have left the root. */
const USABLE_MS = 2_000;
const LATER_MS = 12_000;
/** What a general solver gets for the same vehicle. */
const OTHER_S = 30;

interface Moment {
  best: number;
  bound: number;
}

/** The best plan and the bound at the root, after two seconds and after twelve. */
function followed(problem: AccessProblem): { root: Moment; usable: Moment; later: Moment } {
  const start = performance.now();
  const search = searchAccess(problem);
  let step = search.next();
  let last: Moment = { best: Infinity, bound: 0 };
  let root: Moment | undefined;
  let usable: Moment | undefined;
  while (!step.done) {
    last = { best: step.value.best, bound: step.value.bound };
    root ??= last;
    const past = performance.now() - start;
    if (past > USABLE_MS) usable ??= last;
    step = search.next(past > LATER_MS);
  }
  last = { best: step.value.total, bound: step.value.lowerBound };
  return { root: root ?? last, usable: usable ?? last, later: last };
}

const inMinutes = (hundredths: number) => `${(hundredths / 100).toFixed(0)} person-min`;

/** Tangled vehicles of 120 pieces: what is there after two seconds against what a general solver has after thirty. */
export async function benchTangled(): Promise<Line[]> {
  const highs = await loadHighs();
  return [1, 3, 4].map((seed) => {
    const problem = tangled(120, seed);
    const { root, usable, later } = followed(problem);
    const answer = highs.solve(formulate(problem), { mip_rel_gap: 0, output_flag: false, time_limit: OTHER_S });
    const other = Number.isFinite(answer.ObjectiveValue) && answer.ObjectiveValue > 0 ? answer.ObjectiveValue : undefined;
    const best = Math.min(later.best, other ?? Infinity);
    return {
      what: `A tangled vehicle of 120 pieces (seed ${seed}): the plan after 2 s, ${(((usable.best - best) / best) * 100).toFixed(1)} % over the best known; bound ${inMinutes(root.bound)} at the root, ${inMinutes(later.bound)} after 12 s`,
      ours: inMinutes(usable.best),
      against: `a straight formulation in highs after ${OTHER_S} s (${answer.Status})`,
      other: other === undefined ? 'no plan' : inMinutes(other),
      ratio: other === undefined ? '–' : (usable.best / other).toFixed(2),
    };
  });
}

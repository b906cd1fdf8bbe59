import { estimateTotal } from '../schedule/index.ts';
import type { AccessPlan } from './plan.ts';
import type { OpenStep } from './step.ts';

/** How a plan differs from the one before it, for what is still to be opened. */
export interface PlanChange {
  /** Steps that are no longer to be done, without those that were done. */
  dropped: Pick<OpenStep, 'piece' | 'level'>[];
  added: Pick<OpenStep, 'piece' | 'level'>[];
  /** Steps that go another way now. */
  rerouted: { piece: string; level: string; from: string; to: string }[];
  /** Change of what is still to be spent on opening and closing, in person-minutes, without what was done meanwhile. */
  personMin: number;
}

const key = (step: Pick<OpenStep, 'piece' | 'level'>) => `${step.piece}/${step.level}`;

/**
 * What changed from one plan to the next.
 * @param done steps done since, as `piece/level`: they are not dropped, and their minutes are spent as planned
 * @returns undefined where nothing changed
 */
export function planChange(before: AccessPlan, after: AccessPlan, done: ReadonlySet<string>): PlanChange | undefined {
  const [was, is] = [new Map(before.steps.map((step) => [key(step), step])), new Map(after.steps.map((step) => [key(step), step]))];
  const dropped = before.steps.filter((step) => !is.has(key(step)) && !done.has(key(step)));
  const added = after.steps.filter((step) => !was.has(key(step)));
  const rerouted = after.steps.flatMap((step) => {
    const earlier = was.get(key(step));
    return earlier && earlier.way !== step.way ? [{ piece: step.piece, level: step.level, from: earlier.way, to: step.way }] : [];
  });
  const spentMin = before.steps.filter((step) => done.has(key(step))).reduce((sum, step) => sum + step.minutes * step.people, 0);
  const personMin = Math.round((after.personMin - (before.personMin - spentMin)) * 100) / 100;
  if (dropped.length === 0 && added.length === 0 && rerouted.length === 0 && personMin === 0) return undefined;
  const named = ({ piece, level }: OpenStep) => ({ piece, level });
  return { dropped: dropped.map(named), added: added.map(named), rerouted, personMin };
}

/** What is left of a plan after some of its steps were done, in the same order; the same plan where none was. Lanes are left out, since they are those of all steps. */
export function remainingPlan(plan: AccessPlan, done: ReadonlySet<number>): AccessPlan {
  if (done.size === 0) return plan;
  const steps = plan.steps.filter((_, index) => !done.has(index));
  const { lanes: _, proveAfter, ...rest } = plan;
  const behind = plan.steps.slice(0, proveAfter ?? 0).filter((_step, index) => done.has(index)).length;
  const spentMin = plan.steps.reduce((sum, step, index) => sum + (done.has(index) ? step.minutes * step.people : 0), 0);
  const setUpMin = steps.reduce((sum, step) => sum + step.setUpMin, 0);
  return {
    ...rest,
    steps: steps.map((step, index) => ({ ...step, slot: index + 1 })),
    personMin: plan.personMin - spentMin,
    openMin: plan.openMin - spentMin,
    leastPersonMin: plan.leastPersonMin - spentMin,
    setUpMin,
    estimate: estimateTotal(
      steps.map((step) => step.estimate),
      setUpMin,
    ),
    ...(proveAfter === undefined ? {} : { proveAfter: proveAfter - behind }),
  };
}

import type { ClosingStep, Gate } from '../closing/index.ts';
import type { FitStep, KitTest } from '../kit/index.ts';
import { key } from '../subject/index.ts';
import { type JobContext, connectionsOf, fitStepsOf, kitsOnVehicle, testsOf, unplacedKits, verdicts, type KitOnVehicle } from '../job/index.ts';
import { stepDone } from '../plan/index.ts';

/** What of a kit is still to be done, for a card that is taken to the vehicle. */
export interface KitOnCard {
  onVehicle: KitOnVehicle;
  /** Whether it fits, or is not settled yet; of one that fits, whether its fitting is described at all. */
  fits: 'yes' | 'no' | 'not settled' | 'not described';
  /** Steps not through all their passes, and tests that have not passed. */
  steps: FitStep[];
  tests: KitTest[];
  /** Steps and tests that are behind the job: they are not on the card. */
  done: number;
  /** Whether it is joined to the vehicle's wires: that is on a paper of its own. */
  wired: boolean;
}

/** Every kit of the job with what is left of it; of one that may not fit nothing is asked for. */
export function kitsOnCard(context: JobContext): KitOnCard[] {
  const verdict = new Map(verdicts(context).map(({ kit, value }) => [kit, value]));
  const unplaced = unplacedKits(context);
  return kitsOnVehicle(context).map((onVehicle): KitOnCard => {
    const { kit } = onVehicle;
    const [steps, tests] = [fitStepsOf(onVehicle), testsOf(onVehicle)];
    const value = verdict.get(kit.slug) ?? 'unknown';
    const fits = unplaced.includes(kit.slug)
      ? 'not described'
      : value === 'unknown'
        ? 'not settled'
        : value === 'no'
          ? 'no'
          : steps.length + tests.length > 0
            ? 'yes'
            : 'not described';
    const left = { steps: steps.filter((step) => !stepDone(context, kit.slug, step)), tests: tests.filter(({ id }) => context.state.tests[kit.slug]?.[id] !== true) };
    return {
      onVehicle,
      fits,
      ...(fits === 'no' ? { steps: [], tests: [] } : left),
      done: steps.length - left.steps.length + tests.length - left.tests.length,
      wired: connectionsOf(onVehicle).length > 0,
    };
  });
}

/** The way back with what must still come before each step, each said once: at the first step that waits for it, none at a step that is it. */
export function backOnCard(steps: readonly ClosingStep[]): { step: ClosingStep; before: Gate[] }[] {
  const said = new Set<string>();
  return steps.map((step) => {
    if (step.kind === 'gate') said.add(key(step.gate.subject));
    const before = step.kind === 'piece' ? step.gates.filter(({ passed, subject }) => !passed && !said.has(key(subject))) : [];
    for (const { subject } of before) said.add(key(subject));
    return { step, before };
  });
}

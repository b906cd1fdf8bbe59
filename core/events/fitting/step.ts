import { key } from '../../subject/index.ts';
import type { Pass } from '../../kit/index.ts';
import { DONE, type Definition } from '../definition.ts';
import { untried, within } from '../keep.ts';

export interface StepPassed {
  kit: string;
  step: string;
  pass: Pass;
}

export const stepPassed: Definition<StepPassed> = {
  ...DONE,
  timed: 'ticked',
  work: 'fitting',
  opposite: 'step.undone',
  unlike: { timed: 'how long a kit takes to come out again teaches nothing of how long it takes to fit' },
  does: (state, { kit, step, pass }) => {
    const steps = within(state.passes, kit);
    const passes = (steps[step] ??= []);
    if (!passes.includes(pass)) passes.push(pass);
  },
  names: ({ kit, step }, { inKit, fitmentOf }) => inKit({ kit, step }, { step: fitmentOf(kit)?.fitSteps }),
};

/** A step of fitting undone, of a kit that is taken out; `lamps`: those that it held, which are no longer aimed. */
export interface StepUndone {
  kit: string;
  step: string;
  lamps: string[];
}

export const stepUndone: Definition<StepUndone> = {
  ...DONE,
  opposite: 'step.passed',
  does: (state, { kit, step, lamps }) => {
    delete state.passes[kit]?.[step];
    delete state.consents[key({ kind: 'fit', kit, step })];
    for (const lamp of lamps) delete state.aims[`${kit}/${lamp}`];
    untried(state, kit);
  },
  names: ({ kit, step }, { inKit, fitmentOf }) => inKit({ kit, step }, { step: fitmentOf(kit)?.fitSteps }),
};

import { RECORDED, type Definition } from '../definition.ts';
import { addOnce } from '../keep.ts';

/** Of a kit that an earlier job fitted: its bolts were held again with the tool of the step, and do not move. */
export interface StepRechecked {
  kit: string;
  step: string;
}

export const stepRechecked: Definition<StepRechecked> = {
  ...RECORDED,
  ofFitted: true,
  opposite: null,
  does: (state, { kit, step }) => addOnce((state.rechecked[kit] ??= []), step),
  names: ({ kit, step }, { inKit, fitmentOf }) => inKit({ kit, step }, { step: fitmentOf(kit)?.fitSteps }),
};

import { RECORDED, type Definition } from '../definition.ts';
import { addOnce } from '../keep.ts';

export interface BenchDone {
  kit: string;
  task: string;
}

export const benchDone: Definition<BenchDone> = {
  ...RECORDED,
  opposite: null,
  does: (state, { kit, task }) => addOnce((state.benchDone[kit] ??= []), task),
  names: ({ kit, task }, { inKit, kitOf }) => inKit({ kit, task }, { task: kitOf(kit)?.benchTasks }),
};

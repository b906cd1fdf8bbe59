import { RECORDED, type Definition } from '../definition.ts';
import type { BaselineResult } from '../values.ts';

export interface BaselineTried {
  lamp: string;
  result: BaselineResult;
}

export const baselineTried: Definition<BaselineTried> = {
  ...RECORDED,
  says: ({ lamp, result }) => [lamp, result],
  work: 'arrival',
  opposite: null,
  does: (state, { lamp, result }) => void (state.baseline[lamp] = result),
  names: ({ lamp }, { among, profile }) => among(profile.functions, lamp, 'lamp', 'lamp function'),
};

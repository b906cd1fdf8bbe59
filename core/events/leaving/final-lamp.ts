import { RECORDED, type Definition } from '../definition.ts';
import type { BaselineResult } from '../values.ts';

export interface FinalTried {
  lamp: string;
  result: BaselineResult;
}

export const finalTried: Definition<FinalTried> = {
  ...RECORDED,
  says: ({ lamp, result }) => [lamp, result],
  work: 'leaving',
  opposite: null,
  does: (state, { lamp, result }) => void (state.final[lamp] = result),
  names: ({ lamp }, { among, profile }) => among(profile.functions, lamp, 'lamp', 'lamp function'),
};

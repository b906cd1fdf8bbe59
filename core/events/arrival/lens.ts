import { RECORDED, type Definition } from '../definition.ts';
import { said } from '../keep.ts';
import { lensWhyKey } from '../state.ts';
import type { LensGrade, Moment } from '../values.ts';

export interface LensGraded {
  lamp: string;
  moment: Moment;
  grade: LensGrade;
  why?: string;
}

export const lensGraded: Definition<LensGraded> = {
  ...RECORDED,
  says: ({ lamp, moment, grade }) => [`${lamp}/${moment}`, grade],
  opposite: null,
  does: (state, { lamp, moment, grade, why }) => {
    state.lenses[moment][lamp] = grade;
    said(state, lensWhyKey(lamp, moment), why);
  },
  names: ({ lamp }, { among, profile }) => among(profile.functions, lamp, 'lamp', 'lamp function'),
};

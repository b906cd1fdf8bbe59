import { RECORDED, type Definition } from '../definition.ts';
import { said } from '../keep.ts';
import { gapWhyKey } from '../state.ts';
import type { Moment } from '../values.ts';

export interface GapMeasured {
  gap: string;
  moment: Moment;
  widthMm: number;
  why?: string;
}

export const gapMeasured: Definition<GapMeasured> = {
  ...RECORDED,
  says: ({ gap, moment, widthMm }) => [`${gap}/${moment}`, widthMm],
  opposite: null,
  does: (state, { gap, moment, widthMm, why }) => {
    state.gaps[moment][gap] = widthMm;
    said(state, gapWhyKey(gap, moment), why);
  },
  names: ({ gap }, { among, profile }) => among(profile.gaps, gap, 'gap', 'gap'),
};

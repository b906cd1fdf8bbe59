import { nothingNamed, RECORDED, type Definition } from '../definition.ts';
import { said } from '../keep.ts';
import { warningsWhyKey } from '../state.ts';
import type { Moment, WarningLamp } from '../values.ts';

export interface WarningsRead {
  moment: Moment;
  lit: WarningLamp[];
  why?: string;
}

export const warningsRead: Definition<WarningsRead> = {
  ...RECORDED,
  says: ({ moment, lit }) => [moment, [...lit].sort().join()],
  opposite: null,
  does: (state, { moment, lit, why }) => {
    state.warnings[moment] = lit;
    said(state, warningsWhyKey(moment), why);
  },
  names: nothingNamed,
};

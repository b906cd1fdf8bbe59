import { nothingNamed, RECORDED, type Definition } from '../definition.ts';
import { said } from '../keep.ts';

/** `why`: what was said where a measure made one wonder. */
export interface BatteryMeasured {
  restV: number;
  why?: string;
}

export const batteryMeasured: Definition<BatteryMeasured> = {
  ...RECORDED,
  says: ({ restV }) => ['', restV],
  work: 'arrival',
  opposite: null,
  does: (state, { restV, why }) => {
    state.restV = restV;
    said(state, 'battery', why);
  },
  names: nothingNamed,
};

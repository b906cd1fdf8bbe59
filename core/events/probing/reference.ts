import { nothingNamed, RECORDED, type Definition } from '../definition.ts';

export interface ReferenceChecked {
  groundV: number;
  feedV: number;
}

export const referenceChecked: Definition<ReferenceChecked> = {
  ...RECORDED,
  opposite: null,
  does: (state, payload) => void (state.reference = payload),
  names: nothingNamed,
};

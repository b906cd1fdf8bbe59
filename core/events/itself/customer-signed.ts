import { nothingNamed, RECORDED, type Definition } from '../definition.ts';
import type { Stroke } from '../values.ts';

/** The customer's signature as it was drawn on the screen. */
export interface CustomerSigned {
  strokes: Stroke[];
}

export const customerSigned: Definition<CustomerSigned> = {
  ...RECORDED,
  opposite: null,
  does: (state, { strokes }) => void (state.signature = strokes),
  names: nothingNamed,
};

import { LEARNED, nothingNamed, type Definition } from '../definition.ts';
import type { Order } from '../values.ts';

/** `side` is the one that is proved first, once its first step is done. */
export const orderChosen: Definition<Order> = {
  ...LEARNED,
  timed: 'untouched',
  opposite: 'itself',
  does: (state, payload) => void (state.order = payload),
  names: nothingNamed,
};

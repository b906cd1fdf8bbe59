import { RECORDED, type Definition } from '../definition.ts';
import { addOnce } from '../keep.ts';

export interface MatchConfirmed {
  kit: string;
}

export const matchConfirmed: Definition<MatchConfirmed> = {
  ...RECORDED,
  opposite: null,
  does: (state, { kit }) => addOnce(state.confirmed, kit),
  names: ({ kit }, { inKit }) => inKit({ kit }),
};

import { type SeizedFasteners } from '../../overlay/index.ts';
import { LEARNED, type Definition } from '../definition.ts';

export const fastenerSeized: Definition<SeizedFasteners> = {
  ...LEARNED,
  timed: 'trouble',
  opposite: null,
  does: (state, payload) => void state.seized.push(payload),
  names: ({ piece, group }, { atGroup }) => atGroup(piece, group),
};

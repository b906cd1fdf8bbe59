import { type SupplyId, type SupplyState } from '../../vehicle/index.ts';
import { DONE, type Definition } from '../definition.ts';

/** A supply isolated or brought back; `by` says who isolated it and how, where that is for qualified people. */
export interface SupplySet {
  supply: SupplyId;
  is: SupplyState;
  by?: string;
}

export const supplySet: Definition<SupplySet> = {
  ...DONE,
  opposite: 'itself',
  does: (state, { supply, is, by }, event) => {
    state.supplies[supply] = { is, at: event.at, order: state.eventCount, ...(by === undefined ? {} : { by }) };
    if (is === 'dead') delete state.settings[supply];
  },
  names: ({ supply }, { among, profile }) => among(profile.supplies, supply, 'supply', 'supply'),
};

import { standAfter } from '../../vehicle/index.ts';
import { DONE, nothingNamed, type Definition } from '../definition.ts';

/** How the vehicle stands from now on: raised, or with its wheels turned; as it comes of that kind without a place. */
export interface PositionSet {
  kind: string;
  place?: string;
}

export const positionSet: Definition<PositionSet> = {
  ...DONE,
  timed: 'ticked',
  opposite: 'itself',
  does: (state, position) => void (state.stand = standAfter(state.stand, position)),
  names: nothingNamed,
};

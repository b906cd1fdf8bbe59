import { type OpenLevel } from '../../vehicle/index.ts';
import { type BlockedWay } from '../../overlay/index.ts';
import { LEARNED, type Definition } from '../definition.ts';
import { wayPlace } from '../state.ts';

/** A way of a piece's level, or of a mount position, that this vehicle does not have. */
export const wayBlocked: Definition<BlockedWay> = {
  ...LEARNED,
  opposite: null,
  does: (state, payload) => void state.blocked.push(payload),
  names: (said, { atWay }) => atWay(said),
};

/** A way chosen by hand, for a piece's level or a mount position; without `way` the choice goes back to the planner. */
export interface WayChosen {
  place: string;
  level?: OpenLevel;
  way?: string;
}

export const wayChosen: Definition<WayChosen> = {
  ...LEARNED,
  timed: 'untouched',
  opposite: 'itself',
  does: (state, { place, level, way }) => {
    const key = wayPlace(place, level);
    if (way === undefined) delete state.waysChosen[key];
    else state.waysChosen[key] = way;
  },
  names: (said, { atWay }) => atWay(said),
};

import { nothingNamed, RECORDED, type Definition } from '../definition.ts';
import type { Moment } from '../values.ts';

export interface AimMeasured {
  lamp: string;
  moment: Moment;
  heightMm: number;
  referenceMm: number;
}

export const aimMeasured: Definition<AimMeasured> = {
  ...RECORDED,
  says: ({ lamp, moment, heightMm }) => [`${lamp}/${moment}`, heightMm],
  work: 'aiming',
  opposite: null,
  does: (state, { lamp, moment, heightMm, referenceMm }) => {
    (state.aims[lamp] ??= {})[moment] = { heightMm, referenceMm };
    if (moment === 'after') delete state.aimByOthers[lamp];
  },
  names: nothingNamed,
};

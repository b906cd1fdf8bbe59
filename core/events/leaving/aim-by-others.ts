import { nothingNamed, RECORDED, type Definition } from '../definition.ts';

export interface AimByOthers {
  lamp: string;
  by: string;
}

export const aimByOthers: Definition<AimByOthers> = {
  ...RECORDED,
  opposite: null,
  does: (state, { lamp, by }) => void (state.aimByOthers[lamp] = by),
  names: nothingNamed,
};

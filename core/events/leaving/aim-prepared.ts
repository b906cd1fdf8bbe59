import { nothingNamed, RECORDED, type Definition } from '../definition.ts';
import type { AimPreparation } from '../values.ts';

export const aimPrepared: Definition<AimPreparation> = {
  ...RECORDED,
  opposite: null,
  does: (state, payload) => void (state.aimPrepared = payload),
  names: nothingNamed,
};

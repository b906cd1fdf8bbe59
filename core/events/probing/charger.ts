import { nothingNamed, RECORDED, type Definition } from '../definition.ts';

/** A charger on the battery, or taken off it. */
export interface ChargerSet {
  on: boolean;
}

export const chargerSet: Definition<ChargerSet> = {
  ...RECORDED,
  opposite: 'itself',
  does: (state, { on }) => void (state.charger = on),
  names: nothingNamed,
};

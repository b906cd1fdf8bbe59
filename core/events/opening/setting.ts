import { type SupplyId } from '../../vehicle/index.ts';
import { RECORDED, type Definition } from '../definition.ts';
import { addOnce } from '../keep.ts';

/** Something that the vehicle had forgotten while it was dead was set again. */
export interface SettingRestored {
  supply: SupplyId;
  setting: string;
}

export const settingRestored: Definition<SettingRestored> = {
  ...RECORDED,
  opposite: null,
  does: (state, { supply, setting }) => addOnce((state.settings[supply] ??= []), setting),
  names: ({ supply }, { among, profile }) => among(profile.supplies, supply, 'supply', 'supply'),
};

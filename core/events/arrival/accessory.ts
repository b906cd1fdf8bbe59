import { type Accessory } from '../../overlay/index.ts';
import { LEARNED, nothingNamed, type Definition } from '../definition.ts';

export const accessoryFound: Definition<Accessory> = {
  ...LEARNED,
  tells: (told, { accessory }) => ({ ...told, accessories: new Set([...told.accessories, accessory]) }),
  opposite: null,
  does: (state, payload) => void (state.accessories[payload.accessory] = payload),
  names: nothingNamed,
};

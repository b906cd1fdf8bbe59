import type { SeenLit } from '../../wiring/index.ts';
import { RECORDED, type Definition } from '../definition.ts';

/** A wire of a kit's lamp fed on the bench by a limited supply: what it drew, and what was seen to light. */
export interface LampPowered {
  kit: string;
  plug: string;
  pin: string;
  volts: number;
  ampere: number;
  lit: SeenLit;
}

export const lampPowered: Definition<LampPowered> = {
  ...RECORDED,
  opposite: null,
  does: (state, { kit, plug, pin, ...tried }) => void (state.powered[`${kit}/${plug}/${pin}`] = tried),
  names: ({ kit, plug: id, pin }, { kitOf, among, inKit }) => {
    const plug = kitOf(kit)?.plugs.find((entry) => entry.id === id);
    return plug ? among(plug.pins, pin, 'pin', 'pin') : inKit({ kit, plug: id }, { plug: kitOf(kit)?.plugs });
  },
};

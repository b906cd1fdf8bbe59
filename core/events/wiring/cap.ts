import { DONE, type Definition } from '../definition.ts';
import { addOnce } from '../keep.ts';
import { cappedKey } from '../state.ts';

/** A plug that is left over capped and tied away; one of the kit where a kit is named. */
export interface PlugCapped {
  plug: string;
  kit?: string;
}

export const plugCapped: Definition<PlugCapped> = {
  ...DONE,
  work: 'wiring',
  opposite: null,
  does: (state, { plug, kit }) => addOnce(state.capped, cappedKey(plug, kit)),
  names: ({ plug, kit }, { profile, among, inKit, kitOf }) => (kit === undefined ? among(profile.plugs, plug, 'plug', 'plug') : inKit({ kit, plug }, { plug: kitOf(kit)?.plugs })),
};

import { nothingNamed, RECORDED, type Definition } from '../definition.ts';
import type { NightItem } from '../values.ts';

/** Left open for the night: what was seen to, and where what is off lies. */
export interface NightLeft {
  seen: NightItem[];
  where?: string;
}

export const nightLeft: Definition<NightLeft> = {
  ...RECORDED,
  opposite: 'night.over',
  does: (state, { seen, where }, { id, at, person }) =>
    void (state.night = { event: id, at, seen, ...(where === undefined ? {} : { where }), ...(person === undefined ? {} : { by: person }) }),
  names: nothingNamed,
};

/** Work goes on: it was found as it was left, or not. */
export interface NightOver {
  asLeft: boolean;
  note?: string;
}

export const nightOver: Definition<NightOver> = {
  ...RECORDED,
  opposite: 'night.left',
  does: (state, { asLeft, note = '' }, { id }) => {
    delete state.night;
    if (!asLeft) state.notAsLeft.push({ event: id, note });
  },
  names: nothingNamed,
};

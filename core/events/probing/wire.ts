import { DONE, type Definition } from '../definition.ts';
import type { WireOpening } from '../values.ts';

/** The insulation of a vehicle's wire, opened to read it. */
export interface WireOpened {
  plug: string;
  pin: string;
  how: WireOpening;
}

export const wireOpened: Definition<WireOpened> = {
  ...DONE,
  opposite: 'wire.sealed',
  does: (state, { plug, pin, how }) => void (state.wiresOpen[`${plug}/${pin}`] = how),
  names: ({ plug, pin }, { atPin }) => atPin(plug, pin),
};

export interface WireSealed {
  plug: string;
  pin: string;
}

export const wireSealed: Definition<WireSealed> = {
  ...DONE,
  opposite: 'wire.opened',
  does: (state, { plug, pin }) => void delete state.wiresOpen[`${plug}/${pin}`],
  names: ({ plug, pin }, { atPin }) => atPin(plug, pin),
};

import { type PlugSide } from '../../overlay/index.ts';
import { RECORDED, type Definition } from '../definition.ts';
import { within } from '../keep.ts';

/** Colour of a wire as it was seen, on the side of the plug that is read or beyond it. */
export interface ColourNoted {
  plug: string;
  pin: string;
  on: PlugSide;
  colour: string;
}

export const colourNoted: Definition<ColourNoted> = {
  ...RECORDED,
  opposite: null,
  does: (state, { plug, pin, on, colour }) => void (within(state.colours, `${plug}/${pin}`)[on] = colour),
  names: ({ plug, pin }, { atPin }) => atPin(plug, pin),
};

import { nothingNamed, RECORDED, type Definition } from '../definition.ts';
import { keyIn } from '../key-in.ts';

/** The ignition was seen on, or off. */
export interface IgnitionSet {
  on: boolean;
}

export const ignitionSet: Definition<IgnitionSet> = {
  ...RECORDED,
  opposite: 'itself',
  does: (state, { on }, event) => keyIn(state, on ? 'ignition' : 'key off', event.at),
  names: nothingNamed,
};

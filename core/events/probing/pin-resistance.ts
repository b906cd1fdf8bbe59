import { RECORDED, type Definition } from '../definition.ts';

/** From a pin to the body, unplugged and unpowered. */
export interface ContinuityMeasured {
  plug: string;
  pin: string;
  ohm: number;
}

export const continuityMeasured: Definition<ContinuityMeasured> = {
  ...RECORDED,
  opposite: null,
  does: (state, { plug, pin, ohm }) => void (state.continuity[`${plug}/${pin}`] ??= []).push(ohm),
  names: ({ plug, pin }, { atPin }) => atPin(plug, pin),
};

/** What is lost between a pin and the battery's negative while a load of a few amperes returns over it. */
export interface DropMeasured {
  plug: string;
  pin: string;
  dropV: number;
}

export const dropMeasured: Definition<DropMeasured> = {
  ...RECORDED,
  opposite: null,
  does: (state, { plug, pin, dropV }) => void (state.drops[`${plug}/${pin}`] ??= []).push(dropV),
  names: ({ plug, pin }, { atPin }) => atPin(plug, pin),
};

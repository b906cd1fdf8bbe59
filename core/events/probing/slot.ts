import { type VehicleState } from '../../states/index.ts';
import { nothingNamed, RECORDED, type Definition } from '../definition.ts';
import { keyIn } from '../key-in.ts';

/** A fuse slot measured in one state, and what is printed on the fuse that sits in it. */
export interface SlotMeasured {
  slot: string;
  ratedA?: number;
  state: VehicleState;
  lowV: number;
  highV: number;
}

export const slotMeasured: Definition<SlotMeasured> = {
  ...RECORDED,
  opposite: null,
  does: (state, { slot, ratedA, ...reading }, event) => {
    keyIn(state, reading.state, event.at);
    const before = state.slots[slot];
    const fuse = ratedA ?? before?.ratedA;
    state.slots[slot] = { ...(fuse === undefined ? {} : { ratedA: fuse }), readings: [...(before?.readings ?? []).filter((earlier) => earlier.state !== reading.state), reading] };
  },
  names: nothingNamed,
};

import { type VehicleState } from '../../states/index.ts';
import { RECORDED, type Definition } from '../definition.ts';
import { keyIn } from '../key-in.ts';

export interface ReadingTaken {
  plug: string;
  pin: string;
  state: VehicleState;
  lowV: number;
  highV: number;
  underLamp?: 'holds' | 'collapses';
}

export const readingTaken: Definition<ReadingTaken> = {
  ...RECORDED,
  work: 'testing',
  opposite: null,
  does: (state, { plug, pin, ...reading }, event) => {
    keyIn(state, reading.state, event.at);
    // All of them: which count where one was taken again is a matter of what they say.
    (state.readings[`${plug}/${pin}`] ??= []).push(reading);
    state.lastRead = { plug, pin, state: reading.state };
  },
  names: ({ plug, pin }, { atPin }) => atPin(plug, pin),
};

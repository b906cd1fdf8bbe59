import { RECORDED, type Definition } from '../definition.ts';

/** What was lost between a ground point and the battery's negative while a load returned over it. */
export interface GroundMeasured {
  ground: string;
  dropMv: number;
  ampere: number;
}

export const groundMeasured: Definition<GroundMeasured> = {
  ...RECORDED,
  opposite: null,
  does: (state, { ground, ...reading }) => void (state.grounds[ground] = reading),
  names: ({ ground }, { among, profile }) => among(profile.grounds, ground, 'ground', 'ground point'),
};

import { RECORDED, type Definition } from '../definition.ts';

/** What is printed on the fuse that was seen in a slot. */
export interface FuseSeen {
  circuit: string;
  ratedA: number;
}

export const fuseSeen: Definition<FuseSeen> = {
  ...RECORDED,
  says: ({ circuit, ratedA }) => [circuit, `${ratedA}`],
  opposite: null,
  does: (state, { circuit, ratedA }) => void (state.fuses[circuit] = ratedA),
  names: ({ circuit }, { among, circuits }) => among(circuits(), circuit, 'circuit', 'circuit'),
};

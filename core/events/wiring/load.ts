import { RECORDED, type Definition } from '../definition.ts';

/** `afterA`: what was accepted, with all that hangs on the circuit, at the worst voltage; `fuseA`: the fuse it was judged by, documented or seen. */
export interface LoadAccepted {
  kit: string;
  circuit: string;
  afterA?: number;
  fuseA?: number;
}

export const loadAccepted: Definition<LoadAccepted> = {
  ...RECORDED,
  opposite: null,
  does: (state, { circuit, afterA, fuseA }) => void (state.loadsAccepted[circuit] = { ...(afterA === undefined ? {} : { afterA }), ...(fuseA === undefined ? {} : { fuseA }) }),
  names: ({ kit, circuit }, { inKit, among, circuits }) => [...inKit({ kit }), ...among(circuits(), circuit, 'circuit', 'circuit')],
};

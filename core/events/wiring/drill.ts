import { DONE, type Definition } from '../definition.ts';

/** A hole that may be drilled: who agreed to it, and what was seen behind. */
export interface DrillAgreed {
  segment: string;
  by: string;
  behind: string;
}

export const drillAgreed: Definition<DrillAgreed> = {
  ...DONE,
  planAnew: () => true,
  opposite: null,
  does: (state, { segment, ...agreed }) => void (state.drillAgreed[segment] = agreed),
  names: ({ segment }, { among, profile }) => among(profile.cableWays?.segments, segment, 'segment', 'segment'),
};

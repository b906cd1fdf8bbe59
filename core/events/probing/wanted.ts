import type { ProbeFunction } from '../../probing/index.ts';
import { RECORDED, type Definition } from '../definition.ts';

/** What is looked for in a plug; nothing any more where the list is empty. */
export interface ProbeWanted {
  plug: string;
  functions: ProbeFunction[];
}

export const probeWanted: Definition<ProbeWanted> = {
  ...RECORDED,
  opposite: 'itself',
  does: (state, { plug, functions }) => {
    if (functions.length > 0) state.sought[plug] = functions;
    else delete state.sought[plug];
  },
  names: ({ plug }, { among, found, profile }) => (found.has(plug) ? [] : among(profile.plugs, plug, 'plug', 'plug')),
};

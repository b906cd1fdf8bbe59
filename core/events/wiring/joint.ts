import { DONE, type Definition } from '../definition.ts';
import { addOnce, untried } from '../keep.ts';
import type { JointCheck } from '../values.ts';

/** `adapters`: those of the plug library that were put between, from the vehicle's plug on; `checked`: what was looked at. */
export interface PlugJoined {
  kit: string;
  connection: string;
  adapters?: string[];
  checked?: JointCheck[];
}

export const plugJoined: Definition<PlugJoined> = {
  ...DONE,
  timed: 'ticked',
  work: 'wiring',
  opposite: 'plug.parted',
  unlike: { timed: 'how long a kit takes to come out again teaches nothing of how long it takes to fit' },
  does: (state, { kit, connection, adapters, checked }) => {
    addOnce((state.joined[kit] ??= []), connection);
    if (checked) state.jointChecked[`${kit}/${connection}`] = checked;
    if (adapters) state.adaptersUsed[`${kit}/${connection}`] = adapters;
  },
  names: ({ kit, connection, adapters = [] }, { inKit, fitmentOf, among, plugs }) => [
    ...inKit({ kit, connection }, { connection: fitmentOf(kit)?.connections }),
    ...adapters.flatMap((adapter, place) => among(plugs?.adapters, adapter, `adapters[${place}]`, 'adapter')),
  ],
};

/** A joint parted again, of a kit that is taken out. */
export interface PlugParted {
  kit: string;
  connection: string;
}

export const plugParted: Definition<PlugParted> = {
  ...DONE,
  opposite: 'plug.joined',
  does: (state, { kit, connection }) => {
    state.joined[kit] = (state.joined[kit] ?? []).filter((id) => id !== connection);
    delete state.jointChecked[`${kit}/${connection}`];
    delete state.adaptersUsed[`${kit}/${connection}`];
    untried(state, kit);
  },
  names: ({ kit, connection }, { inKit, fitmentOf }) => inKit({ kit, connection }, { connection: fitmentOf(kit)?.connections }),
};

import { nothingNamed, ORDERED, type Definition } from '../definition.ts';
import type { DocumentPin } from '../values.ts';

/** A kit added while the job runs, or one that was dropped taken up again. */
export interface KitAdded {
  kit: DocumentPin;
}

export const kitAdded: Definition<KitAdded> = {
  ...ORDERED,
  stays: true,
  by: 'server',
  opposite: 'kit.dropped',
  unlike: {
    by: 'its version is pinned with it, which the server chooses',
    right: 'the server asks for the right where it is asked to add one',
    stays: 'it is taken back by dropping the kit, so that what is on the vehicle of it is taken out',
  },
  does: (state, { kit }) => {
    delete state.dropped[kit.slug];
    state.confirmed = state.confirmed.filter((slug) => slug !== kit.slug);
    if (state.opened) state.opened = { ...state.opened, kits: [...state.opened.kits.filter(({ slug }) => slug !== kit.slug), kit] };
  },
  names: nothingNamed,
};

/** A kit that is not fitted after all: what is on the vehicle of it is taken out again. */
export interface KitDropped {
  kit: string;
  why: string;
}

export const kitDropped: Definition<KitDropped> = {
  ...ORDERED,
  right: 'change the order',
  opposite: 'kit.added',
  does: (state, { kit, why }) => void (state.dropped[kit] = why),
  names: ({ kit }, { inKit }) => inKit({ kit }),
};

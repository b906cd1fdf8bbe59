import { LEARNED, type Definition } from '../definition.ts';
import { addOnce } from '../keep.ts';

/** All that is worked at for these kits can be reached, as somebody saw it: said where nobody has described what has to be open for them. */
export interface OpeningEnough {
  kits: string[];
}

export const openingEnough: Definition<OpeningEnough> = {
  ...LEARNED,
  opposite: null,
  does: (state, { kits }) => {
    for (const kit of kits) addOnce(state.enough, kit);
  },
  names: ({ kits }, known) =>
    kits.flatMap((kit, place) =>
      known.among(
        known.kits.map(({ slug }) => ({ id: slug })),
        kit,
        `kits[${place}]`,
        'kit',
      ),
    ),
};

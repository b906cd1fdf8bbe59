import { nothingNamed, RECORDED, type Definition } from '../definition.ts';

/** Who agreed to something that cannot be undone, `about` a fitting step or a level of a piece. */
export interface ConsentGiven {
  about: string;
  by: string;
}

export const consentGiven: Definition<ConsentGiven> = {
  ...RECORDED,
  opposite: null,
  does: (state, { about, by }) => void (state.consents[about] = by),
  names: nothingNamed,
};

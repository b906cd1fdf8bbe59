import { ASIDE, nothingNamed, type Definition } from '../definition.ts';

/** Where it stands; nowhere that is known without a bay. */
export interface BayTaken {
  bay?: string;
}

export const bayTaken: Definition<BayTaken> = {
  ...ASIDE,
  afterSigning: true,
  inRow: true,
  opposite: 'itself',
  does: (state, { bay }) => void (state.bay = bay === undefined ? {} : { bay }),
  names: nothingNamed,
};

import { nothingNamed, ORDERED, type Definition } from '../definition.ts';

export interface OpeningLeft {
  why: string;
}

export const openingLeft: Definition<OpeningLeft> = {
  ...ORDERED,
  opposite: 'opening.resumed',
  does: (state, { why }) => void (state.left = why),
  names: nothingNamed,
};

export interface OpeningResumed {
  why: string;
}

export const openingResumed: Definition<OpeningResumed> = {
  ...ORDERED,
  opposite: 'opening.left',
  does: (state) => void (state.left = undefined),
  names: nothingNamed,
};

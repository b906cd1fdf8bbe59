import { ASIDE, nothingNamed, type Definition } from '../definition.ts';

/** Which of two moves of two devices came first, where their clocks do not say it. */
export interface MovesOrdered {
  first: string;
  then: string;
}

export const movesOrdered: Definition<MovesOrdered> = {
  ...ASIDE,
  afterSigning: true,
  opposite: null,
  does: () => undefined,
  names: nothingNamed,
};

import { ASIDE, nothingNamed, type Definition } from '../definition.ts';

/** What is promised to the customer; nothing any more without a time. `why`: what was said where that time made one wonder. */
export interface PromiseMade {
  at?: string;
  why?: string;
}

export const promiseMade: Definition<PromiseMade> = {
  ...ASIDE,
  right: 'change the order',
  inRow: true,
  opposite: 'itself',
  does: (state, { at, why }) => void (state.promise = { ...(at === undefined ? {} : { at }), ...(why === undefined ? {} : { why }) }),
  names: nothingNamed,
};

import { ASIDE, nothingNamed, type Definition } from '../definition.ts';

export interface WishWritten {
  wish?: string;
}

export const wishWritten: Definition<WishWritten> = {
  ...ASIDE,
  right: 'change the order',
  opposite: 'itself',
  does: (state, { wish }) => void (state.wish = wish),
  names: nothingNamed,
};

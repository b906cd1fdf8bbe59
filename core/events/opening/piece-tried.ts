import { type OpenLevel } from '../../vehicle/index.ts';
import { RECORDED, type Definition } from '../definition.ts';

/** A piece that did not come to a level, with all that was open then: a way that was told to lead there does not. */
export interface PieceTried {
  piece: string;
  level: OpenLevel;
}

export const pieceTried: Definition<PieceTried> = {
  ...RECORDED,
  opposite: null,
  // What did not come, and which move came first, is read from the log by who learns of the kind.
  does: () => undefined,
  names: ({ piece, level }, { atLevel }) => atLevel(piece, level),
};

import { levelRank, type OpenLevel } from '../../vehicle/index.ts';
import { LEARNED, type Definition } from '../definition.ts';

/** A piece was open, or not there at all, when the vehicle came: nobody here opened it, and it stays as it came. */
export interface PieceFound {
  piece: string;
  level: OpenLevel;
}

export const pieceFound: Definition<PieceFound> = {
  ...LEARNED,
  opposite: null,
  does: (state, { piece, level }) => {
    state.came[piece] = level;
    if (levelRank(level) > levelRank(state.pieces[piece] ?? 'fitted')) state.pieces[piece] = level;
    if (levelRank(level) > levelRank(state.reached[piece] ?? 'fitted')) state.reached[piece] = level;
    state.enough = [];
  },
  names: ({ piece, level }, { atLevel }) => atLevel(piece, level),
};

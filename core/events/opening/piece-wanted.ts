import { type OpenLevel } from '../../vehicle/index.ts';
import { LEARNED, type Definition } from '../definition.ts';

/** A piece that has to be open as well, as somebody says: it is planned in. */
export interface PieceWanted {
  piece: string;
  level: OpenLevel;
}

export const pieceWanted: Definition<PieceWanted> = {
  ...LEARNED,
  opposite: null,
  does: (state, { piece, level }) => void (state.wanted = [...state.wanted.filter((need) => need.piece !== piece), { piece, level }]),
  names: ({ piece, level }, { atLevel }) => atLevel(piece, level),
};

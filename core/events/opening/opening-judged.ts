import type { Fault } from '../../faults/index.ts';
import { RECORDED, type Definition } from '../definition.ts';
import type { Judged } from '../values.ts';

/** What was seen once all was open: pieces that could all together have stayed on (`fitted`), gone only so far, or had to be as they were. */
export interface OpeningJudged {
  pieces: Judged[];
}

export const openingJudged: Definition<OpeningJudged> = {
  ...RECORDED,
  afterSigning: true,
  opposite: null,
  does: (state, { pieces }) => {
    for (const { piece, enough } of pieces) state.judged[piece] = enough;
  },
  names: ({ pieces }, { profile, inProfile, at }) =>
    pieces.flatMap(({ piece, enough }, index): Fault[] => {
      const known = profile.pieces.find(({ id }) => id === piece);
      if (!known) return inProfile(piece).map((fault) => ({ ...fault, path: at(`pieces[${index}].piece`) }));
      const levels = ['fitted', 'needed', ...known.levels.map(({ level }) => level)];
      return levels.includes(enough) ? [] : [{ path: at(`pieces[${index}].enough`), code: 'unknown-id', data: { id: enough, what: 'level' } }];
    }),
};

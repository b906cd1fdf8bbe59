import { LONGEST_TEXT } from '../../events/index.ts';
import type { JobContext } from '../../job/index.ts';
import { pieceKey, type Piece } from '../../vehicle/index.ts';
import { sharedOf } from '../../overlay/index.ts';
import { happened, refused, tooLong, unless, type Act } from '../act.ts';

/** Share of the smaller one that two pieces have to have in common before one wonders whether they are one. */
const ONE_PLACE = 0.5;

/** A piece that was described, and one that was described or known before it and looks like the same. */
export interface Twin {
  piece: Piece;
  is: Piece;
  /** Both are called the same: two that are kept have to be told apart by name. */
  named: boolean;
}

/** Whether whoever described one piece knew the other: it was open then, as the way to it says. */
const knew = ({ levels }: Piece, other: string): boolean => levels.some(({ ways }) => ways.some(({ needs }) => needs.some(({ piece }) => piece === other)));

/**
 * Pieces that two devices described, each not knowing of the other, and that may be one: they are called the same on one side, or sit in one place and neither
 * was open when the other one was described. Those that somebody said are two are left out.
 */
export function twins({ profile, state }: Pick<JobContext, 'profile' | 'state'>): Twin[] {
  const { pieces: described, apart } = state.described;
  const found: Twin[] = [];
  profile.pieces.forEach((piece, place) => {
    if (!described[piece.id]) return;
    const twin = profile.pieces.slice(0, place).flatMap((is): Twin[] => {
      if (apart.some((pair) => pair.piece === piece.id && pair.from === is.id)) return [];
      if (pieceKey(is) === pieceKey(piece)) return [{ piece, is, named: true }];
      // What was taken to be as on the other side was described knowing of all that is there.
      const mirrored = [is, piece].some(({ id }) => described[id]?.assumed !== undefined);
      const inOnePlace = !mirrored && described[is.id] && is.side === piece.side && is.zone === piece.zone && sharedOf(is.box, piece.box) >= ONE_PLACE;
      // Whoever knew what is asked of that piece already may have known it by that.
      const known = [is, ...found.filter((other) => other.is.id === is.id).map((other) => other.piece)];
      return inOnePlace && !known.some((other) => knew(piece, other.id)) && !knew(is, piece.id) ? [{ piece, is, named: false }] : [];
    })[0];
    if (twin) found.push(twin);
  });
  return found;
}

const twinOf = (context: JobContext, id: string) => twins(context).find(({ piece }) => piece.id === id);

/** Two descriptions are of one piece: it stands as the first one says it, and what was done to the other was done to it. */
export function areSame(context: JobContext, id: string): Act {
  const twin = twinOf(context, id);
  return twin ? happened({ type: 'kind.described', payload: { same: [{ piece: id, is: twin.is.id }] } }) : refused({ code: 'unknown', what: 'piece', id });
}

/**
 * Two descriptions are of two pieces.
 * @param name what the second one is called from now on, where both are called the same
 */
export function areTwo(context: JobContext, id: string, name = ''): Act {
  const twin = twinOf(context, id);
  const own = context.state.described.pieces[id];
  if (!twin || !own) return refused({ code: 'unknown', what: 'piece', id });
  const apart = [{ piece: id, from: twin.is.id }];
  if (!twin.named) return happened({ type: 'kind.described', payload: { apart } });
  const called = { ...own, name: name.trim() };
  if (called.name === '') return refused({ code: 'missing', count: 1 });
  const known = context.profile.pieces.find((piece) => pieceKey(piece) === pieceKey(called));
  if (known) return refused({ code: 'described', piece: known.id });
  return unless(tooLong(called.name, LONGEST_TEXT.accessory), () => [{ type: 'kind.described', payload: { pieces: [called], apart } }]);
}

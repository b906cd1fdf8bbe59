import { replacedPieces, type JobContext } from '../../job/index.ts';
import type { Judged } from '../../events/index.ts';
import { listedLevel, type Level } from '../../vehicle/index.ts';
import { happened, refused, type Act } from '../act.ts';

/** A piece that was opened on this job: it can be said of it whether it had to be. */
export interface Opened {
  piece: string;
  /** How far it went. */
  level: Level;
  /** What was said of it. */
  said?: Judged['enough'];
}

/**
 * Pieces of the kind of vehicle that were opened on this job, first opened first. What a kit takes the place of had to go; what an owner added is no piece
 * of the kind; and of what isolates a supply nobody is asked whether the work could have been done live.
 */
export function openedHere(context: JobContext): Opened[] {
  const { state, profile } = context;
  const replaced = replacedPieces(context);
  const isolating = new Set(profile.supplies.map(({ piece }) => piece));
  const kind = new Set(profile.pieces.map(({ id }) => id));
  const pieces = [...new Set(state.history.map(({ piece }) => piece))].filter(
    (piece) => kind.has(piece) && !isolating.has(piece) && !state.accessories[piece] && !replaced.includes(piece),
  );
  return pieces.map((piece): Opened => {
    const said = state.judged[piece];
    return { piece, level: state.reached[piece] ?? 'off', ...(said === undefined ? {} : { said }) };
  });
}

/** What was opened and of which nobody has said whether it had to be. */
export const toJudge = (context: JobContext): Opened[] => openedHere(context).filter(({ said }) => said === undefined);

/** What was seen once all was open: which pieces could all together have stayed on, which had to be open, how far one would have been enough. */
export function judge(context: JobContext, pieces: readonly Judged[]): Act {
  const opened = new Map(openedHere(context).map((entry) => [entry.piece, entry]));
  const [first] = pieces;
  if (!first) return refused({ code: 'nothing' });
  for (const { piece, enough } of pieces) {
    if (!opened.has(piece)) return refused({ code: 'unknown', what: 'piece', id: piece });
    const known = context.profile.pieces.find(({ id }) => id === piece);
    if (enough !== 'fitted' && enough !== 'needed' && known && listedLevel(known, enough)?.level !== enough) return refused({ code: 'unknown', what: 'level', id: enough });
  }
  return happened({ type: 'opening.judged', payload: { pieces: [...pieces] } });
}

/** Which of two moves came first, where two devices made them close together. */
export function orderMoves({ state }: JobContext, first: string, then: string): Act {
  const missing = [first, then].find((event) => !state.history.some((move) => move.event === event));
  if (missing !== undefined) return refused({ code: 'unknown', what: 'move', id: missing });
  return first === then ? refused({ code: 'nothing' }) : happened({ type: 'moves.ordered', payload: { first, then } });
}

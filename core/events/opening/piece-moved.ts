import { levelRank, type Level } from '../../vehicle/index.ts';
import { records } from '../../overlay/index.ts';
import { DONE, type Definition, type Entry } from '../definition.ts';
import { thereAfterAll, tally } from '../keep.ts';
import { type JobState, type MadeMoveRecord } from '../state.ts';
import type { GroupCount } from '../values.ts';

/**
 * `fasteners`: those that came out, or those of them that went back; new ones are said by `fastener.renewed`. Of what was open when it was opened whoever
 * did it may say at once which pieces it would have come without, and which had to be.
 */
export interface PieceMoved {
  piece: string;
  level: Level;
  way?: string;
  fasteners: GroupCount[];
  without?: string[];
  needed?: string[];
}

/** Moves of a job once a piece went back to a level: those beyond it are undone; one that led past it led there. */
function loweredTo(moves: readonly MadeMoveRecord[], piece: string, level: Level): MadeMoveRecord[] {
  const rank = levelRank(level);
  return moves.flatMap((move) => {
    if (move.piece !== piece || levelRank(move.level) <= rank) return [move];
    return levelRank(move.from) < rank ? [{ ...move, level }] : [];
  });
}

function movePiece(state: JobState, payload: PieceMoved, event: Entry): void {
  const { piece, level } = payload;
  const from = state.pieces[piece] ?? 'fitted';
  const opening = levelRank(level) > levelRank(from);
  state.pieces[piece] = level;
  state.lastMoved[piece] = { order: state.eventCount, at: event.at };
  if (levelRank(level) > levelRank(state.reached[piece] ?? 'fitted')) state.reached[piece] = level;
  state.described = thereAfterAll(state);
  // What hangs on the vehicle again lies in no bag.
  if (!opening) delete state.bagged[piece];
  if (opening) {
    const move = { event: event.id, piece, from, level, way: payload.way, at: event.at };
    state.moves.push(move);
    state.history.push(move);
    // What was tried with everything closed was tried before this, and as a lamp was leaving it may no longer be.
    state.finalTests = records();
    state.final = records();
    // What was said of what could have stayed on was said without this.
    state.judged = records();
    state.enough = [];
  } else state.moves = loweredTo(state.moves, piece, level);
  for (const { group, count } of payload.fasteners) {
    const entry = tally(state, piece, group);
    entry[opening ? 'out' : 'back'] += count;
    if (entry.back + entry.broken + entry.spent > entry.out) state.questions.push({ code: 'more-back-than-out', event: event.id, piece, group });
  }
}

export const pieceMoved: Definition<PieceMoved> = {
  ...DONE,
  timed: 'ticked',
  work: 'opening',
  opposite: 'itself',
  does: movePiece,
  names: ({ piece, level, way, fasteners, without = [], needed = [] }, { profile, among, inProfile }) => {
    const known = profile.pieces.find((entry) => entry.id === piece);
    if (!known) return inProfile(piece);
    const ways = known.levels.filter((entry) => entry.level === level).flatMap((entry) => entry.ways);
    return [
      ...(way === undefined ? [] : among(ways, way, 'way', 'way')),
      // Of what was counted to be none the profile need not know.
      ...fasteners.flatMap(({ group, count }, place) => (count === 0 ? [] : among(known.fasteners, group, `fasteners[${place}].group`, 'fastener group'))),
      ...without.flatMap((id, place) => among(profile.pieces, id, `without[${place}]`, 'piece')),
      ...needed.flatMap((id, place) => among(profile.pieces, id, `needed[${place}]`, 'piece')),
    ];
  },
};

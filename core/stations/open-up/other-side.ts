import { heldAs } from '../../overlay/index.ts';
import type { JobContext } from '../../job/index.ts';
import { entryId, levelRank, onOtherSide, onOtherSideStanding, pieceKey, positionsOf, standingIn, type Piece, type Side, type Way, type WayNeed } from '../../vehicle/index.ts';
import { happened, refused, type Act } from '../act.ts';

/** As what a piece is assumed that was described on the other side, until somebody has opened it on this one. */
export const THE_OTHER_SIDE = 'the other side';
const SIDED: readonly Side[] = ['left', 'right'];

/** The piece that a piece is on the other side, where that is known. */
function otherOf({ profile }: Pick<JobContext, 'profile'>, piece: Piece): Piece | undefined {
  const other = pieceKey(onOtherSide({ name: piece.name, side: piece.side }));
  return profile.pieces.find((entry) => pieceKey(entry) === other);
}

/** A piece that was described on this vehicle, on one side of it and not on the other, as it was said last; what isolates a supply is there once. */
function oneSidedAt(context: JobContext, id: string): Piece | undefined {
  const { profile, state } = context;
  const piece = state.described.pieces[id];
  if (!piece || !SIDED.includes(piece.side) || !profile.pieces.some((entry) => entry.id === id)) return undefined;
  if (profile.supplies.some((supply) => supply.piece === id) || otherOf(context, piece)) return undefined;
  return heldAs(piece, state.described.held[id]);
}

/** Pieces that were described on one side of this vehicle and not on the other, those described last first. */
export const oneSided = (context: JobContext): string[] =>
  Object.keys(context.state.described.pieces)
    .reverse()
    .filter((id) => oneSidedAt(context, id) !== undefined);

/** A piece with all on its side that had to be open for it, as somebody said, and that the other side does not have either, in the order in which they were described. */
function withWhatLeadsThere(context: JobContext, piece: Piece): Piece[] {
  const chain = new Map<string, Piece>();
  const take = (next: Piece) => {
    if (chain.has(next.id)) return;
    chain.set(next.id, next);
    for (const need of next.levels.flatMap(({ ways }) => ways.flatMap((way) => way.needs))) {
      const sided = need.seen ? undefined : oneSidedAt(context, need.piece);
      if (sided) take(sided);
    }
  };
  take(piece);
  return Object.keys(context.state.described.pieces).flatMap((id) => chain.get(id) ?? []);
}

/**
 * A piece that was described on one side is taken to be the same on the other, with what leads there: assumed until it was opened there, and planned.
 * @param drawn four letters drawn by the device, for the ids
 */
export function sameOnOtherSide(context: JobContext, id: string, drawn: string): Act {
  const piece = oneSidedAt(context, id);
  if (!piece) return refused({ code: 'unknown', what: 'piece', id });
  const { profile, state } = context;
  const chain = withWhatLeadsThere(context, piece);
  const ids = new Map<string, string>();
  for (const entry of chain) {
    // Two names can be alike once what no id can hold is left out.
    const own = entryId(onOtherSide({ name: entry.name }).name, drawn);
    ids.set(entry.id, [...ids.values()].includes(own) ? `${own}-${ids.size + 1}` : own);
  }
  /** What was only seen open and is not there on the other side is no need of it: nobody has said that it had to be. */
  const needOf = (need: WayNeed): WayNeed[] => {
    const known = profile.pieces.find((entry) => entry.id === need.piece);
    const other = ids.get(need.piece) ?? (known && otherOf(context, known)?.id);
    return other === undefined && need.seen && oneSidedAt(context, need.piece) ? [] : [{ ...need, piece: other ?? need.piece, seen: true }];
  };
  const wayOf = ({ position, also, ...way }: Way): Way => ({ ...way, needs: way.needs.flatMap(needOf), ...standingIn(positionsOf({ position, also }).map(onOtherSideStanding)) });
  const pieces = chain.map((entry): Piece => {
    const sensor = profile.sensors.some(({ on }) => on === entry.id);
    return {
      ...onOtherSide(entry),
      id: ids.get(entry.id) ?? entry.id,
      levels: entry.levels.map((level) => ({ ...level, ways: level.ways.map(wayOf) })),
      assumed: THE_OTHER_SIDE,
      ...(sensor ? { sensorAssumed: true } : {}),
    };
  });
  const open = state.pieces[id] ?? 'fitted';
  const level = [...piece.levels].reverse().find((entry) => open === 'fitted' || levelRank(entry.level) <= levelRank(open)) ?? piece.levels[0];
  const mirrored = ids.get(id);
  if (!level || mirrored === undefined) return refused({ code: 'unknown', what: 'piece', id });
  return happened({ type: 'kind.described', payload: { pieces } }, { type: 'piece.wanted', payload: { piece: mirrored, level: level.level } });
}

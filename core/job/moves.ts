import type { AccessPlan } from '../access/index.ts';
import type { MadeMove } from '../closing/index.ts';
import { levelRank, type Level, type LevelNeed } from '../vehicle/index.ts';
import type { JobContext } from './context.ts';

/** What a move needed at its moment, by the way it took; a way that is not noted counts as the profile's first. A level between those listed went by the way of the next. */
export function needsOf({ profile }: JobContext, pieceId: string, levelName: Level, wayId: string | undefined): LevelNeed[] {
  const levels = profile.pieces.find((piece) => piece.id === pieceId)?.levels ?? [];
  const level = levels.find((candidate) => levelRank(candidate.level) >= levelRank(levelName));
  return (level?.ways.find((candidate) => candidate.id === wayId) ?? level?.ways[0])?.needs ?? [];
}

function planned(context: JobContext, plan: AccessPlan | undefined): MadeMove[] {
  return (plan?.steps ?? []).map(({ piece, from, level, way }) => ({ piece, from, level, way, needs: needsOf(context, piece, level, way) }));
}

/** Opening moves made and not undone, then those still planned, with what each needed. */
export function openingMoves(context: JobContext, plan: AccessPlan | undefined): MadeMove[] {
  const made = context.state.moves.map(({ piece, from, level, way }) => ({ piece, from, level, way, needs: needsOf(context, piece, level, way) }));
  return [...made, ...planned(context, plan)];
}

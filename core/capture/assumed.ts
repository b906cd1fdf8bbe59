import { heldAs } from '../overlay/index.ts';
import { certain, levelRank, type FastenerGroup, type Piece, type VehicleProfile } from '../vehicle/index.ts';
import type { SeenJob } from './seen.ts';
import { holds } from './ways.ts';

/** A piece as those who opened it found it: no longer assumed, held as was said of it, its fasteners as they were counted, without ways by which it did not come. */
export function asFound(piece: Piece, jobs: readonly SeenJob[]): Piece {
  const moves = jobs.flatMap((job) => job.moves.filter((move) => move.piece === piece.id));
  const tried = jobs.flatMap((job) => job.tried.filter((entry) => entry.piece === piece.id));
  const counted = new Map(moves.flatMap(({ fasteners = [] }) => fasteners.map(({ group, count }) => [group, count] as const)).reverse());
  const fasteners = piece.fasteners.map((group) => ({ ...group, count: counted.get(group.id) ?? group.count })).filter(({ count }) => count > 0);
  const levels = piece.levels
    .map((level) => ({
      ...level,
      ways: level.ways.filter(({ needs }) => !tried.some((entry) => levelRank(entry.level) <= levelRank(level.level) && holds(needs, entry.open))),
    }))
    .filter(({ ways }) => ways.length > 0);
  // Where none of its ways goes, all that is known is that it is there: they stay until another one is shown.
  return certain({ ...piece, fasteners, levels: levels.length > 0 ? levels : piece.levels });
}

/** Pieces that were taken over from another kind and that jobs opened: each as it was found, by how many. What broke on the way confirms nothing. */
export function confirmedPieces(
  jobs: readonly SeenJob[],
  { pieces }: Pick<VehicleProfile, 'pieces'>,
  held: ReadonlyMap<string, { fasteners: FastenerGroup[] }> = new Map(),
): { entry: Piece; before: Piece; jobs: string[] }[] {
  return pieces.flatMap((piece) => {
    const by = jobs.filter(({ moves }) => moves.some((move) => move.piece === piece.id && !move.broken)).map(({ job }) => job);
    return piece.assumed !== undefined && by.length > 0 ? [{ entry: asFound(heldAs(piece, held.get(piece.id)?.fasteners), jobs), before: piece, jobs: by }] : [];
  });
}

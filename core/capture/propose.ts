import type { Piece, PieceLevel, VehicleProfile, Way } from '../vehicle/index.ts';
import { asWay, closingMinutes, minutesFromFitted, proposedLevels, proposedReach, type ProposedLevel, type ProposedWay } from './levels.ts';
import type { SeenJob } from './seen.ts';
import { learnWays, type CaptureConflict, type SoundWay } from './ways.ts';

/** What the jobs of a kind of vehicle teach of its ways: levels by piece, and the ways to each target. */
export interface TaughtWays {
  levels: Map<string, ProposedLevel[]>;
  reach: Map<string, ProposedWay[]>;
  /** Every way that was gone, as far as anybody knows what it needs. */
  ways: SoundWay[];
  conflicts: CaptureConflict[];
}

/** What of a profile the ways in hang on. */
export type WaysProfile = Pick<VehicleProfile, 'pieces' | 'mounts' | 'plugs'>;

/**
 * Levels and ways as the jobs of a kind of vehicle show them, together with what its profile says already. A piece that no job moved stays as it is.
 * @param known the profile, or nothing of a kind that nobody described
 */
export function teachWays(jobs: readonly SeenJob[], known?: WaysProfile): TaughtWays {
  const { ways, conflicts } = learnWays(jobs);
  const measured = minutesFromFitted(jobs);
  const pieceIds = [...new Set(ways.flatMap(({ piece }) => piece ?? []))];
  const targetIds = [...new Set(ways.flatMap(({ target }) => target ?? []))];
  const reachOf = (id: string) => known?.mounts.find((mount) => mount.id === id)?.reach ?? known?.plugs.find((plug) => plug.id === id)?.reach;
  return {
    levels: new Map(
      pieceIds.map((id) => [
        id,
        proposedLevels(
          ways.filter(({ piece }) => piece === id),
          measured,
          closingMinutes(jobs, id),
          known?.pieces.find((piece) => piece.id === id)?.levels,
        ),
      ]),
    ),
    reach: new Map(
      targetIds.map((id) => [
        id,
        proposedReach(
          ways.filter(({ target }) => target === id),
          reachOf(id),
        ),
      ]),
    ),
    ways,
    conflicts,
  };
}

const plainLevel = ({ measured: _measured, ways, ...level }: ProposedLevel): PieceLevel => ({ ...level, ways: ways.map(asWay) });

/** A profile with what its jobs taught of the ways in. What names nothing that the profile has is left out: a way through a piece that nobody described cannot be said. */
export function withTaught<P extends WaysProfile>(profile: P, { levels, reach }: Pick<TaughtWays, 'levels' | 'reach'>): P {
  const there = new Map(profile.pieces.map(({ id, levels: known }) => [id, levels.get(id) ?? known]));
  const said = (way: Way) => way.needs.every(({ piece }) => there.has(piece));
  const reached = <T extends { id: string; reach: Way[] }>(entry: T): T => {
    const taught = reach.get(entry.id);
    return taught ? { ...entry, reach: taught.filter(said).map(asWay) } : entry;
  };
  return {
    ...profile,
    pieces: profile.pieces.map((piece): Piece => {
      const taught = levels.get(piece.id);
      return taught ? { ...piece, levels: taught.map((level) => plainLevel({ ...level, ways: level.ways.filter(said) })) } : piece;
    }),
    mounts: profile.mounts.map(reached),
    plugs: profile.plugs.map(reached),
  };
}

import { accessProblem, solveAccess, type AccessChoice, type AccessProblem } from '../../access/index.ts';
import { barePiece, bareProfile } from '../../test/bare-profile.ts';
import type { MountPosition } from '../../vehicle/index.ts';
import { teachWays, withTaught, type PlanMinutes, type SeenJob } from '../index.ts';

/** The access problem that jobs teach of a kind of vehicle nobody described, for all targets they worked at. */
export function taughtProblem(jobs: readonly SeenJob[], lacks: readonly string[] = []): AccessProblem {
  const taught = teachWays(jobs);
  const mount = (id: string): MountPosition => ({ id, name: id, side: 'centre', at: { xMm: 0, yMm: 0, zMm: 0 }, reach: [], hiddenBy: [] });
  // What a vehicle lacked is named in the ways gone on it, though nobody opened it there.
  const named = [...taught.levels.values()].flat().flatMap(({ ways }) => ways.flatMap(({ needs }) => needs.map(({ piece }) => piece)));
  const ids = [...new Set([...taught.levels.keys(), ...named])];
  const bare = bareProfile({ pieces: ids.map((id) => ({ ...barePiece(id), levels: [] })), mounts: [...taught.reach.keys()].map(mount) });
  const profile = withTaught(bare, taught);
  const here = { ...profile, pieces: profile.pieces.filter(({ id }) => !lacks.includes(id)) };
  const without = here.pieces.map((piece) => ({
    ...piece,
    levels: piece.levels.map((level) => ({ ...level, ways: level.ways.map((way) => ({ ...way, needs: way.needs.filter((need) => !lacks.includes(need.piece)) })) })),
  }));
  return accessProblem({ ...here, pieces: without }, {}, [...taught.reach.keys()], [], []);
}

export const taughtPlan = (jobs: readonly SeenJob[], lacks: readonly string[] = []): AccessChoice => solveAccess(taughtProblem(jobs, lacks));

/** What the next vehicle takes by what jobs teach. */
export const taughtMinutes: PlanMinutes = (jobs) => {
  const { problems, total } = taughtPlan(jobs);
  return problems.length > 0 ? undefined : total / 100;
};

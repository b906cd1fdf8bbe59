import { accessProblem, solveAccess, type AccessProblem } from '../access/index.ts';
import type { MountPosition, Piece } from '../vehicle/index.ts';
import { teachWays, withTaught, type WaysProfile } from './propose.ts';
import type { SeenJob } from './seen.ts';
import type { PlanMinutes } from './worth.ts';

/** A piece of which nothing is known but that it was opened, or is in the way. */
const unknownPiece = (id: string): Piece => ({
  id,
  name: id,
  side: 'centre',
  zone: 'front',
  box: { xMm: [0, 0], yMm: [0, 0], zMm: [0, 0] },
  levels: [],
  fasteners: [],
  cautions: [],
});
const unknownPlace = (id: string): MountPosition => ({ id, name: id, side: 'centre', at: { xMm: 0, yMm: 0, zMm: 0 }, reach: [], hiddenBy: [] });

/**
 * The way in that jobs teach of a kind of vehicle, to all places that were worked at.
 * @param known its profile; without one the pieces and places are those of the jobs
 */
export function taughtProblem(jobs: readonly SeenJob[], known?: WaysProfile): AccessProblem {
  const taught = teachWays(jobs, known);
  const targets = [...taught.reach.keys()];
  // What a vehicle lacked is named in the ways gone on it, though nobody opened it there.
  const named = [...taught.levels.values(), ...taught.reach.values()]
    .flat()
    .flatMap((entry) => ('ways' in entry ? entry.ways : [entry]).flatMap(({ needs }) => needs.map(({ piece }) => piece)));
  const bare: WaysProfile = known ?? { pieces: [...new Set([...taught.levels.keys(), ...named])].map(unknownPiece), mounts: targets.map(unknownPlace), plugs: [] };
  const profile = withTaught(bare, taught);
  const plugs = profile.plugs.filter(({ id, reach }) => targets.includes(id) && reach.length > 0).map(({ id, side, reach }) => ({ id, side, ways: reach }));
  return accessProblem({ ...profile, sensors: [] }, {}, targets, [], [], { further: plugs });
}

/** Places looked at in one plan: what a question is worth needs no proof, and a list of them has to come. */
const MOST_LOOKED = 20_000;

/** Person-minutes of the least way in that jobs teach; undefined where it does not lead everywhere. */
export const planMinutesOf =
  (known?: WaysProfile): PlanMinutes =>
  (jobs) => {
    const { problems, total } = solveAccess(taughtProblem(jobs, known), MOST_LOOKED);
    return problems.length > 0 ? undefined : total / 100;
  };

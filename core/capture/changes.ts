import { PRIOR_SIGMA } from '../schedule/index.ts';
import { hundredthsToMinutes, minutesToHundredths } from '../units/index.ts';
import { levelRank, type Level, type LevelNeed, type OpenLevel, type VehicleProfile, type Way } from '../vehicle/index.ts';
import { holds, type Learned, type SoundWay } from './ways.ts';
import { teachWays, type WaysProfile } from './propose.ts';
import { asWay, standsFree, type ProposedWay } from './levels.ts';
import type { OpenThen, SeenJob } from './seen.ts';

/** A way that jobs went and the profile does not have. */
export interface WayChange {
  /** A piece at a level, or a mount position or plug. */
  place: { piece: string; level: OpenLevel } | { target: string };
  way: Way;
  /** Ways of the profile that need all of this and more. They stay: what is known of them by name is not lost, and nobody goes them who need not. */
  shorterThan: Way[];
  /** Needs of which nobody said that they had to be. */
  onlySeen: LevelNeed[];
  jobs: string[];
  /** Pieces of a way of the profile that were only seen open when it was kept, and of which somebody said since that they had to be: it stands in that way's place. */
  confirms?: string[];
}

/** What jobs of a kind teach beyond its profile. */
export interface KindTaught {
  changes: WayChange[];
  /** Ways that a profile cannot say: over a piece that a vehicle lacked and that never comes off where it is, or that the profile no longer has. */
  unsayable: number;
  conflicts: Learned['conflicts'];
}

/** Whether one of these ways was gone where another was: it needs nothing that was not open then, and stands no other way. Who had all that open went it, however long it took. */
const isGone = (ways: readonly Way[], gone: Way): boolean => ways.some((way) => holds(way.needs, gone.needs) && standsFree(way, gone));

/** Changes that a profile does not say by now, since a piece that stood in a way is none of it. */
export function stillNew(profile: WaysProfile, changes: readonly WayChange[]): WayChange[] {
  const waysAt = (place: WayChange['place']): readonly Way[] =>
    'piece' in place
      ? (profile.pieces.find(({ id }) => id === place.piece)?.levels.find(({ level }) => level === place.level)?.ways ?? [])
      : ([...profile.mounts, ...profile.plugs].find(({ id }) => id === place.target)?.reach ?? []);
  return changes.filter(({ place, way, confirms }) => confirms !== undefined || !isGone(waysAt(place), way));
}

function changesAt(place: WayChange['place'], proposed: readonly ProposedWay[], known: readonly Way[], extraOf: (way: ProposedWay) => number): WayChange[] {
  return proposed
    .filter((way) => !isGone(known, way))
    .map((way) => {
      const taken = { ...asWay(way), extraMin: hundredthsToMinutes(minutesToHundredths(extraOf(way))) };
      return {
        place,
        way: taken,
        shorterThan: known.filter((other) => holds(taken.needs, other.needs) && taken.extraMin <= other.extraMin && standsFree(taken, other)),
        onlySeen: way.needs.filter(({ piece }) => !way.confirmed.includes(piece)),
        jobs: way.jobs,
      };
    });
}

/** Ways of the profile with needs that were only seen, where jobs on which all of it was open said of some that they had to be. */
function confirmationsAt(place: WayChange['place'], known: readonly Way[], gone: readonly SoundWay[]): WayChange[] {
  return known.flatMap((way): WayChange[] => {
    const by = gone.filter(({ needs }) => holds(way.needs, needs));
    const confirms = way.needs.flatMap(({ piece, seen }) => (seen && by.some(({ confirmed }) => confirmed.includes(piece)) ? [piece] : []));
    if (confirms.length === 0) return [];
    const needs = way.needs.map(({ piece, level, seen }) => ({ piece, level, ...(seen && !confirms.includes(piece) ? { seen } : {}) }));
    const jobs = by.filter(({ confirmed }) => confirms.some((piece) => confirmed.includes(piece))).map(({ job }) => job);
    return [{ place, way: { ...way, needs }, shorterThan: [], onlySeen: needs.filter(({ seen }) => seen), jobs: [...new Set(jobs)], confirms }];
  });
}

/** A job without what isolated a supply: a profile says of each piece itself whether it asks for a dead supply, and who plans adds it. */
export function withoutIsolation(job: SeenJob, isolating: ReadonlySet<string>): SeenJob {
  const less = <T extends { open: OpenThen }>(entry: T): T => ({ ...entry, open: entry.open.filter(({ piece }) => !isolating.has(piece)) });
  return { ...job, moves: job.moves.map(less), targets: job.targets.map(less), tried: job.tried.map(less) };
}

/** Ways that the jobs of a kind went and its profile does not have, one by one, to be taken or left. Minutes of levels stay: times are learned by themselves. */
export function kindTaught(jobs: readonly SeenJob[], profile: WaysProfile & Partial<Pick<VehicleProfile, 'supplies'>>): KindTaught {
  const isolating = new Set((profile.supplies ?? []).map(({ piece }) => piece));
  const taught = teachWays(
    jobs.map((job) => withoutIsolation(job, isolating)),
    profile,
  );
  const atLevels = profile.pieces.flatMap(({ id, levels }) =>
    levels.flatMap((known) => {
      const proposed = taught.levels.get(id)?.find(({ level }) => level === known.level);
      if (!proposed) return [];
      // The level keeps its own minutes, and what is within one spread of them is no other time: beyond that it is what the way takes more.
      const ownMin = known.openMin * known.people;
      const extraOf = ({ extraMin }: ProposedWay) => {
        const wholeMin = proposed.openMin * proposed.people + extraMin;
        return wholeMin > ownMin * Math.exp(PRIOR_SIGMA) ? wholeMin - ownMin : 0;
      };
      const place = { piece: id, level: known.level };
      const gone = taught.ways.filter((way) => way.piece === id && way.level === known.level);
      return [...changesAt(place, proposed.ways, known.ways, extraOf), ...confirmationsAt(place, known.ways, gone)];
    }),
  );
  const atTargets = [...profile.mounts, ...profile.plugs].flatMap(({ id, reach }) => [
    ...changesAt({ target: id }, taught.reach.get(id) ?? [], reach, ({ extraMin }) => extraMin),
    ...confirmationsAt(
      { target: id },
      reach,
      taught.ways.filter(({ target }) => target === id),
    ),
  ]);
  const all = [...atLevels, ...atTargets];
  const levels = new Map(profile.pieces.map((piece) => [piece.id, piece.levels]));
  const changes = all.filter(({ way }) => way.needs.every((need) => levels.get(need.piece)?.some(({ level }) => levelRank(level) >= levelRank(need.level))));
  return { changes, unsayable: all.length - changes.length, conflicts: taught.conflicts };
}

/**
 * What hides a place again: what every way to it needs, as far as the least of them. Where another way leads there without a piece, that piece does not hide
 * it, and what was only seen open hides nothing.
 */
export const hidesAll = ([first, ...others]: readonly Way[]): LevelNeed[] =>
  (first?.needs ?? []).flatMap(({ seen, ...need }) => {
    if (seen) return [];
    const levels = others.flatMap(({ needs }) => needs.filter(({ piece }) => piece === need.piece));
    return levels.length < others.length ? [] : [[need, ...levels].reduce((least, other) => (levelRank(other.level) < levelRank(least.level) ? other : least))];
  });

/** A profile with the changes that were taken: each way added to those that it has, or in the place of the one that it confirms. */
export function withChanges<P extends WaysProfile>(profile: P, changes: readonly WayChange[]): P {
  const changed = (ways: readonly Way[], here: readonly WayChange[]): Way[] => [
    ...ways.map((way) => here.find((change) => change.confirms && change.way.id === way.id)?.way ?? way),
    ...here.filter(({ confirms }) => !confirms).map(({ way }) => way),
  ];
  const ofLevel = (piece: string, level: Level) => changes.filter(({ place }) => 'piece' in place && place.piece === piece && place.level === level);
  const reached = <T extends { id: string; reach: Way[]; hiddenBy: LevelNeed[] }>(entry: T): T => {
    const here = changes.filter(({ place }) => 'target' in place && place.target === entry.id);
    if (here.length === 0) return entry;
    const reach = changed(entry.reach, here);
    // What had to be open hides the place again, where nothing says of it that it does already.
    const hides = here.some(({ confirms }) => confirms) ? hidesAll(reach).filter(({ piece }) => !entry.hiddenBy.some((other) => other.piece === piece)) : [];
    return { ...entry, reach, ...(hides.length > 0 ? { hiddenBy: [...entry.hiddenBy, ...hides.map(({ piece, level }) => ({ piece, level }))] } : {}) };
  };
  return {
    ...profile,
    pieces: profile.pieces.map((piece) => ({
      ...piece,
      levels: piece.levels.map((level) => {
        const here = ofLevel(piece.id, level.level);
        return here.length > 0 ? { ...level, ways: changed(level.ways, here) } : level;
      }),
    })),
    mounts: profile.mounts.map(reached),
    plugs: profile.plugs.map(reached),
  };
}

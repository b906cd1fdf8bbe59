import type { LampFunction, Piece, VehicleProfile } from '../vehicle/index.ts';
import type { KindDescribed } from './events.ts';
import { records, type JobState } from './state.ts';

/** Entries of a profile, then those that were described besides; one that the profile has itself stands as the profile says it. */
const joined = <T extends { id: string }>(own: readonly T[], described: Readonly<Record<string, T>>): T[] => {
  const known = new Set(own.map(({ id }) => id));
  return [...own, ...Object.values(described).filter(({ id }) => !known.has(id))];
};

/** What a job described of its kind of vehicle. */
export type DescribedHere = JobState['described'];

export const NOTHING_DESCRIBED: DescribedHere = { pieces: {}, functions: {}, whole: [] };

/** What was described, and what is described now: an entry that is said anew stands as it was said last. */
export function describedFurther(before: DescribedHere, { pieces = [], functions = [], whole = [] }: KindDescribed): DescribedHere {
  const further = <T extends { id: string }>(known: Readonly<Record<string, T>>, entries: readonly T[]): Record<string, T> =>
    Object.assign(records<T>(), known, Object.fromEntries(entries.map((entry) => [entry.id, entry])));
  return { pieces: further(before.pieces, pieces), functions: further(before.functions, functions), whole: [...new Set([...before.whole, ...whole])] };
}

/** Whether a job described nothing. */
export const describedNothing = ({ pieces, functions, whole }: DescribedHere): boolean => Object.keys(pieces).length + Object.keys(functions).length + whole.length === 0;

/**
 * A profile with what a job described besides: pieces and lamps that nobody had described, and without the lists of which it has nothing beyond. A profile
 * that has learned an entry since says it itself.
 */
export function withDescribed(profile: VehicleProfile, described: DescribedHere): VehicleProfile {
  if (describedNothing(described)) return profile;
  const { undescribed: before = [], ...rest } = profile;
  const undescribed = before.filter((list) => !described.whole.includes(list));
  return {
    ...rest,
    pieces: joined<Piece>(profile.pieces, described.pieces),
    functions: joined<LampFunction>(profile.functions, described.functions),
    ...(undescribed.length > 0 ? { undescribed } : {}),
  };
}

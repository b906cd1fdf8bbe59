import { MEASURES, type MeasureId, type Measures } from './bodies.ts';
import { measuresOf } from './new-kind.ts';
import type { VehicleProfile } from './profile.ts';

/** Measures that were taken, in mm. */
export type TakenMeasures = Partial<Measures>;

type Measured = Pick<VehicleProfile, 'body' | 'measures' | 'unmeasured'>;

/** Only these of some measures. */
const among = (measures: TakenMeasures, ids: readonly MeasureId[]): TakenMeasures =>
  Object.fromEntries(ids.flatMap((id) => (measures[id] === undefined ? [] : [[id, measures[id]] as const])));

/**
 * A profile with measures that were taken where nobody had; those that somebody took before stand as they are. What nobody has taken follows from the others,
 * as it does in such a body.
 */
export function withMeasures<T extends Measured>(profile: T, taken: TakenMeasures): T {
  const { unmeasured = [], ...rest } = profile;
  const now = unmeasured.filter((id) => taken[id] !== undefined);
  if (now.length === 0) return profile;
  const left = unmeasured.filter((id) => !now.includes(id));
  const said = { ...profile.measures, ...among(taken, now) };
  const measures = { ...said, ...among(measuresOf(profile.body, said), left) };
  return { ...rest, measures, ...(left.length > 0 ? { unmeasured: left } : {}) } as T;
}

/** One value of several that people measured, in whole mm: the middle one, or between the two in the middle. */
export function middleMm(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const [low = 0, high = low] = sorted.slice(Math.floor((sorted.length - 1) / 2), Math.floor(sorted.length / 2) + 1);
  return Math.round((low + high) / 2);
}

/** Measures of a list of ids, in the order in which measures are listed. */
export const inMeasureOrder = (ids: readonly MeasureId[]): MeasureId[] => MEASURES.filter((id) => ids.includes(id));

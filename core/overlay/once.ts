import { joinedPiece, joinedPlug, needsAsKept, waysAsKept } from './joined.ts';
import type { Piece } from '../vehicle/index.ts';
import type { DescribedHere } from './here.ts';
import { records } from './records.ts';

type Same = Readonly<Record<string, string>>;

/** Lists of places of a vehicle that two devices can describe, each not knowing of the other. */
export const PLACE_LISTS = ['mounts', 'sensors', 'gaps', 'plugs'] as const;
export type PlaceList = (typeof PLACE_LISTS)[number];

/** Under which id a piece or a place is kept: the one that it is, as far as that is said. */
export const keptAs = (same: Same, piece: string): string => {
  const is = same[piece];
  return is === undefined ? piece : keptAs(same, is);
};

/** Pieces each once, and under which id of it the fasteners of each further description are counted, and which of them it alone saw. */
export function joinedOf({ same, pieces: told }: Pick<DescribedHere, 'same' | 'pieces'>) {
  const all = Object.values(told);
  const pieces = Object.assign(records<Piece>(), Object.fromEntries(all.filter(({ id }) => keptAs(same, id) === id).map((piece) => [piece.id, piece])));
  const groups = new Map<string, { to: ReadonlyMap<string, string>; own: ReadonlySet<string> }>();
  for (const piece of all) {
    const first = pieces[keptAs(same, piece.id)];
    if (first?.id === piece.id) continue;
    // One that the profile has learned since is as the profile says it: what fasteners it has this job does not know.
    const joined = first && joinedPiece(first, piece);
    const known = new Set(first?.fasteners.map(({ id }) => id));
    if (joined) pieces[joined.piece.id] = joined.piece;
    groups.set(piece.id, { to: joined?.groups ?? new Map(), own: new Set([...(joined?.groups ?? [])].filter(([, to]) => !known.has(to)).map(([id]) => id)) });
  }
  return { pieces, groups };
}

/** Plugs each once: of one that was described twice the wires that either of them proved. */
function plugsOnce({ same, plugs }: Pick<DescribedHere, 'same' | 'plugs'>): DescribedHere['plugs'] {
  const once = Object.assign(records<DescribedHere['plugs'][string]>(), Object.fromEntries(Object.entries(plugs).filter(([id]) => same[id] === undefined)));
  for (const plug of Object.values(plugs)) {
    const id = keptAs(same, plug.id);
    const first = once[id];
    if (id !== plug.id) once[id] = first ? joinedPlug(first, plug) : { ...plug, id };
  }
  return once;
}

/** What was described with everything once: what was described a second time is the first, with what only the second one saw, and named as the first. */
export function describedOnce(described: DescribedHere): DescribedHere {
  const { same } = described;
  if (Object.keys(same).length === 0) return described;
  const to = (piece: string) => keptAs(same, piece);
  const pieces = joinedOf(described).pieces;
  const all = <T, U>(entries: Readonly<Record<string, T>>, change: (entry: T) => U): Record<string, U> =>
    Object.assign(records<U>(), Object.fromEntries(Object.entries(entries).map(([id, entry]) => [id, change(entry)])));
  const first = <T>(entries: Readonly<Record<string, T>>): Record<string, T> =>
    Object.assign(records<T>(), Object.fromEntries(Object.entries(entries).filter(([id]) => same[id] === undefined)));
  const reached = <T extends DescribedHere['mounts'][string] | DescribedHere['plugs'][string]>(place: T): T => ({
    ...place,
    reach: waysAsKept(place.reach, to),
    hiddenBy: needsAsKept(place.hiddenBy, to),
  });
  return {
    ...described,
    pieces: all(pieces, (piece) => ({ ...piece, levels: piece.levels.map((level) => ({ ...level, ways: waysAsKept(level.ways, to, piece.id) })) })),
    mounts: all(first(described.mounts), reached),
    plugs: all(plugsOnce(described), reached),
    gaps: first(described.gaps),
    supplies: all(described.supplies, (supply) => ({ ...supply, piece: to(supply.piece) })),
    sensors: all(first(described.sensors), (sensor) => ({ ...sensor, on: to(sensor.on) })),
    facts: all(described.facts, (fact) => ({ ...fact, tells: fact.tells.map((tell) => ({ ...tell, piece: to(tell.piece) })) })),
    refitRules: all(described.refitRules, (rule) => ({ ...rule, first: to(rule.first), then: to(rule.then) })),
    without: [...new Set(described.without.map(to))],
    held: Object.assign(records<DescribedHere['held'][string]>(), Object.fromEntries(Object.entries(described.held).map(([piece, fasteners]) => [to(piece), fasteners]))),
    same: records(),
  };
}

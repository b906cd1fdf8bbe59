import { evaluate, type FactValues } from '../facts/index.ts';
import { LEVELS, type Described, type Level, type LevelNeed, type Piece, type PieceLevel, type VehicleProfile, type Way } from './profile.ts';

type WithPieces = Pick<VehicleProfile, 'pieces' | 'mounts'> & Partial<Pick<VehicleProfile, 'plugs' | 'refitRules'>>;

/** Ids of the pieces that this vehicle does not have: those whose condition the facts rule out. A piece that was opened is there, whatever is noted. */
export function absentPieces({ pieces }: Pick<VehicleProfile, 'pieces'>, facts: FactValues, opened: ReadonlySet<string> = new Set()): Set<string> {
  return new Set(pieces.filter((piece) => evaluate(piece.when, facts) === 'no' && !opened.has(piece.id)).map((piece) => piece.id));
}

/** Needs without those for pieces that a vehicle does not have. */
export function needsPresent(needs: readonly LevelNeed[], absent: ReadonlySet<string>): LevelNeed[] {
  return needs.filter((need) => !absent.has(need.piece));
}

/** A profile without some of its pieces, and without every need, cover and rule that names one of them: what is not there is no obstacle, hides nothing and waits for nothing. */
export function withoutPieces<T extends WithPieces>(profile: T, ids: readonly string[]): T {
  const absent = new Set(ids);
  if (absent.size === 0) return profile;
  const kept = (needs: readonly LevelNeed[]) => needsPresent(needs, absent);
  const ways = (list: readonly Way[]) => list.map((way) => (way.needs.some((need) => absent.has(need.piece)) ? { ...way, needs: kept(way.needs) } : way));
  const there = (list: readonly string[] | undefined) => list?.filter((id) => !absent.has(id));
  return {
    ...profile,
    pieces: profile.pieces.filter((piece) => !absent.has(piece.id)).map((piece) => ({ ...piece, levels: piece.levels.map((level) => ({ ...level, ways: ways(level.ways) })) })),
    mounts: profile.mounts.map((mount) => ({
      ...mount,
      reach: ways(mount.reach),
      hiddenBy: kept(mount.hiddenBy),
      ...(mount.inPlaceOf ? { inPlaceOf: there(mount.inPlaceOf) } : {}),
      ...(mount.adjusterHiddenBy ? { adjusterHiddenBy: kept(mount.adjusterHiddenBy) } : {}),
      ...(mount.aimAfter ? { aimAfter: there(mount.aimAfter) } : {}),
    })),
    ...(profile.plugs ? { plugs: profile.plugs.map((plug) => ({ ...plug, reach: ways(plug.reach), hiddenBy: kept(plug.hiddenBy) })) } : {}),
    ...(profile.refitRules ? { refitRules: profile.refitRules.filter((rule) => !absent.has(rule.first) && !absent.has(rule.then)) } : {}),
  };
}

/**
 * A profile without the pieces that this vehicle does not have, and without every need, cover and rule that names one of them: what is
 * not there is no obstacle, hides nothing and waits for nothing.
 * @param opened pieces that were opened on this vehicle
 * @param replaced pieces in whose place something else sits for good
 */
export function onlyPresent<T extends WithPieces>(profile: T, facts: FactValues, opened: ReadonlySet<string> = new Set(), replaced: readonly string[] = []): T {
  return withoutPieces(profile, [...absentPieces(profile, facts, opened), ...replaced]);
}

/** Place of a level in the order fitted, loosened, folded, hung, off. */
export function levelRank(level: Level): number {
  return LEVELS.indexOf(level);
}

/** Whether all needs hold where every piece stands at the level given; a piece that is not named is fitted. */
export function needsHold(needs: readonly LevelNeed[], levels: Readonly<Record<string, Level>>): boolean {
  return needs.every((need) => levelRank(levels[need.piece] ?? 'fitted') >= levelRank(need.level));
}

/** What a piece's profile says of a level: of a level that it does not list, the next lower one it lists, or its lowest. Undefined where it lists none, and for fitted. */
export function listedLevel(piece: Piece, level: Level): PieceLevel | undefined {
  if (level === 'fitted') return undefined;
  return piece.levels.filter((entry) => levelRank(entry.level) <= levelRank(level)).at(-1) ?? piece.levels[0];
}

/** Whether nobody has described a list of a kind of vehicle, or not all of it. */
export const isUndescribed = ({ undescribed = [] }: Pick<VehicleProfile, 'undescribed'>, list: Described): boolean => undescribed.includes(list);

import { minutesToHundredths } from '../units/index.ts';
import { evaluate, type FactValues } from '../facts/index.ts';
import { LEVELS, type Level, type LevelNeed, type Piece, type VehicleProfile, type Way } from '../vehicle/index.ts';

/** One way in the solver's terms; `extra` in whole hundredths of a person-minute. */
export interface AccessWay {
  id: string;
  needs: LevelNeed[];
  extra: number;
  irreversible: boolean;
}

/** Costs of a level from fitted, in whole hundredths of a person-minute. */
export interface AccessLevel {
  level: Level;
  open: number;
  close: number;
  breakage: number;
  ways: AccessWay[];
}

export interface AccessPiece {
  id: string;
  levels: AccessLevel[];
}

/** Something that must be reachable; one of its ways must hold. */
export interface AccessTarget {
  id: string;
  ways: AccessWay[];
}

/** What to open up, from which state. Levels not named in `present` are fitted. */
export interface AccessProblem {
  pieces: AccessPiece[];
  targets: AccessTarget[];
  present: { piece: string; level: Level }[];
  /** Pieces that the kit replaces: they reach off and cost no close. */
  replaced: string[];
}

/** Place of a level in the order fitted, loosened, folded, hung, off. */
export function levelRank(level: Level): number {
  return LEVELS.indexOf(level);
}

function accessWay(way: Way): AccessWay {
  return { id: way.id, needs: way.needs, extra: minutesToHundredths(way.extraMin), irreversible: way.irreversible ?? false };
}

function accessPiece(piece: Piece, ageFactor: number): AccessPiece {
  return {
    id: piece.id,
    levels: piece.levels.map((level) => ({
      level: level.level,
      open: minutesToHundredths(level.openMin * level.people),
      close: minutesToHundredths(level.closeMin * level.people),
      breakage: level.breakage ? minutesToHundredths(Math.min(1, level.breakage.chance * ageFactor) * level.breakage.replaceMin) : 0,
      ways: level.ways.map(accessWay),
    })),
  };
}

/** The part of a profile that a way in is planned from. */
export type AccessProfile = Pick<VehicleProfile, 'pieces' | 'mounts' | 'sensors'>;

/** Pieces of a profile that this vehicle may have: those whose condition holds or is not known. */
export function piecesPresent(profile: AccessProfile, facts: FactValues): Piece[] {
  return profile.pieces.filter((piece) => evaluate(piece.when, facts) !== 'no');
}

/**
 * The access problem of a vehicle: its pieces as they are on this vehicle, the mount positions named, what is open already.
 * A piece that the vehicle does not have is no obstacle: needs for it are dropped.
 * @param ageFactor by how much aged clips break more often than new ones
 */
export function accessProblem(
  profile: AccessProfile,
  facts: FactValues,
  mountIds: readonly string[],
  present: AccessProblem['present'],
  replaced: readonly string[],
  ageFactor = 1,
): AccessProblem {
  const pieces = piecesPresent(profile, facts);
  const ids = new Set(pieces.map((piece) => piece.id));
  const without = <T extends Way>(ways: T[]) => ways.map((way) => ({ ...way, needs: way.needs.filter((need) => ids.has(need.piece)) }));
  return {
    pieces: pieces.map((piece) => accessPiece({ ...piece, levels: piece.levels.map((level) => ({ ...level, ways: without(level.ways) })) }, ageFactor)),
    targets: profile.mounts.filter((mount) => mountIds.includes(mount.id)).map((mount) => ({ id: mount.id, ways: without(mount.reach).map(accessWay) })),
    present: present.filter((entry) => ids.has(entry.piece)),
    replaced: replaced.filter((piece) => ids.has(piece)),
  };
}

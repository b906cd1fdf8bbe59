import { minutesToHundredths } from '../units/index.ts';
import type { FactValues } from '../facts/index.ts';
import { levelRank, onlyPresent, type Level, type LevelNeed, type Piece, type Side, type Supply, type SupplyAsk, type VehicleProfile, type Way } from '../vehicle/index.ts';

export { levelRank };

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

/** Where a piece stands before the plan: what is open of it is closed in the end, and what it could have broken is past. */
export interface PieceAtStart {
  rank: number;
  /** Minutes already spent on opening it, and those to put it back from there. */
  open: number;
  close: number;
  breakage: number;
}

/**
 * Where a piece stands at the start of a problem. A level that the piece does not list counts with the costs of the next lower one that
 * it lists; open below its lowest level it still has to be put back, as from its lowest.
 */
export function atStart(problem: Pick<AccessProblem, 'present' | 'replaced'>, piece: AccessPiece): PieceAtStart {
  const entry = problem.present.find((candidate) => candidate.piece === piece.id);
  const rank = entry ? levelRank(entry.level) : 0;
  if (!entry || rank === 0) return { rank: 0, open: 0, close: 0, breakage: 0 };
  const listed = piece.levels.filter((level) => levelRank(level.level) <= rank).at(-1);
  const stays = problem.replaced.includes(piece.id) && entry.level === 'off';
  return { rank, open: listed?.open ?? 0, close: stays ? 0 : ((listed ?? piece.levels[0])?.close ?? 0), breakage: listed?.breakage ?? 0 };
}

function accessWay(way: Way): AccessWay {
  return { id: way.id, needs: way.needs, extra: minutesToHundredths(way.extraMin), irreversible: way.irreversible ?? false };
}

/** Needs that asks for a dead supply add to a way: the piece that isolates it, as far as that takes. */
export function needsOfAsks(asks: readonly SupplyAsk[] | undefined, supplies: readonly Supply[]): LevelNeed[] {
  return (asks ?? []).flatMap((ask) => {
    const supply = ask.is === 'dead' ? supplies.find((entry) => entry.id === ask.supply) : undefined;
    return supply ? [{ piece: supply.piece, level: supply.level }] : [];
  });
}

/** All that must hold for a way to a level: its own needs, and the isolation that it or the level asks for. */
export function wayNeeds(way: Way, level: { asks?: SupplyAsk[] } | undefined, supplies: readonly Supply[]): LevelNeed[] {
  const isolation = needsOfAsks([...(way.asks ?? []), ...(level?.asks ?? [])], supplies);
  const further = isolation.filter((need) => !way.needs.some((own) => own.piece === need.piece && levelRank(own.level) >= levelRank(need.level)));
  return further.length === 0 ? way.needs : [...way.needs, ...further];
}

function accessPiece(piece: Piece, supplies: readonly Supply[], ageFactor: number): AccessPiece {
  return {
    id: piece.id,
    levels: piece.levels.map((level) => ({
      level: level.level,
      open: minutesToHundredths(level.openMin * level.people),
      close: minutesToHundredths(level.closeMin * level.people),
      breakage: level.breakage ? minutesToHundredths(Math.min(1, level.breakage.chance * ageFactor) * level.breakage.replaceMin) : 0,
      ways: level.ways.map((way) => accessWay({ ...way, needs: wayNeeds(way, level, supplies) })),
    })),
  };
}

/** The part of a profile that a way in is planned from. */
export type AccessProfile = Pick<VehicleProfile, 'pieces' | 'mounts' | 'sensors'> & Partial<Pick<VehicleProfile, 'supplies'>>;

/** Something of this job that must be reachable besides its mount positions: a plug, a fitting step. */
export interface FurtherTarget {
  id: string;
  side: Side;
  ways: Way[];
}

/**
 * The access problem of a vehicle: its pieces as they are on this vehicle, the mount positions named and what else must be reachable,
 * what is open already. A piece that the vehicle does not have is no obstacle: needs for it are dropped. A way that asks for a dead
 * supply needs the piece that isolates it.
 * @param ageFactor by how much aged clips break more often than new ones
 */
export function accessProblem(
  whole: AccessProfile,
  facts: FactValues,
  mountIds: readonly string[],
  present: AccessProblem['present'],
  replaced: readonly string[],
  { ageFactor = 1, further = [] }: { ageFactor?: number; further?: readonly FurtherTarget[] } = {},
): AccessProblem {
  const opened = new Set(present.map((entry) => entry.piece));
  const profile = onlyPresent(whole, facts, opened);
  const supplies = profile.supplies ?? [];
  const ids = new Set(profile.pieces.map((piece) => piece.id));
  const target = (id: string, ways: readonly Way[]) => ({
    id,
    ways: ways.map((way) => accessWay({ ...way, needs: wayNeeds(way, undefined, supplies).filter((need) => ids.has(need.piece)) })),
  });
  return {
    pieces: profile.pieces.map((piece) => accessPiece(piece, supplies, ageFactor)),
    targets: [...profile.mounts.filter((mount) => mountIds.includes(mount.id)).map((mount) => target(mount.id, mount.reach)), ...further.map(({ id, ways }) => target(id, ways))],
    present: present.filter((entry) => ids.has(entry.piece)),
    replaced: replaced.filter((piece) => ids.has(piece)),
  };
}

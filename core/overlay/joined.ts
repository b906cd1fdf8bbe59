import { levelRank, type VehiclePin, type BoxMm, type FastenerGroup, type LevelNeed, type Piece, type PieceLevel, type VehiclePlug, type Way } from '../vehicle/index.ts';

/** A piece that was described twice, as one, and under which ids the fasteners of its second description are counted; one that is not named is none of its own. */
export interface JoinedPiece {
  piece: Piece;
  groups: ReadonlyMap<string, string>;
}

/** Fasteners of the first description that those of the second are: of one drive and size, or else of one drive. */
const twinOf = (own: readonly FastenerGroup[], { drive, size }: FastenerGroup) =>
  own.find((group) => group.drive === drive && group.size === size) ?? own.find((group) => group.drive === drive);

/** An id that no group has yet. */
function freeId(id: string, groups: readonly FastenerGroup[], count = 2): string {
  if (!groups.some((group) => group.id === id)) return id;
  return groups.some((group) => group.id === `${id}-${count}`) ? freeId(id, groups, count + 1) : `${id}-${count}`;
}

/** Levels from the least open on, none of which takes less than the one before it: two people timed them. */
function rising(levels: readonly PieceLevel[]): PieceLevel[] {
  const sorted = [...levels].sort((a, b) => levelRank(a.level) - levelRank(b.level));
  return sorted.map((level, place) => ({ ...level, openMin: Math.max(...sorted.slice(0, place + 1).map(({ openMin }) => openMin)) }));
}

/**
 * Two descriptions of one piece as one: as the first one says it, with the levels that only the second one has and what came out at them. What both saw is
 * counted once, as the first one counted it.
 */
export function joinedPiece(first: Piece, second: Piece): JoinedPiece {
  const levels = second.levels.filter(({ level }) => !first.levels.some((own) => own.level === level));
  const groups = new Map<string, string>();
  const fasteners = [...first.fasteners];
  for (const group of second.fasteners) {
    const twin = twinOf(first.fasteners, group);
    if (twin) groups.set(group.id, twin.id);
    else if (levels.some(({ level }) => level === group.atLevel)) {
      const id = freeId(group.id, fasteners);
      fasteners.push({ ...group, id });
      groups.set(group.id, id);
    }
  }
  return { piece: { ...first, levels: rising([...first.levels, ...levels]), fasteners }, groups };
}

/** Two descriptions of one plug as one: as the first one says it, with the wires that only the second one proved. */
export function joinedPlug(first: VehiclePlug, second: VehiclePlug): VehiclePlug {
  const proved = ({ row, column }: VehiclePin) => second.pins.find((pin) => pin.row === row && pin.column === column && pin.carries !== 'unknown');
  return {
    ...first,
    pins: first.pins.map((pin) => (pin.carries === 'unknown' ? { ...proved(pin), ...pin, carries: proved(pin)?.carries ?? 'unknown' } : pin)),
  };
}

/** A piece with the levels that another description of it has beyond its own, and what comes out at them. */
export function withFurther(own: Piece, said: Piece | undefined): Piece {
  const levels = (said?.levels ?? []).filter(({ level }) => !own.levels.some((known) => known.level === level));
  if (!said || levels.length === 0) return own;
  const fasteners = said.fasteners.filter(({ id, atLevel }) => levels.some(({ level }) => level === atLevel) && !own.fasteners.some((group) => group.id === id));
  return { ...own, levels: rising([...own.levels, ...levels]), fasteners: [...own.fasteners, ...fasteners] };
}

/** Needs by the ids that pieces are kept under: each piece once, as far open as any of them asks for, and no piece for itself. */
export function needsAsKept(needs: readonly LevelNeed[], keptAs: (piece: string) => string, own?: string): LevelNeed[] {
  const found = new Map<string, LevelNeed>();
  for (const need of needs) {
    const piece = keptAs(need.piece);
    const before = found.get(piece);
    if (piece !== own && (!before || levelRank(need.level) > levelRank(before.level))) found.set(piece, { ...need, piece });
  }
  return [...found.values()];
}

/** Ways with their needs by the ids that pieces are kept under. */
export const waysAsKept = (ways: readonly Way[], keptAs: (piece: string) => string, own?: string): Way[] =>
  ways.map((way) => ({ ...way, needs: needsAsKept(way.needs, keptAs, own) }));

const spanOf = (one: BoxMm, other: BoxMm, axis: keyof BoxMm) => Math.max(0, Math.min(one[axis][1], other[axis][1]) - Math.max(one[axis][0], other[axis][0]));
const sizeOf = ({ xMm, yMm, zMm }: BoxMm) => (xMm[1] - xMm[0]) * (yMm[1] - yMm[0]) * (zMm[1] - zMm[0]);

/** Share of the smaller of two boxes that lies in the other one, from 0 to 1. */
export function sharedOf(one: BoxMm, other: BoxMm): number {
  const least = Math.min(sizeOf(one), sizeOf(other));
  return least > 0 ? (spanOf(one, other, 'xMm') * spanOf(one, other, 'yMm') * spanOf(one, other, 'zMm')) / least : 0;
}

import { certain, levelRank, type BoxMm, type Piece, type PieceLevel, type VehiclePlug, type VehicleProfile, type Way } from '../vehicle/index.ts';
import { withDescribed } from './described.ts';
import type { Accessory, FoundPlug, ThisVehicle } from './here.ts';

const EMPTY_BOX: BoxMm = { xMm: [0, 100], yMm: [-100, 100], zMm: [300, 400] };

/** The box around the pieces that an accessory holds, so that it has a place on the vehicle sheet. */
function around(pieces: readonly Piece[]): BoxMm {
  if (pieces.length === 0) return EMPTY_BOX;
  const span = (axis: keyof BoxMm): [number, number] => [Math.min(...pieces.map((piece) => piece.box[axis][0])), Math.max(...pieces.map((piece) => piece.box[axis][1]))];
  return { xMm: span('xMm'), yMm: span('yMm'), zMm: span('zMm') };
}

function pieceOf(found: Accessory, profile: VehicleProfile): Piece {
  const { accessory, name, side, zone, holds, openMin, closeMin, people, drive, size, count } = found;
  return {
    id: accessory,
    name,
    side,
    zone,
    box: around(profile.pieces.filter((piece) => holds.includes(piece.id))),
    levels: [{ level: 'off', openMin, closeMin, people, ways: [{ id: 'by-itself', needs: [], extraMin: 0 }] }],
    fasteners: count > 0 ? [{ id: 'fixings', drive, size, count, place: 'as found', side, singleUse: false, release: 'unscrew', tighten: { snug: 'steel' }, atLevel: 'off' }] : [],
    cautions: [{ text: 'Found on this vehicle: note how it was fitted and wired before it comes off.' }],
  };
}

/** A plug of which nothing is known but its face and where it hides. */
const plugOf = ({ plug, name, where, side, rows, columns, pins, lock = 'not described' }: FoundPlug): VehiclePlug => ({
  id: plug,
  name,
  family: 'not described',
  gender: 'sockets',
  keying: 'not described',
  rows,
  columns,
  lock,
  pins: pins.map((pin) => ({ ...pin, carries: 'unknown' })),
  side,
  whereToLook: where,
  reach: [],
  hiddenBy: [],
});

/** A plug with the colours of its wires as they were seen. */
function withColours(plug: VehiclePlug, colours: ThisVehicle['colours']): VehiclePlug {
  const seen = (pin: string) => colours[`${plug.id}/${pin}`];
  if (!plug.pins.some(({ id }) => seen(id))) return plug;
  const pins = plug.pins.map((pin) => {
    const { 'this side': colour, beyond } = seen(pin.id) ?? {};
    return { ...pin, ...(colour === undefined ? {} : { colour }), ...(beyond === undefined ? {} : { beyond }) };
  });
  return { ...plug, pins };
}

/** A profile in which nothing is assumed that was opened on this vehicle; a piece that came open was opened by nobody here. */
function confirmed(profile: VehicleProfile, { reached, came }: Pick<ThisVehicle, 'reached' | 'came'>): VehicleProfile {
  const seen = ({ id, assumed }: Piece) => assumed !== undefined && reached[id] !== undefined && reached[id] !== came[id];
  if (!profile.pieces.some(seen)) return profile;
  return { ...profile, pieces: profile.pieces.map((piece) => (seen(piece) ? certain(piece) : piece)) };
}

/** A profile as it holds for the one vehicle of a job: what was described on it, accessories and plugs found, ways that are blocked, bolts that are seized, cavities that were populated. */
export function onThisVehicle(pinned: VehicleProfile, state: ThisVehicle): VehicleProfile {
  const profile = confirmed(withDescribed(pinned, state.described), state);
  const accessories = Object.values(state.accessories);
  const populated = Object.keys(state.populated).length > 0;
  // A profile that has learned a plug since has it already.
  const found = Object.values(state.plugsFound).filter(({ plug }) => !profile.plugs.some(({ id }) => id === plug));
  if (accessories.length === 0 && state.blocked.length === 0 && state.seized.length === 0 && !populated && found.length === 0 && Object.keys(state.colours).length === 0)
    return profile;
  const open = (place: string, level: PieceLevel['level'] | undefined, ways: Way[]) => ways.filter((way) => !isBlocked(state.blocked, place, level, way.id));
  const pieces = profile.pieces.map((piece): Piece => {
    const first = accessories.filter((found) => found.holds.includes(piece.id)).map((found) => ({ piece: found.accessory, level: 'off' as const }));
    const levels = piece.levels.map((level): PieceLevel => {
      const ways = open(piece.id, level.level, level.ways).map((way) => ({ ...way, needs: [...way.needs, ...first] }));
      return { ...level, openMin: level.openMin + seizedMin(state, piece, level) / level.people, ways };
    });
    return { ...piece, levels };
  });
  const mounts = profile.mounts.map((mount) => ({ ...mount, reach: open(mount.id, undefined, mount.reach) }));
  const plugs = populated ? profile.plugs.map((plug) => withContacts(plug, state.populated[plug.id] ?? [])) : profile.plugs;
  return {
    ...profile,
    plugs: [...plugs, ...found.map(plugOf)].map((plug) => withColours(plug, state.colours)),
    pieces: [...pieces, ...accessories.map((found) => pieceOf(found, profile))],
    mounts,
  };
}

/** A plug with the contacts that were put into its empty cavities. */
function withContacts(plug: VehiclePlug, contacts: ThisVehicle['populated'][string]): VehiclePlug {
  const isAt = (pin: { row: number; column: number }) => contacts.some(({ row, column }) => row === pin.row && column === pin.column);
  const put = contacts.map(({ row, column, carries, circuit }) => ({ id: `put-${row}-${column}`, row, column, carries, ...(circuit === undefined ? {} : { circuit }) }));
  return contacts.length === 0 ? plug : { ...plug, pins: [...plug.pins.filter((pin) => !isAt(pin)), ...put] };
}

/** Whether a way is blocked; one that is blocked to a level is so to every higher level that goes by the same way. */
function isBlocked(blocked: ThisVehicle['blocked'], place: string, level: PieceLevel['level'] | undefined, way: string): boolean {
  return blocked.some(
    (entry) =>
      entry.place === place && entry.way === way && (entry.level === undefined || level === undefined ? entry.level === level : levelRank(level) >= levelRank(entry.level)),
  );
}

/** Person-minutes that seized bolts add up to a level. */
function seizedMin({ seized }: Pick<ThisVehicle, 'seized'>, piece: Piece, level: PieceLevel): number {
  const counts = (groupId: string) => {
    const group = piece.fasteners.find((candidate) => candidate.id === groupId);
    return group !== undefined && levelRank(group.atLevel) <= levelRank(level.level);
  };
  return seized.filter((entry) => entry.piece === piece.id && counts(entry.group)).reduce((sum, entry) => sum + entry.addMin, 0);
}

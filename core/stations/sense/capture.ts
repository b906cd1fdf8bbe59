import { LONGEST_TEXT } from '../../events/index.ts';
import type { JobContext } from '../../job/index.ts';
import { levelRank, pieceKey, type Piece, type Sensor, type SensorKind } from '../../vehicle/index.ts';
import { happened, refused, tooLong, type Act, type Refusal } from '../act.ts';

export const LOOKS = ['forward', 'back', 'left', 'right', 'down'] as const;
/** Where a sensor looks, as one sees it from outside. */
export type Looks = (typeof LOOKS)[number];
const POSES: Readonly<Record<Looks, { yawDeg: number; pitchDeg: number }>> = {
  forward: { yawDeg: 0, pitchDeg: 0 },
  back: { yawDeg: 180, pitchDeg: 0 },
  left: { yawDeg: 90, pitchDeg: 0 },
  right: { yawDeg: -90, pitchDeg: 0 },
  down: { yawDeg: 0, pitchDeg: -90 },
};

/** A sensor that was found on something that came off and that nobody had described. */
export interface SensorFound {
  kind?: SensorKind;
  name: string;
  /** The piece that carries it. */
  on?: string;
  looks?: Looks;
  /** How its plug lets go. */
  lock: string;
  /** Whether its maker asks for a calibration once it was disturbed, and where that stands; nothing while nobody has looked it up. */
  calibration?: Sensor['calibration'];
  procedure: string;
  /** Whether it was unplugged; nothing while nobody has said it. */
  unplugged?: boolean;
}

/** Where nobody says by which procedure: that of the maker. */
const BY_THE_MAKER = 'Calibrate by the vehicle maker’s procedure.';

/** Pieces on which a sensor can have been found: those that were opened. What an owner added is none of the kind. */
export const carriers = ({ state, profile }: Pick<JobContext, 'state' | 'profile'>): Piece[] =>
  profile.pieces.filter(({ id }) => levelRank(state.reached[id] ?? 'fitted') > 0 && !state.accessories[id]);

/** What of a sensor is still to be said, and what is too long. That nothing has to be calibrated is not said without where it stands. */
function faultsOf({ kind, name, on, looks, lock, calibration, procedure, unplugged }: SensorFound): Refusal[] {
  const unfounded = calibration === 'not required' && procedure.trim() === '';
  const missing =
    [kind, on, looks, calibration, unplugged].filter((said) => said === undefined).length + [name, lock].filter((text) => text.trim() === '').length + Number(unfounded);
  return [
    ...(missing > 0 ? [{ code: 'missing' as const, count: missing }] : []),
    ...tooLong(name, LONGEST_TEXT.accessory),
    ...tooLong(lock, LONGEST_TEXT.tool),
    ...tooLong(procedure, LONGEST_TEXT.note),
  ];
}

/**
 * A sensor that was found on something that came off: described where it sits, and unplugged where it was. What it sees and how far off it may stand nobody
 * knows: moved at all is then too much.
 * @param id for good: of its name and four letters drawn by the device
 */
export function sensorFound(context: JobContext, found: SensorFound, id: string): Act {
  const faults = faultsOf(found);
  const { kind, name, on, looks, lock, calibration, procedure, unplugged } = found;
  if (faults.length > 0 || !kind || !looks || !calibration) return refused(...faults);
  const piece = carriers(context).find((entry) => entry.id === on);
  if (!piece) return refused({ code: 'unknown', what: 'piece', id: on ?? '' });
  const same = context.profile.sensors.some(
    (sensor) => sensor.id === id || (sensor.on === piece.id && pieceKey({ name: sensor.name, side: piece.side }) === pieceKey({ name, side: piece.side })),
  );
  if (same) return refused({ code: 'already' });
  const middle = ([from, to]: readonly [number, number]) => Math.round((from + to) / 2);
  const { xMm, yMm, zMm } = piece.box;
  const sensor: Sensor = {
    id,
    name: name.trim(),
    kind,
    on: piece.id,
    lock: lock.trim(),
    pose: { xMm: middle(xMm), yMm: middle(yMm), zMm: middle(zMm), ...POSES[looks] },
    calibration,
    procedure: procedure.trim() || BY_THE_MAKER,
  };
  return happened({ type: 'kind.described', payload: { sensors: [sensor] } }, ...(unplugged ? [{ type: 'sensor.unplugged' as const, payload: { sensor: id } }] : []));
}

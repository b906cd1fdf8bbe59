import { factsOf } from '../facts/index.ts';
import type { Measures } from './bodies.ts';
import type { BoxMm, Piece, SpanMm, VehicleProfile } from './profile.ts';

/** What of a kind of vehicle is taken over for one that is much like it. */
export type TakenOver = Pick<VehicleProfile, 'facts' | 'pieces' | 'refitRules' | 'supplies' | 'cautions'>;

/** A kind of vehicle in the library, as one looks for one that another is much like. */
export interface KnownKind extends Pick<VehicleProfile, 'body' | 'highVoltage'> {
  slug: string;
  version: number;
  name: string;
  /** How many pieces of it are described. */
  pieces: number;
}

/** Whether a kind can be taken over for another: of the same body, and both with high voltage aboard or both without. */
export const isMuchLike = (kind: Pick<VehicleProfile, 'body' | 'highVoltage'>, other: Pick<VehicleProfile, 'body' | 'highVoltage'>): boolean =>
  kind.body === other.body && kind.highVoltage === other.highVoltage;

/** A place between marks of one vehicle as it lies between those of another, in mm; marks rise, and beyond the outermost ones it goes on as between the last two. */
function between(mm: number, from: readonly number[], to: readonly number[]): number {
  const last = from.length - 2;
  const after = from.findIndex((mark, index) => index > 0 && mm < mark);
  const at = after < 0 ? last : after - 1;
  const [low = 0, high = 0, newLow = 0, newHigh = 0] = [from[at], from[at + 1], to[at], to[at + 1]];
  return high === low ? newLow : newLow + ((mm - low) / (high - low)) * (newHigh - newLow);
}

const lengthMarks = ({ lengthMm, frontOverhangMm, wheelbaseMm }: Measures) => [frontOverhangMm - lengthMm, -wheelbaseMm, 0, frontOverhangMm];
const widthMarks = ({ widthMm }: Measures) => [-widthMm / 2, widthMm / 2];
const heightMarks = ({ groundClearanceMm, bonnetHeightMm, heightMm }: Measures) => [0, groundClearanceMm, bonnetHeightMm, heightMm];

/** A box of one vehicle where it lies on another of the same body: lengths follow both axles and both ends, widths the sides, heights floor, bonnet and roof. */
export function boxOn(box: BoxMm, from: Measures, to: Measures): BoxMm {
  const span = ([low, high]: SpanMm, marks: (measures: Measures) => number[]): SpanMm => [
    Math.round(between(low, marks(from), marks(to))),
    Math.round(between(high, marks(from), marks(to))),
  ];
  return { xMm: span(box.xMm, lengthMarks), yMm: span(box.yMm, widthMarks), zMm: span(box.zMm, heightMarks) };
}

/** A piece that is assumed no more. */
export function certain(piece: Piece): Piece {
  const { assumed: _assumed, sensorAssumed: _sensor, ...rest } = piece;
  return rest;
}

/** What of a kind is taken over for one that is much like it: its pieces as assumed, each where it lies by the new measures, with what they hang on. Sensors are not: that one sits on a piece there says where to look. */
export function takenOver(like: VehicleProfile, measures: Measures): TakenOver {
  const name = `${like.maker} ${like.model}`;
  const { refitRules, supplies, cautions } = like;
  const pieces = like.pieces.map((piece): Piece => {
    const sensor = like.sensors.some(({ on }) => on === piece.id);
    return { ...piece, box: boxOn(piece.box, like.measures, measures), assumed: piece.assumed ?? name, ...(sensor ? { sensorAssumed: true } : {}) };
  });
  const asked = new Set([...pieces, ...refitRules].flatMap(({ when }) => factsOf(when)));
  return { facts: like.facts.filter(({ id }) => asked.has(id)), pieces, refitRules, supplies, cautions };
}

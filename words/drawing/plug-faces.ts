import type { PlugFace } from '@jade/core/vehicle';
import type { PinPair } from '@jade/core/wiring';

type Spot = [number, number];

/** What one face has at a position: its pin in the grid, and beside the face its wire and its name. */
export interface FaceEnd {
  side: 'vehicle' | 'kit';
  /** Id of the pin; undefined where the face has none there. */
  pin: string | undefined;
  carries: string | undefined;
  spot: Spot;
  wire: string;
  /** From the end of the wire to its pin. */
  lead: string;
  nameX: number;
  anchor: 'start' | 'end';
}

/** One position of two joined faces: what each has there, and a line of its own for wires, names and verdict. */
export interface FaceLine {
  pair: PinPair;
  y: number;
  vehicle: Spot;
  kit: Spot;
  ends: FaceEnd[];
  /** From pin to pin through the middle of the line. */
  join: string;
}

export interface FacesDrawing {
  width: number;
  height: number;
  vehicle: { x: number; y: number; width: number; height: number };
  kit: { x: number; y: number; width: number; height: number };
  middle: number;
  lines: FaceLine[];
}

/** Height of a line. */
const LINE = 44;
/** Between the pins of a face. */
const PITCH = 36;
const TOP = 30;
/** Room for names beside a face, and for the wires. */
const NAMES = 128;
const WIRE = 34;
/** How far a wire reaches into its face. */
const INTO = 6;
/** Between the faces. */
const GAP = 110;

/**
 * Two faces from the wire side with their pins in the true grid, the kit's mirrored as it comes to meet the vehicle's. A face of one
 * row or one column stands upright, so that each pin lies on its own line.
 */
export function layFaces(vehicle: Pick<PlugFace, 'rows' | 'columns'>, kit: Pick<PlugFace, 'rows' | 'columns'>, pairs: readonly PinPair[]): FacesDrawing {
  const rows = Math.max(vehicle.rows, kit.rows);
  const columns = Math.max(vehicle.columns, kit.columns);
  const upright = rows === 1 || columns === 1;
  const faceWidth = upright ? 70 : columns * PITCH + 18;
  const faceHeight = Math.max(1, pairs.length) * LINE + 14;
  const left = NAMES + WIRE;
  const [vehicleMiddle, kitMiddle] = [left + faceWidth / 2, left + faceWidth * 1.5 + GAP];
  const middle = (vehicleMiddle + kitMiddle) / 2;
  const right = kitMiddle + faceWidth / 2;
  const lines = pairs.map((pair, index): FaceLine => {
    const y = TOP + 7 + (index + 0.5) * LINE;
    const off = upright ? 0 : (pair.column - (columns + 1) / 2) * PITCH;
    const pinY = upright ? y : TOP + faceHeight / 2 + (pair.row - (rows + 1) / 2) * PITCH;
    const [own, other]: [Spot, Spot] = [
      [vehicleMiddle + off, pinY],
      [kitMiddle - off, pinY],
    ];
    const [from, to] = [left + faceWidth + 6, kitMiddle - faceWidth / 2 - 6];
    const join = `M${own[0]} ${own[1]}L${from} ${y}H${to}L${other[0]} ${other[1]}`;
    const ends: FaceEnd[] = [
      {
        side: 'vehicle',
        pin: pair.vehiclePin,
        carries: pair.vehicleCarries,
        spot: own,
        wire: `M${NAMES} ${y}h${WIRE + INTO}`,
        lead: `M${left + INTO} ${y}L${own[0]} ${own[1]}`,
        nameX: NAMES - INTO,
        anchor: 'end',
      },
      {
        side: 'kit',
        pin: pair.kitPin,
        carries: pair.kitWants,
        spot: other,
        wire: `M${right + WIRE} ${y}h${-WIRE - INTO}`,
        lead: `M${right - INTO} ${y}L${other[0]} ${other[1]}`,
        nameX: right + WIRE + INTO,
        anchor: 'start',
      },
    ];
    return { pair, y, vehicle: own, kit: other, ends, join };
  });
  return {
    width: 2 * (left + faceWidth) + GAP,
    height: TOP + faceHeight + 6,
    vehicle: { x: left, y: TOP, width: faceWidth, height: faceHeight },
    kit: { x: kitMiddle - faceWidth / 2, y: TOP, width: faceWidth, height: faceHeight },
    middle,
    lines,
  };
}

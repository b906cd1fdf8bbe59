import type { PinFunction, VehicleState } from '../states/index.ts';

export const LOAD_KINDS = ['filament', 'driven LED', 'resistive'] as const;
export type LoadKind = (typeof LOAD_KINDS)[number];
export const MONITOR_KINDS = ['steady', 'pulses when off', 'modulated'] as const;
/** How a vehicle looks whether a lamp is there: by the current while it is on, by short pulses while it is off, or by the current of a chopped supply. */
export type MonitorKind = (typeof MONITOR_KINDS)[number];
export const PIN_GENDERS = ['pins', 'sockets'] as const;
export type PinGender = (typeof PIN_GENDERS)[number];

export interface PlugPin {
  id: string;
  row: number;
  column: number;
  carries: PinFunction;
  colour?: string;
  circuit?: string;
  /** Where the vehicle watches what hangs on this pin: the channel that does. */
  channel?: string;
}

/** That a wire of this kind of vehicle was proved, when, and by how many readings. */
export interface ProvedPin {
  /** Day, as `2026-03-05`. */
  on: string;
  readings: number;
}

/** A pin of a vehicle's plug. */
export interface VehiclePin extends PlugPin {
  /** Colour of its wire beyond the plug, where somebody noted it: it changes there. */
  beyond?: string;
  /** Proved on a vehicle of this kind: likelier on the next one, and no proof there. */
  proved?: ProvedPin;
}

export interface PlugFace {
  id: string;
  name: string;
  family: string;
  gender: PinGender;
  keying: string;
  rows: number;
  columns: number;
  lock: string;
  pins: PlugPin[];
}

export interface Load {
  name: string;
  powerW: number;
  atV: number;
  kind: LoadKind;
  /** The lamp function it lights: it goes when a kit takes that away. */
  function?: string;
  /** Where the vehicle watches it: the channel that does. */
  channel?: string;
  /** Least voltage at which it is stated to work. */
  leastV?: number;
  /** What it draws for a moment when it is switched on, where that is stated. */
  surge?: Surge;
  /** What it draws while it is switched off, from a supply that stays. */
  standbyMa?: number;
}

/** A current that flows for a moment when a load is switched on. */
export interface Surge {
  ampere: number;
  forMs: number;
}

/** A switch output that guards itself: it lets go above its limit, bears a surge for a moment, and takes more than its standby current while off for a fault. */
export interface SwitchOutput {
  slot: string;
  limitA: number;
  surge: Surge;
  standbyMostMa: number;
}

export interface CircuitWire {
  areaMm2: number;
  lengthM: number;
  permittedA: number;
  /** A wire of its own of the same size on the way back; over the body where it is not said. */
  backM?: number;
  /** What the body resists on the way back, where it was measured or is stated. */
  chassisMohm?: number;
}

export const CIRCUIT_LISTS = ['loads'] as const;
/** A list of a circuit of which it matters whether somebody has looked for all that belongs in it. */
export type CircuitList = (typeof CIRCUIT_LISTS)[number];

/** A circuit has a fuse or an output that guards it, never neither. */
export interface Circuit {
  id: string;
  name: string;
  fuse?: { slot: string; ratedA: number };
  output?: SwitchOutput;
  /** Where it is fed straight from the battery: wire between the battery and its fuse. */
  batteryToFuseMm?: number;
  /** Absent where nobody measured it: what is lost on the way is then not known. */
  wire?: CircuitWire;
  /** Absent where nobody knows it. */
  plugPermittedA?: number;
  switchPermittedA?: number;
  /** Factory loads already on the circuit. */
  loads: Load[];
  /** What of it nobody has described as a whole: other loads may hang on it. */
  undescribed?: CircuitList[];
  /** States in which it is live. */
  liveIn: VehicleState[];
  /** Named where the shop's rules never allow work on it. */
  neverUse?: string;
}

/** How a vehicle watches one of its lamps. */
export interface LampChannel {
  id: string;
  name: string;
  kind: MonitorKind;
  /** Below so much it reports the lamp, or flashes fast. */
  thresholdW: number;
  /** A turn signal: it tells of an outage by flashing about twice as fast. */
  flashes: boolean;
  /** The flashing comes from a part that can be changed for one that does not look at the load. */
  flasherChangeable: boolean;
  /** The vehicle can be told of another lamp by the maker's procedure. */
  codable: boolean;
  /** Lowest and highest voltage at which it looks. */
  leastV: number;
  mostV: number;
}

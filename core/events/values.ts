import type { Mileage } from '../customers/index.ts';
import type { Level } from '../vehicle/index.ts';

export const BASELINE_RESULTS = ['works', 'dim', 'flickers', 'dead', 'not fitted'] as const;
export type BaselineResult = (typeof BASELINE_RESULTS)[number];
export const FACT_CERTAINTIES = ['known', 'assumed', 'unknown'] as const;
export type FactCertainty = (typeof FACT_CERTAINTIES)[number];
export const MOMENTS = ['before', 'after'] as const;
/** Before the work or after it. */
export type Moment = (typeof MOMENTS)[number];

export const JOINT_CHECKS = [
  'seal',
  'notch to notch',
  'click',
  'slide home',
  'clip over',
  'ring home',
  'second lock',
  'lock closed',
  'fits both wires',
  'bare metal',
  'pull',
  'sealed',
] as const;
/** What shows that a joint is made and holds. */
export type JointCheck = (typeof JOINT_CHECKS)[number];

export const LED_TO = ['wire', 'slot', 'battery', 'ground'] as const;

/**
 * Where a wire of a kit's plug is led to in place of the cavity that it was made for: a wire of the vehicle at one of its plugs, a fuse slot by a
 * tap with a fuse of its own, the battery over a relay that a wire of the vehicle closes, a ground point of the body. With a length there is new wire between.
 */
export interface LedTo {
  at: (typeof LED_TO)[number];
  /** Of a wire that feeds it, or that closes the relay. */
  plug?: string;
  pin?: string;
  slot?: string;
  ground?: string;
  /** Fuse of a tap, or main fuse of a feed from the battery. */
  fuseA?: number;
  areaMm2?: number;
  lengthMm?: number;
}

export interface DocumentPin {
  slug: string;
  version: number;
}

/** A kit that an earlier job fitted, with the choices that stand for it: they were made then, and are not said anew. */
export interface FittedKit extends DocumentPin {
  options: { option: string; choice: string }[];
}

/** A count of one fastener group. */
export interface GroupCount {
  group: string;
  count: number;
}

export const WARNING_LAMPS = [
  'engine',
  'charging',
  'oil pressure',
  'brakes',
  'anti-lock brakes',
  'stability',
  'airbag',
  'power steering',
  'tyre pressure',
  'lamp out',
  'headlamp levelling',
  'driver assistance',
  'high voltage',
  'another',
] as const;
/** A warning lamp of the instrument panel, in generic words. */
export type WarningLamp = (typeof WARNING_LAMPS)[number];

export const LENS_GRADES = ['clear', 'light haze', 'heavy haze'] as const;
/** How clear the lens of a factory lamp is, from the best to the worst. */
export type LensGrade = (typeof LENS_GRADES)[number];

export const SCHOOLS = ['least set-up', 'prove one side first'] as const;
/** Whether both sides are opened as it comes with the least set-up, or one side up to its passed test before the other. */
export type School = (typeof SCHOOLS)[number];

/** How a vehicle came in, as it was written down when its job was opened. */
export interface BroughtIn {
  /** What the customer wants, in their words. */
  wish?: string;
  mileage?: Mileage;
  /** Where its keys hang. */
  keys?: string;
}

/** How far a piece would have been enough for what was done behind it. */
export interface Judged {
  piece: string;
  enough: Level | 'needed';
}

export const FOLLOWS = ['recheck', 'comeback'] as const;
/** Why a vehicle comes again for what an earlier job fitted: as agreed, to look at it; or because something is not right. */
export type FollowsWhy = (typeof FOLLOWS)[number];

export const NIGHT_ITEMS = ['loose', 'off', 'tray', 'bared', 'battery', 'charger', 'sensors', 'cover', 'key'] as const;
/** What is seen to before a vehicle that is open is left for the night. */
export type NightItem = (typeof NIGHT_ITEMS)[number];

/** Lines of a signature, and numbers in each of them, at most: it has to go in one request. */
export const MOST_STROKES = 60;
export const MOST_STROKE = 400;

/** A line of a signature as it was drawn: x, y, x, y and so on, across and down in thousandths of the field's width. */
export interface Stroke {
  points: number[];
}

/** How the insulation of a wire was opened to read it. */
export const WIRE_OPENINGS = ['pierced', 'bared'] as const;
export type WireOpening = (typeof WIRE_OPENINGS)[number];

/** Pins of a plug that are told apart at most. */
export const MOST_PINS = 16;

/** A job as it was opened: the vehicle, the versions of the documents that it pins, and how the vehicle came in. */
export interface Opened extends BroughtIn {
  vehicle: string;
  profile: DocumentPin;
  kits: DocumentPin[];
  rules: DocumentPin;
  plugs?: DocumentPin;
  promisedAt?: string;
  bay?: string;
  /** The job that it follows, and why; `fitted` are the kits that were on the vehicle when that one left. */
  follows?: { job: string; why: FollowsWhy };
  fitted?: FittedKit[];
}

/** In which order the sides are opened, and by how many people; `side` is the one that is proved first, once its first step is done. */
export interface Order {
  school: School;
  people: 1 | 2;
  side?: 'left' | 'right';
}

/** How a sensor is calibrated: `by` and `dueOn` (a day) say who does it and until when, where it is left to others. */
export interface Calibrated {
  how: 'done here' | 'by others' | 'not required';
  note?: string;
  by?: string;
  dueOn?: string;
}

/** The wall that is aimed at, and by which rule; `floorAtWallMm` once it was measured, 0 where it was found level. */
export interface Wall {
  rule: string;
  distanceMm: number;
  floorAtWallMm?: number;
}

/** What was seen to before aiming. */
export interface AimPreparation {
  tyres: boolean;
  load: boolean;
  levelling: boolean;
}

import type { Condition } from '../facts/index.ts';
import type { VehicleState } from '../states/index.ts';
import type { StationId } from '../subject/index.ts';
import type { Body, MeasureId, Measures } from './bodies.ts';
import type { Circuit, LampChannel, PlugFace, VehiclePin } from './electrics.ts';

export const LEVELS = ['fitted', 'loosened', 'folded', 'hung', 'off'] as const;
/** How far a piece is open; each level includes those before it. */
export type Level = (typeof LEVELS)[number];
export const OPEN_LEVELS = ['loosened', 'folded', 'hung', 'off'] as const;
export type OpenLevel = (typeof OPEN_LEVELS)[number];
export const SIDES = ['left', 'centre', 'right'] as const;
export type Side = (typeof SIDES)[number];
export const ZONES = ['front', 'rear', 'left-side', 'right-side', 'roof', 'cabin', 'underneath'] as const;
export type Zone = (typeof ZONES)[number];
export const DRIVES = ['hex', 'six-lobe', 'six-lobe plus', 'cross-head', 'hex key', 'push-pin', 'fir-tree clip', 'hook', 'plug lock', 'none'] as const;
export type Drive = (typeof DRIVES)[number];
export const RELEASES = ['unscrew', 'pull out', 'push centre', 'centre out first', 'squeeze tabs', 'slide', 'turn', 'lift then pull'] as const;
/** How a fastener lets go. */
export type Release = (typeof RELEASES)[number];
/** Whether a fastener is screwed and so is tightened, to a torque or snug; every other one is pressed, slid or hooked home. */
export function isScrewed(release: Release): release is 'unscrew' {
  return release === 'unscrew';
}
export const SNUG_CLASSES = ['plastic', 'sheet metal', 'steel', 'aluminium'] as const;
export type SnugClass = (typeof SNUG_CLASSES)[number];
export const SENSOR_KINDS = ['radar', 'camera', 'parking', 'shutter', 'washer'] as const;
export type SensorKind = (typeof SENSOR_KINDS)[number];
export const SUPPLY_IDS = ['low', 'high'] as const;
/** The low-voltage supply of the vehicle, and the high-voltage one of a vehicle that has it. */
export type SupplyId = (typeof SUPPLY_IDS)[number];
export const SUPPLY_STATES = ['dead', 'live'] as const;
export type SupplyState = (typeof SUPPLY_STATES)[number];
export const SUPPLY_HANDS = ['anyone', 'qualified people'] as const;
/** From and to in millimetres along one axis, lower end first. */
export type SpanMm = [number, number];

/** An upright box in vehicle axes: x forward from the front axle, y left, z up from the ground. */
export interface BoxMm {
  xMm: SpanMm;
  yMm: SpanMm;
  zMm: SpanMm;
}

export interface PointMm {
  xMm: number;
  yMm: number;
  zMm: number;
}

export interface Years {
  from: number;
  /** Absent while the model is still made. */
  to?: number;
}

/** One thing that is so or not so on one vehicle, with how to see it. */
export interface FactDefinition {
  id: string;
  label: string;
  choices: string[];
  howToSee: string;
  /** Minutes it takes to look. */
  lookMin: number;
}

export interface LevelNeed {
  piece: string;
  level: OpenLevel;
}

/** A need of a way; `seen` where it was open when the way was gone and nobody has said that it had to be. */
export interface WayNeed extends LevelNeed {
  seen?: boolean;
}

/** How a supply has to be for a piece of work. */
export interface SupplyAsk {
  supply: SupplyId;
  is: SupplyState;
}

/** A supply that can be isolated: by which piece at which level, how long until it is dead, and what bringing it back takes. */
export interface Supply {
  id: SupplyId;
  name: string;
  piece: string;
  level: OpenLevel;
  /** From the isolation until it counts as dead. */
  waitMin: number;
  /** What bringing it back takes besides the piece: setting again what the vehicle forgets. Absent where nobody has measured it. */
  liveMin?: number;
  by: (typeof SUPPLY_HANDS)[number];
  /** Done before it is isolated, such as windows and keys. */
  before: string[];
  /** What the vehicle forgets meanwhile; each is set again once it is live for good. */
  forgets: string[];
}

/** Where the vehicle itself must stand, which excludes the other places of its kind: wheels turned left or right. */
export interface Position {
  kind: string;
  place: string;
}

/** One way to bring a piece to a level: what must hold at that moment and what it costs beyond the move itself. */
export interface Way {
  id: string;
  needs: WayNeed[];
  /** Person-minutes beyond the move. */
  extraMin: number;
  note?: string;
  irreversible?: boolean;
  /** How the supplies must be at that moment. A dead one is isolated first; live is never a need of a way in. */
  asks?: SupplyAsk[];
  /** How the vehicle itself must stand for it: wheels turned left. */
  position?: Position;
  /** How it must stand besides, each of another kind: raised, with its wheels turned. */
  also?: Position[];
}

export interface PieceLevel {
  level: OpenLevel;
  /** What is done, as an installer says it, where the level alone does not say it well. */
  say?: string;
  /** Minutes from fitted to this level, by as many people as stated. */
  openMin: number;
  closeMin: number;
  people: number;
  ways: Way[];
  /** As a way's, for every way of this level. */
  asks?: SupplyAsk[];
  /** Not to be live while the piece is at this level or beyond: an airbag unplugged, a feed bare. */
  deadWhileOpen?: SupplyId[];
  breakage?: { chance: number; replaceMin: number };
}

export interface Tightening {
  /** Only of what is screwed. */
  torqueNm?: number;
  source?: string;
  /** What it goes into: a screwed one is snug in that, any other one goes home in it. */
  snug?: SnugClass;
  /** Kilometres after which it is tightened once more, such as of wheel nuts. */
  recheckKm?: number;
}

/** Fasteners of one kind and length in one place. */
export interface FastenerGroup {
  id: string;
  drive: Drive;
  /** Absent where the drive says it all. */
  size?: string;
  lengthMm?: number;
  count: number;
  place: string;
  side: Side;
  singleUse: boolean;
  release: Release;
  tighten: Tightening;
  /** The level of the piece at which these come out. */
  atLevel: OpenLevel;
}

/** A caution at a step; `asks` where it is about how a supply has to be. */
export interface Caution {
  text: string;
  asks?: SupplyAsk;
}

export const BESIDE = ['wheel', 'brakes', 'fuel', 'steering', 'sharp edge', 'hot part', 'moving part'] as const;
export type Beside = (typeof BESIDE)[number];

/** Anything of the vehicle that is loosened, folded back, taken off or unplugged. */
export interface Piece {
  id: string;
  name: string;
  side: Side;
  zone: Zone;
  box: BoxMm;
  /** Present only where this holds. */
  when?: Condition;
  levels: PieceLevel[];
  fasteners: FastenerGroup[];
  cautions: Caution[];
  /** Said at the step: path out, protection, support. */
  movement?: string;
  /** What it is beside, or is itself, that can hurt somebody or is not to be hurt. */
  beside?: Beside[];
  brittle?: boolean;
  /** Painted edges want cover before it moves. */
  painted?: boolean;
  /** What is marked before it moves, so that it returns to its exact place. */
  witness?: string;
  /** How far it may hang on its wires, where it can. */
  leashMm?: number;
  /** The kind of vehicle that it was taken over from, as one says it, until somebody has opened it on one of this kind. */
  assumed?: string;
  /** On that kind it carries a sensor: one is looked for here before it moves. */
  sensorAssumed?: boolean;
}

/** `first` closes before `then`, always or where the condition holds. */
export interface RefitRule {
  id: string;
  first: string;
  then: string;
  why: string;
  when?: Condition;
}

export interface Sensor {
  id: string;
  name: string;
  kind: SensorKind;
  /** Piece that carries it. */
  on: string;
  lock: string;
  pose: PointMm & { yawDeg: number; pitchDeg: number };
  /** Absent where nobody knows it. */
  fieldOfView?: { horizontalDeg: number; verticalDeg: number; rangeM: number };
  /** Largest angle off its pose before its own procedure must be run anew; absent where nobody knows it: any is then too much. */
  toleranceDeg?: number;
  calibration: 'required' | 'not required';
  procedure: string;
  when?: Condition;
}

export interface VehiclePlug extends PlugFace {
  pins: VehiclePin[];
  side: Side;
  /** Not known of one that was found at work. */
  at?: PointMm;
  whereToLook: string;
  /** Ways to get a hand to it. */
  reach: Way[];
  /** What hides it once it is back: each piece while it is below that level. */
  hiddenBy: LevelNeed[];
  when?: Condition;
}

/** Where a lamp of a kit can sit, and what must be reachable for it. */
export interface MountPosition {
  id: string;
  name: string;
  side: Side;
  at: PointMm;
  opening?: { widthMm: number; heightMm: number; depthMm: number };
  reach: Way[];
  /** What hides the joint at this place once it is back: each piece while it is below that level. */
  hiddenBy: LevelNeed[];
  /** Pieces that stand in this very place: a kit that puts a lamp here takes theirs. */
  inPlaceOf?: string[];
  /** What hides the aim adjuster once it is back. */
  adjusterHiddenBy?: LevelNeed[];
  /** Pieces that must be back before the lamp can be aimed. */
  aimAfter?: string[];
}

/** A factory lamp function, tried at check in and again at hand over. */
export interface LampFunction {
  id: string;
  name: string;
  side: Side;
  /** State in which it lights. */
  state: VehicleState;
  at: PointMm;
  when?: Condition;
}

export interface GapPoint {
  id: string;
  name: string;
  side: Side;
  at: PointMm;
  /** What it is meant to be, and how far off it may be; absent where nobody stated it. */
  nominalMm?: number;
  toleranceMm?: number;
}

/** A stud or a nut of the body that may be grounded at. */
export interface GroundPoint {
  id: string;
  name: string;
  at: PointMm;
  whereToLook: string;
}

export const ROUTE_HAZARDS = ['heat', 'movement', 'edge', 'wet', 'lid'] as const;
export type RouteHazard = (typeof ROUTE_HAZARDS)[number];
export const ROUTE_ROLES = ['battery', 'relay'] as const;

/** A place of the vehicle where cable begins, ends or turns. */
export interface RoutePlace {
  id: string;
  name: string;
  at: PointMm;
  /** Plugs and mount positions that are there. */
  plugs?: string[];
  mounts?: string[];
  /** Where a feed of a kit begins: the battery, or the place that relays go to. */
  role?: (typeof ROUTE_ROLES)[number];
  /** Cable that stays loose there so that the lamp can be lifted out. */
  liftOutMm?: number;
}

/** A piece of the way that cable can be laid along. */
export interface RouteSegment {
  id: string;
  name: string;
  from: string;
  to: string;
  lengthMm: number;
  /** How much longer the way may be to be spared each hazard, as a share of its length. */
  hazards: Partial<Record<RouteHazard, number>>;
  /** What must be open to lay it. */
  needs: LevelNeed[];
  /** Minutes that laying it takes. */
  layMin: number;
  /** What is passed and closed again, a seal or a grommet. */
  seal?: string;
  /** A hinge that it crosses: its full travel is tried. */
  hinge?: string;
  /** A hole is drilled: only with consent, and only once what lies behind was looked at. */
  drill?: boolean;
  /** Why nothing is ever laid here. */
  forbidden?: string;
}

/** The ways for cable in a vehicle. */
export interface CableWays {
  places: RoutePlace[];
  segments: RouteSegment[];
}

/** What somebody wants the next one to know of a kind of vehicle, at the station where it was noted. */
export interface KindNote {
  id: string;
  station: StationId;
  text: string;
  /** Day, as `2026-03-05`. */
  on: string;
  /** The kit that it speaks of: it is told where that one is fitted. */
  kit?: string;
}

export const DESCRIBED = ['functions', 'pieces', 'sensors', 'mounts'] as const;
/** A list of a profile of which it matters whether somebody has looked for all that belongs in it. */
export type Described = (typeof DESCRIBED)[number];

/** What the shop knows of a kind of vehicle. */
export interface VehicleProfile {
  format: 'jade-vehicle-profile/5';
  slug: string;
  maker: string;
  model: string;
  years: Years;
  body: Body;
  systemVoltageV: 12 | 24;
  highVoltage: boolean;
  /** Absent where that is not described. */
  battery?: { capacityAh: number; standbyMa: number };
  /** Lists that nobody has described yet, or not all of: what is not in them may be on the vehicle all the same. */
  undescribed?: Described[];
  /** Supplies that can be isolated; none where that is not described. */
  supplies: Supply[];
  measures: Measures;
  /** Measures that nobody has taken: they are as such a body typically has them. */
  unmeasured?: MeasureId[];
  /** Whether the number carries a check digit in the vehicle's market. */
  numberCheckDigit: boolean;
  /** Whether a letter at place 7 of the number tells the later thirty years of its year code; only light vehicles of one market. */
  numberYearByPlace7?: boolean;
  facts: FactDefinition[];
  pieces: Piece[];
  refitRules: RefitRule[];
  sensors: Sensor[];
  plugs: VehiclePlug[];
  circuits: Circuit[];
  /** How it watches its lamps: empty where it does not, absent where that is not described. */
  channels?: LampChannel[];
  /** Points of the body that may be grounded at; absent where that is not described. */
  grounds?: GroundPoint[];
  /** Ways that cable can be laid along; absent where that is not described. */
  cableWays?: CableWays;
  mounts: MountPosition[];
  functions: LampFunction[];
  gaps: GapPoint[];
  cautions: string[];
  /** What was noted of the kind while it was worked on. */
  notes?: KindNote[];
}

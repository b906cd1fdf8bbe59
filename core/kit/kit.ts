import type { Condition } from '../facts/index.ts';
import type { PinFunction, VehicleState } from '../states/index.ts';
import type { CircuitWire, LevelNeed, LoadKind, PlugFace, Side, SupplyAsk, Surge, Years } from '../vehicle/index.ts';

export const CONTENT_KINDS = ['lamp', 'bracket', 'adapter', 'harness', 'trim', 'fastener', 'switch', 'other'] as const;
export type ContentKind = (typeof CONTENT_KINDS)[number];
export const PASSES = ['start', 'align', 'tighten'] as const;
/** Every fastener is started before any is aligned, all aligned before any is tightened. */
export type Pass = (typeof PASSES)[number];
export const BEAMS = ['front fog', 'dipped', 'driving', 'work', 'marker', 'signal'] as const;
export type Beam = (typeof BEAMS)[number];

/** Kinds of kit, by what is in the box: what lamps, contents and tests such a kit commonly has. */
export const KIT_KINDS = ['front fog pair', 'headlamp pair', 'driving lamp pair', 'light bar', 'work lamp pair', 'rear lamp pair', 'side marker set'] as const;
export type KitKind = (typeof KIT_KINDS)[number];

export const KIT_LISTS = ['lamps', 'contents', 'vehicles'] as const;
/** A list of a kit that somebody can have described as a whole, or not; `vehicles`: those that it can be fitted to. */
export type KitList = (typeof KIT_LISTS)[number];

export const FITMENT_LISTS = ['mounts', 'connections', 'fitSteps', 'tests', 'years'] as const;
/**
 * What of a kit on one kind of vehicle somebody can have described as a whole, or not: where its lamps sit, how it is wired, how it is fitted, how it is tried;
 * and for which years its maker makes it, which nobody learns by fitting it once.
 */
export type FitmentList = (typeof FITMENT_LISTS)[number];

export const USED = ['solvent', 'sealant', 'adhesive', 'heat'] as const;
export type Used = (typeof USED)[number];

export const THREAD_INTO = ['steel', 'nut', 'aluminium', 'plastic'] as const;
export type ThreadInto = (typeof THREAD_INTO)[number];

/** A bolt through a stack of parts into a thread: lengths in millimetres. */
export interface BoltStack {
  /** Length of the bolt under its head. */
  boltMm: number;
  /** Thread diameter. */
  threadMm: number;
  /** Thickness of each part between head and thread: bracket, spacer, washers, panel. */
  partsMm: number[];
  into: ThreadInto;
  /** Engagement that the maker asks for; needed into plastic, where no rule holds. */
  wantedMm?: number;
  /** Room for the bolt beyond the stack, where it could come through. */
  roomMm?: number;
  washerMm?: number;
  /** Width and height of the hole under the washer. */
  holeMm?: [number, number];
}

export interface Optics {
  beam: Beam;
  /** What its maker states of its light; each absent where nothing is stated. */
  peakCd?: number;
  /** Full width at half maximum. */
  widthDeg?: number;
  heightDeg?: number;
  colourTemperatureK?: number;
  /** A claim without a test is marked as a claim. */
  basis: 'tested' | 'claimed';
}

export interface LampLoad {
  powerW: number;
  atV: number;
  kind: LoadKind;
  /** What it draws while it is off; absent where nobody measured it. */
  standbyMa?: number;
  /** Least voltage at which it is stated to work. */
  leastV?: number;
  /** What it draws for a moment when it is switched on. */
  surge?: Surge;
}

/** One of several functions in one body, with its own load. */
export interface KitLampFunction {
  /** What the wire carries that lights it. */
  carries: PinFunction;
  load: LampLoad;
}

export interface Lamp {
  id: string;
  name: string;
  side: Side;
  optics: Optics;
  load: LampLoad;
  /** Where one body has several functions on wires of their own: what each takes. `load` is then that of all together. */
  functions?: KitLampFunction[];
  box: { widthMm: number; heightMm: number; depthMm: number };
  marking: string;
  /** Turn of the aim screw, where the lamp has one. */
  aimDegPerTurn?: number;
}

export const CURES = ['flasher', 'resistor', 'decoder'] as const;
/** A part that keeps a vehicle from reporting another lamp, or from flashing fast. */
export interface LampCure {
  by: (typeof CURES)[number];
  /** Of a resistor: its value and how much heat it may give off for long. */
  ohm?: number;
  ratingW?: number;
}

/** A line of the contents list. */
export interface ContentItem {
  id: string;
  name: string;
  kind: ContentKind;
  count: number;
  hand?: 'left' | 'right';
  spareAllowed: boolean;
  /** Packed or needed only where this holds of the vehicle or of the options chosen. */
  when?: Condition;
  cure?: LampCure;
}

export interface OptionChoice {
  id: string;
  label: string;
  consequence: string;
}

/** Each choice changes something that the kit is fitted with or by, unless it is a matter of looks alone. */
export interface KitOption {
  id: string;
  label: string;
  looks?: boolean;
  choices: OptionChoice[];
  default: string;
}

export interface KitPlug extends PlugFace {
  lamp?: string;
  /** The lamp works whichever way round its supply and ground come. */
  eitherWay?: boolean;
}

/** A leg of the kit's harness: from where it is joined to its lamp. */
export interface KitLeg {
  id: string;
  lamp: string;
  lengthMm: number;
  /** The wires in it; where it is not said, nobody knows what it carries. */
  wire?: LegWire;
}

export const LEG_GROUNDS = ['in leg', 'at lamp'] as const;

export interface LegWire {
  areaMm2: number;
  /** Whether the lamp's ground comes back in the leg, or is made where the lamp stands. */
  ground: (typeof LEG_GROUNDS)[number];
  /** What its maker lets each wire carry; by the rule set's table where it is not said. */
  permittedA?: number;
  /** Of the warmest place that it passes; that of the table where it is not said. */
  temperatureC?: number;
}

/** A relay of the kit's harness: its coil loads the circuit that triggers it, its contact carries a feed of the kit. */
export interface KitRelay {
  id: string;
  name: string;
  /** Absent where nobody measured it. */
  coilOhm?: number;
  contactA: number;
  /** Lowest voltage at which it is sure to close; absent where its maker does not state it. */
  pullInV?: number;
}

/** A feed that the kit lays itself from the battery: main fuse, wire, and the relay whose contact carries it. */
export interface KitFeed {
  id: string;
  name: string;
  fuseA: number;
  batteryToFuseMm: number;
  /** Absent where nobody measured it. */
  wire?: CircuitWire;
  plugPermittedA?: number;
  relay?: string;
}

/**
 * A plug of the kit that meets a plug of the vehicle, directly or by an adapter from the contents, or a lead of the kit that is joined to
 * one wire of a vehicle plug. What feeds the lamps is a circuit of the vehicle or a feed of the kit; where a lamp has several functions, the
 * other circuits are those of the vehicle plug's pins. With a trigger the joint carries a relay's coil alone.
 */
export interface Connection {
  id: string;
  kitPlug: string;
  vehiclePlug: string;
  feed: { circuit: string };
  trigger?: { circuit: string; relay: string };
  /** The pin of the vehicle plug whose wire is tapped; the plug itself stays as it is. */
  tap?: { pin: string };
  lamps: string[];
  adapter?: string;
  /** How a supply has to be while it is joined: dead where a feed is bare. */
  asks?: SupplyAsk[];
  when?: Condition;
}

export interface FitStep {
  id: string;
  name: string;
  side: Side;
  /** What must be open for it; of one that is done at a mount position, besides what leads there. */
  needs: LevelNeed[];
  /** The mount position at which it is done: it can be got at by whatever leads there. */
  at?: string;
  /** Pieces in whose place it sets a part of the kit: a refit rule that names one of them means this step. */
  inPlaceOf?: string[];
  /** How a supply has to be for it: dead where it touches a feed, an airbag's neighbour, or cuts into a harness. */
  asks?: SupplyAsk[];
  passes: Pass[];
  minutes: number;
  tool: string;
  tighten: string;
  caution?: string;
  /** What is used at it that asks for air, gloves or time. */
  uses?: Used[];
  irreversible?: boolean;
  when?: Condition;
  /** Parts that lie under a bolt: whether it still holds. */
  stack?: BoltStack;
  /** Legs of the harness that it lays. */
  lays?: string[];
  /** The bolt is one of the vehicle's own, which goes back through the kit's part. */
  under?: { piece: string; group: string };
}

export const CONTROL_KINDS = ['switch', 'remote'] as const;

/** What a driver works the lamps of a kit by: each position is tried, a remote is paired first. */
export interface KitControl {
  id: string;
  name: string;
  kind: (typeof CONTROL_KINDS)[number];
  /** What each position lights; nothing where it is off. */
  positions: { id: string; name: string; lights: string[] }[];
  /** State of the vehicle in which it works. */
  state: VehicleState;
  when?: Condition;
}

/** What a test follows from that its kit did not write itself: a function that a joint feeds, a position of a control, the pairing of a remote; or that its joint is fed otherwise than its kit has it. */
export type TestFollows =
  | { from: 'function'; connection: string; carries: PinFunction }
  | { from: 'source'; connection: string }
  | { from: 'position'; control: string; position: string }
  | { from: 'pairing'; control: string };

export interface KitTest {
  id: string;
  name: string;
  side: Side;
  /** State the vehicle must be in; a test runs with its supply live. */
  state: VehicleState;
  /** Instruction to the helper in the driver's seat. */
  helper: string;
  /** Lamps that it proves, each with its place and its plug. */
  lamps: string[];
  gate: boolean;
  caution?: string;
  /** Pieces of the vehicle that must be back before it can run. */
  after?: string[];
  /** The position of a control that it tries. */
  tries?: { control: string; position: string };
  /** Of one that the kit did not write: what it follows from. Its name and what the helper is told are put in words where it is shown. */
  follows?: TestFollows;
  when?: Condition;
}

export interface Fitment {
  vehicle: string;
  years: Years;
  condition?: Condition;
  /** A place under a condition is reached only where that may hold. */
  mounts: { lamp: string; mount: string; when?: Condition }[];
  connections: Connection[];
  /** Pieces of the vehicle that the kit takes the place of: they come off, stay off and are bagged with their fasteners. */
  replaces: string[];
  /** Factory functions that go with the replaced pieces. */
  losesFunctions: string[];
  fitSteps: FitStep[];
  tests: KitTest[];
  /** What of it nobody has described as a whole: that there is nothing more is not to be read from those. */
  undescribed?: FitmentList[];
}

export interface BenchTask {
  /** What is used at it that asks for air, gloves or time. */
  uses?: Used[];
  id: string;
  name: string;
  minutes: number;
  cureMin: number;
  caution?: string;
}

/** What is fitted, with its contents list and what it needs of each vehicle it is made for. */
export interface Kit {
  format: 'jade-kit/5';
  slug: string;
  name: string;
  maker: string;
  /** What is in the box, in a word; where it is said, what such a kit commonly has is offered. */
  kind?: KitKind;
  /** Lists that nobody has described as a whole. */
  undescribed?: KitList[];
  lamps: Lamp[];
  contents: ContentItem[];
  options: KitOption[];
  plugs: KitPlug[];
  relays: KitRelay[];
  feeds: KitFeed[];
  controls?: KitControl[];
  legs: KitLeg[];
  benchTasks: BenchTask[];
  fitments: Fitment[];
  warnings: string[];
  priceCents: number;
}

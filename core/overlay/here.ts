import type { Connection, ContentItem, Fitment, FitmentList, FitStep, KitFeed, KitLeg, KitList, KitPlug, KitRelay, KitTest, Lamp } from '../kit/index.ts';
import type { ProbeFunction } from '../probing/index.ts';
import type { PinFunction } from '../states/index.ts';
import type {
  Circuit,
  Described,
  Drive,
  FastenerGroup,
  GapPoint,
  LampFunction,
  Level,
  MountPosition,
  OpenLevel,
  Piece,
  RefitRule,
  Sensor,
  Side,
  Supply,
  TakenMeasures,
  TellingFact,
  VehiclePlug,
  Zone,
} from '../vehicle/index.ts';

/** A way of a piece's level, or of a mount position, that this vehicle does not have. */
export interface BlockedWay {
  place: string;
  level?: OpenLevel;
  way: string;
  why: string;
}

/** Fasteners that do not turn as they should, and the minutes that they add. */
export interface SeizedFasteners {
  piece: string;
  group: string;
  count: number;
  addMin: number;
  why?: string;
}

/** A contact put into an empty cavity of a vehicle plug, with its terminal of the library, and the circuit that its wire was led from; none of a ground. */
export interface PutContact {
  row: number;
  column: number;
  carries: PinFunction;
  circuit?: string;
  terminal?: string;
}

/** Something an owner or another shop added, found on this vehicle: it comes off before the pieces it `holds`, and goes back after them. */
export interface Accessory {
  accessory: string;
  name: string;
  side: Side;
  zone: Zone;
  holds: string[];
  openMin: number;
  closeMin: number;
  people: number;
  drive: Drive;
  size?: string;
  count: number;
  /** What was said of minutes that made one wonder. */
  why?: string;
}

/** What holds a piece of the profile, where it was found held otherwise than that says. */
export interface HeldPiece {
  piece: string;
  fasteners: FastenerGroup[];
}

/**
 * What was described of the kind of vehicle while this one was worked on, as a profile says it. `whole`: lists of which this vehicle has nothing beyond
 * what is described.
 */
export interface KindDescribed {
  pieces?: Piece[];
  functions?: LampFunction[];
  mounts?: MountPosition[];
  /** How a supply is isolated: with the piece that does it, which is described as well. */
  supplies?: Supply[];
  sensors?: Sensor[];
  /** Panel gaps that are measured on arrival and leaving. */
  gaps?: GapPoint[];
  /** Plugs that something was joined to, with what was proved of their wires. */
  plugs?: VehiclePlug[];
  /** Circuits by what guards them, live as they were read. */
  circuits?: Circuit[];
  /** Measures that nobody had taken, in mm. */
  measures?: TakenMeasures;
  /** What tells its vehicles apart, and which pieces not all of them have. */
  facts?: TellingFact[];
  /** Pieces that were taken over from another kind and that this kind does not have; one that its profile no longer has is gone by that. */
  without?: string[];
  /** What has to go back before something else, as whoever put it back saw. */
  refitRules?: RefitRule[];
  /** Pieces that are held otherwise than the profile says. */
  held?: HeldPiece[];
  /** Pieces that two devices described, each not knowing of the other: what was said of `piece` is of the one that was described first. */
  same?: { piece: string; is: string }[];
  /** Pieces that look like one and are two. */
  apart?: { piece: string; from: string }[];
  /** Places, sensors, gaps and plugs that two devices described, each not knowing of the other: what was said of `place` is of the one that was described first. */
  samePlaces?: { place: string; is: string }[];
  /** Those that look like one and are two. */
  apartPlaces?: { place: string; from: string }[];
  whole?: Described[];
}

/**
 * What was described of a kit while it was fitted, as its document says it: what it holds, and how it sits on this kind of vehicle. `whole`: lists of which
 * it has nothing beyond what is described.
 */
export interface KitDescribed {
  kit: string;
  lamps?: Lamp[];
  contents?: ContentItem[];
  mounts?: Omit<Fitment['mounts'][number], 'when'>[];
  fitSteps?: FitStep[];
  tests?: Omit<KitTest, 'follows'>[];
  /** How it is wired: its plugs and leads, what it lays from the battery, and what meets what. */
  plugs?: KitPlug[];
  relays?: KitRelay[];
  feeds?: KitFeed[];
  /** Leads from where it is joined to its lamps, with the wire in them where somebody said it. */
  legs?: KitLeg[];
  connections?: Connection[];
  /** Pieces of the vehicle that it takes the place of: they do not go back. */
  replaces?: string[];
  whole?: (KitList | FitmentList)[];
}

/** A plug as it was found, nothing known but its face and where it hides. `may`: what its lamps have, so what its wires may be. */
export interface FoundPlug {
  plug: string;
  name: string;
  where: string;
  side: Side;
  may: ProbeFunction[];
  /** How it locks, where somebody saw it. */
  lock?: string;
  rows: number;
  columns: number;
  pins: { id: string; row: number; column: number; colour?: string }[];
}

export const PLUG_SIDES = ['this side', 'beyond'] as const;
/** A side of a plug, from where it is read. */
export type PlugSide = (typeof PLUG_SIDES)[number];

/** What was described of one kit on a job, each entry by its id as it was said last, and lists of which it has nothing beyond. */
export interface KitDescribedHere {
  lamps: Record<string, Lamp>;
  contents: Record<string, ContentItem>;
  /** By lamp and place. */
  mounts: Record<string, Fitment['mounts'][number]>;
  fitSteps: Record<string, FitStep>;
  tests: Record<string, KitTest>;
  plugs: Record<string, KitPlug>;
  relays: Record<string, KitRelay>;
  feeds: Record<string, KitFeed>;
  legs: Record<string, KitLeg>;
  connections: Record<string, Connection>;
  /** Pieces of the vehicle that it takes the place of. */
  replaces: string[];
  whole: (KitList | FitmentList)[];
}

/** What a job described of its kind of vehicle, each entry by its id as it was said last, and lists of which it has nothing beyond. */
export interface DescribedHere {
  pieces: Record<string, Piece>;
  functions: Record<string, LampFunction>;
  mounts: Record<string, MountPosition>;
  supplies: Record<string, Supply>;
  sensors: Record<string, Sensor>;
  gaps: Record<string, GapPoint>;
  plugs: Record<string, VehiclePlug>;
  circuits: Record<string, Circuit>;
  facts: Record<string, TellingFact>;
  refitRules: Record<string, RefitRule>;
  measures: TakenMeasures;
  without: string[];
  /** What holds pieces, by piece, where it is other than the profile says. */
  held: Record<string, FastenerGroup[]>;
  /** Pieces and places that were described once more, by the one that each of them is. */
  same: Record<string, string>;
  /** Pairs of pieces, and of places, that look like one and are two. */
  apart: { piece: string; from: string }[];
  apartPlaces: { place: string; from: string }[];
  whole: Described[];
}

/** What a job knows of its own vehicle over what the profile says. */
export interface ThisVehicle {
  described: DescribedHere;
  accessories: Record<string, Accessory>;
  /** How far pieces were open when the vehicle came. */
  came: Record<string, OpenLevel>;
  /** Highest level each piece reached. */
  reached: Record<string, Level>;
  blocked: BlockedWay[];
  seized: SeizedFasteners[];
  /** Contacts put into empty cavities of the vehicle's plugs, by plug. */
  populated: Record<string, PutContact[]>;
  /** Plugs that the profile does not have, by id. */
  plugsFound: Record<string, FoundPlug>;
  /** Colours of wires as they were seen, by plug and pin, then by side. */
  colours: Record<string, Partial<Record<PlugSide, string>>>;
}

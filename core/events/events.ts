import type { Accessory, BlockedWay, FoundPlug, KindDescribed, KitDescribed, PlugSide, PutContact, SeizedFasteners } from '../overlay/index.ts';
import type { Mileage } from '../customers/index.ts';
import type { Pass } from '../kit/index.ts';
import type { ProbeFunction } from '../probing/index.ts';
import type { Ring } from '../photos/index.ts';
import type { VehicleState } from '../states/index.ts';
import type { Level, OpenLevel, SupplyId, SupplyState } from '../vehicle/index.ts';
import type { PoseChange } from '../sensing/index.ts';
import type { StationId } from '../subject/index.ts';
import type { SeenLit } from '../wiring/index.ts';

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

/** What happens to a job: the payload of every type of event. Ids and values only, never names of customers. */
export interface Payloads {
  'job.opened': {
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
  } & BroughtIn;
  /** Newer versions taken over; `lost` names ids of the old documents that the new ones no longer have. */
  'job.repinned': { profile: DocumentPin; kits: DocumentPin[]; rules: DocumentPin; plugs?: DocumentPin; lost: string[] };
  /** Without a person nobody is on it. */
  'job.assigned': { person?: string };
  /** What is promised to the customer; nothing any more without a time. `why`: what was said where that time made one wonder. */
  'promise.made': { at?: string; why?: string };
  /** Where it stands; nowhere that is known without a bay. */
  'bay.taken': { bay?: string };
  'wish.written': { wish?: string };
  /** What a person wants to keep, at the station where it came up. */
  'note.written': { station: StationId; note: string };
  /** `hash` and `thumb`: SHA-256 of the picture and of the small one, which are sent by themselves; `about`: key of the subject that it shows. */
  'photo.taken': { hash: string; thumb: string; widthPx: number; heightPx: number; about: string };
  /** Where to look on a photo; nowhere in particular any more without a ring. */
  'photo.marked': { photo: string; ring?: Ring };
  /** What a photo shows, in a word; nothing any more without one. */
  'photo.captioned': { photo: string; note?: string };
  /** Whether the customer gets a photo with the sheet. */
  'photo.chosen': { photo: string; onSheet: boolean };
  /** A kit added while the job runs, or one that was dropped taken up again. */
  'kit.added': { kit: DocumentPin };
  /** A kit that is not fitted after all: what is on the vehicle of it is taken out again. */
  'kit.dropped': { kit: string; why: string };
  /** The work is not done after all: every kit is taken out again, what is open is closed, and the vehicle leaves. */
  'job.cancelled': { why: string };
  /** A joint parted, a leg lifted out, a contact pulled out of a cavity of the vehicle, a fitting step undone: of a kit that is taken out again. */
  'plug.parted': { kit: string; connection: string };
  'leg.lifted': { kit: string; leg: string };
  'contact.pulled': { plug: string; row: number; column: number };
  /** `lamps`: those that it held, which are no longer aimed. */
  'step.undone': { kit: string; step: string; lamps: string[] };
  /** Of a kit that an earlier job fitted: its bolts were held again with the tool of the step, and do not move. */
  'step.rechecked': { kit: string; step: string };
  /** Hands are off the vehicle for a while: what a step takes is counted without it. */
  'work.paused': Record<never, never>;
  'work.resumed': Record<never, never>;
  /** Left open for the night: what was seen to, and where what is off lies. */
  'night.left': { seen: NightItem[]; where?: string };
  /** Work goes on: it was found as it was left, or not. */
  'night.over': { asLeft: boolean; note?: string };
  'number.recorded': { number: string };
  /** `seenAt` where the fact comes from an earlier job of the same vehicle; `not` names values that are ruled out while it is not known. */
  'fact.recorded': { fact: string; certainty: FactCertainty; value?: string; not?: string[]; seenAt?: string };
  'baseline.tried': { lamp: string; result: BaselineResult };
  /** `why`: what was said where a measure made one wonder. */
  'battery.measured': { restV: number; why?: string };
  'code.recorded': { moment: Moment; code: string; note?: string };
  'codes.read': { moment: Moment; count: number };
  'warnings.read': { moment: Moment; lit: WarningLamp[]; why?: string };
  'lens.graded': { lamp: string; moment: Moment; grade: LensGrade; why?: string };
  'gap.measured': { gap: string; moment: Moment; widthMm: number; why?: string };
  'damage.noted': { place: string; note: string };
  'option.chosen': { kit: string; option: string; choice: string };
  'match.confirmed': { kit: string };
  'content.counted': { kit: string; item: string; count: number };
  'bench.done': { kit: string; task: string };
  /**
   * `fasteners`: those that came out, or those of them that went back; new ones are said by `fastener.renewed`. Of what was open when it was opened whoever
   * did it may say at once which pieces it would have come without, and which had to be.
   */
  'piece.moved': { piece: string; level: Level; way?: string; fasteners: GroupCount[]; without?: string[]; needed?: string[] };
  /** How the vehicle stands from now on: raised, or with its wheels turned; as it comes of that kind without a place. */
  'position.set': { kind: string; place?: string };
  /** A supply isolated or brought back; `by` says who isolated it and how, where that is for qualified people. */
  'supply.set': { supply: SupplyId; is: SupplyState; by?: string };
  /** Something that the vehicle had forgotten while it was dead was set again. */
  'setting.restored': { supply: SupplyId; setting: string };
  'accessory.found': Accessory;
  /** Something of the kind of vehicle that its profile does not have: it holds for this job from then on, and for others once it is kept. */
  'kind.described': KindDescribed;
  /** Something of a kit that its document does not have: it holds for this job from then on, and for others once it is kept. */
  'kit.described': KitDescribed;
  /** A piece that has to be open as well, as somebody says: it is planned in. */
  'piece.wanted': { piece: string; level: OpenLevel };
  /** All that is worked at for these kits can be reached, as somebody saw it: said where nobody has described what has to be open for them. */
  'opening.enough': { kits: string[] };
  /** A way of a piece's level, or of a mount position, that this vehicle does not have. */
  'way.blocked': BlockedWay;
  /** A piece was open, or not there at all, when the vehicle came: nobody here opened it, and it stays as it came. */
  'piece.found': { piece: string; level: OpenLevel };
  /** A piece that did not come to a level, with all that was open then: a way that was told to lead there does not. */
  'piece.tried': { piece: string; level: OpenLevel };
  /** What was seen once all was open: pieces that could all together have stayed on (`fitted`), gone only so far, or had to be as they were. */
  'opening.judged': { pieces: Judged[] };
  /** Which of two moves of two devices came first, where their clocks do not say it. */
  'moves.ordered': { first: string; then: string };
  /** A way chosen by hand, for a piece's level or a mount position; without `way` the choice goes back to the planner. */
  'way.chosen': { place: string; level?: OpenLevel; way?: string };
  /** `side` is the one that is proved first, once its first step is done. */
  'order.chosen': { school: School; people: 1 | 2; side?: 'left' | 'right' };
  'opening.left': { why: string };
  'opening.resumed': { why: string };
  'fastener.seized': SeizedFasteners;
  'fastener.broken': { piece: string; group: string; count: number };
  'fastener.dropped': { piece: string; group: string; count: number };
  'fastener.found': { piece: string; group: string; count: number };
  /** New ones put in: in the place of broken ones first, else of ones that came out whole and are not used again. */
  'fastener.renewed': { piece: string; group: string; count: number };
  /** `adapters`: those of the plug library that were put between, from the vehicle's plug on; `checked`: what was looked at. */
  'plug.joined': { kit: string; connection: string; adapters?: string[]; checked?: JointCheck[] };
  /** A contact put into an empty cavity of a vehicle plug, with its terminal of the library, and the circuit that its wire was led from; none of a ground. */
  'cavity.populated': { plug: string } & PutContact;
  /** Contacts of a kit's plug pulled and put into other cavities of it, all at one time. */
  'contacts.moved': { kit: string; plug: string; moves: { pin: string; row: number; column: number }[] };
  /** A wire of a kit's plug led elsewhere than into its cavity; without `to` it goes where the kit has it again. */
  'source.chosen': { kit: string; connection: string; pin: string; to?: LedTo };
  /** A leg laid along segments of the vehicle. */
  'leg.laid': { kit: string; leg: string; path: string[] };
  /** The way of a leg chosen by hand; without `path` the choice goes back to the planner. */
  'route.chosen': { kit: string; leg: string; path?: string[] };
  /** A hole that may be drilled: who agreed to it, and what was seen behind. */
  'drill.agreed': { segment: string; by: string; behind: string };
  /** A plug that is left over capped and tied away; one of the kit where a kit is named. */
  'plug.capped': { plug: string; kit?: string };
  /** `afterA`: what was accepted, with all that hangs on the circuit, at the worst voltage; `fuseA`: the fuse it was judged by, documented or seen. */
  'load.accepted': { kit: string; circuit: string; afterA?: number; fuseA?: number };
  /** What is printed on the fuse that was seen in a slot. */
  'fuse.seen': { circuit: string; ratedA: number };
  /** What was lost between a ground point and the battery's negative while a load returned over it. */
  'ground.measured': { ground: string; dropMv: number; ampere: number };
  /** A fuse slot measured in one state, and what is printed on the fuse that sits in it. */
  'slot.measured': { slot: string; ratedA?: number; state: VehicleState; lowV: number; highV: number };
  /** A lamp that the vehicle will report, or flash fast with, left so; `afterW`: what hangs on its channel. */
  'outage.accepted': { channel: string; afterW: number };
  /** The battery as measured during work with the ignition on. */
  'battery.watched': { volts: number };
  /** The ignition was seen on, or off. */
  'ignition.set': { on: boolean };
  /** A charger on the battery, or taken off it. */
  'charger.set': { on: boolean };
  /** A wire of a kit's lamp fed on the bench by a limited supply: what it drew, and what was seen to light. */
  'lamp.powered': { kit: string; plug: string; pin: string; volts: number; ampere: number; lit: SeenLit };
  'reference.checked': { groundV: number; feedV: number };
  'reading.taken': { plug: string; pin: string; state: VehicleState; lowV: number; highV: number; underLamp?: 'holds' | 'collapses' };
  /** From a pin to the body, unplugged and unpowered. */
  'continuity.measured': { plug: string; pin: string; ohm: number };
  /** What is lost between a pin and the battery's negative while a load of a few amperes returns over it. */
  'drop.measured': { plug: string; pin: string; dropV: number };
  /** A plug, or wires side by side in a loom, that the profile does not have: its face from the wire side. */
  'plug.found': FoundPlug;
  /** What is looked for in a plug; nothing any more where the list is empty. */
  'probe.wanted': { plug: string; functions: ProbeFunction[] };
  /** The insulation of a vehicle's wire, opened to read it. */
  'wire.opened': { plug: string; pin: string; how: WireOpening };
  'wire.sealed': { plug: string; pin: string };
  /** Colour of a wire as it was seen, on the side of the plug that is read or beyond it. */
  'colour.noted': { plug: string; pin: string; on: PlugSide; colour: string };
  'sensor.unplugged': { sensor: string };
  'sensor.reconnected': { sensor: string };
  'sensor.moved': { sensor: string } & PoseChange;
  /** `by` and `dueOn` (a day): who calibrates it and until when, where it is left to others. */
  'sensor.calibrated': { sensor: string; how: 'done here' | 'by others' | 'not required'; note?: string; by?: string; dueOn?: string };
  'step.passed': { kit: string; step: string; pass: Pass };
  'test.tried': { kit: string; test: string; passed: boolean; note?: string };
  /** `floorAtWallMm` once it was measured, 0 where it was found level. */
  'wall.set': { rule: string; distanceMm: number; floorAtWallMm?: number };
  'aim.prepared': { tyres: boolean; load: boolean; levelling: boolean };
  'aim.measured': { lamp: string; moment: Moment; heightMm: number; referenceMm: number };
  /** Height of the rule's reference point of a lamp, as measured on this vehicle. */
  'aim.referenced': { lamp: string; referenceMm: number };
  'aim.by-others': { lamp: string; by: string };
  'final.tried': { lamp: string; result: BaselineResult };
  /** What a test of a kit lights, tried once more with everything closed. */
  'final.tested': { kit: string; test: string; passed: boolean; note?: string };
  /** Who agreed to something that cannot be undone, `about` a fitting step or a level of a piece. */
  'consent.given': { about: string; by: string };
  /** The customer's signature as it was drawn on the screen. */
  'customer.signed': { strokes: Stroke[] };
  'part.bagged': { piece: string; where: string };
  'exception.named': { about: string; note: string };
  'job.signed': { atSeq: number };
  'job.reopened': { why: string };
  /** What is taken back: one event, with all that the same act recorded; or an act by its own id. One of the two. */
  undone: { event?: string; act?: string };
}

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

export type EventType = keyof Payloads;

/** An event as the client makes it. What one act of a person records shares an `act`: it is taken back together. */
export type JobEvent<T extends EventType = EventType> = {
  [K in T]: { id: string; type: K; v: number; at: string; act?: string; payload: Payloads[K] };
}[T];

/** What happened, before it is an event with an id and a time. */
export type Happened = { [K in EventType]: { type: K; payload: Payloads[K] } }[EventType];

/** An event as it stands in the log; one not yet taken by the server has no seq. */
export type LoggedEvent<T extends EventType = EventType> = JobEvent<T> & { seq?: number; person?: string; device?: string };

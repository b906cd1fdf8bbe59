import { carriesProved, jointChecks, neverSlot, probeOf, readingsOf, wireJoints } from '../../loom/index.ts';
import { describedFurther, kitDescribedFurther, withDescribed, withKitDescribed, type KindDescribed, type KitDescribed } from '../../overlay/index.ts';
import { kitsOnVehicle, kitsUndescribed, wireTableOf, type JobContext } from '../../job/index.ts';
import { LONGEST_TEXT, type Happened, type JointCheck } from '../../events/index.ts';
import type { Connection, KitFeed, KitLeg, KitPlug, KitRelay, LegWire } from '../../kit/index.ts';
import { classOf } from '../../probing/index.ts';
import { VEHICLE_STATES, type PinFunction, type VehicleState } from '../../states/index.ts';
import { circuitId } from '../../wiring/index.ts';
import { slugOf, type Circuit, type VehiclePin, type VehiclePlug } from '../../vehicle/index.ts';
import { happened, refused, tooLong, type Act, type Refusal } from '../act.ts';
import { wayNow } from '../open-up/index.ts';
import { LONGEST_SLOT } from '../probe/index.ts';
import { againstJoint } from './wire.ts';

export const JOINED_BY = ['plug', 'wire'] as const;
/** Whether a plug of a kit went onto a plug of the vehicle, or a wire of it was joined to one wire there. */
export type JoinedBy = (typeof JOINED_BY)[number];
export const JOINT_FEEDS = ['lamps', 'relay'] as const;
/** What a joint feeds: the lamps themselves, or a relay that switches a feed from the battery. */
export type JointFeeds = (typeof JOINT_FEEDS)[number];

/** A joint of a kit that was made and that nobody had described, as whoever made it saw it. */
export interface JointMade {
  by?: JoinedBy;
  /** The plug of the vehicle. */
  plug?: string;
  /** Of a wire: the pin there whose wire it was joined to. */
  pin?: string;
  /** What the kit's plug or lead is called. */
  name: string;
  lamps: readonly string[];
  /** The slot of the fuse that guards the wire, as it is printed there, and what is printed on the fuse. */
  slot: string;
  ratedA?: number;
  feeds?: JointFeeds;
  /** Of a feed from the battery: its main fuse, how far that is from the battery, and what is printed on the relay. */
  fuseA?: number;
  batteryToFuseMm?: number;
  contactA?: number;
  /** The lead from there to its lamps, where somebody measured it. */
  lead?: LeadMade;
}

/** A lead of a kit: how long, and the wire in it where somebody could tell; where its lamps' ground is made goes with the wire. */
export interface LeadMade {
  lengthMm?: number;
  areaMm2?: number;
  ground?: LegWire['ground'];
}

const openKit = (context: JobContext, slug: string) =>
  kitsUndescribed(context, 'connections').includes(slug) ? kitsOnVehicle(context).find(({ kit }) => kit.slug === slug) : undefined;

/** Kits of which nobody has described how they are wired: each joint is written down as it is made. */
export const kitsToWire = (context: JobContext) => kitsOnVehicle(context).filter(({ kit }) => openKit(context, kit.slug) !== undefined);

/** A pin with what it carries as far as anybody knows; `proved` where that was proved on this job. */
export interface KnownPin {
  pin: VehiclePin;
  carries: PinFunction;
  proved: boolean;
}

/** Pins of a plug of the vehicle with what they carry: as proved on this job, else as they are described. */
export const pinsKnown = (context: JobContext, plug: VehiclePlug): KnownPin[] =>
  plug.pins.map((pin) => {
    const proved = carriesProved(context, plug, pin);
    return { pin, carries: proved ?? pin.carries, proved: proved !== undefined };
  });

const carriesNothing = (carries: PinFunction) => carries === 'ground' || carries === 'empty';

/** The pins that a joint meets, and the one that feeds by it; or what stands against knowing that. */
function metBy(context: JobContext, plug: VehiclePlug, { by, pin }: Pick<JointMade, 'by' | 'pin'>): { pins: KnownPin[]; feeding: KnownPin } | Refusal[] {
  const pins = pinsKnown(context, plug).filter((entry) => by === 'plug' || entry.pin.id === pin);
  const unknown = pins.filter(({ carries, proved }) => carries === 'unknown' || (!carriesNothing(carries) && !proved));
  if (unknown.length > 0) return unknown.map(({ pin: { id } }) => ({ code: 'wire-first', plug: plug.id, pin: id }));
  const fed = pins.filter(({ carries }) => !carriesNothing(carries));
  const [feeding] = fed;
  if (!feeding) return [{ code: 'feeds-nothing', plug: plug.id }];
  return fed.length > 1 ? [{ code: 'several-functions', plug: plug.id }] : { pins, feeding };
}

/** States in which a wire was read live on this job. */
function liveAsRead(context: JobContext, plug: VehiclePlug, pin: string): VehicleState[] {
  const { run } = probeOf(context, plug);
  const lit = readingsOf(context, plug, pin).filter((reading) => ['on', 'flashing'].includes(classOf(reading, run, context.rules.probing)));
  return VEHICLE_STATES.filter((state) => lit.some((reading) => reading.state === state));
}

/** The circuit behind a slot, where the vehicle's profile has it. */
const circuitIn = ({ profile }: Pick<JobContext, 'profile'>, slot: string): Circuit | undefined =>
  profile.circuits.find(({ fuse }) => fuse?.slot.toLowerCase() === slot.trim().toLowerCase());

/** Fuses that can guard a wire, each by its slot: of the circuit that it is said to hang on, of other circuits that are described, then those whose slots were measured. */
export function fusesKnown(context: JobContext, { plug, pin }: Pick<JointMade, 'plug' | 'pin'>): { slot: string; ratedA: number }[] {
  const own = context.profile.plugs.find(({ id }) => id === plug)?.pins.filter(({ id }) => pin === undefined || id === pin);
  const isOwn = ({ id }: Circuit) => Number(own?.some(({ circuit }) => circuit === id) ?? false);
  const described = [...context.profile.circuits].sort((a, b) => isOwn(b) - isOwn(a)).flatMap(({ fuse }) => fuse ?? []);
  const measured = Object.entries(context.state.slots).flatMap(([slot, { ratedA }]) => (ratedA === undefined || circuitIn(context, slot) ? [] : [{ slot, ratedA }]));
  return [...described, ...measured].filter(({ slot }) => !neverSlot(context, slot));
}

/** A plug that was found as a profile has it: with what is proved of its wires, and by what leads to it now. */
function plugAsKnown(context: JobContext, plug: VehiclePlug, feeding: KnownPin, circuit: string, day: string): VehiclePlug {
  const before = context.state.described.plugs[plug.id];
  const way = wayNow(context);
  const known = pinsKnown(context, plug).map(({ pin, carries, proved }): VehiclePin => {
    const { proved: _proved, ...rest } = pin;
    const readings = readingsOf(context, plug, pin.id).length;
    return {
      ...rest,
      carries,
      ...(pin.id === feeding.pin.id ? { circuit } : {}),
      ...(proved && readings > 0 ? { proved: { on: day, readings } } : {}),
    };
  });
  return { ...plug, pins: known, reach: before?.reach ?? [way], hiddenBy: before?.hiddenBy ?? way.needs };
}

/** The kit's end of a joint: a lead of one wire, or a plug whose contacts meet those of the vehicle's one for one, as they did. */
function kitEnd(plug: VehiclePlug, { by, name }: JointMade, pins: readonly KnownPin[], id: string): KitPlug {
  if (by === 'wire') {
    const carries = pins[0]?.carries ?? 'unknown';
    return {
      id,
      name: name.trim(),
      family: 'bare lead',
      gender: 'pins',
      keying: 'none',
      rows: 1,
      columns: 1,
      lock: 'none',
      pins: [{ id: '1', row: 1, column: 1, carries }],
    };
  }
  const { family, keying, rows, columns, lock } = plug;
  return {
    id,
    name: name.trim(),
    family,
    gender: plug.gender === 'pins' ? 'sockets' : 'pins',
    keying,
    rows,
    columns,
    lock,
    pins: pins.map(({ pin: { id: pin, row, column }, carries }) => ({ id: pin, row, column, carries })),
  };
}

/** What a kit lays from the battery, named as long as nobody names it. */
const FROM_BATTERY = 'From the battery';
const ITS_RELAY = 'Relay';

function feedOf({ feeds, fuseA, batteryToFuseMm, contactA }: JointMade, id: string): { feeds: KitFeed[]; relays: KitRelay[] } {
  if (feeds !== 'relay' || fuseA === undefined || batteryToFuseMm === undefined || contactA === undefined) return { feeds: [], relays: [] };
  const relay = `${id}-relay`;
  return { feeds: [{ id: `${id}-feed`, name: FROM_BATTERY, fuseA, batteryToFuseMm, relay }], relays: [{ id: relay, name: ITS_RELAY, contactA }] };
}

/** Cross-sections that wires commonly have, by the table that the load is judged with, in mm². */
export const areasKnown = (context: Pick<JobContext, 'rules'>): number[] => wireTableOf(context).permitted.map(({ areaMm2 }) => areaMm2);

/** The lead of a joint, by the first of its lamps that has none yet; none where nobody measured it. */
function legsOf(own: readonly KitLeg[], { lamps, lead: { lengthMm, areaMm2, ground } = {} }: JointMade, id: string): KitLeg[] {
  const lamp = lamps.find((entry) => !own.some((leg) => leg.lamp === entry));
  if (lamp === undefined || lengthMm === undefined) return [];
  return [{ id: `${id}-lead`, lamp, lengthMm, ...(areaMm2 === undefined || ground === undefined ? {} : { wire: { areaMm2, ground } }) }];
}

/** How many fields of a lead are still to be said: its length where its wire is, its cross-section with where the ground is made. */
const missingOfLead = ({ lengthMm, areaMm2, ground }: LeadMade = {}): boolean[] => {
  const positive = (value: number | undefined) => value !== undefined && value > 0;
  if (lengthMm === undefined && areaMm2 === undefined && ground === undefined) return [];
  return [!positive(lengthMm), ...(areaMm2 === undefined && ground === undefined ? [] : [!positive(areaMm2), ground === undefined])];
};

/** What of a joint is still to be said, what is too long, what cannot be. */
function faultsOf({ by, plug, pin, name, lamps, slot, ratedA, feeds, fuseA, batteryToFuseMm, contactA, lead }: JointMade): Refusal[] {
  const positive = (value: number | undefined) => value !== undefined && value > 0;
  const missing = [
    by === undefined,
    plug === undefined,
    by === 'wire' && pin === undefined,
    name.trim() === '',
    lamps.length === 0,
    slot.trim() === '',
    !positive(ratedA),
    feeds === undefined,
    ...missingOfLead(lead),
    ...(feeds === 'relay' ? [!positive(fuseA), batteryToFuseMm === undefined || batteryToFuseMm < 0, !positive(contactA)] : []),
  ].filter(Boolean).length;
  const above = feeds === 'relay' && fuseA !== undefined && contactA !== undefined && fuseA > contactA;
  return [
    ...(missing > 0 ? [{ code: 'missing' as const, count: missing }] : []),
    ...tooLong(name, LONGEST_TEXT.kitEntry),
    ...tooLong(slot, LONGEST_SLOT),
    ...(above ? [{ code: 'fuse-above' as const, fuseA, mostA: contactA }] : []),
  ];
}

/** Longest name of a circuit. */
const LONGEST_CIRCUIT = 80;

/** A joint as it would be with what was said of it: how it is checked, what stands against it, and what is then recorded. */
export interface JointAsMade {
  checks: JointCheck[];
  against: Refusal[];
  events: Happened[];
}

/**
 * A joint that was made and that nobody had described: the plug of the vehicle with what is proved of its wires, what guards them, the kit's end, and that
 * they met. What stands against any joint stands against this one: a wire that is bared is proved first.
 * @param id for good: of its name and four letters drawn by the device
 */
export function jointAsMade(context: JobContext, slug: string, made: JointMade, id: string, at: string): JointAsMade | Refusal[] {
  const onVehicle = openKit(context, slug);
  if (!onVehicle) return [{ code: 'already' }];
  const faults = faultsOf(made);
  if (faults.length > 0) return faults;
  const { profile, state } = context;
  const plug = profile.plugs.find((entry) => entry.id === made.plug);
  if (!plug) return [{ code: 'unknown', what: 'plug', id: made.plug ?? '' }];
  if (made.by === 'wire' && !plug.pins.some((pin) => pin.id === made.pin)) return [{ code: 'unknown', what: 'pin', id: made.pin ?? '' }];
  const odd = made.lamps.find((lamp) => !onVehicle.kit.lamps.some((own) => own.id === lamp));
  if (odd !== undefined) return [{ code: 'unknown', what: 'lamp', id: odd }];
  const never = neverSlot(context, made.slot.trim());
  if (never) return [{ code: 'never-slot', slot: made.slot.trim(), circuit: never.id }];
  const met = metBy(context, plug, made);
  if ('length' in met) return met;
  const known = circuitIn(context, made.slot);
  const named = `slot-${slugOf(made.slot, 'fuse')}`;
  const guard: Circuit = known ?? {
    // Two slots can be alike once what no id can hold is left out.
    id: profile.circuits.some((circuit) => circuit.id === named) ? `${named}-${id.slice(-4)}` : named,
    name: `${plug.name}, pin ${met.feeding.pin.id}`.slice(0, LONGEST_CIRCUIT),
    fuse: { slot: made.slot.trim(), ratedA: made.ratedA ?? 0 },
    loads: [],
    undescribed: ['loads'],
    liveIn: liveAsRead(context, plug, met.feeding.pin.id),
  };
  const isFound = state.plugsFound[plug.id] !== undefined && (state.described.plugs[plug.id] !== undefined || plug.pins.every(({ carries }) => carries === 'unknown'));
  const { feeds, relays } = feedOf(made, id);
  const [feed] = feeds;
  const legs = legsOf(onVehicle.kit.legs, made, id);
  const kind: KindDescribed = {
    ...(isFound ? { plugs: [plugAsKnown(context, plug, met.feeding, guard.id, at.slice(0, 10))] } : {}),
    ...(known ? {} : { circuits: [guard] }),
  };
  const connection: Connection = {
    id,
    kitPlug: id,
    vehiclePlug: plug.id,
    feed: { circuit: feed?.id ?? guard.id },
    ...(feed?.relay === undefined ? {} : { trigger: { circuit: guard.id, relay: feed.relay } }),
    ...(made.by === 'wire' ? { tap: { pin: met.feeding.pin.id } } : {}),
    lamps: [...made.lamps],
  };
  const kit: KitDescribed = {
    kit: slug,
    plugs: [kitEnd(plug, made, met.pins, id)],
    ...(feed ? { feeds, relays } : {}),
    ...(legs.length > 0 ? { legs } : {}),
    connections: [connection],
  };
  const next = describedHere(context, kind, kit);
  const joint = wireJoints(next).find((entry) => entry.kit.slug === slug && entry.connection.id === id);
  if (!joint) return [{ code: 'already' }];
  const checks = jointChecks(next, joint);
  return {
    checks,
    against: againstJoint(next, joint, at),
    events: [
      ...(Object.keys(kind).length > 0 ? [{ type: 'kind.described' as const, payload: kind }] : []),
      { type: 'kit.described', payload: kit },
      // Whoever writes a fuse down has read it; another one than is documented is a question, not a value.
      ...(known?.fuse?.ratedA === made.ratedA ? [] : [fuseSeen(guard.id, made.ratedA)]),
      ...(feed ? [fuseSeen(circuitId({ ...onVehicle.kit, feeds }, feed.id), feed.fuseA)] : []),
      { type: 'plug.joined', payload: { kit: slug, connection: id, checked: checks } },
    ],
  };
}

const fuseSeen = (circuit: string, ratedA = 0): Happened => ({ type: 'fuse.seen', payload: { circuit, ratedA } });

/** The job as it is once this is described as well. */
function describedHere(context: JobContext, kind: KindDescribed, kit: KitDescribed): JobContext {
  const { state } = context;
  const described = describedFurther(state.described, kind);
  const kitsDescribed = { ...state.kitsDescribed, [kit.kit]: kitDescribedFurther(state.kitsDescribed[kit.kit], kit) };
  const anew = new Set((kind.plugs ?? []).map(({ id }) => id));
  const profile = withDescribed({ ...context.profile, plugs: context.profile.plugs.filter(({ id }) => !anew.has(id)) }, described);
  return { ...context, state: { ...state, described, kitsDescribed }, profile, kits: context.kits.map((own) => withKitDescribed(own, kitsDescribed[own.slug], profile)) };
}

/** The act that makes and describes a joint, or what stands against it. */
export function actOfJoint(as: JointAsMade | Refusal[]): Act {
  if ('length' in as) return refused(...as);
  return as.against.length > 0 ? refused(...as.against) : happened(...as.events);
}

/** A joint made and described in one act. */
export const jointMade = (...of: Parameters<typeof jointAsMade>): Act => actOfJoint(jointAsMade(...of));

/** All of a kit is wired, as somebody says who did it: each of its lamps is fed by a joint. */
export function allWired(context: JobContext, slug: string): Act {
  const onVehicle = openKit(context, slug);
  if (!onVehicle) return refused({ code: 'already' });
  const { kit, fitment } = onVehicle;
  const connections = fitment?.connections ?? [];
  if (connections.length === 0) return refused({ code: 'nothing' });
  if ((kit.undescribed ?? []).includes('lamps')) return refused({ code: 'lamps-first', kit: slug });
  const unfed = kit.lamps.filter(({ id }) => !connections.some(({ lamps }) => lamps.includes(id))).map(({ id }) => id);
  return unfed.length > 0 ? refused({ code: 'feed-first', kit: slug, lamps: unfed }) : happened({ type: 'kit.described', payload: { kit: slug, whole: ['connections'] } });
}

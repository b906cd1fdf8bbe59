import { evaluate } from '../facts/index.ts';
import type { Connection } from '../kit/index.ts';
import type { Circuit, Load, PlugPin, Surge, VehiclePlug } from '../vehicle/index.ts';
import { coilLoad, copperOhm, currentsOf, dropLimitShare, METRIC_MM2, permittedA, shopRelay, sizeCircuit, voltageRange, type DropUse, type Source } from '../wiring/index.ts';
import { circuitLoads, useOfJoint } from './circuit-load.ts';
import { type JobContext, kitsOnVehicle, sideOf, carriedPins, ownCircuit, ownLiveIn, wireTableOf } from '../job/index.ts';
import { type LedTo, factValues } from '../events/index.ts';
import { sourcesFor } from './sources.ts';
import { lampLoads, type WireJoint } from './wire.ts';

/** Why a source is not to be taken: it is live when it must not be, it does not bear the load, no wire of the vehicle that it feeds is known, no standard fuse or wire does. */
export type FeedBar = 'behaves otherwise' | 'does not carry' | 'no wire known' | 'no size';

/** A source that a wire of a kit could be led to, with what that takes; empty bars where it may be. */
export interface FeedOption {
  source: Source;
  to: LedTo;
  /** Where it would be joined, or what would close the relay. */
  at?: { plug: VehiclePlug; pin: PlugPin };
  bars: FeedBar[];
  /** The wire is led there now. */
  chosen: boolean;
}

/** A joint as its kit wrote it, before any of its wires was led elsewhere. */
export function asWritten({ profile }: Pick<JobContext, 'profile'>, { kit, connection }: Pick<WireJoint, 'kit' | 'connection'>): Connection {
  const fitment = kit.fitments.find(({ vehicle }) => vehicle === profile.slug);
  return fitment?.connections.find(({ id }) => id === connection.id) ?? connection;
}

/** Contacts of a joint that bring a supply: those that can be fed from elsewhere. */
export const suppliesOf = (joint: Pick<WireJoint, 'kitPlug' | 'led'>): PlugPin[] => carriedPins(joint).filter(({ carries }) => carries !== 'empty' && carries !== 'ground');

/** What a contact of a kit feeds: the coil of the kit's relay, of bodies with several functions its own, else the lamps. */
export function loadsOfPin({ profile }: Pick<JobContext, 'profile'>, { kit, connection }: Pick<WireJoint, 'kit' | 'connection'>, written: Connection, pin: PlugPin): Load[] {
  const relay = kit.relays.find(({ id }) => id === written.trigger?.relay);
  if (relay) return [coilLoad(relay, relay.name, profile.systemVoltageV)];
  return lampLoads(
    kit.lamps.filter(({ id }) => connection.lamps.includes(id)),
    pin,
  );
}

/** Wires of the vehicle that a circuit feeds, the nearest first: in the plug of the joint, on its side, elsewhere. */
function wiresOf(context: JobContext, circuit: string, plug: string, side: VehiclePlug['side']): { plug: VehiclePlug; pin: PlugPin }[] {
  const facts = factValues(context.state);
  const rank = (entry: VehiclePlug) => (entry.id === plug ? 0 : entry.side === side ? 1 : 2);
  return context.profile.plugs
    .filter(({ when }) => evaluate(when, facts) === 'yes')
    .sort((a, b) => rank(a) - rank(b))
    .flatMap((entry) => entry.pins.filter((pin) => pin.circuit === circuit).map((pin) => ({ plug: entry, pin })));
}

/** The surges of loads that come on together. */
function surgeOf(loads: readonly Load[]): { surge?: Surge } {
  const surges = loads.flatMap(({ surge }) => surge ?? []);
  if (surges.length === 0) return {};
  return { surge: { ampere: surges.reduce((sum, { ampere }) => sum + ampere, 0), forMs: Math.max(...surges.map(({ forMs }) => forMs)) } };
}

/** The smallest wire that carries what guards a circuit and loses little enough of itself. */
function extension({ rules, profile }: JobContext, circuit: Circuit, loads: readonly Load[], lengthM: number, use: DropUse): number | undefined {
  const range = voltageRange(profile.systemVoltageV);
  const table = wireTableOf({ rules });
  const guardA = circuit.fuse?.ratedA ?? circuit.output?.limitA ?? 0;
  const mostV = dropLimitShare(use, rules.electrics) * range.runningV;
  const { runningA } = currentsOf(loads, range);
  return METRIC_MM2.find((size) => permittedA(size, table, { temperatureC: table.atC, bundle: 1 }) >= guardA - 1e-9 && runningA * copperOhm(lengthM, size) <= mostV + 1e-9);
}

/** Contacts on the way from a fuse to a lamp and back: fuse, crimped joint, lamp, ground. */
const CONTACTS = 4;

/**
 * Where a supply contact of a kit could be led to, best first: wires of the vehicle on other circuits, measured slots by a tap, the battery over a relay that
 * the wire closes which the kit has for it. New wire and fuse are sized for what it feeds. What is live at another time than wanted is barred for lamps of the road; what may never
 * be used is not among them.
 * @param lengthMm new wire to there; none where it is joined at the place itself
 */
export function feedOptions(context: JobContext, joint: WireJoint, pinId: string, lengthMm: number): FeedOption[] {
  const pin = suppliesOf(joint).find(({ id }) => id === pinId);
  const onVehicle = kitsOnVehicle(context).find(({ kit }) => kit.slug === joint.kit.slug);
  if (!pin || !onVehicle) return [];
  const { profile, rules } = context;
  const written = asWritten(context, joint);
  const own = ownCircuit(context, written, pin);
  const loads = loadsOfPin(context, joint, written, pin);
  const use = useOfJoint(joint);
  const { systemVoltageV } = profile;
  const table = wireTableOf(context);
  const side = sideOf(onVehicle, written);
  // What hangs where it is led to now does not count against it twice.
  const led = joint.led.find((wire) => wire.pin.id === pin.id);
  const [now, to] = [led?.circuit?.id, context.state.led[`${joint.kit.slug}/${joint.connection.id}`]?.[pin.id]];
  const left = new Map(circuitLoads(context).map(({ circuit, added }) => [circuit.id, { ...circuit, loads: circuit.id === now ? circuit.loads : [...circuit.loads, ...added] }]));
  const circuits = profile.circuits.map((circuit) => left.get(circuit.id) ?? circuit);
  const lengthM = lengthMm / 1000;
  const size = (relayA?: number) => {
    const asked = {
      loads,
      systemVoltageV,
      use,
      lengthM,
      contacts: CONTACTS,
      temperatureC: table.atC,
      bundle: 1,
      ...surgeOf(loads),
      ...(relayA === undefined ? {} : { switchPermittedA: relayA }),
    };
    const { fuseA, metric, reasons } = sizeCircuit(asked, rules.electrics, table);
    return fuseA === null || metric === null || reasons.length > 0 ? undefined : { fuseA, areaMm2: metric.areaMm2, lengthMm };
  };
  const single = suppliesOf(joint).length === 1 && !written.trigger;
  const isNow = ({ at, plug, pin: wire, slot }: LedTo) => to?.at === at && to.plug === plug && to.pin === wire && to.slot === slot;
  const options = sourcesFor(context, ownLiveIn(context, written, pin), loads, circuits, use).sources.flatMap((source): Omit<FeedOption, 'chosen'>[] => {
    const weak: FeedBar[] = [
      ...(source.behaviour.value === 'otherwise' && use === 'lamp' ? ['behaves otherwise' as const] : []),
      ...(source.capacity === 'does not carry' ? ['does not carry' as const] : []),
    ];
    if (source.kind === 'fuse tap') {
      const made = size();
      return [{ source, to: { at: 'slot', slot: source.id, ...made }, bars: [...weak, ...(made ? [] : ['no size' as const])] }];
    }
    if (source.kind === 'battery with relay') {
      if (!single) return [];
      const [at] = wiresOf(context, own ?? source.id, written.vehiclePlug, side);
      const made = size(shopRelay(systemVoltageV).contactA);
      const to: LedTo = { at: 'battery', ...(at ? { plug: at.plug.id, pin: at.pin.id } : {}), ...made };
      return [{ source, to, ...(at ? { at } : {}), bars: [...weak, ...(at ? [] : ['no wire known' as const]), ...(made ? [] : ['no size' as const])] }];
    }
    const circuit = circuits.find(({ id }) => id === source.id);
    if (source.id === own || !circuit) return [];
    const [at] = wiresOf(context, source.id, written.vehiclePlug, side);
    const areaMm2 = lengthMm > 0 && !written.tap ? extension(context, circuit, loads, lengthM, use) : undefined;
    const wire = areaMm2 === undefined ? {} : { areaMm2, lengthMm };
    const bars: FeedBar[] = [...weak, ...(at ? [] : ['no wire known' as const]), ...(lengthMm > 0 && !written.tap && areaMm2 === undefined ? ['no size' as const] : [])];
    // Joined to a wire of the vehicle its insulation is opened, whatever feeds it.
    return [{ source: { ...source, reversible: false }, to: { at: 'wire', ...(at ? { plug: at.plug.id, pin: at.pin.id } : {}), ...wire }, ...(at ? { at } : {}), bars }];
  });
  return options.map((option) => ({ ...option, chosen: isNow(option.to) }));
}

/** What is brought for wires that are led elsewhere. */
export interface LedParts {
  wires: { areaMm2: number; lengthMm: number }[];
  taps: number[];
  mainFuses: number[];
  relays: number;
  /** Cavities whose contact went: to be closed. */
  closed: number;
}

/** What leading the wires of these joints elsewhere uses up. */
export function ledParts(joints: readonly WireJoint[]): LedParts {
  const led = joints.flatMap((joint) => joint.led.map((wire) => ({ ...wire, joint })));
  const fuses = (where: LedTo['at']) => led.flatMap(({ to }) => (to.at === where && to.fuseA !== undefined ? [to.fuseA] : []));
  return {
    wires: led.flatMap(({ to: { areaMm2, lengthMm } }) => (areaMm2 !== undefined && (lengthMm ?? 0) > 0 ? [{ areaMm2, lengthMm: lengthMm ?? 0 }] : [])),
    taps: fuses('slot'),
    mainFuses: fuses('battery'),
    relays: led.filter(({ relay }) => relay).length,
    closed: led.filter(({ pin, joint }) => !joint.plugless && joint.kitPlug.pins.some(({ id, carries }) => id === pin.id && carries === 'empty')).length,
  };
}

import type { Connection, Kit, KitPlug, KitRelay } from '../kit/index.ts';
import { classifyReading } from '../probing/index.ts';
import { DEFAULT_WIRES, type WireTable } from '../rules/index.ts';
import { isVehicleState, VEHICLE_STATES, type PinFunction, type VehicleState } from '../states/index.ts';
import type { Circuit, PlugPin, VehiclePlug } from '../vehicle/index.ts';
import { madeCircuitId, permittedA, shopRelay, voltageRange, type Relay } from '../wiring/index.ts';
import type { JobContext } from './context.ts';
import type { LedTo } from '../events/index.ts';

type Known = Pick<JobContext, 'profile' | 'state' | 'rules'>;

/** A wire of a kit's plug that is led elsewhere than into the cavity that it was made for. */
export interface LedWire {
  /** Of the kit's plug. */
  pin: PlugPin;
  to: LedTo;
  /** The wire of the vehicle that it is joined to, or that closes the relay. */
  at?: { plug: VehiclePlug; pin: PlugPin };
  /** What feeds it there; none of a ground. */
  circuit?: Circuit;
  /** The relay of the shop that switches it. */
  relay?: KitRelay;
}

/** Contacts that carry something. */
export const wantedPins = ({ pins }: Pick<KitPlug, 'pins'>): PlugPin[] => pins.filter(({ carries }) => carries !== 'empty');
const isSupply = ({ carries }: PlugPin) => carries !== 'empty' && carries !== 'ground';

/** A plug of a kit with its contacts where they are now. */
export function asMoved(plug: KitPlug, kit: string, { contactsMoved }: Pick<JobContext['state'], 'contactsMoved'>): KitPlug {
  const moves = contactsMoved[`${kit}/${plug.id}`] ?? [];
  if (moves.length === 0) return plug;
  const taken = (pin: PlugPin) => moves.some(({ row, column }) => row === pin.row && column === pin.column);
  const pins = plug.pins.flatMap((pin): PlugPin[] => {
    const move = moves.find((entry) => entry.pin === pin.id);
    if (move) return [{ ...pin, row: move.row, column: move.column }];
    return pin.carries === 'empty' && taken(pin) ? [] : [pin];
  });
  return { ...plug, pins };
}

/** When a wire is live that carries something. */
export function liveFor(carries: PinFunction): VehicleState[] {
  if (isVehicleState(carries)) return [carries];
  return carries === 'constant supply' ? ['key off'] : carries === 'switched supply' ? ['ignition'] : [];
}

/** States in which a measured slot was seen live. */
export function slotLiveIn({ profile, state, rules }: Known, slot: string): VehicleState[] {
  const readings = state.slots[slot]?.readings ?? [];
  const restV = state.restV ?? voltageRange(profile.systemVoltageV).restV;
  const live = readings.filter((reading) => ['on', 'flashing', 'dimmed or modulated'].includes(classifyReading(reading, restV, rules.probing)));
  return VEHICLE_STATES.filter((state) => live.some((reading) => reading.state === state));
}

/** The wire table that the rule set has, else the one it falls back on. */
export const wireTableOf = ({ rules }: Pick<JobContext, 'rules'>): WireTable => rules.electrics.wires ?? DEFAULT_WIRES;

/** A circuit that the shop lays: from a tap at a slot, or from the battery over a relay. */
function madeCircuit(context: Known, kit: Kit, connection: Connection, pin: PlugPin, to: LedTo, by: { name: string; liveIn: VehicleState[]; relay?: Relay }): Circuit {
  const { areaMm2 = 0, lengthMm = 0, fuseA = 0, slot = 'main' } = to;
  const table = wireTableOf(context);
  const wireA = permittedA(areaMm2, table, { temperatureC: table.atC, bundle: 1 });
  return {
    id: madeCircuitId(kit.slug, connection.id, pin.id),
    name: by.name,
    fuse: { slot, ratedA: fuseA },
    wire: { areaMm2, lengthM: lengthMm / 1000, permittedA: wireA },
    plugPermittedA: wireA,
    ...(by.relay ? { switchPermittedA: by.relay.contactA, batteryToFuseMm: context.rules.electrics.mainFuseWithinMm } : {}),
    loads: [],
    liveIn: by.liveIn,
  };
}

/** The wires of a joint that are led elsewhere; one whose plug, pin or slot is no longer there goes where the kit has it. */
export function ledWires(context: Known, kit: Kit, connection: Connection): LedWire[] {
  const { profile, state } = context;
  const plug = kit.plugs.find(({ id }) => id === connection.kitPlug);
  return Object.entries(state.led[`${kit.slug}/${connection.id}`] ?? {}).flatMap(([id, to]): LedWire[] => {
    const pin = plug?.pins.find((entry) => entry.id === id);
    const face = profile.plugs.find((entry) => entry.id === to.plug);
    const wire = face?.pins.find((entry) => entry.id === to.pin);
    const at = face && wire ? { at: { plug: face, pin: wire } } : {};
    if (!pin) return [];
    if (to.at === 'ground') return [{ pin, to }];
    if (to.at === 'slot') {
      const made = madeCircuit(context, kit, connection, pin, to, { name: to.slot ?? '', liveIn: slotLiveIn(context, to.slot ?? '') });
      return state.slots[to.slot ?? ''] ? [{ pin, to, circuit: made }] : [];
    }
    const circuit = profile.circuits.find((entry) => entry.id === wire?.circuit);
    if (!face || !wire) return [];
    if (to.at === 'wire') return [{ pin, to, ...at, ...(circuit ? { circuit } : {}) }];
    const relay = shopRelay(profile.systemVoltageV);
    const made = madeCircuit(context, kit, connection, pin, to, { name: plug?.name ?? kit.name, liveIn: circuit?.liveIn ?? [], relay });
    return [{ pin, to, ...at, circuit: made, relay: { id: `relay-${connection.id}`, name: plug?.name ?? kit.name, ...relay } }];
  });
}

/** The wire of the vehicle that a contact of a kit is made for: where it sits in the cavity before it, else where it carries the same; of a tap the one wire. */
export function madeFor({ tap }: Pick<Connection, 'tap'>, vehicle: VehiclePlug | undefined, own: PlugPin): PlugPin | undefined {
  if (tap) return vehicle?.pins.find(({ id }) => id === tap.pin);
  const alike = (vehicle?.pins ?? []).filter(({ carries }) => carries === own.carries);
  return alike.find(({ row, column }) => row === own.row && column === own.column) ?? alike[0];
}

/** The circuit that a contact of a kit draws from where the kit has it: that of its trigger, of the wire that it is made for, or of its feed. */
export function ownCircuit({ profile }: Pick<JobContext, 'profile'>, connection: Connection, own: PlugPin): string | undefined {
  if (connection.trigger) return connection.trigger.circuit;
  const vehicle = profile.plugs.find(({ id }) => id === connection.vehiclePlug);
  return madeFor(connection, vehicle, own)?.circuit;
}

/** When what a contact of a kit feeds is to be live, as the kit has it. */
export function ownLiveIn(context: Pick<JobContext, 'profile'>, connection: Connection, own: PlugPin): VehicleState[] {
  const id = ownCircuit(context, connection, own);
  return context.profile.circuits.find((circuit) => circuit.id === id)?.liveIn ?? liveFor(own.carries);
}

/** Whether a relay of the shop is closed by the very contact that fed the lamp: the plug stays whole, its lead goes to the coil. */
const closesItself = ({ relay, at }: LedWire, connection: Connection, own: PlugPin, vehicle: VehiclePlug | undefined) =>
  relay !== undefined && !connection.tap && at?.plug.id === vehicle?.id && at?.pin.id === madeFor(connection, vehicle, own)?.id;

/** A plug of a kit without the contacts whose wires are led elsewhere: their cavities are closed. */
export function withoutLed(plug: KitPlug, led: readonly LedWire[], connection: Connection, vehicle: VehiclePlug | undefined): KitPlug {
  const away = led.filter((wire) => !closesItself(wire, connection, wire.pin, vehicle)).map(({ pin }) => pin.id);
  return away.length === 0 ? plug : { ...plug, pins: plug.pins.map((pin) => (away.includes(pin.id) ? { ...pin, carries: 'empty' } : pin)) };
}

/** The contacts of a joint's kit plug with what they carry, led elsewhere or not. */
export const carriedPins = ({ kitPlug, led }: { kitPlug: Pick<KitPlug, 'pins'>; led: readonly LedWire[] }): PlugPin[] =>
  kitPlug.pins.map((pin) => led.find((wire) => wire.pin.id === pin.id)?.pin ?? pin);

/** A joint as it is with wires led elsewhere: what feeds it, what triggers it, which wire is tapped. */
export function asLed(context: Known, connection: Connection, kit: Kit, led: readonly LedWire[]): Connection {
  const supplies = kit.plugs.find(({ id }) => id === connection.kitPlug)?.pins.filter(isSupply) ?? [];
  return led.reduce<Connection>((now, { pin, to, at, circuit, relay }) => {
    if (!circuit || !isSupply(pin)) return now;
    const { tap, ...rest } = now;
    const moved = tap === undefined ? now : at && !relay ? { ...rest, vehiclePlug: at.plug.id, tap: { pin: at.pin.id } } : rest;
    if (connection.trigger) return { ...moved, trigger: { ...connection.trigger, circuit: circuit.id } };
    if (relay) return { ...moved, feed: { circuit: circuit.id }, trigger: { circuit: at?.pin.circuit ?? '', relay: relay.id }, asks: [{ supply: 'low', is: 'dead' }] };
    const feeds = supplies.length === 1 || ownCircuit(context, connection, pin) === connection.feed.circuit;
    return to.at === 'wire' || to.at === 'slot' ? { ...moved, ...(feeds ? { feed: { circuit: circuit.id } } : {}) } : moved;
  }, connection);
}

/** Plugs of the vehicle that hands work at for a joint: the one that the kit's plug goes into unless all its wires are led elsewhere, and those of the wires they are led to. */
export function plugsWorkedAt(connection: Pick<Connection, 'vehiclePlug' | 'kitPlug' | 'tap'>, kit: Kit, led: readonly LedWire[]): string[] {
  const plug = kit.plugs.find(({ id }) => id === connection.kitPlug);
  const whole = plug !== undefined && wantedPins(plug).every(({ id }) => led.some(({ pin }) => pin.id === id));
  const away = led.flatMap(({ at }) => at?.plug.id ?? []);
  return [...new Set(whole && !connection.tap ? away : [connection.vehiclePlug, ...away])];
}

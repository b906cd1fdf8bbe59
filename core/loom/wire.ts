import { explain, type ReasonTree } from '../facts/index.ts';
import {
  circuitId,
  circuitsFor,
  coilLoad,
  faceThrough,
  judgePlugs,
  matePlugs,
  mateWire,
  turned,
  type AdapterChain,
  type AddedLoad,
  type MateVerdict,
  type PlugVerdict,
} from '../wiring/index.ts';
import type { ProofStatus } from '../probing/index.ts';
import type { Connection, Kit, KitPlug, KitRelay, Lamp } from '../kit/index.ts';
import type { Circuit, Load, PlugPin, VehiclePlug } from '../vehicle/index.ts';
import { goTogether, isVehicleState, type VehicleState } from '../states/index.ts';
import { once, type JobContext, connectionsOf, kitsOnVehicle, ledOf, asMoved, wantedPins, withoutLed, type LedWire } from '../job/index.ts';
import { wireProof } from './plug-probe.ts';

/** One meeting of a vehicle plug and a kit plug. */
export interface WireJoint {
  kit: Kit;
  connection: Connection;
  /** As it meets the kit: at the end of the adapters where there are some between. */
  vehiclePlug: VehiclePlug;
  kitPlug: KitPlug;
  /** Adapters of the plug library between, and the vehicle's plug itself. */
  between?: { chain: AdapterChain; plug: VehiclePlug };
  /** What feeds it: the connection's circuit first, then its trigger's and those of the further pins that the kit uses. */
  circuits: Circuit[];
  /** The circuit of the vehicle that only closes a relay of the kit here. */
  trigger?: { circuit: string; relay: KitRelay };
  /** The one wire that the kit's lead is joined to, where no plug is parted. */
  tapped?: PlugPin;
  mate: MateVerdict;
  /** What is to be done so that the one plug feeds the other; undefined of a tap. */
  verdict?: PlugVerdict;
  /** While it is not known whether it is this plug, or this adapter, at all: what that hangs on. */
  onlyWhere?: ReasonTree;
  joined: boolean;
  /** Wires of the kit's plug that are led elsewhere, and whether all of them are: then no plug is joined. */
  led: LedWire[];
  plugless: boolean;
  /** Wires that carry a switched function and want proof: all but grounds and empty cavities. */
  toProve: { plug: VehiclePlug; pin: PlugPin; state: VehicleState; liveIn: VehicleState[]; proof: ProofStatus }[];
}

/** Pins of a vehicle plug that a circuit feeds and the kit's plug takes up, or the one whose wire is tapped. */
export function fedPins(joint: Pick<WireJoint, 'vehiclePlug' | 'kitPlug' | 'tapped' | 'led' | 'plugless'>): PlugPin[] {
  if (joint.tapped) return joint.tapped.circuit === undefined ? [] : [joint.tapped];
  return [...contactsFed(joint), ...ledFed(joint)];
}

/** What is fed by wires that are led elsewhere: as the kit's contact has it, by the circuit that feeds it there; of a relay its coil by the wire that closes it. */
function ledFed({ led, vehiclePlug }: Pick<WireJoint, 'led' | 'vehiclePlug'>): PlugPin[] {
  return led.flatMap(({ pin, at, circuit, relay }): PlugPin[] => {
    if (!circuit || pin.carries === 'ground') return [];
    if (!relay) return [{ ...(at?.pin ?? pin), carries: pin.carries, circuit: circuit.id }];
    return at && at.plug.id !== vehiclePlug.id ? [at.pin] : [];
  });
}

/** Wires of the vehicle whose insulation is opened for a joint: a tap's, and those that wires of the kit are led to, but for one that its own contact brings. */
export function wiresBared(joint: Pick<WireJoint, 'vehiclePlug' | 'kitPlug' | 'tapped' | 'led' | 'plugless'>): { plug: VehiclePlug; pin: PlugPin }[] {
  const met = contactsFed(joint);
  const away = joint.led.flatMap(({ at }) => (at && !(at.plug.id === joint.vehiclePlug.id && met.some(({ id }) => id === at.pin.id)) ? [at] : []));
  return joint.tapped ? [{ plug: joint.vehiclePlug, pin: joint.tapped }] : away;
}

/** What the contacts of the two plugs feed where they meet. */
export function contactsFed({ vehiclePlug, kitPlug, tapped, plugless }: Pick<WireJoint, 'vehiclePlug' | 'kitPlug' | 'tapped' | 'plugless'>): PlugPin[] {
  if (tapped || plugless) return [];
  const used = (pin: PlugPin) => kitPlug.pins.some((other) => other.row === pin.row && other.column === pin.column && other.carries !== 'empty');
  return vehiclePlug.pins.filter((pin) => pin.circuit !== undefined && used(pin));
}

/** States in which a pin is live: the one of the lamp that it feeds first, for a turn signal also both together, then those of its circuit; of a circuit of several lamps only its own. */
function statesOf({ carries, circuit }: PlugPin, circuits: readonly Circuit[]): VehicleState[] {
  const fed = circuits.find((entry) => entry.id === circuit)?.liveIn ?? [];
  if (carries === 'constant supply') return ['key off', ...fed.filter((state) => state !== 'key off')];
  if (!isVehicleState(carries)) return fed;
  return [
    carries,
    ...fed.filter((state) => state !== carries && goTogether(state, carries)),
    ...(carries === 'turn left' || carries === 'turn right' ? (['hazard'] as const) : []),
  ];
}

/** A load as a lamp of a kit states it. */
export const statedLoad = ({ powerW, atV, kind, leastV, surge, standbyMa }: Lamp['load'], name: string): Load => ({
  name,
  powerW,
  atV,
  kind,
  ...(leastV === undefined ? {} : { leastV }),
  ...(surge === undefined ? {} : { surge }),
  ...(standbyMa ? { standbyMa } : {}),
});

/** What lights by a wire of a kit's plug: of a body with several functions that which the wire carries, else the lamp. */
export function lampLoads(lamps: readonly Lamp[], { carries }: Pick<PlugPin, 'carries'>): Load[] {
  if (carries === 'empty' || carries === 'ground') return [];
  return lamps.flatMap(({ name, load, functions }) =>
    functions ? functions.filter((entry) => entry.carries === carries).map((entry) => statedLoad(entry.load, `${name}, ${entry.carries}`)) : [statedLoad(load, name)],
  );
}

/**
 * Loads that a joint puts on one of its circuits, each under the name of its lamp and function: of a body with several functions those on that
 * circuit's wires, on a circuit that only triggers the coil of its relay.
 */
export function jointLoads(joint: WireJoint, circuit: string, systemVoltageV: 12 | 24): [name: string, load: AddedLoad][] {
  const { kit, connection, trigger } = joint;
  if (trigger?.circuit === circuit) return [[`${kit.slug}/relay/${trigger.relay.id}`, coilLoad(trigger.relay, trigger.relay.name, systemVoltageV)]];
  const carried = fedPins(joint)
    .filter((pin) => pin.circuit === circuit)
    .map((pin) => pin.carries);
  const loadsOf = ({ id, name, load, functions }: Lamp): [string, Load][] => {
    const lamp = `${kit.slug}/${id}`;
    if (functions)
      return functions.filter((entry) => carried.includes(entry.carries)).map((entry) => [`${lamp}/${entry.carries}`, statedLoad(entry.load, `${name}, ${entry.carries}`)]);
    return circuit === circuitId(kit, connection.feed.circuit) ? [[lamp, statedLoad(load, name)]] : [];
  };
  return kit.lamps.filter((lamp) => connection.lamps.includes(lamp.id)).flatMap(loadsOf);
}

/** What a joint hangs on a lamp channel of the vehicle: of each pin that the channel watches, the lamp function that it feeds. */
export function joinedLoads(joint: WireJoint, channel: string): [name: string, load: Load][] {
  const { kit, connection } = joint;
  if (joint.trigger) return [];
  const carried = fedPins(joint)
    .filter((pin) => pin.channel === channel)
    .map((pin) => pin.carries);
  if (carried.length === 0) return [];
  return kit.lamps
    .filter((lamp) => connection.lamps.includes(lamp.id))
    .flatMap(({ id, name, load, functions }): [string, Load][] => {
      const own = (functions ?? [{ carries: carried[0], load }]).filter((entry) => entry.carries !== undefined && carried.includes(entry.carries));
      return own.map((entry) => [`${kit.slug}/${id}/${entry.carries}`, statedLoad(entry.load, name)]);
    });
}

/** Nothing is parted and nothing meets: every wire is led elsewhere. */
const NO_PLUG: MateVerdict = { value: 'mates', pairs: [], troubles: [] };

/** The adapters that a joint was made with, as they are in the library. */
function usedChain({ state, plugs }: JobContext, kit: Kit, { id }: Connection): AdapterChain | undefined {
  const used = state.adaptersUsed[`${kit.slug}/${id}`] ?? [];
  const adapters = used.flatMap((name) => plugs?.adapters.find((adapter) => adapter.id === name) ?? []);
  return used.length === 0 || adapters.length < used.length ? undefined : { adapters, priceCents: adapters.reduce((sum, { priceCents }) => sum + priceCents, 0) };
}

/** All plug meetings of the job with their verdict, pin by pin, and what is proved of their wires. */
export const wireJoints = once((context: JobContext): WireJoint[] => {
  const { profile, state: job } = context;
  return kitsOnVehicle(context).flatMap((onVehicle) =>
    connectionsOf(onVehicle).flatMap((connection) => {
      const { kit } = onVehicle;
      const plug = profile.plugs.find((entry) => entry.id === connection.vehiclePlug);
      const whole = kit.plugs.find((entry) => entry.id === connection.kitPlug);
      if (!plug || !whole) return [];
      // A tap that is led to another wire is a tap there.
      const led = ledOf(onVehicle, connection).filter(({ at }) => !connection.tap || at?.pin.id !== connection.tap.pin);
      const kitPlug = withoutLed(asMoved(whole, kit.slug, job), led, connection, plug);
      const plugless = !connection.tap && wantedPins(kitPlug).length === 0;
      const tapped = plug.pins.find((pin) => pin.id === connection.tap?.pin);
      const verdict = tapped || plugless ? undefined : judgePlugs(plug, kitPlug, context.plugs?.adapters);
      const chain = usedChain(context, kit, connection) ?? (verdict?.value === 'adapter' ? verdict.chain : undefined);
      const vehiclePlug = chain ? faceThrough(plug, chain) : plug;
      const between = chain ? { between: { chain, plug } } : {};
      const drawn = verdict?.value === 'turn it' ? turned(kitPlug) : kitPlug;
      const part = { vehiclePlug, kitPlug: drawn, tapped, led, plugless };
      const pins = fedPins(part);
      const made = led.flatMap(({ to, circuit }) => (circuit && to.at !== 'wire' ? [circuit] : []));
      const known = circuitsFor(kit, profile, connection.trigger, made);
      const named = [circuitId(kit, connection.feed.circuit), connection.trigger?.circuit, ...pins.map((pin) => pin.circuit)];
      const circuits = [...new Set(named)].flatMap((id) => known.get(id ?? '') ?? []);
      const relay = [...kit.relays, ...led.flatMap((wire) => wire.relay ?? [])].find(({ id }) => id === connection.trigger?.relay);
      const trigger = connection.trigger && relay ? { trigger: { circuit: connection.trigger.circuit, relay } } : {};
      const contacts = tapped ? [tapped] : contactsFed(part);
      const wires = [...contacts.map((pin) => ({ plug: vehiclePlug, pin })), ...led.flatMap(({ at, pin }) => (at && pin.carries !== 'ground' ? [at] : []))];
      const toProve = [...new Map(wires.map((wire) => [`${wire.plug.id}/${wire.pin.id}`, wire])).values()].flatMap(({ plug: face, pin }) => {
        const liveIn = statesOf(pin, profile.circuits);
        const [state] = liveIn;
        if (!state) return [];
        return [{ plug: face, pin, state, liveIn, proof: wireProof(context, face, pin, liveIn) }];
      });
      const joined = (job.joined[kit.slug] ?? []).includes(connection.id);
      const hangsOn = connection.when && explain(connection.when, onVehicle.facts);
      const onlyWhere = hangsOn?.value === 'unknown' ? { onlyWhere: hangsOn } : {};
      const met = plugless ? NO_PLUG : tapped ? mateWire(tapped, kitPlug) : matePlugs(vehiclePlug, drawn);
      const mate = verdict?.value === 'works either way' ? { ...met, value: 'mates' as const } : met;
      return [
        {
          kit,
          connection,
          vehiclePlug,
          kitPlug: drawn,
          ...between,
          ...(verdict ? { verdict } : {}),
          circuits,
          ...trigger,
          ...(tapped ? { tapped } : {}),
          mate,
          ...onlyWhere,
          joined,
          led,
          plugless,
          toProve,
        },
      ];
    }),
  );
});

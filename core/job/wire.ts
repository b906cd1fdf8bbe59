import { checkLoad, matePlugs, type LoadCheck, type MateVerdict } from '../wiring/index.ts';
import { proveSwitched, type ProofStatus } from '../probing/index.ts';
import { voltageRange } from '../wiring/index.ts';
import type { Connection, Kit, KitPlug } from '../kit/index.ts';
import type { Circuit, Load, PlugPin, VehiclePlug } from '../vehicle/index.ts';
import { connectionsOf, kitsOnVehicle, type JobContext } from './context.ts';

/** One meeting of a vehicle plug and a kit plug. */
export interface WireJoint {
  kit: Kit;
  connection: Connection;
  vehiclePlug: VehiclePlug;
  kitPlug: KitPlug;
  circuit: Circuit;
  mate: MateVerdict;
  joined: boolean;
  /** Wires that carry a switched function and want proof: all but grounds and empty cavities. */
  toProve: { pin: PlugPin; state: string; proof: ProofStatus }[];
}

/** Loads that a kit adds to a circuit through its connections. */
export function addedLoads(kit: Kit, connections: readonly Connection[], circuit: string): Load[] {
  const lamps = new Set(connections.filter((connection) => connection.circuit === circuit).flatMap((connection) => connection.lamps));
  return kit.lamps.filter((lamp) => lamps.has(lamp.id)).map((lamp) => ({ name: lamp.name, powerW: lamp.load.powerW, atV: lamp.load.atV, kind: lamp.load.kind }));
}

/** Voltage that readings are held against: the battery at rest as measured, else the system's running voltage. */
export function readingVoltage({ state, profile }: JobContext): number {
  return state.reference?.feedV ?? state.restV ?? voltageRange(profile.systemVoltageV).runningV;
}

/** All plug meetings of the job with their verdict, pin by pin, and what is proved of their wires. */
export function wireJoints(context: JobContext): WireJoint[] {
  const { profile, state, rules } = context;
  return kitsOnVehicle(context).flatMap((onVehicle) =>
    connectionsOf(onVehicle).flatMap((connection) => {
      const { kit } = onVehicle;
      const vehiclePlug = profile.plugs.find((plug) => plug.id === connection.vehiclePlug);
      const kitPlug = kit.plugs.find((plug) => plug.id === connection.kitPlug);
      const circuit = profile.circuits.find((candidate) => candidate.id === connection.circuit);
      if (!vehiclePlug || !kitPlug || !circuit) return [];
      const switched = vehiclePlug.pins.filter((pin) => pin.circuit === circuit.id);
      const toProve = switched.map((pin) => ({
        pin,
        state: pin.carries,
        proof: proveSwitched(state.readings[`${vehiclePlug.id}/${pin.id}`] ?? [], pin.carries, readingVoltage(context), rules.probing),
      }));
      const joined = (state.joined[kit.slug] ?? []).includes(connection.id);
      return [{ kit, connection, vehiclePlug, kitPlug, circuit, mate: matePlugs(vehiclePlug, kitPlug), joined, toProve }];
    }),
  );
}

export interface CircuitLoad {
  circuit: Circuit;
  added: Load[];
  check: LoadCheck;
  accepted: boolean;
}

/** Every circuit that the job loads, with all kits of the job together. */
export function circuitLoads(context: JobContext): CircuitLoad[] {
  const perKit = kitsOnVehicle(context).map((onVehicle) => ({ kit: onVehicle.kit, connections: connectionsOf(onVehicle) }));
  const ids = [...new Set(perKit.flatMap(({ connections }) => connections.map((connection) => connection.circuit)))];
  return ids.flatMap((id) => {
    const known = context.profile.circuits.find((candidate) => candidate.id === id);
    if (!known) return [];
    const circuit = context.rules.neverUseCircuits.includes(id) ? { ...known, neverUse: known.neverUse ?? known.name } : known;
    const added = perKit.flatMap(({ kit, connections }) => addedLoads(kit, connections, id));
    const check = checkLoad(circuit, added, context.profile.systemVoltageV, context.rules.electrics);
    return [{ circuit, added, check, accepted: context.state.loadsAccepted.includes(id) }];
  });
}

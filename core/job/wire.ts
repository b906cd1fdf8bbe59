import { checkLoad, matePlugs, type LoadCheck, type MateVerdict } from '../wiring/index.ts';
import { proveSwitched, type ProofStatus } from '../probing/index.ts';
import { voltageRange } from '../wiring/index.ts';
import type { Connection, Kit, KitPlug, Lamp } from '../kit/index.ts';
import type { Circuit, Load, PlugPin, VehiclePlug } from '../vehicle/index.ts';
import { goTogether, isVehicleState, type VehicleState } from '../states/index.ts';
import { once, type JobContext } from './context.ts';
import { connectionsOf, kitsOnVehicle, lostFunctions } from './kits.ts';

/** One meeting of a vehicle plug and a kit plug. */
export interface WireJoint {
  kit: Kit;
  connection: Connection;
  vehiclePlug: VehiclePlug;
  kitPlug: KitPlug;
  /** What feeds it: the connection's circuit first, then those of the further pins that the kit uses. */
  circuits: Circuit[];
  mate: MateVerdict;
  joined: boolean;
  /** Wires that carry a switched function and want proof: all but grounds and empty cavities. */
  toProve: { pin: PlugPin; state: VehicleState; liveIn: VehicleState[]; proof: ProofStatus }[];
}

/** Pins of a vehicle plug that a circuit feeds and the kit's plug takes up. */
function fedPins(vehiclePlug: VehiclePlug, kitPlug: KitPlug): PlugPin[] {
  const used = (pin: PlugPin) => kitPlug.pins.some((other) => other.row === pin.row && other.column === pin.column && other.carries !== 'empty');
  return vehiclePlug.pins.filter((pin) => pin.circuit !== undefined && used(pin));
}

/** States in which a pin is live: the one of the lamp that it feeds first, for a turn signal also both together, then those of its circuit; of a circuit of several lamps only its own. */
function statesOf({ carries, circuit }: PlugPin, circuits: readonly Circuit[]): VehicleState[] {
  const fed = circuits.find((entry) => entry.id === circuit)?.liveIn ?? [];
  if (!isVehicleState(carries)) return fed;
  return [
    carries,
    ...fed.filter((state) => state !== carries && goTogether(state, carries)),
    ...(carries === 'turn left' || carries === 'turn right' ? (['hazard'] as const) : []),
  ];
}

/** Loads that the lamps of a joint put on one of its circuits: of a body with several functions those on that circuit's wires. */
export function addedLoads(joint: Pick<WireJoint, 'kit' | 'connection' | 'vehiclePlug' | 'kitPlug'>, circuit: string): Load[] {
  const carried = fedPins(joint.vehiclePlug, joint.kitPlug)
    .filter((pin) => pin.circuit === circuit)
    .map((pin) => pin.carries);
  const loadsOf = ({ name, load, functions }: Lamp): Load[] => {
    const stated = ({ powerW, atV, kind }: Lamp['load'], of: string) => ({ name: of, powerW, atV, kind });
    if (functions) return functions.filter((entry) => carried.includes(entry.carries)).map((entry) => stated(entry.load, `${name}, ${entry.carries}`));
    return circuit === joint.connection.circuit ? [stated(load, name)] : [];
  };
  return joint.kit.lamps.filter((lamp) => joint.connection.lamps.includes(lamp.id)).flatMap(loadsOf);
}

/** Voltage that readings are held against: the battery at rest as measured, else the system's running voltage. */
export function readingVoltage({ state, profile }: JobContext): number {
  return state.reference?.feedV ?? state.restV ?? voltageRange(profile.systemVoltageV).runningV;
}

/** All plug meetings of the job with their verdict, pin by pin, and what is proved of their wires. */
export const wireJoints = once((context: JobContext): WireJoint[] => {
  const { profile, state: job, rules } = context;
  return kitsOnVehicle(context).flatMap((onVehicle) =>
    connectionsOf(onVehicle).flatMap((connection) => {
      const { kit } = onVehicle;
      const vehiclePlug = profile.plugs.find((plug) => plug.id === connection.vehiclePlug);
      const kitPlug = kit.plugs.find((plug) => plug.id === connection.kitPlug);
      if (!vehiclePlug || !kitPlug) return [];
      const pins = fedPins(vehiclePlug, kitPlug);
      const circuits = [...new Set([connection.circuit, ...pins.map((pin) => pin.circuit)])].flatMap((id) => profile.circuits.find((candidate) => candidate.id === id) ?? []);
      const toProve = pins.flatMap((pin) => {
        const liveIn = statesOf(pin, profile.circuits);
        const [state] = liveIn;
        if (!state) return [];
        const readings = job.readings[`${vehiclePlug.id}/${pin.id}`] ?? [];
        return [{ pin, state, liveIn, proof: proveSwitched(readings, liveIn, readingVoltage(context), rules.probing) }];
      });
      const joined = (job.joined[kit.slug] ?? []).includes(connection.id);
      return [{ kit, connection, vehiclePlug, kitPlug, circuits, mate: matePlugs(vehiclePlug, kitPlug), joined, toProve }];
    }),
  );
});

export interface CircuitLoad {
  /** As it is left: without the factory loads whose function a kit takes away. */
  circuit: Circuit;
  added: Load[];
  check: LoadCheck;
  accepted: boolean;
}

/** Every circuit that the job loads, with all kits of the job together. */
export const circuitLoads = once((context: JobContext): CircuitLoad[] => {
  const joints = wireJoints(context);
  const lost = lostFunctions(context);
  const circuits = new Map(joints.flatMap((joint) => joint.circuits).map((circuit) => [circuit.id, circuit]));
  return [...circuits.values()].map((known) => {
    const allowed = context.rules.neverUseCircuits.includes(known.id) ? { ...known, neverUse: known.neverUse ?? known.name } : known;
    const circuit = { ...allowed, loads: allowed.loads.filter((load) => load.function === undefined || !lost.includes(load.function)) };
    const added = joints.flatMap((joint) => addedLoads(joint, circuit.id));
    const check = checkLoad(circuit, added, context.profile.systemVoltageV, context.rules.electrics);
    return { circuit, added, check, accepted: context.state.loadsAccepted.includes(circuit.id) };
  });
});

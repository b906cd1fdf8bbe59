import type { Beam, Lamp } from '../kit/index.ts';
import type { Circuit } from '../vehicle/index.ts';
import { checkLoad, standingDrain, type AddedLoad, USABLE_SHARE, type Drain, type DropUse, type LoadCheck } from '../wiring/index.ts';
import { once, type JobContext, kitsOnVehicle, lostFunctions } from '../job/index.ts';
import { bestGround } from './grounds.ts';
import { legsOn, type LegOnCircuit } from './leg.ts';
import { jointLoads, wireJoints, type WireJoint } from './wire.ts';

export interface CircuitLoad {
  /** As it is left: without the factory loads whose function a kit takes away. */
  circuit: Circuit;
  added: AddedLoad[];
  /** What it feeds: a lamp of the road is held to the tighter share. */
  use: DropUse;
  check: LoadCheck;
  /** Legs of the kits on it. */
  legs: LegOnCircuit[];
  /** What the fuse is by the profile or the kit, where another one was seen in its place. */
  documentedA?: number;
  /** The load as it is now was accepted. */
  accepted: boolean;
  /** Another load was accepted than there is now, in amperes: it has to be accepted anew. */
  acceptedA?: number;
}

/** Loads are accepted to the hundredth of an ampere. */
const SAME_A = 0.006;

/** Beams that are not of the road: what feeds them alone may lose the wider share. */
const AUXILIARY: readonly Beam[] = ['driving', 'work'];

/** What feeds these lamps is held to the tighter share where one of them is of the road. */
const useOfLamps = (lamps: readonly Lamp[]): DropUse => (lamps.some((lamp) => !AUXILIARY.includes(lamp.optics.beam)) ? 'lamp' : 'auxiliary');

/** What a joint feeds, as its share of the drop is judged. */
export const useOfJoint = ({ kit, connection }: Pick<WireJoint, 'kit' | 'connection'>): DropUse => useOfLamps(kit.lamps.filter(({ id }) => connection.lamps.includes(id)));

function useOf(joints: readonly WireJoint[], circuit: Circuit): DropUse {
  const lamps = joints
    .filter((joint) => joint.trigger?.circuit !== circuit.id && joint.circuits.some((entry) => entry.id === circuit.id))
    .flatMap(({ kit, connection }) => kit.lamps.filter((lamp) => connection.lamps.includes(lamp.id)));
  return circuit.loads.some((load) => load.function !== undefined) ? 'lamp' : useOfLamps(lamps);
}

/** Every circuit that the job loads, with all kits of the job together. */
export const circuitLoads = once((context: JobContext): CircuitLoad[] => {
  const joints = wireJoints(context);
  const lost = lostFunctions(context);
  const ground = bestGround(context);
  const circuits = new Map(joints.flatMap((joint) => joint.circuits).map((circuit) => [circuit.id, circuit]));
  return [...circuits.values()].map((known) => {
    const allowed = context.rules.neverUseCircuits.includes(known.id) ? { ...known, neverUse: known.neverUse ?? known.name } : known;
    const seenA = context.state.fuses[known.id];
    const overBody = known.batteryToFuseMm !== undefined && known.wire?.backM === undefined;
    const measured = overBody && known.wire && ground?.measured ? { wire: { ...known.wire, chassisMohm: ground.measured.mohm } } : {};
    const fitted = allowed.fuse && seenA !== undefined ? { fuse: { ...allowed.fuse, ratedA: seenA } } : {};
    const circuit = { ...allowed, ...fitted, ...measured, loads: allowed.loads.filter((load) => load.function === undefined || !lost.includes(load.function)) };
    // Where it is not yet known by which of several plugs or adapters a lamp is joined, it is a load once.
    const added = [...new Map(joints.flatMap((joint) => jointLoads(joint, circuit.id, context.profile.systemVoltageV))).values()];
    const use = useOf(joints, circuit);
    const legs = legsOn(context, joints, circuit.id);
    const conductors = legs.flatMap(({ conductor }) => conductor ?? []);
    const check = checkLoad(circuit, added, context.profile.systemVoltageV, context.rules.electrics, use, conductors);
    const was = context.state.loadsAccepted[circuit.id];
    // An acceptance of before it said its load stands for whatever the load is, one that does not say its fuse for the documented one.
    const sameFuse = (was?.fuseA ?? known.fuse?.ratedA) === circuit.fuse?.ratedA;
    const sameLoad = was?.afterA === undefined || Math.abs(was.afterA - check.afterA) < SAME_A;
    const accepted = was !== undefined && sameFuse && sameLoad;
    const unlike = known.fuse && seenA !== undefined && seenA !== known.fuse.ratedA ? { documentedA: known.fuse.ratedA } : {};
    return { circuit, added, use, check, legs, ...unlike, accepted, ...(was?.afterA === undefined || sameLoad ? {} : { acceptedA: was.afterA }) };
  });
});

/** What kits add to what a vehicle draws while it stands, and until when it lasts where its battery is described. */
export interface StandingDraw {
  addedMa: number;
  /** Lamps of which nobody measured what they draw while they are off. */
  unmeasured?: number;
  lasts?: Drain & { capacityAh: number; usableShare: number };
}

/** What the vehicle of a job draws while it stands, with its kits; undefined where they draw nothing. */
export function standingOfVehicle(context: JobContext): StandingDraw | undefined {
  const { profile, rules } = context;
  const drawn = kitsOnVehicle(context).flatMap(({ kit }) => kit.lamps.map(({ load }) => load.standbyMa));
  const addedMa = drawn.reduce<number>((sum, mA) => sum + (mA ?? 0), 0);
  const unmeasured = drawn.filter((mA) => mA === undefined).length;
  if (unmeasured > 0) return { addedMa, unmeasured };
  if (addedMa === 0) return undefined;
  if (!profile.battery) return { addedMa };
  const battery = { capacityAh: profile.battery.capacityAh, usableShare: rules.electrics.usableShare ?? USABLE_SHARE };
  return { addedMa, lasts: { ...standingDrain({ ...battery, vehicleStandbyMa: profile.battery.standbyMa, addedMa }), ...battery } };
}

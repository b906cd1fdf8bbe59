import type { KitRelay } from '../kit/index.ts';
import type { Circuit, Load, PlugPin } from '../vehicle/index.ts';
import { circuitId } from '../wiring/index.ts';
import { once, type JobContext } from '../job/index.ts';
import { circuitLoads, type CircuitLoad } from './circuit-load.ts';
import { fedPins, jointLoads, wireJoints, type WireJoint } from './wire.ts';

/** The key of a joint in the picture. */
export const jointKey = ({ kit, connection }: Pick<WireJoint, 'kit' | 'connection'>): string => `joint:${kit.slug}/${connection.id}`;
/** The key of a circuit in the picture. */
export const circuitKey = ({ id }: Pick<Circuit, 'id'>): string => `circuit:${id}`;

/** One way from a source through a joint to what it feeds. */
export interface WireBranch {
  /** Undefined where the kit lays the wire itself, all the way. */
  joint?: WireJoint;
  /** Wire of the vehicle that is joined there; each has a branch of its own. */
  pin?: PlugPin;
  loads: Load[];
  /** What it ends in: lamps, or the coil of a relay. */
  ends: 'lamps' | 'coil';
}

/** A source with what hangs on it, from what guards it to the ground. */
export interface WireLane {
  load: CircuitLoad;
  /** A circuit that the vehicle has, or a feed that the kit lays from the battery. */
  source: 'vehicle' | 'battery';
  /** The relay whose contact it passes. */
  contact?: KitRelay;
  branches: WireBranch[];
}

/** The job's electrical picture: each source that it loads, in the order of its joints, and what is fed from it; a lamp without a joint on its circuit hangs on what the kit lays. */
export const wirePicture = once((context: JobContext): WireLane[] => {
  const joints = wireJoints(context);
  const { systemVoltageV } = context.profile;
  return circuitLoads(context).map((load): WireLane => {
    const { id } = load.circuit;
    const on = joints.filter((joint) => joint.circuits.some((circuit) => circuit.id === id));
    const laid = on.find(({ kit, connection }) => connection.trigger && circuitId(kit, connection.feed.circuit) === id);
    const loadsOn = (joint: WireJoint, carries: string) => jointLoads(joint, id, systemVoltageV).flatMap(([key, entry]) => (key.endsWith(`/${carries}`) ? [entry] : []));
    const loadsOf = (joint: WireJoint) => jointLoads(joint, id, systemVoltageV).map(([, entry]) => entry);
    if (laid) {
      const contact = laid.trigger?.relay;
      return { load, source: 'battery', ...(contact ? { contact } : {}), branches: [{ loads: loadsOf(laid), ends: 'lamps' }] };
    }
    const branches = on.flatMap((joint): WireBranch[] => {
      const pins = fedPins(joint).filter((entry) => entry.circuit === id);
      if (joint.trigger?.circuit === id) return [{ joint, ...(pins[0] ? { pin: pins[0] } : {}), loads: loadsOf(joint), ends: 'coil' }];
      if (pins.length < 2) return [{ joint, ...(pins[0] ? { pin: pins[0] } : {}), loads: loadsOf(joint), ends: 'lamps' }];
      // Of a body with several functions each wire ends in its own.
      return pins.map((pin) => ({ joint, pin, loads: loadsOn(joint, pin.carries), ends: 'lamps' }));
    });
    return { load, source: 'vehicle', branches };
  });
});

import { carriedTogether } from '../states/index.ts';
import type { Kit, KitLeg } from '../kit/index.ts';
import { permittedA, type LegConductor } from '../wiring/index.ts';
import { type JobContext, carriedPins, wireTableOf } from '../job/index.ts';
import { jointLoads, type WireJoint } from './wire.ts';

/** A leg of a kit on a circuit; without its conductor where nobody said what wire is in it. */
export interface LegOnCircuit {
  kit: Kit;
  leg: KitLeg;
  conductor?: LegConductor;
}

/** The lamps that a leg reaches: its own, and with the first leg of a joint those lamps of the joint that have none. */
function lampsOf(leg: KitLeg, { kit, connection }: WireJoint): string[] {
  const legs = kit.legs.filter(({ lamp }) => connection.lamps.includes(lamp));
  const without = connection.lamps.filter((lamp) => !legs.some((other) => other.lamp === lamp));
  return legs[0]?.id === leg.id ? [leg.lamp, ...without] : [leg.lamp];
}

function conductorOf({ rules, profile }: JobContext, joint: WireJoint, leg: KitLeg, circuit: string): LegConductor | undefined {
  if (!leg.wire) return undefined;
  const { areaMm2, ground, temperatureC, permittedA: stated } = leg.wire;
  const table = wireTableOf({ rules });
  const lamps = lampsOf(leg, joint).map((lamp) => `${joint.kit.slug}/${lamp}`);
  const ofLeg = (id: string) => jointLoads(joint, id, profile.systemVoltageV).filter(([key]) => lamps.some((lamp) => key === lamp || key.startsWith(`${lamp}/`)));
  const own = ofLeg(circuit);
  const functionOf = (key: string) => key.split('/')[2] ?? '';
  const beside = joint.circuits.filter(({ id }) => id !== circuit && id !== joint.trigger?.circuit).flatMap(({ id }) => ofLeg(id));
  const back = [...own, ...beside.filter(([key]) => own.some(([mine]) => carriedTogether(functionOf(mine), functionOf(key))))];
  // Wires that carry something, the ground among them where it comes back in the leg.
  const wires = carriedPins(joint).filter(({ carries }) => carries !== 'empty' && (ground === 'in leg' || carries !== 'ground')).length;
  const place = { temperatureC: temperatureC ?? table.atC, bundle: Math.max(1, wires) };
  // New wire in front of it loses as much as so much of its own.
  const longer = joint.led.filter(({ to, circuit: fed }) => to.at === 'wire' && fed?.id === circuit && (to.lengthMm ?? 0) > 0);
  const longerM = longer.reduce((sum, { to }) => sum + ((to.lengthMm ?? 0) / 1000) * (areaMm2 / (to.areaMm2 ?? areaMm2)), 0);
  const least = longer.map(({ to }) => permittedA(to.areaMm2 ?? areaMm2, table, { temperatureC: table.atC, bundle: 1 }));
  return {
    id: leg.id,
    lengthM: leg.lengthMm / 1000 + longerM,
    backM: ground === 'in leg' ? leg.lengthMm / 1000 : 0,
    areaMm2,
    permittedA: Math.min(stated ?? permittedA(areaMm2, table, place), ...least),
    loads: own.map(([, load]) => load),
    backLoads: back.map(([, load]) => load),
  };
}

/** The legs of the kits through which a circuit reaches its lamps, each once, whatever the plug is by which it is joined. */
export function legsOn(context: JobContext, joints: readonly WireJoint[], circuit: string): LegOnCircuit[] {
  const feeding = joints.filter((joint) => joint.trigger?.circuit !== circuit && joint.circuits.some(({ id }) => id === circuit));
  const legs = feeding.flatMap((joint) =>
    joint.kit.legs
      .filter(({ lamp }) => joint.connection.lamps.includes(lamp))
      .map((leg): [string, LegOnCircuit] => {
        const conductor = conductorOf(context, joint, leg, circuit);
        return [`${joint.kit.slug}/${leg.id}`, { kit: joint.kit, leg, ...(conductor ? { conductor } : {}) }];
      }),
  );
  return [...new Map(legs).values()];
}

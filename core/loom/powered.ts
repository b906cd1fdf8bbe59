import { judgePowered, supplyLimitA, voltageRange, type PoweredFault, type SeenLit } from '../wiring/index.ts';
import type { Kit, KitPlug } from '../kit/index.ts';
import type { Load, PlugPin } from '../vehicle/index.ts';
import { once, type JobContext, fitStepsOf, kitsOnVehicle } from '../job/index.ts';
import { lampLoads, wireJoints } from './wire.ts';

/** A wire of a kit's lamp that can be tried on the bench, before the lamp is on the vehicle. */
export interface LampWire {
  kit: Kit;
  plug: KitPlug;
  pin: PlugPin;
  /** What lights by it, and what each takes. */
  loads: Load[];
  /** Why it is not tried any more: its plug is joined, or its side is being fitted. */
  onVehicle?: 'joined' | 'being fitted';
  tried?: { volts: number; ampere: number; lit: SeenLit; faults: PoweredFault[]; statedA: number };
}

const triedKey = (kit: string, plug: string, pin: string) => `${kit}/${plug}/${pin}`;

/** Every wire of the kits' lamps that the job will feed, each once; a relay's coil is no lamp. */
export const lampWires = once((context: JobContext): LampWire[] => {
  const fitted = kitsOnVehicle(context);
  return wireJoints(context).flatMap((joint): LampWire[] => {
    const { kit, connection, kitPlug } = joint;
    if (joint.trigger) return [];
    const lamps = kit.lamps.filter(({ id }) => connection.lamps.includes(id));
    const steps = fitted.filter((entry) => entry.kit.slug === kit.slug).flatMap(fitStepsOf);
    // Where nothing is fitted on its own side, whatever is fitted brings it onto the vehicle.
    const own = steps.filter(({ side }) => lamps.some((lamp) => lamp.side === side));
    const begun = (own.length > 0 ? own : steps).some(({ id }) => (context.state.passes[kit.slug]?.[id] ?? []).length > 0);
    const onVehicle = joint.joined ? 'joined' : begun ? 'being fitted' : undefined;
    return kitPlug.pins.flatMap((pin): LampWire[] => {
      const loads = lampLoads(lamps, pin);
      if (pin.carries === 'ground' || loads.length === 0) return [];
      const tried = context.state.powered[triedKey(kit.slug, kitPlug.id, pin.id)];
      const judged = tried && judgePowered(loads, tried.volts, tried.ampere, tried.lit);
      return [
        {
          kit,
          plug: kitPlug,
          pin,
          loads,
          ...(onVehicle ? { onVehicle } : {}),
          ...(tried && judged ? { tried: { ...tried, faults: judged.faults, statedA: judged.statedA } } : {}),
        },
      ];
    });
  });
});

/** The wire of a lamp by its names. */
export const lampWire = (context: JobContext, kit: string, plug: string, pin: string): LampWire | undefined =>
  lampWires(context).find((entry) => entry.kit.slug === kit && entry.plug.id === plug && entry.pin.id === pin);

/** How a bench supply is set for a wire: the system's voltage, and what it gives at most. */
export function supplyFor({ profile }: Pick<JobContext, 'profile'>, { loads }: Pick<LampWire, 'loads'>): { volts: number; limitA: number } {
  const volts = voltageRange(profile.systemVoltageV).restV;
  return { volts, limitA: supplyLimitA(loads, volts) };
}

import { lampWire } from '../../loom/index.ts';
import type { JobContext } from '../../job/index.ts';
import type { SeenLit } from '../../wiring/index.ts';
import { happened, refused, type Act } from '../act.ts';

/**
 * A wire of a kit's lamp fed on the bench by a limited supply; refused once the lamp is on the vehicle, where a powered probe would feed the vehicle's own wires.
 * @param volts as the supply is set
 * @param ampere as the supply shows
 */
export function powered(context: JobContext, kit: string, plug: string, pin: string, volts: number, ampere: number, lit: SeenLit): Act {
  const wire = lampWire(context, kit, plug, pin);
  if (!wire) return refused({ code: 'unknown', what: 'wire of a lamp', id: `${kit}/${plug}/${pin}` });
  if (wire.onVehicle) return refused({ code: 'on-vehicle', plug: wire.plug.name, because: wire.onVehicle });
  if (!Number.isFinite(volts) || !Number.isFinite(ampere) || ampere < 0 || volts <= 0) return refused({ code: 'reading-impossible', doubts: ['not a number'] });
  return happened({ type: 'lamp.powered', payload: { kit, plug, pin, volts, ampere, lit } });
}

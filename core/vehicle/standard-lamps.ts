import type { VehicleState } from '../states/index.ts';
import type { Body, Measures } from './bodies.ts';
import type { LampFunction, Side } from './profile.ts';

/** A lamp that a body commonly has. Where it sits: a share of half the width from the middle, and of the height of the front end from the ground. */
interface Common {
  id: string;
  name: string;
  state: VehicleState | 'turn';
  end: 'front' | 'rear';
  /** One in the middle, one of each side, or one that sits on one side alone. */
  sides: 'middle' | 'both' | 'left';
  across: number;
  up: number;
}

const common = (end: Common['end'], sides: Common['sides'], id: string, name: string, state: Common['state'], across: number, up: number): Common => ({
  id,
  name,
  state,
  end,
  sides,
  across,
  up,
});

const FRONT: readonly Common[] = [
  common('front', 'both', 'dipped', 'Dipped beam', 'dipped', 0.76, 0.73),
  common('front', 'both', 'main', 'Main beam', 'main', 0.67, 0.72),
  common('front', 'both', 'daytime', 'Daytime lamp', 'daytime', 0.7, 0.64),
  common('front', 'both', 'parking', 'Parking lamp', 'parking', 0.62, 0.68),
  common('front', 'both', 'turn-front', 'Front turn signal', 'turn', 0.87, 0.74),
  common('front', 'both', 'fog', 'Front fog', 'front fog', 0.68, 0.35),
];
const REAR: readonly Common[] = [
  common('rear', 'both', 'tail', 'Tail lamp', 'parking', 0.9, 0.86),
  common('rear', 'both', 'stop', 'Stop lamp', 'stop pedal', 0.9, 0.94),
  common('rear', 'middle', 'stop-high', 'High stop lamp', 'stop pedal', 0, 1.15),
  common('rear', 'both', 'turn-rear', 'Rear turn signal', 'turn', 0.9, 1.02),
  common('rear', 'both', 'reverse', 'Reversing lamp', 'reverse', 0.9, 0.78),
  common('rear', 'left', 'rear-fog', 'Rear fog lamp', 'rear fog', 0.84, 0.5),
  common('rear', 'middle', 'plate', 'Plate lamp', 'parking', 0, 0.72),
];
const TWO_WHEELS: readonly Common[] = [
  common('front', 'middle', 'dipped', 'Dipped beam', 'dipped', 0, 0.93),
  common('front', 'middle', 'main', 'Main beam', 'main', 0, 0.96),
  common('front', 'middle', 'daytime', 'Daytime lamp', 'daytime', 0, 0.88),
  common('front', 'middle', 'parking', 'Position lamp', 'parking', 0, 0.86),
  common('front', 'both', 'turn-front', 'Front turn signal', 'turn', 0.5, 0.93),
  common('rear', 'middle', 'tail', 'Tail lamp', 'parking', 0, 0.85),
  common('rear', 'middle', 'stop', 'Stop lamp', 'stop pedal', 0, 0.88),
  common('rear', 'both', 'turn-rear', 'Rear turn signal', 'turn', 0.5, 0.85),
  common('rear', 'middle', 'plate', 'Plate lamp', 'parking', 0, 0.68),
];

function commonOf(body: Body): readonly Common[] {
  if (body === 'trailer') return REAR.filter(({ id }) => id !== 'stop-high');
  return body === 'motorcycle-naked' || body === 'motorcycle-faired' || body === 'scooter-box' ? TWO_WHEELS : [...FRONT, ...REAR];
}

/**
 * Lamps that a body commonly has, each with the place where it commonly sits in millimetres of the vehicle's axes: they are offered, and only a person
 * who sees one says that it is there. A lamp has the same id on every kind of vehicle, so that two people who name it name the same one.
 */
export function standardLamps(body: Body, { frontOverhangMm, lengthMm, widthMm, bonnetHeightMm }: Measures): LampFunction[] {
  return commonOf(body).flatMap(({ id, name, state, end, sides, across, up }) => {
    const lamp = (side: Side, lampId: string, lampName: string): LampFunction => ({
      id: lampId,
      name: lampName,
      side,
      state: state === 'turn' ? (side === 'right' ? 'turn right' : 'turn left') : state,
      at: {
        xMm: Math.round(end === 'front' ? frontOverhangMm * 0.92 : frontOverhangMm - lengthMm),
        yMm: Math.round((widthMm / 2) * across) * (side === 'right' ? -1 : 1),
        zMm: Math.round(bonnetHeightMm * up),
      },
    });
    if (sides === 'middle') return [lamp('centre', id, name)];
    if (sides === 'left') return [lamp('left', id, name)];
    return (['left', 'right'] as const).map((side) => lamp(side, `${id}-${side}`, `${name}, ${side}`));
  });
}

import type { Measures } from './bodies.ts';
import type { LampFunction } from './profile.ts';

/** Colours that factory lamps of the road shine in. */
export type LightColour = 'white' | 'amber' | 'red';

/** A lamp this far inside the flank of a vehicle, in mm, still is on it. */
const FLANK_MM = 40;
/** Nearer to an end than this it belongs to that end. */
const END_MM = 300;

/**
 * The colour that a factory lamp function usually shines in, by what it is and where it sits; undefined where it cannot be told: a lamp of the parking
 * lamps in the middle of the rear may be a tail lamp or light the plate. Local codes decide what is right on a vehicle.
 */
export function lightOf({ state, at }: Pick<LampFunction, 'state' | 'at'>, { frontOverhangMm, lengthMm, widthMm }: Measures): LightColour | undefined {
  switch (state) {
    case 'turn left':
    case 'turn right':
    case 'hazard':
      return 'amber';
    case 'stop pedal':
    case 'rear fog':
      return 'red';
    case 'dipped':
    case 'main':
    case 'daytime':
    case 'front fog':
    case 'reverse':
    case 'plate':
      return 'white';
    case 'parking': {
      const middleMm = frontOverhangMm - lengthMm / 2;
      if (Math.abs(at.yMm) > widthMm / 2 - FLANK_MM && Math.abs(at.xMm - middleMm) < lengthMm / 2 - END_MM) return 'amber';
      if (at.xMm > middleMm) return 'white';
      return at.yMm === 0 ? undefined : 'red';
    }
    default:
      return undefined;
  }
}

/** The colour in which a lamp shines while a state is tried: that of its own state alone; undefined where it stays dark or its colour cannot be told. */
export const shinesIn = (lamp: Pick<LampFunction, 'state' | 'at'>, tried: LampFunction['state'] | undefined, measures: Measures): LightColour | undefined =>
  lamp.state === tried ? lightOf(lamp, measures) : undefined;

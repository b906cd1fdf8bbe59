import { degToRad } from '../units/index.ts';
import { evaluate, type FactValues } from '../facts/index.ts';
import type { Level, Sensor, VehicleProfile } from '../vehicle/index.ts';

/** How a sensor's pose was changed; all zero where it went back to its place. */
export interface PoseChange {
  xMm: number;
  yMm: number;
  zMm: number;
  yawDeg: number;
  pitchDeg: number;
}

export const UNMOVED: PoseChange = { xMm: 0, yMm: 0, zMm: 0, yawDeg: 0, pitchDeg: 0 };

/** Sideways or upward error of a sensor's view at a range: R·tan θ. One degree at 100 m is 1.746 m. */
export function errorAtRangeM(angleDeg: number, rangeM: number): number {
  return rangeM * Math.tan(degToRad(angleDeg));
}

export interface SensorEffect {
  sensor: Sensor;
  /** Piece moved that carries or holds it. */
  piece: string;
  change: PoseChange;
  /** Shift of what it sees 100 m ahead. */
  sidewaysAt100M: number;
  upwardAt100M: number;
  beyondTolerance: boolean;
  calibrationDue: boolean;
  /** Why: moved at all is reason enough, unless the profile says otherwise. */
  why: 'disturbed' | 'beyond tolerance' | 'profile says not required';
}

/**
 * Sensors on or held by the pieces that are opened. Calibration is due wherever a sensor was disturbed, unless the profile says
 * that the maker's procedure does not ask for it; beyond its tolerance it is due in any case. Where nobody knows its tolerance any angle is beyond it.
 */
export function sensorEffects(
  profile: VehicleProfile,
  facts: FactValues,
  opened: readonly { piece: string; level: Level }[],
  changes: Readonly<Record<string, PoseChange>>,
): SensorEffect[] {
  return profile.sensors
    .filter((sensor) => evaluate(sensor.when, facts) !== 'no')
    .filter((sensor) => opened.some((entry) => entry.piece === sensor.on && entry.level !== 'fitted'))
    .map((sensor) => {
      const change = changes[sensor.id] ?? UNMOVED;
      const beyondTolerance = Math.max(Math.abs(change.yawDeg), Math.abs(change.pitchDeg)) > (sensor.toleranceDeg ?? 0);
      const excused = sensor.calibration === 'not required' && !beyondTolerance;
      return {
        sensor,
        piece: sensor.on,
        change,
        sidewaysAt100M: errorAtRangeM(change.yawDeg, 100),
        upwardAt100M: errorAtRangeM(change.pitchDeg, 100),
        beyondTolerance,
        calibrationDue: !excused,
        why: excused ? 'profile says not required' : beyondTolerance ? 'beyond tolerance' : 'disturbed',
      };
    });
}

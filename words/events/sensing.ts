import type { LinesOf } from './lines-of.ts';
import { amount, degrees } from '@jade/words/units';

/** Lines of the family, as the log shows them. */
export const SENSING_LINES: LinesOf<'sensing'> = {
  'sensor.unplugged': ({ sensor }, names) => `${names.sensor(sensor)} unplugged`,
  'sensor.reconnected': ({ sensor }, names) => `${names.sensor(sensor)} reconnected`,
  'sensor.moved': ({ sensor, xMm, yMm, zMm, yawDeg, pitchDeg }, names) =>
    `${names.sensor(sensor)} moved: ${[xMm, yMm, zMm].map((value) => amount(value, 'mm')).join(', ')}; ${[yawDeg, pitchDeg].map((value) => degrees(value)).join(', ')}`,
  'sensor.calibrated': ({ sensor, how, note, by, dueOn }, names) =>
    `${names.sensor(sensor)} calibration: ${how}${by === undefined ? '' : `, ${by}`}${dueOn === undefined ? '' : `, by ${dueOn}`}${note ? `, ${note}` : ''}`,
};

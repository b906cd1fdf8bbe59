import type { PoseChange } from '../../sensing/index.ts';
import { DONE, type Definition } from '../definition.ts';

export type SensorMoved = { sensor: string } & PoseChange;

export const sensorMoved: Definition<SensorMoved> = {
  ...DONE,
  opposite: 'itself',
  does: (state, { sensor, ...change }) => void (state.sensorMoves[sensor] = change),
  names: ({ sensor }, { among, profile }) => among(profile.sensors, sensor, 'sensor', 'sensor'),
};

import { DONE, type Definition } from '../definition.ts';
import { addOnce } from '../keep.ts';

export interface SensorUnplugged {
  sensor: string;
}

export const sensorUnplugged: Definition<SensorUnplugged> = {
  ...DONE,
  timed: 'untouched',
  opposite: 'sensor.reconnected',
  does: (state, { sensor }) => addOnce(state.unplugged, sensor),
  names: ({ sensor }, { among, profile }) => among(profile.sensors, sensor, 'sensor', 'sensor'),
};

export interface SensorReconnected {
  sensor: string;
}

export const sensorReconnected: Definition<SensorReconnected> = {
  ...DONE,
  timed: 'untouched',
  opposite: 'sensor.unplugged',
  does: (state, { sensor }) => void (state.unplugged = state.unplugged.filter((id) => id !== sensor)),
  names: ({ sensor }, { among, profile }) => among(profile.sensors, sensor, 'sensor', 'sensor'),
};

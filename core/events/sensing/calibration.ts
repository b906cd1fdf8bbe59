import { RECORDED, type Definition } from '../definition.ts';

/** `by` and `dueOn` (a day): who calibrates it and until when, where it is left to others. */
export interface SensorCalibrated {
  sensor: string;
  how: 'done here' | 'by others' | 'not required';
  note?: string;
  by?: string;
  dueOn?: string;
}

export const sensorCalibrated: Definition<SensorCalibrated> = {
  ...RECORDED,
  timed: 'ticked',
  opposite: null,
  does: (state, { sensor, ...how }) => void (state.calibrated[sensor] = how),
  names: ({ sensor }, { among, profile }) => among(profile.sensors, sensor, 'sensor', 'sensor'),
};

import { sensorUnplugged, sensorReconnected } from './plug.ts';
import { sensorMoved } from './sensor-moved.ts';
import { sensorCalibrated } from './calibration.ts';

export const SENSING = {
  'sensor.unplugged': sensorUnplugged,
  'sensor.reconnected': sensorReconnected,
  'sensor.moved': sensorMoved,
  'sensor.calibrated': sensorCalibrated,
} as const;

import type { Sensor } from '@jade/core/vehicle';
import { viewSector } from './view-cone.ts';

const radar: Sensor = {
  id: 'r',
  name: 'r',
  kind: 'radar',
  on: 'x',
  lock: 'x',
  pose: { xMm: 900, yMm: 0, zMm: 800, yawDeg: 0, pitchDeg: 0 },
  fieldOfView: { horizontalDeg: 90, verticalDeg: 8, rangeM: 150 },
  toleranceDeg: 1,
  calibration: 'required',
  procedure: '',
};

test('a sector of 90 degrees opens 45 to each side, ahead is to the left on the sheet', () => {
  expect(viewSector(radar, 0, 1000)).toEqual({ path: 'M-900 0L-1607 707A1000 1000 0 0 1 -1607 -707Z', axis: 'M-900 0L-1900 0', from: [-900, 0] });
});

test('turned left by 90 degrees it looks along y', () => {
  expect(viewSector(radar, 90, 1000).axis).toBe('M-900 0L-900 1000');
});

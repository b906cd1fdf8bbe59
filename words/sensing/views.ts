import { plural } from '@jade/words/units';

export const SENSE_STATION = {
  undescribed:
    'Nobody has described the sensors of this kind of vehicle: radar, camera, parking sensors, shutters, washers. Look on and behind whatever comes off. What you find is unplugged before the pull, plugged in first, and calibrated by the maker’s procedure.',
  noneMet: 'No sensor was on or behind what came off',
  none: 'No sensor sits on anything that this job opens. Nothing to reconnect, nothing to calibrate.',
  drawing: 'What the sensors see, from above',
  marks: 'Sectors show each field of view; the line is where it looks now.',
  within: (piece: string, tolerance: string) => `on ${piece} · within ${tolerance}`,
  reconnected: (lock: string) => `Reconnected, ${lock} closed`,
  unplug: 'Unplug it',
  moved: 'It was moved: by how much',
  yaw: 'Yaw, left +',
  pitch: 'Pitch, up +',
  forward: 'Forward',
  left: 'Left',
  up: 'Up',
  touched: (touched: number, all: number) => `${touched} of ${plural(all, 'sensor')} in this profile touched.`,
} as const;

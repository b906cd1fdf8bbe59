import { plural } from '@jade/words/units';

export const SENSE_STATION = {
  undescribed:
    'Nobody has described the sensors of this kind of vehicle: radar, camera, parking sensors, shutters, washers. Look on and behind whatever comes off. What you find is unplugged before the pull, plugged in first, and calibrated by the maker’s procedure.',
  noneMet: 'No sensor was on or behind what came off',
  noOther: 'No other sensor was on or behind it',
  met: 'A sensor was on it',
  none: 'No sensor sits on anything that this job opens. Nothing to reconnect, nothing to calibrate.',
  drawing: 'What the sensors see, from above',
  marks: 'Sectors show each field of view, where it is known; the line is where it looks now.',
  within: (piece: string, tolerance: string | undefined) => `on ${piece} · ${tolerance === undefined ? 'how far it may stand off is not known' : `within ${tolerance}`}`,
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

/** A sensor that was found on what came off and that nobody has described. */
export const SENSOR_FOUND = {
  title: 'A sensor was found',
  caution: 'Unplug it before the pull and plug it in first. Whether it has to be calibrated its maker says; where you do not know, it has to be.',
  on: 'On which piece',
  kind: 'What it is',
  kinds: { radar: 'radar', camera: 'camera', parking: 'parking sensor', shutter: 'shutter', washer: 'washer' },
  named: { radar: 'Radar', camera: 'Camera', parking: 'Parking sensor', shutter: 'Shutter', washer: 'Washer' },
  name: 'What it is called',
  looks: 'Where it looks',
  lock: 'How its plug lets go',
  locks: ['tab', 'slide lock, then tab', 'twist collar', 'no plug'],
  unplugged: 'Its plug',
  pulled: 'unplugged now',
  left: 'left in',
  calibration: 'Calibration, by its maker',
  required: 'has to be',
  excused: 'is not asked for',
  procedure: 'By which procedure, or where it says that none is asked for',
  missing: 'Still missing: the piece, what it is, where it looks, its plug, or whether its maker asks for a calibration and where that stands.',
  record: 'Write it down',
} as const;

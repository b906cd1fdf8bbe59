import type { Payloads } from '@jade/core/events';
import type { SensorEffect } from '@jade/core/sensing';
import { degrees, metres } from '@jade/words/units';

/** What moving a sensor does to what it sees, and whether calibration is due. */
export function saySensorEffect(effect: SensorEffect): string {
  const { change, sidewaysAt100M, upwardAt100M } = effect;
  const still = change.yawDeg === 0 && change.pitchDeg === 0;
  const shift = still
    ? 'It goes back to its own place.'
    : `Turned ${degrees(change.yawDeg)} sideways and ${degrees(change.pitchDeg)} up: at 100 m it looks ${metres(Math.abs(sidewaysAt100M))} beside and ${metres(Math.abs(upwardAt100M))} ${upwardAt100M < 0 ? 'below' : 'above'} the truth.`;
  if (!effect.calibrationDue) return `${shift} The profile says that no calibration is asked for.`;
  if (effect.beyondTolerance && effect.sensor.toleranceDeg === undefined) return `${shift} How far it may stand off nobody knows: calibration due.`;
  return effect.beyondTolerance ? `${shift} Beyond its tolerance of ${degrees(effect.sensor.toleranceDeg ?? 0)}: calibration due.` : `${shift} Disturbed, so calibration is due.`;
}

/** How a calibration is recorded. */
export const CALIBRATION = {
  'done here': 'Calibrated here',
  'by others': 'Calibrated by others',
  'not required': 'Not asked for by its maker',
  label: 'Procedure and place, odometer at the end; or where its maker says that it is not asked for',
  who: 'Who calibrates it',
  until: 'Until which day',
  record: 'Record it',
  limit: 'Until then the sheet says that what hangs on this sensor is not to be relied on.',
} as const;

/** A calibration as it stands in the record. */
export function sayCalibration({ how, note, by, dueOn }: Omit<Payloads['sensor.calibrated'], 'sensor'>): string {
  const who = by === undefined ? '' : `, ${by}`;
  return `${CALIBRATION[how]}${who}${dueOn === undefined ? '' : `, until ${dueOn}`}${note ? `: ${note}` : ''}`;
}

export * from './views.ts';

import { openingDone } from '../../plan/index.ts';
import { levelRank, type AccessPlan } from '../../access/index.ts';
import { factValues, LONGEST_TEXT, type Payloads } from '../../events/index.ts';
import type { JobContext } from '../../job/index.ts';
import { sensorEffects, UNMOVED, type PoseChange, type SensorEffect } from '../../sensing/index.ts';
import { key } from '../../subject/index.ts';
import { happened, refused, tooLong, unless, type Act } from '../act.ts';
import { todo, type Asked } from '../hold.ts';
import { askedOfTwins } from '../same-place.ts';
import { askedOfList } from '../undescribed.ts';

export * from './capture.ts';
export { noMore } from '../undescribed.ts';

/** Sensors that this job's opening disturbs, now or as planned. */
export function disturbedSensors(context: JobContext, plan: AccessPlan | undefined): SensorEffect[] {
  const opened = new Map(Object.entries(context.state.reached));
  for (const step of plan?.steps ?? []) if (levelRank(step.level) > levelRank(opened.get(step.piece) ?? 'fitted')) opened.set(step.piece, step.level);
  return sensorEffects(
    context.profile,
    factValues(context.state),
    [...opened].map(([piece, level]) => ({ piece, level })),
    context.state.sensorMoves,
  );
}

export function asked(context: JobContext, plan: AccessPlan | undefined): Asked[] {
  // Nothing was opened that a sensor could be on or behind.
  const unlooked = Object.keys(context.state.reached).length > 0 ? askedOfList(context, 'sensors') : [];
  const disturbed = disturbedSensors(context, plan).flatMap(({ sensor, calibrationDue }): Asked[] => {
    const wanted: Asked[] = [];
    if (context.state.unplugged.includes(sensor.id)) wanted.push(todo('sensor-unplugged', { sensor: sensor.id }));
    if (calibrationDue && !context.state.calibrated[sensor.id]) wanted.push(todo('calibration-due', { sensor: sensor.id }, key({ kind: 'sensor', sensor: sensor.id })));
    return wanted;
  });
  return [...unlooked, ...askedOfTwins(context, 'sensors'), ...disturbed];
}

export function begun({ state }: JobContext): boolean {
  return Object.keys(state.calibrated).length > 0 || Object.keys(state.sensorMoves).length > 0 || state.unplugged.length > 0;
}

/** Where nothing is asked it is settled only once all is open: before that nobody can have seen it. */
export const ready = (context: JobContext): boolean => openingDone(context);

/** A sensor's plug put back and its lock closed. */
export function reconnected({ state }: JobContext, sensor: string): Act {
  return state.unplugged.includes(sensor) ? happened({ type: 'sensor.reconnected', payload: { sensor } }) : refused({ code: 'already' });
}

/** A sensor unplugged by itself. */
export function unplugged({ state, profile }: JobContext, sensor: string): Act {
  if (!profile.sensors.some((entry) => entry.id === sensor)) return refused({ code: 'unknown', what: 'sensor', id: sensor });
  return state.unplugged.includes(sensor) ? refused({ code: 'already' }) : happened({ type: 'sensor.unplugged', payload: { sensor } });
}

/** How a sensor's pose was changed, one measure at a time. */
export function moved({ state }: JobContext, sensor: string, part: Partial<PoseChange>): Act {
  return happened({ type: 'sensor.moved', payload: { sensor, ...(state.sensorMoves[sensor] ?? UNMOVED), ...part } });
}

/** A sensor calibrated here by a procedure, or found not to ask for it by a source. */
export function calibrated(sensor: string, how: Exclude<Payloads['sensor.calibrated']['how'], 'by others'>, note: string): Act {
  return note.trim() ? happened({ type: 'sensor.calibrated', payload: { sensor, how, note: note.trim() } }) : refused({ code: 'nothing' });
}

/** A calibration left to others: who does it, and until which day. */
export function calibratedByOthers(sensor: string, by: string, dueOn: string): Act {
  const missing = [by, dueOn].filter((text) => text.trim() === '').length;
  if (missing > 0) return refused({ code: 'missing', count: missing });
  return unless(tooLong(by, LONGEST_TEXT.aimer), () => [{ type: 'sensor.calibrated', payload: { sensor, how: 'by others', by: by.trim(), dueOn } }]);
}

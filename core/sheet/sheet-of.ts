import type { JobContext } from '../job/index.ts';
import type { LoggedEvent } from '../events/index.ts';
import { partLines, useLines } from './afterwards.ts';
import { aimLines, arrivalLines, codeLines, factoryLines, gapLines, lensLines, sensorLines, warningLines } from './condition.ts';
import { entriesOf, type With } from './entries.ts';
import { droppedLines, fedLines, fittedLines, heldLines, litLines, madeLines } from './fitting.ts';
import { photoLines } from './photos.ts';
import { whoLines } from './people.ts';
import type { FittedLine, Recheck, Sheet } from './sheet.ts';

/** When new fasteners are looked at again, where the rule set does not say. */
const RECHECK = { afterKm: 100, afterDays: 14 };
const DAY_MS = 86_400_000;

function recheckOf({ rules: { recheck: { afterKm, afterDays } = RECHECK } }: Pick<JobContext, 'rules'>, fitted: readonly FittedLine[], at: string): { recheck?: Recheck } {
  const any = fitted.some(({ is }) => is !== 'not begun');
  return any ? { recheck: { afterKm, on: new Date(Date.parse(at) + afterDays * DAY_MS).toISOString().slice(0, 10) } } : {};
}

/**
 * What the customer's sheet says of a job: what was fitted and how, how the vehicle came and how it leaves. Every line names the entries of the
 * log that say it; a line without any says only that something is not on record.
 * @param log the entries that the context was folded from
 * @param at when it is signed or looked at, as an ISO time
 */
export function sheetOf(context: JobContext, log: readonly LoggedEvent[], at: string): Sheet {
  const given: With = { ...context, said: entriesOf(log) };
  const fitted = fittedLines(given);
  return {
    seq: context.state.lastSeq,
    ...(context.state.left === undefined ? {} : { left: context.state.left }),
    ...(context.state.cancelled ? { cancelled: context.state.cancelled.why } : {}),
    dropped: droppedLines(given),
    held: heldLines(given),
    fitted,
    fed: fedLines(given),
    lit: litLines(given),
    made: madeLines(given),
    arrival: arrivalLines(given),
    factory: factoryLines(given),
    gaps: gapLines(given),
    aims: aimLines(given),
    sensors: sensorLines(given),
    codes: codeLines(given),
    warnings: warningLines(given),
    lenses: lensLines(given),
    parts: partLines(given),
    use: useLines(given),
    photos: photoLines(given),
    who: whoLines(given),
    ...recheckOf(context, fitted, at),
    rules: context.rules.name,
  };
}

import { foldJob } from '@jade/core/log';
import { jobContext, type JobDocuments } from '@jade/core/job';
import { planClosingOf, planOpening } from '@jade/core/plan';
import type { LoggedEvent } from '@jade/core/events';
import { standingOf } from '@jade/core/stations';
import { compare, time, type Line } from '../measure.ts';

/** Standing and closing of a job whose way in is planned, as they are worked out after every tap, against reading its documents. */
export async function benchStanding(log: readonly LoggedEvent[], documents: JobDocuments): Promise<Line> {
  const state = foldJob(log);
  const plan = planOpening(jobContext(state, documents));
  // A context of its own each time: what is kept with one is not used again.
  const ours = await time(60, () => {
    const context = jobContext(state, documents);
    return standingOf(context, plan, planClosingOf(context, plan));
  });
  const text = JSON.stringify(documents);
  const other = await time(60, () => JSON.parse(text) as unknown);
  return compare(`Standing and closing of the van’s job (${log.length} events)`, ours, 'JSON.parse of its documents', other);
}

import { eq, sql } from 'drizzle-orm';
import { stepTimes, type JobContext, type LoggedEvent } from '@jade/core/job';
import type { TakenBySteps } from '@jade/core/schedule';
import { tables, type Connection } from '../database/index.ts';

const { stepTimes: rows } = tables;

/** Keeps the times of a job that has left the shop, in place of those kept before; a job that is open again has none. */
export async function keepTimes(tx: Connection, job: string, context: JobContext, log: readonly LoggedEvent[]): Promise<void> {
  if (!log.some((event) => event.type === 'job.signed')) return;
  await tx.delete(rows).where(eq(rows.job, job));
  const times = context.state.signed ? stepTimes(context, log) : [];
  if (times.length > 0) await tx.insert(rows).values(times.map((time) => ({ job, profile: context.profile.slug, ...time })));
}

/** Times taken so far at this shop on vehicles of a kind, by step. */
export async function takenOn(db: Connection, profile: string): Promise<TakenBySteps> {
  const taken = await db
    .select({
      step: rows.step,
      count: sql<number>`count(*)`.mapWith(Number),
      sumLn: sql<number>`sum(ln(${rows.minutes}))`.mapWith(Number),
      sumLnSquared: sql<number>`sum(pow(ln(${rows.minutes}), 2))`.mapWith(Number),
    })
    .from(rows)
    .where(eq(rows.profile, profile))
    .groupBy(rows.step);
  return Object.fromEntries(taken.map(({ step, ...times }) => [step, times]));
}

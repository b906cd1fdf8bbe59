import { and, eq, lte, sql } from 'drizzle-orm';
import { stepTimes, type JobContext, type LoggedEvent } from '@jade/core/job';
import type { TakenBySteps } from '@jade/core/schedule';
import { asked, tables, type Connection } from '../database/index.ts';

const { stepTimes: rows, stepSums: sums } = tables;

interface StepTime {
  profile: string;
  step: string;
  minutes: number;
}

/** Adds times to the sums of their steps, or takes them out; a step that nothing is left of has no sum. */
async function addUp(tx: Connection, times: readonly StepTime[], sign: 1 | -1): Promise<void> {
  if (times.length === 0) return;
  // In one order, so that two jobs that leave at once do not wait for each other in a circle.
  const ordered = [...times].sort((a, b) => a.profile.localeCompare(b.profile) || a.step.localeCompare(b.step));
  const values = ordered.map(({ profile, step, minutes }) => ({ profile, step, count: sign, sumLn: sign * Math.log(minutes), sumLnSquared: sign * Math.log(minutes) ** 2 }));
  await tx
    .insert(sums)
    .values(values)
    .onDuplicateKeyUpdate({
      set: {
        count: sql`${sums.count} + values(${sums.count})`,
        sumLn: sql`${sums.sumLn} + values(${sums.sumLn})`,
        sumLnSquared: sql`${sums.sumLnSquared} + values(${sums.sumLnSquared})`,
      },
    });
  if (sign < 0) for (const profile of new Set(times.map((time) => time.profile))) await tx.delete(sums).where(and(eq(sums.profile, profile), lte(sums.count, 0)));
}

/** Whether a log has times to keep, or had some: a job that has left the shop, or had. */
export const bringsTimes = (log: readonly LoggedEvent[]): boolean => log.some((event) => event.type === 'job.signed');

/** Keeps the times of a job that has left the shop, in place of those kept before; a job that is open again has none. */
export async function keepTimes(tx: Connection, job: string, context: JobContext, log: readonly LoggedEvent[]): Promise<void> {
  if (!bringsTimes(log)) return;
  const before = await tx.select({ profile: rows.profile, step: rows.step, minutes: rows.minutes }).from(rows).where(eq(rows.job, job)).for('update');
  await tx.delete(rows).where(eq(rows.job, job));
  await addUp(tx, before, -1);
  const times = (context.state.signed ? stepTimes(context, log) : []).map((time) => ({ job, profile: context.profile.slug, ...time }));
  if (times.length > 0) await tx.insert(rows).values(times);
  await addUp(tx, times, 1);
}

const sumsOf = asked<{ step: string; count: number; sumLn: number; sumLnSquared: number }[], { profile: string }>((db) =>
  db
    .select({ step: sums.step, count: sums.count, sumLn: sums.sumLn, sumLnSquared: sums.sumLnSquared })
    .from(sums)
    .where(eq(sums.profile, sql.placeholder('profile')))
    .orderBy(sums.step),
);

/** Times taken so far at this shop on vehicles of a kind, by step. */
export async function takenOn(db: Connection, profile: string): Promise<TakenBySteps> {
  const taken = await sumsOf(db, { profile });
  return Object.fromEntries(taken.map(({ step, ...times }) => [step, times]));
}

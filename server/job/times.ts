import { and, eq, inArray, lte, sql } from 'drizzle-orm';
import type { JobMove } from '@jade/core/capture';
import { stepTimes } from '@jade/core/plan';
import type { JobContext } from '@jade/core/job';
import type { LoggedEvent } from '@jade/core/events';
import type { TakenTimes } from '@jade/core/schedule';
import type { TimesOfKind } from '@jade/contract/job';
import { asked, tables, type Connection } from '../database/index.ts';
import { lineOf } from '../documents/index.ts';

const { documents, keptTimes, stepTimes: rows, stepSums: sums } = tables;

/** The version under which the sums of all times stand. */
const ALL = 0;

interface StepTime {
  profile: string;
  step: string;
  version: number;
  minutes: number;
}

/** Adds times to the sums of their steps, or takes them out; a step that nothing is left of has no sum. */
async function addUp(tx: Connection, times: readonly StepTime[], sign: 1 | -1): Promise<void> {
  if (times.length === 0) return;
  // In one order, so that two jobs that leave at once do not wait for each other in a circle.
  const ordered = [...times].sort((a, b) => a.profile.localeCompare(b.profile) || a.step.localeCompare(b.step) || a.version - b.version);
  const values = ordered.map(({ profile, step, version, minutes }) => ({
    profile,
    step,
    version,
    count: sign,
    sumLn: sign * Math.log(minutes),
    sumLnSquared: sign * Math.log(minutes) ** 2,
  }));
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

/** Until the transaction ends nobody else keeps times of a kind of vehicle, or says which version they went into. To be asked before anything is read. */
export async function holdTimes(tx: Connection, profile: string): Promise<void> {
  await tx
    .select({ version: documents.version })
    .from(documents)
    .where(and(eq(documents.kind, 'vehicle'), eq(documents.slug, profile), eq(documents.version, 1)))
    .for('update');
}

/** Keeps the times of a job that has left the shop, in place of those kept before; a job that is open again has none. Which of them went into which version stays known. */
export async function keepTimes(tx: Connection, job: string, context: JobContext, log: readonly LoggedEvent[]): Promise<void> {
  if (!bringsTimes(log)) return;
  const profile = context.profile.slug;
  await holdTimes(tx, profile);
  const before = await tx.select({ profile: rows.profile, step: rows.step, minutes: rows.minutes, event: rows.event }).from(rows).where(eq(rows.job, job)).for('update');
  const kept = await tx.select({ event: keptTimes.event, profile: keptTimes.profile, version: keptTimes.version }).from(keptTimes).where(eq(keptTimes.job, job));
  const byVersion = (times: readonly (Omit<StepTime, 'version'> & { event: string })[]): StepTime[] =>
    times.flatMap((time) =>
      [ALL, ...kept.filter((entry) => entry.event === time.event && entry.profile === time.profile).map(({ version }) => version)].map((version) => ({ ...time, version })),
    );
  await tx.delete(rows).where(eq(rows.job, job));
  await addUp(tx, byVersion(before), -1);
  const times = (context.state.signed ? stepTimes(context, log) : []).map((time) => ({ job, profile, ...time }));
  if (times.length > 0) await tx.insert(rows).values(times);
  await addUp(tx, byVersion(times), 1);
}

const sumsOf = asked<(TakenTimes & { step: string; version: number })[], { profile: string }>((db) =>
  db
    .select({ step: sums.step, version: sums.version, count: sums.count, sumLn: sums.sumLn, sumLnSquared: sums.sumLnSquared })
    .from(sums)
    .where(eq(sums.profile, sql.placeholder('profile')))
    .orderBy(sums.step, sums.version),
);

const less = (all: TakenTimes, { count, sumLn, sumLnSquared }: TakenTimes): TakenTimes => ({
  count: all.count - count,
  sumLn: all.sumLn - sumLn,
  sumLnSquared: Math.max(0, all.sumLnSquared - sumLnSquared),
});

/** Times taken so far at this shop on vehicles of a kind, by step, but for those that a version of its profile holds already; and how many those are. */
export async function timesOn(db: Connection, profile: string, version: number): Promise<Omit<TimesOfKind, 'version'>> {
  const known = await sumsOf(db, { profile });
  const line = known.some((entry) => entry.version !== ALL) ? await lineOf(db, 'vehicle', profile, version) : new Set<number>();
  const taken: Record<string, TakenTimes> = {};
  let within = 0;
  for (const { step, version: into, ...times } of known) {
    if (into === ALL) taken[step] = times;
    else if (line.has(into)) {
      within += times.count;
      const all = taken[step];
      if (all) taken[step] = less(all, times);
    }
  }
  return { taken: Object.fromEntries(Object.entries(taken).filter(([, { count }]) => count > 0)), within };
}

/**
 * Says which times went into a version of a profile that was made in this transaction: all of some steps that the version before it does not hold, or those
 * of moves, which may be of jobs that are still here.
 */
export async function wentInto(tx: Connection, profile: string, version: number, times: { steps: readonly string[] } | { moves: readonly JobMove[] }): Promise<void> {
  if ('moves' in times) {
    if (times.moves.length > 0) await tx.insert(keptTimes).values(times.moves.map((move) => ({ ...move, profile, version })));
  } else if (times.steps.length > 0) {
    const line = [...(await lineOf(tx, 'vehicle', profile, version))];
    await tx.execute(sql`
      INSERT INTO ${keptTimes} (job, event, profile, version)
      SELECT t.job, t.event, t.profile, ${version} FROM ${rows} t
      WHERE t.profile = ${profile} AND ${inArray(sql`t.step`, [...times.steps])}
        AND NOT EXISTS (SELECT 1 FROM ${keptTimes} k WHERE k.job = t.job AND k.event = t.event AND k.profile = t.profile AND ${inArray(sql`k.version`, line)})`);
  }
  await tx.execute(sql`
    INSERT INTO ${sums} (profile, step, version, count, sum_ln, sum_ln_squared)
    SELECT t.profile, t.step, k.version, count(*), sum(ln(t.minutes)), sum(pow(ln(t.minutes), 2))
    FROM ${keptTimes} k JOIN ${rows} t ON t.job = k.job AND t.event = k.event AND t.profile = k.profile
    WHERE k.profile = ${profile} AND k.version = ${version} GROUP BY t.profile, t.step, k.version`);
}

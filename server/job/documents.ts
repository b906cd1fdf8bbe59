import { eq, sql } from 'drizzle-orm';
import { jobContext, type JobContext, type JobDocuments } from '@jade/core/job';
import type { JobState, LoggedEvent } from '@jade/core/events';
import { asked, tables, type Connection } from '../database/index.ts';
import { getPinned } from '../documents/index.ts';
import { timesOn } from './times.ts';

/** The documents that a job pins with what the shop knows besides, and a key that is the same for the same documents. */
export interface PinnedDocuments extends JobDocuments {
  documentsKey: string;
}

const { jobs, jobKits, vehicles } = tables;

/** How many of a job's kits have left the shop on another job: a column of a question that asks for the job's row. */
const kitsThatLeft = sql<number>`(
  select count(*) from ${jobKits} own where own.job = ${jobs.id} and exists (
    select 1 from ${jobKits} other join ${jobs} earlier on earlier.id = other.job where other.kit = own.kit and not other.dropped and earlier.signed and earlier.id <> own.job limit 1) and not own.dropped)`.mapWith(
  Number,
);
const kitsOfJob = sql<number>`(select count(*) from ${jobKits} own where own.job = ${jobs.id} and not own.dropped)`.mapWith(Number);

/** Whether one of a job's kits has not yet left the shop on another job: a column of a question that asks for the job's row. */
export const newKitColumn = sql<boolean>`${kitsThatLeft} < ${kitsOfJob}`.mapWith(Boolean);

/** Kits of a job that have not left the shop on another job. */
export async function newKitsOf(db: Connection, job: string): Promise<string[]> {
  const rows = await db
    .select({ kit: jobKits.kit })
    .from(jobKits)
    .where(
      sql`${jobKits.job} = ${job} and not ${jobKits.dropped} and not exists (
        select 1 from ${jobKits} other join ${jobs} earlier on earlier.id = other.job where other.kit = ${jobKits.kit} and not other.dropped and earlier.signed and earlier.id <> ${job} limit 1)`,
    )
    .orderBy(jobKits.kit);
  return rows.map(({ kit }) => kit);
}

type Pins = Parameters<typeof getPinned>[1];

/** Documents of logs that are kept, by the event that opened them: a version never changes, so it is asked for once. */
const pinnedByLog = new WeakMap<LoggedEvent, { key: string; documents: Awaited<ReturnType<typeof getPinned>> }>();

/** The documents that a log pins. */
export async function pinnedOf(db: Connection, log: readonly LoggedEvent[], { profile, kits, fitted, rules, plugs }: Pins): ReturnType<typeof getPinned> {
  const [first] = log;
  const key = JSON.stringify([profile, kits, rules, plugs ?? [], fitted ?? []].map((part) => [part].flat().map(({ slug, version }) => [slug, version])));
  const known = first && pinnedByLog.get(first);
  if (known?.key === key) return known.documents;
  const documents = await getPinned(db, { profile, kits, rules, plugs, ...(fitted ? { fitted } : {}) });
  if (first) pinnedByLog.set(first, { key, documents });
  return documents;
}

const around = asked<{ year: number | null; newKit: boolean }[], { job: string }>((db) =>
  db
    .select({ year: vehicles.year, newKit: newKitColumn })
    .from(jobs)
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicle))
    .where(eq(jobs.id, sql.placeholder('job'))),
);

/** Pinned documents of a job whose log is this, or undefined before it is opened. */
export async function documentsOf(db: Connection, job: string, { opened }: Pick<JobState, 'opened'>, log: readonly LoggedEvent[]): Promise<PinnedDocuments | undefined> {
  if (!opened) return undefined;
  const { hashes, ...documents } = await pinnedOf(db, log, opened);
  // By the job's row: its vehicle may have been joined to another since it was opened.
  const [row] = await around(db, { job });
  const { taken } = await timesOn(db, opened.profile.slug, opened.profile.version);
  const newKit = row?.newKit ?? false;
  const documentsKey = [...hashes, String(newKit), String(row?.year), JSON.stringify(taken)].join(' ');
  return { ...documents, year: row?.year ?? undefined, newKit, taken, documentsKey };
}

/** State and pinned documents of a job, or undefined before it is opened. */
export async function contextOf(db: Connection, job: string, state: JobState, log: readonly LoggedEvent[]): Promise<JobContext | undefined> {
  const documents = await documentsOf(db, job, state, log);
  return documents && jobContext(state, documents);
}

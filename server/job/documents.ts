import { and, eq, ne } from 'drizzle-orm';
import { jobContext, type JobContext, type JobDocuments, type JobState } from '@jade/core/job';
import { tables, type Connection } from '../database/index.ts';
import { getPinned } from '../documents/index.ts';
import { takenOn } from './times.ts';

/** The documents that a job pins with what the shop knows besides, and a key that is the same for the same documents. */
export interface PinnedDocuments extends JobDocuments {
  documentsKey: string;
}

/** Whether one of these kits has not yet left the shop on another job. */
export async function hasNewKit(db: Connection, job: string, kits: readonly string[]): Promise<boolean> {
  const { jobs, jobKits } = tables;
  for (const kit of new Set(kits)) {
    const [left] = await db
      .select({ job: jobKits.job })
      .from(jobKits)
      .innerJoin(jobs, eq(jobs.id, jobKits.job))
      .where(and(eq(jobKits.kit, kit), eq(jobs.signed, true), ne(jobs.id, job)))
      .limit(1);
    if (!left) return true;
  }
  return false;
}

/** Pinned documents of a job, or undefined before it is opened. */
export async function documentsOf(db: Connection, job: string, { opened }: Pick<JobState, 'opened'>): Promise<PinnedDocuments | undefined> {
  if (!opened) return undefined;
  const { hashes, ...documents } = await getPinned(db, opened);
  // By the job's row: its vehicle may have been joined to another since it was opened.
  const [vehicle] = await db
    .select({ year: tables.vehicles.year })
    .from(tables.jobs)
    .innerJoin(tables.vehicles, eq(tables.vehicles.id, tables.jobs.vehicle))
    .where(eq(tables.jobs.id, job));
  const newKit = await hasNewKit(
    db,
    job,
    opened.kits.map((pin) => pin.slug),
  );
  const taken = await takenOn(db, opened.profile.slug);
  const documentsKey = [...hashes, String(newKit), String(vehicle?.year), JSON.stringify(taken)].join(' ');
  return { ...documents, year: vehicle?.year ?? undefined, newKit, taken, documentsKey };
}

/** State and pinned documents of a job, or undefined before it is opened. */
export async function contextOf(db: Connection, job: string, state: JobState): Promise<JobContext | undefined> {
  const documents = await documentsOf(db, job, state);
  return documents && jobContext(state, documents);
}

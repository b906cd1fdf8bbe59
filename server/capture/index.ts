import { desc, eq, sql } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import { clockSkews, kindTaught, seenJob, type KindTaught, type SeenJob } from '@jade/core/capture';
import { foldJob } from '@jade/core/job';
import type { VehicleProfile } from '@jade/core/vehicle';
import { asked, tables, type Connection, type Database } from '../database/index.ts';
import { getDocument } from '../documents/index.ts';
import { documentsOf, eventOf } from '../job/index.ts';

const { events, jobs, vehicles } = tables;

/** Jobs that are read for what they teach: the newest of the kind. */
const MOST_JOBS = 60;

const ofKind = asked<{ id: string }[], { profile: string }>((db) =>
  db
    .select({ id: jobs.id })
    .from(jobs)
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicle))
    .where(eq(vehicles.profile, sql.placeholder('profile')))
    .orderBy(desc(jobs.openedAt), desc(jobs.id))
    .limit(MOST_JOBS),
);
const rowsOf = asked<(typeof events.$inferSelect)[], { job: string }>((db) =>
  db
    .select()
    .from(events)
    .where(eq(events.job, sql.placeholder('job')))
    .orderBy(events.seq),
);

/** What one job shows of its kind; nothing where nothing was opened on it. */
async function seenOf(db: Connection, job: string): Promise<SeenJob | undefined> {
  const rows = await rowsOf(db, { job });
  if (!rows.some(({ type }) => type === 'piece.moved')) return undefined;
  const log = rows.map(eventOf);
  const documents = await documentsOf(db, job, foldJob(log), log);
  if (!documents) return undefined;
  const skews = clockSkews(rows.map(({ device, at, storedAt }) => ({ device, at, storedAt: storedAt.toISOString() })));
  return seenJob(job, documents, log, skews).seen;
}

/** What the jobs of a kind teach beyond its profile as it stands, and how many of them there are. */
export async function taughtOf(db: Connection, slug: string): Promise<KindTaught & { version: number; jobs: number }> {
  const { document, version } = await getDocument(db, 'vehicle', slug);
  const seen: SeenJob[] = [];
  // One after the other, so that others are answered between them.
  for (const { id } of await ofKind(db, { profile: slug })) {
    const one = await seenOf(db, id);
    if (one) seen.push(one);
  }
  return { ...kindTaught(seen, document as unknown as VehicleProfile), version, jobs: seen.length };
}

/** What a kind of vehicle has taught, for whoever keeps its profile. */
export function captureRoutes(app: FastifyInstance, { db }: { db: Database }): void {
  app.get<{ Params: { profile: string } }>('/api/taught/:profile', async ({ params }) => taughtOf(db, params.profile));
}

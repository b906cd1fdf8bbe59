import { desc, eq, inArray, sql } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import { clockSkews, kindTaught, seenJob, type KindTaught, type SeenJob } from '@jade/core/capture';
import { foldJob } from '@jade/core/job';
import type { VehicleProfile } from '@jade/core/vehicle';
import { asked, tables, type Connection, type Database } from '../database/index.ts';
import { getDocument, getPinned } from '../documents/index.ts';
import { eventOf } from '../job/index.ts';

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
/** What jobs of a kind show of it; nothing is shown by those on which nothing was opened. Their logs are read in one question, what they pin once. */
async function seenOf(db: Connection, ids: readonly string[]): Promise<SeenJob[]> {
  if (ids.length === 0) return [];
  const rows = await db
    .select()
    .from(events)
    .where(inArray(events.job, [...ids]))
    .orderBy(events.job, events.seq);
  const pinned = new Map<string, Awaited<ReturnType<typeof getPinned>>>();
  const seen: SeenJob[] = [];
  for (const id of ids) {
    const own = rows.filter(({ job }) => job === id);
    if (!own.some(({ type }) => type === 'piece.moved')) continue;
    const log = own.map(eventOf);
    const { opened } = foldJob(log);
    if (!opened) continue;
    const { profile, kits, rules, plugs, fitted } = opened;
    const pins = { profile, kits, rules, plugs, ...(fitted ? { fitted } : {}) };
    const documents = pinned.get(JSON.stringify(pins)) ?? (await getPinned(db, pins));
    pinned.set(JSON.stringify(pins), documents);
    const skews = clockSkews(own.map(({ device, at, storedAt }) => ({ device, at, storedAt: storedAt.toISOString() })));
    seen.push(seenJob(id, documents, log, skews).seen);
  }
  return seen;
}

/** What the jobs of a kind teach beyond its profile as it stands, and how many of them there are. */
export async function taughtOf(db: Connection, slug: string): Promise<KindTaught & { version: number; jobs: number }> {
  const { document, version } = await getDocument(db, 'vehicle', slug);
  const ids = (await ofKind(db, { profile: slug })).map(({ id }) => id);
  const seen = await seenOf(db, ids);
  return { ...kindTaught(seen, document as unknown as VehicleProfile), version, jobs: seen.length };
}

/** What a kind of vehicle has taught, for whoever keeps its profile. */
export function captureRoutes(app: FastifyInstance, { db }: { db: Database }): void {
  app.get<{ Params: { profile: string } }>('/api/taught/:profile', async ({ params }) => taughtOf(db, params.profile));
}

import { desc, eq, inArray, sql } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import {
  clockSkews,
  kindCaptured,
  minutesKept,
  notesOf,
  revivedIn,
  seenJob,
  takenTogether,
  withCaptured,
  type JobDescribed,
  type KindCaptured,
  type SeenJob,
} from '@jade/core/capture';
import { foldJob } from '@jade/core/log';
import { withDescribed, withLearnedTimes } from '@jade/core/overlay';
import type { Kit } from '@jade/core/kit';
import { knownPieces, type KnownKind, type VehicleProfile } from '@jade/core/vehicle';
import { TakenToKeep, TimesToKeep } from '@jade/contract/vehicle';
import { asked, retrying, tables, type Connection, type Database } from '../database/index.ts';
import { getDocument, getPinned, newestDocuments } from '../documents/index.ts';
import { formOf } from '../faults/index.ts';
import { takeIn } from '../import/index.ts';
import { eventOf, holdTimes, timesOn, wentInto } from '../job/index.ts';
import { requireRight } from '../people/index.ts';

const { events, jobs, vehicles } = tables;

/** Jobs that are read for what they teach: the newest of the kind. */
const MOST_JOBS = 60;
/** Names of pieces that are offered at most. */
const MOST_KNOWN = 1000;

const ofKind = asked<{ id: string }[], { profile: string }>((db) =>
  db
    .select({ id: jobs.id })
    .from(jobs)
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicle))
    .where(eq(vehicles.profile, sql.placeholder('profile')))
    .orderBy(desc(jobs.openedAt), desc(jobs.id))
    .limit(MOST_JOBS),
);
/** What jobs of a kind show of it; nothing is shown by those on which nothing was opened nor described. Their logs are read in one question, what they pin once. */
async function seenOf(db: Connection, ids: readonly string[]): Promise<{ seen: SeenJob; told: JobDescribed }[]> {
  if (ids.length === 0) return [];
  const rows = await db
    .select()
    .from(events)
    .where(inArray(events.job, [...ids]))
    .orderBy(events.job, events.seq);
  const pinned = new Map<string, Awaited<ReturnType<typeof getPinned>>>();
  const seen: { seen: SeenJob; told: JobDescribed }[] = [];
  for (const id of ids) {
    const own = rows.filter(({ job }) => job === id);
    if (!own.some(({ type }) => type === 'piece.moved' || type === 'kind.described' || type === 'kit.described' || type === 'note.written' || type === 'exception.named')) continue;
    const log = own.map(eventOf);
    const { opened, described, kitsDescribed } = foldJob(log);
    if (!opened) continue;
    const { profile, kits, rules, plugs, fitted } = opened;
    const pins = { profile, kits, rules, plugs, ...(fitted ? { fitted } : {}) };
    const documents = pinned.get(JSON.stringify(pins)) ?? (await getPinned(db, pins));
    pinned.set(JSON.stringify(pins), documents);
    const skews = clockSkews(own.map(({ device, at, storedAt }) => ({ device, at, storedAt: storedAt.toISOString() })));
    seen.push({
      seen: seenJob(id, documents, log, skews).seen,
      told: { job: id, described, kits: kitsDescribed, notes: notesOf(log), revived: revivedIn(log, withDescribed(documents.profile, described).supplies) },
    });
  }
  return seen;
}

/** What the jobs of a kind teach beyond its profile as it stands, and the jobs by which they do. */
async function readKind(db: Connection, slug: string) {
  const { document, version } = await getDocument(db, 'vehicle', slug);
  const ids = (await ofKind(db, { profile: slug })).map(({ id }) => id);
  const jobsRead = await seenOf(db, ids);
  const fitted = new Set(jobsRead.flatMap(({ told }) => Object.keys(told.kits ?? {})));
  const kits = (await newestDocuments(db, 'kit')).filter(({ slug: kit }) => fitted.has(kit)).map((entry) => entry.document as unknown as Kit);
  const profile = document as unknown as VehicleProfile;
  const seen = jobsRead.map((read) => read.seen);
  const told = jobsRead.map((read) => read.told);
  return { profile, version, seen, told, captured: kindCaptured(seen, told, profile, kits) };
}

/** What the jobs of a kind teach beyond its profile as it stands, and how many of them there are. */
export async function taughtOf(db: Connection, slug: string): Promise<KindCaptured & { version: number; jobs: number }> {
  const { captured, version, seen } = await readKind(db, slug);
  return { ...captured, version, jobs: seen.length };
}

/**
 * Keeps what somebody took of what the jobs of a kind taught: the next version of its profile, and of each kit that was taken, together or not at all.
 * What is kept already stays as it is.
 */
async function keepTaught(tx: Connection, slug: string, { basedOn, ...taken }: TakenToKeep): Promise<{ version: number; kits: { slug: string; version: number }[] }> {
  await holdTimes(tx, slug);
  const { profile, captured, seen, told } = await readKind(tx, slug);
  const next = withCaptured(profile, captured, taken);
  const { version, stored } = await takeIn(tx, next, { basedOn });
  if (stored) await wentInto(tx, slug, version, { moves: minutesKept(seen, told, profile, next) });
  const kits: { slug: string; version: number }[] = [];
  for (const kit of takenTogether(captured, profile, taken).kits) kits.push({ slug: kit.slug, version: (await takeIn(tx, kit)).version });
  return { version, kits };
}

/** Puts the times that steps of a kind took here into the minutes of the next version of its profile. Where they change nothing it stays as it is. */
async function keepLearned(tx: Connection, slug: string, { basedOn }: TimesToKeep): Promise<{ version: number; changes: number }> {
  await holdTimes(tx, slug);
  const { document, version: newest } = await getDocument(tx, 'vehicle', slug);
  const { taken } = await timesOn(tx, slug, newest);
  const { profile, changes, steps } = withLearnedTimes(document as unknown as VehicleProfile, taken);
  const { version, stored } = await takeIn(tx, profile, { basedOn });
  if (stored) await wentInto(tx, slug, version, { steps });
  return { version, changes: changes.length };
}

/** What a kind of vehicle has taught, for whoever keeps its profile. */
export function captureRoutes(app: FastifyInstance, { db }: { db: Database }): void {
  app.get('/api/known-pieces', async () => ({ pieces: knownPieces((await newestDocuments(db, 'vehicle')).map(({ document }) => document)).slice(0, MOST_KNOWN) }));
  app.get('/api/known-kinds', async () => {
    const kinds = await newestDocuments(db, 'vehicle');
    return kinds.map(({ slug, version, document: { maker, model, body, highVoltage, pieces } }): KnownKind => ({
      slug,
      version,
      name: `${maker} ${model}`,
      body,
      highVoltage,
      pieces: pieces.length,
    }));
  });
  app.get<{ Params: { profile: string } }>('/api/taught/:profile', async ({ params }) => taughtOf(db, params.profile));
  app.post<{ Params: { profile: string } }>('/api/taught/:profile', async (request) => {
    await requireRight(db, request, 'take in documents');
    const taken = formOf(TakenToKeep, request.body);
    return retrying(() => db.transaction((tx) => keepTaught(tx, request.params.profile, taken)));
  });
  app.post<{ Params: { profile: string } }>('/api/times/:profile', async (request) => {
    await requireRight(db, request, 'take in documents');
    const form = formOf(TimesToKeep, request.body);
    return retrying(() => db.transaction((tx) => keepLearned(tx, request.params.profile, form)));
  });
}

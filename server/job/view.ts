import { desc, eq, or, sql, type SQLWrapper } from 'drizzle-orm';
import { FOLD_VERSION, foldJob, pinsOf } from '@jade/core/job';
import { tables, type Connection } from '../database/index.ts';
import { getDocument, newestDocuments } from '../documents/index.ts';
import { notFound } from '../faults/index.ts';
import { newerDocuments } from './pins.ts';
import { takenOn } from './times.ts';
import { hasNewKit, wholeLog, writeSummary, type JobSummary } from './summary.ts';

const { jobs, vehicles, customers } = tables;

export interface JobLine {
  id: string;
  plate: string;
  profile: string;
  customer: string;
  bay: string | null;
  openedAt: string;
  promisedAt: string | null;
  seq: number;
  summary: JobSummary;
}

const joined = (db: Connection) =>
  db
    .select({
      id: jobs.id,
      seq: jobs.seq,
      summary: jobs.summary,
      foldVersion: jobs.foldVersion,
      openedAt: jobs.openedAt,
      promisedAt: jobs.promisedAt,
      bay: jobs.bay,
      vehicle: vehicles,
      customer: customers.name,
    })
    .from(jobs)
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicle))
    .innerJoin(customers, eq(customers.id, vehicles.customer));

type Row = Awaited<ReturnType<typeof joined>>[number];

async function freshSummary(db: Connection, row: Row): Promise<JobSummary> {
  if (row.foldVersion === FOLD_VERSION) return JSON.parse(row.summary) as JobSummary;
  await writeSummary(db, row.id, row.seq);
  const [again] = await db.select({ summary: jobs.summary }).from(jobs).where(eq(jobs.id, row.id));
  return JSON.parse(again?.summary ?? '{}') as JobSummary;
}

/** Jobs that have left the shop, of which the board is told. */
const MOST_LEFT = 50;
/** Jobs that a search gives back. */
const MOST_FOUND = 30;

async function linesOf(db: Connection, rows: readonly Row[]): Promise<JobLine[]> {
  const people = await db.select().from(tables.people);
  const benchName = (id: string | null) => people.find((person) => person.id === id)?.benchName ?? id;
  const lines: JobLine[] = [];
  for (const row of rows) {
    const summary = await freshSummary(db, row);
    lines.push({
      id: row.id,
      plate: row.vehicle.plate,
      profile: row.vehicle.profile,
      customer: row.customer,
      bay: row.bay,
      seq: row.seq,
      openedAt: row.openedAt.toISOString(),
      promisedAt: row.promisedAt?.toISOString() ?? null,
      summary: { ...summary, assigned: benchName(summary.assigned) },
    });
  }
  return lines;
}

/** All jobs in the shop as the day board shows them, promised first, then those that left last. */
export async function listJobs(db: Connection): Promise<JobLine[]> {
  const here = await joined(db).where(eq(jobs.signed, false));
  const left = await joined(db).where(eq(jobs.signed, true)).orderBy(desc(jobs.openedAt), jobs.id).limit(MOST_LEFT);
  const lines = await linesOf(db, [...here, ...left]);
  return lines.sort((a, b) => Number(a.summary.signed) - Number(b.summary.signed) || (a.promisedAt ?? '9').localeCompare(b.promisedAt ?? '9') || a.id.localeCompare(b.id));
}

/** Jobs by a part of the plate or of the customer's name, the last opened first, whether they have left or not. */
export async function findJobs(db: Connection, text: string): Promise<JobLine[]> {
  const part = `%${text.trim().replaceAll(/[\\%_]/g, '\\$&')}%`;
  const plain = (column: SQLWrapper) => sql`lower(${column}) like lower(${part})`;
  const rows = await joined(db)
    .where(or(plain(vehicles.plate), plain(customers.name)))
    .orderBy(desc(jobs.openedAt), jobs.id)
    .limit(MOST_FOUND);
  return linesOf(db, rows);
}

/** A job with the documents it pins: all that a browser needs to go on without the server. */
export async function viewJob(db: Connection, id: string) {
  const [row] = await joined(db).where(eq(jobs.id, id));
  if (!row) throw notFound('job', id);
  const events = await wholeLog(db, id);
  const pins = pinsOf(foldJob(events));
  if (!pins) throw notFound('job', id);
  const kits = [];
  for (const pin of pins.kits) kits.push((await getDocument(db, 'kit', pin.slug, pin.version)).document);
  return {
    id,
    bay: row.bay,
    openedAt: row.openedAt.toISOString(),
    promisedAt: row.promisedAt?.toISOString() ?? null,
    vehicle: row.vehicle,
    customer: row.customer,
    profile: (await getDocument(db, 'vehicle', pins.profile.slug, pins.profile.version)).document,
    kits,
    rules: (await getDocument(db, 'rules', pins.rules.slug, pins.rules.version)).document,
    newKit: await hasNewKit(
      db,
      id,
      pins.kits.map((kit) => kit.slug),
    ),
    taken: await takenOn(db, pins.profile.slug),
    newer: await newerDocuments(db, id),
    otherKits: (await newestDocuments(db, 'kit'))
      .map((entry) => entry.document)
      .filter((kit) => !pins.kits.some((pin) => pin.slug === kit.slug) && kit.fitments.some((fitment) => fitment.vehicle === pins.profile.slug)),
    events,
  };
}

export type JobView = Awaited<ReturnType<typeof viewJob>>;

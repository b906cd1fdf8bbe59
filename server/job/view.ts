import { and, count, desc, eq, inArray, sql, type SQL } from 'drizzle-orm';
import { FOLD_VERSION, type JobEvent } from '@jade/core/events';
import type { Shop } from '@jade/core/shop';
import type { Followed, JobLine, JobSummary, JobView } from '@jade/contract/job';
import { UNREADABLE } from '@jade/words/job';
import { jobsNamed } from '../customers/index.ts';
import { asked, tables, type Connection } from '../database/index.ts';
import { Kept, kitsFor, libraryState, newestDocuments } from '../documents/index.ts';
import { notFound } from '../faults/index.ts';
import { newerThan, pinsIn } from './pins.ts';
import { timesOn } from './times.ts';
import { newKitColumn, newKitsOf, pinnedOf } from './documents.ts';
import { isFresh, type Summaries } from './summary.ts';
import { wholeLog } from './whole-log.ts';

const { jobs, vehicles, customers } = tables;

const joined = <More extends Record<string, SQL>>(db: Connection, more = {} as More) =>
  db
    .select({
      ...more,
      id: jobs.id,
      seq: jobs.seq,
      summary: jobs.summary,
      summarySeq: jobs.summarySeq,
      foldVersion: jobs.foldVersion,
      signed: jobs.signed,
      openedAt: jobs.openedAt,
      promisedAt: jobs.promisedAt,
      bay: jobs.bay,
      follows: jobs.follows,
      vehicle: vehicles,
      customer: customers.name,
    })
    .from(jobs)
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicle))
    .innerJoin(customers, eq(customers.id, vehicles.customer));

type Row = Awaited<ReturnType<typeof joined>>[number];

async function freshSummary(db: Connection, row: Row, summaries: Summaries): Promise<JobSummary> {
  if (isFresh(row)) return JSON.parse(row.summary) as JobSummary;
  // Where very much moves the last ones are shown; whoever follows the board is told when there are others.
  if (row.summary !== '{}' && row.foldVersion === FOLD_VERSION && summaries.isBusy()) {
    summaries.later(row.id);
    return JSON.parse(row.summary) as JobSummary;
  }
  // A job that cannot be folded says so in its own line and keeps none of the others from the board.
  const made = await summaries.refresh(row.id).then(
    () => true,
    () => false,
  );
  const [again] = await db.select({ summary: jobs.summary }).from(jobs).where(eq(jobs.id, row.id));
  if (made && again && again.summary !== '{}') return JSON.parse(again.summary) as JobSummary;
  return {
    stations: [],
    holding: null,
    sentence: UNREADABLE,
    signed: row.signed,
    signedAt: null,
    cancelled: null,
    night: null,
    assigned: null,
    vehicle: row.vehicle.profile,
    kits: [],
  };
}

/** Jobs that have left the shop, of which the board is told. */
const MOST_LEFT = 50;
/** Jobs that a search gives back. */
const MOST_FOUND = 30;

async function linesOf(db: Connection, rows: readonly Row[], summaries: Summaries): Promise<JobLine[]> {
  const people = await everybody(db, {});
  const benchName = (id: string | null) => people.find((person) => person.id === id)?.benchName ?? id;
  const lines: JobLine[] = [];
  const follows = await followedOf(db, rows);
  for (const row of rows) {
    const summary = await freshSummary(db, row, summaries);
    lines.push({
      id: row.id,
      plate: row.vehicle.plate,
      profile: row.vehicle.profile,
      customer: row.customer,
      bay: row.bay,
      seq: row.seq,
      openedAt: row.openedAt.toISOString(),
      promisedAt: row.promisedAt?.toISOString() ?? null,
      follows: follows.get(row.id) ?? null,
      summary: { ...summary, assigned: benchName(summary.assigned) },
    });
  }
  return lines;
}

type Opened = JobEvent<'job.opened'>['payload'];
const openingOf = async (db: Connection, ids: readonly string[]) => {
  const { events } = tables;
  const rows = await db
    .select({ job: events.job, payload: events.payload })
    .from(events)
    .where(and(inArray(events.job, [...ids]), eq(events.seq, 1)));
  return new Map(rows.map(({ job, payload }) => [job, JSON.parse(payload) as Opened]));
};

/** The jobs that jobs follow, by the one that follows. */
async function followedOf(db: Connection, rows: readonly { id: string; follows: string | null }[]): Promise<Map<string, Followed>> {
  const those = rows.flatMap(({ id, follows }) => (follows === null ? [] : [{ id, follows }]));
  if (those.length === 0) return new Map();
  const ids = [...new Set(those.map(({ follows }) => follows))];
  const opened = new Map((await db.select({ id: jobs.id, openedAt: jobs.openedAt }).from(jobs).where(inArray(jobs.id, ids))).map((row) => [row.id, row.openedAt]));
  const openings = await openingOf(
    db,
    those.map(({ id }) => id),
  );
  return new Map(
    those.flatMap(({ id, follows }): [string, Followed][] => {
      const [at, why] = [opened.get(follows), openings.get(id)?.follows?.why];
      return at && why ? [[id, { job: follows, why, openedAt: at.toISOString() }]] : [];
    }),
  );
}

/** The jobs that follow a job, the first one first. */
async function followersOf(db: Connection, job: string): Promise<Followed[]> {
  const rows = await db.select({ id: jobs.id, openedAt: jobs.openedAt }).from(jobs).where(eq(jobs.follows, job)).orderBy(jobs.openedAt, jobs.id).limit(50);
  if (rows.length === 0) return [];
  const openings = await openingOf(
    db,
    rows.map(({ id }) => id),
  );
  return rows.flatMap(({ id, openedAt }) => {
    const why = openings.get(id)?.follows?.why;
    return why ? [{ job: id, why, openedAt: openedAt.toISOString() }] : [];
  });
}

const inShop = asked<Row[]>((db) => joined(db).where(eq(jobs.signed, false)));
const lastThatLeft = asked<Row[]>((db) => {
  // First which, along the index, then what they are: else the whole history is joined and sorted.
  const which = db.select({ id: jobs.id }).from(jobs).where(eq(jobs.signed, true)).orderBy(desc(jobs.openedAt), desc(jobs.id)).limit(MOST_LEFT).as('which');
  return joined(db).innerJoin(which, eq(which.id, jobs.id));
});
const everybody = asked<{ id: string; benchName: string }[]>((db) => db.select({ id: tables.people.id, benchName: tables.people.benchName }).from(tables.people));

/** All jobs in the shop as the day board shows them, promised first, then those that left last. */
export async function listJobs(db: Connection, summaries: Summaries): Promise<JobLine[]> {
  // One that leaves between the two questions is shown once.
  const rows = new Map([...(await inShop(db, {})), ...(await lastThatLeft(db, {}))].map((row) => [row.id, row]));
  const lines = await linesOf(db, [...rows.values()], summaries);
  return lines.sort((a, b) => Number(a.summary.signed) - Number(b.summary.signed) || (a.promisedAt ?? '9').localeCompare(b.promisedAt ?? '9') || a.id.localeCompare(b.id));
}

/** Jobs by words of plate, number, customer, kit, kind or body of the vehicle, the last opened first, whether they have left or not. */
export async function findJobs(db: Connection, text: string, summaries: Summaries): Promise<JobLine[]> {
  const found = await jobsNamed(db, text, MOST_FOUND);
  if (found.length === 0) return [];
  const rows = await joined(db).where(inArray(jobs.id, found)).orderBy(desc(jobs.openedAt), desc(jobs.id));
  return linesOf(db, rows, summaries);
}

/** What the board hangs on, in short: another text where a job on it moved, came or left. */
export async function boardState(db: Connection): Promise<string> {
  const moved = sql<string>`coalesce(sum(crc32(concat(${jobs.id}, ' ', ${jobs.seq}, ' ', ${jobs.summarySeq}, ' ', ${jobs.foldVersion}))), 0)`;
  const [row] = await db.select({ count: count(), moved }).from(jobs).where(eq(jobs.signed, false));
  return `${row?.count ?? 0} ${row?.moved ?? 0}`;
}

type Beside = Pick<JobView, 'newer' | 'otherKits' | 'currency' | 'labourCentsPerHour' | 'shop'>;

/** What the library holds beside a job's pins, as long as nothing is added to it. */
const beside = new WeakMap<Connection, Kept<Beside>>();

/** What a shop is called, and how it writes lengths and times. */
export const waysOf = ({ name = 'Jade Bench', lengths, timeZone }: Partial<Shop> = {}): JobView['shop'] => ({
  name,
  ...(lengths ? { lengths } : {}),
  ...(timeZone ? { timeZone } : {}),
});

async function besideOf(db: Connection, library: number, pins: NonNullable<ReturnType<typeof pinsIn>>): Promise<Beside> {
  const kept = beside.get(db) ?? new Kept(100);
  beside.set(db, kept);
  const key = JSON.stringify([library, pins]);
  const known = kept.get(key);
  if (known) return known;
  const otherKits = (await kitsFor(db, pins.profile.slug)).filter((kit) => ![...pins.kits, ...(pins.fitted ?? [])].some((pin) => pin.slug === kit.slug));
  const [shop] = await newestDocuments(db, 'shop');
  const { currency = '', labourCentsPerHour } = shop?.document ?? {};
  const made = { newer: await newerThan(db, pins), otherKits, currency, ...(labourCentsPerHour === undefined ? {} : { labourCentsPerHour }), shop: waysOf(shop?.document) };
  kept.set(key, made);
  return made;
}

const oneJob = asked<(Row & { newKit: boolean; library: number })[], { id: string }>((db) =>
  joined(db, { newKit: newKitColumn, library: libraryState }).where(eq(jobs.id, sql.placeholder('id'))),
);

/** A job with the documents it pins: all that a browser needs to go on without the server. */
export async function viewJob(db: Connection, id: string): Promise<JobView> {
  const [row] = await oneJob(db, { id });
  if (!row) throw notFound('job', id);
  const events = await wholeLog(db, id);
  const pins = pinsIn(events);
  if (!pins) throw notFound('job', id);
  const { profile, kits, fitted, rules, plugs } = await pinnedOf(db, events, pins);
  return {
    id,
    bay: row.bay,
    openedAt: row.openedAt.toISOString(),
    promisedAt: row.promisedAt?.toISOString() ?? null,
    vehicle: row.vehicle,
    customer: row.customer,
    profile,
    kits,
    ...(fitted ? { fitted } : {}),
    follows: (await followedOf(db, [row])).get(id) ?? null,
    followedBy: await followersOf(db, id),
    rules,
    ...(plugs ? { plugs } : {}),
    newKit: row.newKit,
    newKits: row.newKit ? await newKitsOf(db, id) : [],
    taken: (await timesOn(db, pins.profile.slug, pins.profile.version)).taken,
    ...(await besideOf(db, row.library, pins)),
    events: [...events],
  };
}

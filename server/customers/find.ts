import { and, count, desc, eq, exists, inArray, isNull, or, sql, type SQL, type SQLWrapper } from 'drizzle-orm';
import { plateKey } from '@jade/core/customers';
import type { JobEvent } from '@jade/core/events';
import type { CustomerFound, CustomerShown, CustomersFound, VehicleFound, VehicleShown, VehiclesFound, Visit } from '@jade/contract/customers';
import { tables, type Connection } from '../database/index.ts';
import { libraryState, titlesOf } from '../documents/index.ts';
import { notFound } from '../faults/index.ts';

const { customers, events, jobs, vehicles } = tables;

/** Vehicles or customers that a search gives back. */
export const MOST_FOUND = 30;
/** Words of a search that count. */
const MOST_WORDS = 6;

const like = (column: SQLWrapper, part: string) => sql`lower(${column}) like lower(${`%${part.replaceAll(/[\\%_]/g, '\\$&')}%`})`;
const wordsOf = (text: string) => text.trim().split(/\s+/u).filter(Boolean).slice(0, MOST_WORDS);

/** Every word is in the plate, in the number or in the customer's name; a plate may also be written with spaces. */
function named(text: string): SQL | undefined {
  const words = wordsOf(text);
  if (words.length === 0) return undefined;
  const each = words.map((word) => {
    const key = plateKey(word);
    return or(key ? like(vehicles.plateKey, key) : undefined, like(vehicles.number, word), like(customers.name, word));
  });
  const whole = plateKey(text);
  return or(and(...each), whole ? like(vehicles.plateKey, whole) : undefined);
}

/** What the library is searched by, as long as nothing is added to it: names of kits and kinds of vehicle, and the body of these. */
const library = new WeakMap<Connection, { state: number; entries: { kind: string; slug: string; text: string }[] }>();

async function libraryEntries(db: Connection) {
  const { documents } = tables;
  const [row] = await db.select({ state: libraryState }).from(sql`dual`);
  const known = library.get(db);
  if (known && known.state === row?.state) return known.entries;
  const rows = await db
    .select({ kind: documents.kind, slug: documents.slug, title: documents.title, body: sql<string | null>`json_value(${documents.body}, '$.body')` })
    .from(documents)
    .where(inArray(documents.kind, ['vehicle', 'kit']));
  const entries = rows.map(({ kind, slug, title, body }) => ({ kind, slug, text: `${title} ${body ?? ''}`.toLowerCase() }));
  library.set(db, { state: row?.state ?? 0, entries });
  return entries;
}

/** Every word of a search is in the plate, the number, the customer's name, the kind or body of the vehicle, or the name of a kit of the job. */
async function namedJob(db: Connection, text: string): Promise<SQL | undefined> {
  const { jobKits } = tables;
  const entries = await libraryEntries(db);
  return and(
    ...wordsOf(text).map((word) => {
      const key = plateKey(word);
      const slugs = (kind: string) => [...new Set(entries.filter((entry) => entry.kind === kind && entry.text.includes(word.toLowerCase())).map(({ slug }) => slug))];
      const [kinds, kits] = [slugs('vehicle'), slugs('kit')];
      const kit = db
        .select({ job: jobKits.job })
        .from(jobKits)
        .where(and(eq(jobKits.job, jobs.id), inArray(jobKits.kit, kits)));
      return or(
        key ? like(vehicles.plateKey, key) : undefined,
        like(vehicles.number, word),
        like(customers.name, word),
        kinds.length > 0 ? inArray(vehicles.profile, kinds) : undefined,
        kits.length > 0 ? exists(kit) : undefined,
      );
    }),
  );
}

/** Ids of jobs that a search names, the last opened first, at most so many: by plate, number, customer, kit, kind of vehicle or body. */
export async function jobsNamed(db: Connection, text: string, most: number): Promise<string[]> {
  const whole = plateKey(text);
  const rows = await db
    .select({ id: jobs.id })
    .from(jobs)
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicle))
    .innerJoin(customers, eq(customers.id, vehicles.customer))
    .where(or(await namedJob(db, text), whole ? like(vehicles.plateKey, whole) : undefined))
    .orderBy(desc(jobs.openedAt), desc(jobs.id))
    .limit(most);
  return rows.map((row) => row.id);
}

const owned = (db: Connection) =>
  db
    .select({
      id: vehicles.id,
      plate: vehicles.plate,
      number: vehicles.number,
      profile: vehicles.profile,
      year: vehicles.year,
      colour: vehicles.colour,
      rev: vehicles.rev,
      customer: { id: customers.id, name: customers.name },
    })
    .from(vehicles)
    .innerJoin(customers, eq(customers.id, vehicles.customer));

type Owned = Awaited<ReturnType<typeof owned>>[number];

/** Kits of jobs as they are now, without those that are not fitted after all. */
async function kitsOf(db: Connection, ids: readonly string[]): Promise<Map<string, string[]>> {
  const { jobKits } = tables;
  const found = new Map<string, string[]>();
  if (ids.length === 0) return found;
  const rows = await db
    .select({ job: jobKits.job, kit: jobKits.kit })
    .from(jobKits)
    .where(and(inArray(jobKits.job, [...ids]), eq(jobKits.dropped, false)))
    .orderBy(jobKits.kit);
  for (const { job, kit } of rows) found.set(job, [...(found.get(job) ?? []), kit]);
  return found;
}

/** Visits of vehicles to the shop, the last first; at most `most` of each. */
async function visitsOf(db: Connection, ids: readonly string[], most: number): Promise<Map<string, Visit[]>> {
  const found = new Map<string, Visit[]>(ids.map((id) => [id, []]));
  if (ids.length === 0) return found;
  const rank = sql<number>`row_number() over (partition by ${jobs.vehicle} order by ${jobs.openedAt} desc, ${jobs.id} desc)`.as('place');
  const ranked = db
    .select({ id: jobs.id, vehicle: jobs.vehicle, openedAt: jobs.openedAt, signed: jobs.signed, place: rank })
    .from(jobs)
    .where(inArray(jobs.vehicle, [...ids]))
    .as('ranked');
  const rows = await db
    .select({ job: ranked.id, vehicle: ranked.vehicle, openedAt: ranked.openedAt, signed: ranked.signed, payload: events.payload })
    .from(ranked)
    .innerJoin(events, and(eq(events.job, ranked.id), eq(events.seq, 1)))
    .where(sql`${ranked.place} <= ${most}`)
    .orderBy(desc(ranked.openedAt), desc(ranked.id));
  const opened = rows.map((row) => ({ ...row, payload: JSON.parse(row.payload) as JobEvent<'job.opened'>['payload'] }));
  const kits = await kitsOf(
    db,
    opened.map(({ job }) => job),
  );
  // What an earlier job fitted is on the vehicle too.
  const on = new Map(opened.map(({ job, payload }) => [job, [...(payload.fitted ?? []).map(({ slug }) => slug), ...(kits.get(job) ?? [])]]));
  const titles = await titlesOf(db, 'kit', [...new Set([...on.values()].flat())]);
  for (const { job, vehicle, openedAt, signed, payload } of opened)
    found.get(vehicle)?.push({ job, openedAt: openedAt.toISOString(), signed, kits: (on.get(job) ?? []).map((kit) => titles.get(kit) ?? kit), mileage: payload.mileage ?? null });
  return found;
}

async function asFound(db: Connection, rows: readonly Owned[]): Promise<VehicleFound[]> {
  const ids = rows.map((row) => row.id);
  const kinds = await titlesOf(db, 'vehicle', [...new Set(rows.map((row) => row.profile))]);
  const last = await visitsOf(db, ids, 1);
  const counts = ids.length === 0 ? [] : await db.select({ vehicle: jobs.vehicle, count: count() }).from(jobs).where(inArray(jobs.vehicle, ids)).groupBy(jobs.vehicle);
  const visits = new Map(counts.map((row) => [row.vehicle, row.count]));
  return rows.map(({ rev: _, ...row }) => ({ ...row, kind: kinds.get(row.profile) ?? row.profile, visits: visits.get(row.id) ?? 0, lastVisit: last.get(row.id)?.[0] ?? null }));
}

/** Vehicles by words of plate, number or customer, by plate; at most `MOST_FOUND`, with how many there are. */
export async function findVehicles(db: Connection, text: string): Promise<VehiclesFound> {
  const { ids, count: all } = await vehicleIds(db, text);
  const rows = ids.length === 0 ? [] : await owned(db).where(inArray(vehicles.id, ids)).orderBy(vehicles.plateKey, vehicles.id);
  return { vehicles: await asFound(db, rows), count: all };
}

/** Vehicles that a search counts; one that names more is too wide to be read through anyway. */
const MOST_COUNTED = 2000;

/** Ids of the first vehicles that a search names, and how many it names, counted up to a limit. */
async function vehicleIds(db: Connection, text: string): Promise<{ ids: string[]; count: number }> {
  if (named(text) !== undefined) {
    const found = await vehiclesNamed(db, text, MOST_COUNTED);
    return { ids: found.slice(0, MOST_FOUND), count: found.length };
  }
  const known = isNull(vehicles.mergedInto);
  const first = await db.select({ id: vehicles.id }).from(vehicles).where(known).orderBy(vehicles.plateKey, vehicles.id).limit(MOST_FOUND);
  const [all] = await db.select({ count: count() }).from(vehicles).where(known);
  return { ids: first.map((row) => row.id), count: all?.count ?? first.length };
}

/** Ids of vehicles that a search names, by plate, at most so many. */
export async function vehiclesNamed(db: Connection, text: string, most: number): Promise<string[]> {
  const rows = await db
    .select({ id: vehicles.id })
    .from(vehicles)
    .innerJoin(customers, eq(customers.id, vehicles.customer))
    .where(and(isNull(vehicles.mergedInto), named(text)))
    .orderBy(vehicles.plateKey, vehicles.id)
    .limit(most);
  return rows.map((row) => row.id);
}

/** The vehicle that an id stands for now: itself, or the one it was merged into. */
export async function vehicleNow(db: Connection, id: string): Promise<string> {
  const [row] = await db.select({ mergedInto: vehicles.mergedInto }).from(vehicles).where(eq(vehicles.id, id));
  if (!row) throw notFound('vehicle', id);
  return row.mergedInto ?? id;
}

/** A vehicle with its whole history. */
export async function showVehicle(db: Connection, id: string): Promise<VehicleShown> {
  const now = await vehicleNow(db, id);
  const [row] = await owned(db).where(eq(vehicles.id, now));
  if (!row) throw notFound('vehicle', id);
  const kinds = await titlesOf(db, 'vehicle', [row.profile]);
  const visits = await visitsOf(db, [now], 500);
  return { ...row, kind: kinds.get(row.profile) ?? row.profile, visits: visits.get(now) ?? [] };
}

const counted = (db: Connection) =>
  db
    .select({
      id: customers.id,
      name: customers.name,
      note: customers.note,
      rev: customers.rev,
      vehicles: sql<number>`(select count(*) from vehicles v where v.customer = customers.id and v.merged_into is null)`.mapWith(Number),
    })
    .from(customers);

/** Customers by words of their name; at most `MOST_FOUND`, with how many there are. */
export async function findCustomers(db: Connection, text: string): Promise<CustomersFound> {
  const which = and(isNull(customers.mergedInto), ...wordsOf(text).map((word) => like(customers.name, word)));
  const rows: CustomerFound[] = await counted(db).where(which).orderBy(customers.name, customers.id).limit(MOST_FOUND);
  const [all] = rows.length < MOST_FOUND ? [{ count: rows.length }] : await db.select({ count: count() }).from(customers).where(which);
  return { customers: rows, count: all?.count ?? rows.length };
}

/** A customer with all vehicles. */
export async function showCustomer(db: Connection, id: string): Promise<CustomerShown> {
  const [known] = await db.select({ mergedInto: customers.mergedInto }).from(customers).where(eq(customers.id, id));
  const now = known?.mergedInto ?? id;
  const [row] = await counted(db).where(eq(customers.id, now));
  if (!row) throw notFound('customer', id);
  const rows = await owned(db)
    .where(and(eq(vehicles.customer, now), isNull(vehicles.mergedInto)))
    .orderBy(vehicles.plateKey, vehicles.id)
    .limit(500);
  return { ...row, vehicles: await asFound(db, rows) };
}

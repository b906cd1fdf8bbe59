import { createHash } from 'node:crypto';
import { eq, sql, type AnyColumn } from 'drizzle-orm';
import { FaultyInput, type Fault } from '@jade/core/faults';
import type { Shop, ShopJob } from '@jade/core/shop';
import { checkEvent } from '@jade/contract/job';
import { vehicleRow } from '../customers/index.ts';
import { tables, type Connection } from '../database/index.ts';
import { appendEvents, openJob, writeSummary } from '../job/index.ts';

const DAY_MS = 86_400_000;
const DEVICE = 'counter';

/** A UUID of version 7's form that is always the same for the same words, so that a load twice changes nothing. */
function fixedId(words: string): string {
  const hex = createHash('sha256').update(words).digest('hex');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-7${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`;
}

function timeOf(now: Date, days: number, clock: string): Date {
  const day = new Date(now.getTime() + days * DAY_MS).toISOString().slice(0, 10);
  return new Date(`${day}T${clock}:00.000Z`);
}

/** A moment of the past: what would lie ahead of now happened now. */
function pastTime(now: Date, daysAgo: number, clock: string): Date {
  return new Date(Math.min(now.getTime(), timeOf(now, -daysAgo, clock).getTime()));
}

function eventsOf(job: ShopJob, now: Date) {
  return job.log.map((entry, index) => ({
    event: { id: fixedId(`${job.id}/${index}`), type: entry.type, v: 1, at: pastTime(now, entry.daysAgo, entry.at).toISOString(), payload: entry.payload },
    by: entry.by,
  }));
}

function logFaults(shop: Shop, now: Date): Fault[] {
  return shop.jobs.flatMap((job, index) =>
    eventsOf(job, now).flatMap(({ event }, place) => {
      const checked = checkEvent(event, `jobs[${index}].log[${place}]`);
      return 'faults' in checked ? checked.faults : [];
    }),
  );
}

async function loadJob(tx: Connection, shop: Shop, job: ShopJob, now: Date): Promise<void> {
  const [known] = await tx.select({ id: tables.jobs.id }).from(tables.jobs).where(eq(tables.jobs.id, job.id));
  if (known) return;
  const first = job.log[0];
  const opened = pastTime(now, first?.daysAgo ?? 0, first?.at ?? '07:30');
  const promisedAt = job.promisedInDays === undefined ? undefined : timeOf(now, job.promisedInDays, job.promisedAt ?? '16:00');
  const by = first?.by ?? shop.people[0]?.id ?? 'counter';
  await openJob(
    tx,
    { id: job.id, eventId: fixedId(`${job.id}/opened`), vehicle: job.vehicle, kits: job.kits, rules: shop.rules, at: opened, promisedAt, bay: job.bay },
    { person: by, device: DEVICE },
  );
  const entries = eventsOf(job, now);
  await appendEvents(
    tx,
    job.id,
    entries.map(({ event }) => event),
    (place) => ({ person: entries[place]?.by ?? by, device: DEVICE }),
  );
  await writeSummary(tx, job.id);
}

/** The value that comes in, but that of the shop where somebody changed the row by hand or joined it to another. */
function unlessChanged({ rev, mergedInto }: { rev: AnyColumn; mergedInto: AnyColumn }, column: AnyColumn) {
  return sql`if(${rev} = 1 and ${mergedInto} is null, values(${column}), ${column})`;
}

/** The same of a person, whom nobody joins to another. */
const unlessByHand = (column: AnyColumn) => sql`if(${tables.people.rev} = 1, values(${column}), ${column})`;

/** Loads people, customers, vehicles and jobs of a shop document. People and vehicles are brought up to date unless they were changed by hand since, jobs only added. */
export async function loadShop(tx: Connection, shop: Shop, now = new Date()): Promise<void> {
  const faults = logFaults(shop, now);
  if (faults.length > 0) throw new FaultyInput(faults);
  for (const person of shop.people)
    await tx
      .insert(tables.people)
      .values(person)
      .onDuplicateKeyUpdate({ set: { benchName: unlessByHand(tables.people.benchName), role: unlessByHand(tables.people.role) } });
  for (const { id, name, note } of shop.customers) {
    const { customers } = tables;
    await tx
      .insert(customers)
      .values({ id, name, note })
      .onDuplicateKeyUpdate({ set: { name: unlessChanged(customers, customers.name), note: unlessChanged(customers, customers.note) } });
  }
  for (const { id, ...vehicle } of shop.vehicles) {
    const { vehicles } = tables;
    const row = vehicleRow(vehicle);
    const set = Object.fromEntries((Object.keys(row) as (keyof typeof row)[]).map((field) => [field, unlessChanged(vehicles, vehicles[field])]));
    await tx
      .insert(vehicles)
      .values({ id, ...row })
      .onDuplicateKeyUpdate({ set });
  }
  for (const job of shop.jobs) await loadJob(tx, shop, job, now);
}

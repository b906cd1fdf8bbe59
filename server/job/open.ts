import { and, desc, eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import { foldJob, type JobEvent } from '@jade/core/job';
import { tables, type Connection } from '../database/index.ts';
import { canonicalHash, getDocument } from '../documents/index.ts';
import { notFound, Refusal } from '../faults/index.ts';
import { insertEvents } from './chain.ts';
import { eventRow, readEvents, type Author } from './log.ts';

export interface JobToOpen {
  id: string;
  eventId: string;
  vehicle: string;
  kits: string[];
  rules: string;
  at: Date;
  promisedAt?: Date;
  bay?: string;
}

/** Refuses a job whose id was used to open another one; the same one again is the same job. */
export async function refuseOther(tx: Connection, { id, vehicle, kits, promisedAt }: Pick<JobToOpen, 'id' | 'vehicle' | 'kits' | 'promisedAt'>): Promise<void> {
  const [first] = await tx
    .select({ payload: tables.events.payload })
    .from(tables.events)
    .where(and(eq(tables.events.job, id), eq(tables.events.seq, 1)));
  if (!first) return;
  const payload = JSON.parse(first.payload) as JobEvent<'job.opened'>['payload'];
  const slugs = payload.kits.map((kit) => kit.slug);
  const same = payload.vehicle === vehicle && slugs.join() === kits.join() && payload.promisedAt === promisedAt?.toISOString();
  if (!same) throw new Refusal(409, [{ path: 'id', code: 'conflict', data: { what: 'this id was used to open another job' } }]);
}

/** Facts known from the vehicle's last job, each with the day it was seen: the new job takes them as assumed, not as known. */
async function factsOfLastJob(tx: Connection, vehicle: string): Promise<JobEvent<'fact.recorded'>['payload'][]> {
  const [last] = await tx
    .select({ id: tables.jobs.id })
    .from(tables.jobs)
    .where(eq(tables.jobs.vehicle, vehicle))
    .orderBy(desc(tables.jobs.openedAt), desc(tables.jobs.id))
    .limit(1);
  if (!last) return [];
  const log = await readEvents(tx, last.id);
  const seenAt = new Map(log.flatMap((event) => (event.type === 'fact.recorded' ? [[event.payload.fact, event.payload.seenAt ?? event.at] as const] : [])));
  return Object.entries(foldJob(log).facts).flatMap(([fact, { certainty, value }]) =>
    certainty === 'unknown' || value === undefined ? [] : [{ fact, certainty: 'assumed' as const, value, seenAt: seenAt.get(fact) }],
  );
}

/**
 * Opens a job with the newest versions of its documents pinned: its row, the opening event as number one of its log, and what the
 * vehicle's last job knew of its facts. Gives back the last seq.
 */
export async function openJob(tx: Connection, job: JobToOpen, author: Author): Promise<number> {
  const [vehicle] = await tx.select().from(tables.vehicles).where(eq(tables.vehicles.id, job.vehicle));
  if (!vehicle) throw notFound('vehicle', job.vehicle);
  const pin = async (kind: 'vehicle' | 'kit' | 'rules', slug: string) => {
    const { version } = await getDocument(tx, kind, slug);
    return { slug, version };
  };
  const kits = [];
  for (const slug of job.kits) kits.push(await pin('kit', slug));
  const event: JobEvent<'job.opened'> = {
    id: job.eventId,
    type: 'job.opened',
    v: 1,
    at: job.at.toISOString(),
    payload: {
      vehicle: job.vehicle,
      profile: await pin('vehicle', vehicle.profile),
      kits,
      rules: await pin('rules', job.rules),
      ...(job.promisedAt ? { promisedAt: job.promisedAt.toISOString() } : {}),
    },
  };
  const carried = (await factsOfLastJob(tx, job.vehicle)).map((payload): JobEvent<'fact.recorded'> => ({
    id: v7(),
    type: 'fact.recorded',
    v: 1,
    at: job.at.toISOString(),
    payload,
  }));
  const events = [event, ...carried];
  await tx
    .insert(tables.jobs)
    .values({ id: job.id, vehicle: job.vehicle, seq: events.length, summary: '{}', foldVersion: 0, openedAt: job.at, promisedAt: job.promisedAt, bay: job.bay });
  if (kits.length > 0) await tx.insert(tables.jobKits).values([...new Set(job.kits)].map((kit) => ({ job: job.id, kit })));
  await insertEvents(
    tx,
    events.map((entry, index) => eventRow(job.id, index + 1, entry, canonicalHash(entry), author)),
  );
  return events.length;
}

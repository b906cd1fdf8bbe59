import { and, desc, eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import { foldJob } from '@jade/core/log';
import { hasLeft, type BroughtIn, type FittedKit, type FollowsWhy, type JobEvent } from '@jade/core/events';
import { isDropped } from '@jade/core/job';
import { duplicateIds, FaultyInput } from '@jade/core/faults';
import type { NewJob } from '@jade/contract/job';
import { makeVehicle, vehicleNow } from '../customers/index.ts';
import { tables, type Connection } from '../database/index.ts';
import { canonicalHash, getDocument, newestDocuments } from '../documents/index.ts';
import { notFound, Refusal } from '../faults/index.ts';
import { insertEvents } from './chain.ts';
import { eventRow, type Author } from './log.ts';
import { plugsOfShop } from './library.ts';
import { makeKit } from './make-kit.ts';
import { readEvents } from './whole-log.ts';

export interface JobToOpen {
  id: string;
  eventId: string;
  vehicle: string;
  kits: string[];
  rules: string;
  at: Date;
  promisedAt?: Date;
  bay?: string;
  brought?: BroughtIn;
  follows?: { job: string; why: FollowsWhy };
}

/** Refuses a job whose id was used to open another one; the same one again is the same job. */
async function refuseOther(tx: Connection, { id, vehicle, kits, promisedAt, brought, follows }: JobToOpen): Promise<void> {
  const [first] = await tx
    .select({ payload: tables.events.payload })
    .from(tables.events)
    .where(and(eq(tables.events.job, id), eq(tables.events.seq, 1)));
  if (!first) return;
  const payload = JSON.parse(first.payload) as JobEvent<'job.opened'>['payload'];
  const slugs = payload.kits.map((kit) => kit.slug);
  const { wish, mileage, keys } = payload;
  const same =
    (await vehicleNow(tx, payload.vehicle)) === vehicle &&
    slugs.join() === kits.join() &&
    payload.promisedAt === promisedAt?.toISOString() &&
    payload.follows?.job === follows?.job &&
    payload.follows?.why === follows?.why &&
    canonicalHash({ wish, mileage, keys }) === canonicalHash({ wish: brought?.wish, mileage: brought?.mileage, keys: brought?.keys });
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
 * What was on the vehicle when the job that is followed left: its kits that were not dropped, with those that it followed itself, and the options that
 * were chosen for them. It has to be a job of this vehicle that has left and fitted something.
 */
async function fittedBy(tx: Connection, job: string, vehicle: string): Promise<FittedKit[]> {
  const [row] = await tx.select({ vehicle: tables.jobs.vehicle }).from(tables.jobs).where(eq(tables.jobs.id, job));
  if (!row || row.vehicle !== vehicle) throw new FaultyInput([{ path: 'follows.job', code: 'unknown-id', data: { id: job, what: 'job of this vehicle' } }]);
  const state = foldJob(await readEvents(tx, job));
  const against = (what: string) => new Refusal(409, [{ path: 'follows.job', code: 'conflict', data: { what } }]);
  if (!hasLeft(state)) throw against('that job is still open: go on with it');
  const { kits = [], fitted = [] } = state.opened ?? {};
  const own = kits.filter(({ slug }) => !isDropped({ state }, slug));
  const all = [...fitted.filter(({ slug }) => !own.some((pin) => pin.slug === slug)), ...own];
  if (all.length === 0) throw against('that job fitted nothing');
  const known: FittedKit[] = [];
  for (const { slug, version } of all) {
    // One that was described on that job is known only by the version that it was kept as since.
    const now = state.kitsDescribed[slug] ? (await getDocument(tx, 'kit', slug)).version : version;
    known.push({ slug, version: now, options: Object.entries(state.options[slug] ?? {}).map(([option, choice]) => ({ option, choice })) });
  }
  return known;
}

/**
 * Opens a job with the newest versions of its documents pinned: its row, the opening event as number one of its log, and what the
 * vehicle's last job knew of its facts. Gives back the last seq.
 */
export async function openJob(tx: Connection, job: JobToOpen, author: Author): Promise<number> {
  const [vehicle] = await tx.select().from(tables.vehicles).where(eq(tables.vehicles.id, job.vehicle));
  if (!vehicle) throw notFound('vehicle', job.vehicle);
  const pin = async (kind: 'vehicle' | 'kit' | 'rules' | 'plugs', slug: string) => {
    const { version } = await getDocument(tx, kind, slug);
    return { slug, version };
  };
  const plugs = await plugsOfShop(tx);
  const kits = [];
  for (const slug of job.kits) kits.push(await pin('kit', slug));
  const fitted = job.follows && (await fittedBy(tx, job.follows.job, job.vehicle));
  const twice = fitted?.find(({ slug }) => job.kits.includes(slug));
  if (twice) throw new Refusal(409, [{ path: `kits[${job.kits.indexOf(twice.slug)}].slug`, code: 'conflict', data: { what: 'this kit is on the vehicle already' } }]);
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
      ...(plugs === undefined ? {} : { plugs: await pin('plugs', plugs) }),
      ...(job.promisedAt ? { promisedAt: job.promisedAt.toISOString() } : {}),
      ...(job.bay === undefined ? {} : { bay: job.bay }),
      ...(job.follows ? { follows: job.follows } : {}),
      ...(fitted ? { fitted } : {}),
      ...job.brought,
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
  await tx.insert(tables.jobs).values({
    id: job.id,
    vehicle: job.vehicle,
    seq: events.length,
    summary: '{}',
    foldVersion: 0,
    openedAt: job.at,
    promisedAt: job.promisedAt,
    bay: job.bay,
    follows: job.follows?.job,
  });
  if (kits.length > 0) await tx.insert(tables.jobKits).values([...new Set(job.kits)].map((kit) => ({ job: job.id, kit })));
  await insertEvents(
    tx,
    events.map((entry, index) => eventRow(job.id, index + 1, entry, canonicalHash(entry), author)),
    '',
  );
  return events.length;
}

/** The vehicle of a request for a job: one of the shop, or one that is made with the job. */
async function vehicleOf(tx: Connection, { id, vehicle, newVehicle }: NewJob): Promise<string> {
  if ((vehicle === undefined) === (newVehicle === undefined)) throw new FaultyInput([{ path: 'vehicle', code: 'one-of', data: { choices: 'vehicle, newVehicle' } }]);
  return newVehicle ? (await makeVehicle(tx, id, newVehicle)).id : vehicleNow(tx, vehicle ?? '');
}

/** Opens the job that somebody asked for, with its vehicle and customer where they are new. Gives back its last seq, undefined where it was opened before. */
export async function openAsked(tx: Connection, asked: NewJob, author: Author): Promise<number | undefined> {
  const twice = duplicateIds(
    asked.kits.map((kit) => ({ id: kit.slug })),
    'kits',
  ).map((fault) => ({ ...fault, path: fault.path.replace(/id$/, 'slug') }));
  if (twice.length > 0) throw new FaultyInput(twice);
  const [shop] = await newestDocuments(tx, 'shop');
  const rules = shop?.document.rules ?? (await newestDocuments(tx, 'rules'))[0]?.slug;
  if (rules === undefined) throw notFound('rules', 'any');
  if (asked.bay !== undefined && shop && !shop.document.bays.includes(asked.bay)) {
    throw new FaultyInput([{ path: 'bay', code: 'choice', data: { value: asked.bay, choices: shop.document.bays.join(', ') } }]);
  }
  const { wish, mileage, keys, promisedAt, bay, follows } = asked;
  const job: JobToOpen = {
    id: jobIdOf(asked),
    eventId: asked.id,
    vehicle: await vehicleOf(tx, asked),
    kits: asked.kits.map((kit) => kit.slug),
    rules,
    at: new Date(),
    promisedAt: promisedAt ? new Date(promisedAt) : undefined,
    bay,
    ...(follows ? { follows } : {}),
    brought: { ...(wish ? { wish } : {}), ...(mileage ? { mileage } : {}), ...(keys ? { keys } : {}) },
  };
  const [known] = await tx.select({ id: tables.jobs.id }).from(tables.jobs).where(eq(tables.jobs.id, job.id));
  if (known) {
    await refuseOther(tx, job);
    return undefined;
  }
  for (const [index, { slug, make }] of asked.kits.entries()) if (make) await makeKit(tx, make, slug, `kits[${index}]`);
  if (asked.kits.length === 0 && !asked.follows) throw new FaultyInput([{ path: 'kits', code: 'missing', data: {} }]);
  return openJob(tx, job, author);
}

/** Id of the job that a request opens: made from the client's, so that it is the same when it is sent again. */
export const jobIdOf = ({ id }: Pick<NewJob, 'id'>): string => `job-${id}`;

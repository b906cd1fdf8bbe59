import { createHash } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import type { ShopWays } from '@jade/words/units';
import { foldJob } from '@jade/core/log';
import { tables, type Database } from '../database/index.ts';
import { newestDocuments } from '../documents/index.ts';
import { Refusal } from '../faults/index.ts';
import { contextOf, waysOf, wholeLog } from '../job/index.ts';
import { photoOf } from '../photos/index.ts';
import { sheetOf } from '@jade/core/sheet';
import { sheetContent } from '@jade/words/sheet';
import { drawSheet } from './pdf.ts';

export { FACES } from './faces.ts';
export * from './pdf.ts';

const { sheets, jobs, vehicles, customers, people } = tables;

/** A sheet that is larger is made anew each time it is asked for. */
const MOST_BYTES = 12_000_000;

/** The pictures of photos that have come, by hash. */
async function picturesOf(db: Database, photos: readonly { hash: string }[]): Promise<Map<string, Buffer>> {
  const pictures = new Map<string, Buffer>();
  for (const { hash } of photos) {
    const picture = await photoOf(db, hash);
    if (picture) pictures.set(hash, picture);
  }
  return pictures;
}

/** Whose vehicle a paper of a job is about, and whose paper it is. */
export async function whose(db: Database, job: string): Promise<{ shop: string; job: string; plate: string; customer: string } & ShopWays> {
  const [row] = await db
    .select({ plate: vehicles.plate, customer: customers.name })
    .from(jobs)
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicle))
    .innerJoin(customers, eq(customers.id, vehicles.customer))
    .where(eq(jobs.id, job));
  const [shop] = await newestDocuments(db, 'shop');
  const { name, ...ways } = waysOf(shop?.document);
  return { ...ways, shop: name, job, plate: row?.plate ?? '', customer: row?.customer ?? '' };
}

/**
 * Makes the sheet of a signed job from the fold up to its signing event, once: what is kept is given back as it is. Undefined
 * where the job is not signed.
 */
export async function ensureSheet(db: Database, job: string): Promise<{ hash: string; pdf: Buffer } | undefined> {
  const log = await wholeLog(db, job);
  const { signed } = foldJob(log);
  const signing = signed && log.find((event) => event.id === signed.event);
  const seq = signing?.seq;
  if (!signing || seq === undefined) return undefined;
  const [kept] = await db
    .select()
    .from(sheets)
    .where(and(eq(sheets.job, job), eq(sheets.seq, seq)));
  if (kept) return { hash: kept.hash, pdf: kept.pdf };
  const until = log.filter((event) => (event.seq ?? 0) <= seq);
  const context = await contextOf(db, job, foldJob(until), log);
  if (!context) return undefined;
  const names = new Map((await db.select({ id: people.id, benchName: people.benchName }).from(people)).map(({ id, benchName }) => [id, benchName]));
  const benchName = (person: string) => names.get(person) ?? person;
  const at = new Date(signing.at).toISOString();
  const frame = { ...(await whose(db, job)), signedBy: benchName(signing.person ?? ''), at, benchName };
  const content = sheetContent(sheetOf(context, until, at), context, frame);
  const pictures = await picturesOf(db, content.photos);
  const pdf = await drawSheet(content, at, pictures);
  const hash = createHash('sha256').update(pdf).digest('hex');
  // While a picture is still on its way it is made anew each time, until it is whole.
  if (content.photos.some((photo) => !pictures.has(photo.hash)) || pdf.length > MOST_BYTES) return { hash, pdf };
  await db.insert(sheets).ignore().values({ job, seq, hash, pdf, madeAt: new Date() });
  return { hash, pdf };
}

/** The customer's sheet of a signed job. */
export function sheetRoutes(app: FastifyInstance, { db }: { db: Database }): void {
  app.get<{ Params: { id: string } }>('/api/jobs/:id/sheet.pdf', async ({ params }, reply) => {
    const sheet = await ensureSheet(db, params.id);
    if (!sheet) throw new Refusal(404, [{ path: 'sheet', code: 'not-available', data: { what: 'the sheet before the job is signed' } }]);
    return reply.header('content-type', 'application/pdf').header('content-disposition', `inline; filename="${params.id}.pdf"`).header('etag', `"${sheet.hash}"`).send(sheet.pdf);
  });
}

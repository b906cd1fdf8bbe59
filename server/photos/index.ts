import { createHash } from 'node:crypto';
import { count, eq, inArray, sql } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import { FaultyInput, type Fault } from '@jade/core/faults';
import { jpegFacts, LONGEST_EDGE_PX, MOST_PHOTO_BYTES, MOST_PHOTOS } from '@jade/core/photos';
import { asked, retrying, tables, type Connection, type Database } from '../database/index.ts';
import { notFound, Refusal } from '../faults/index.ts';
import { requireRight } from '../people/index.ts';
import { earlierPhotos, paperPages } from './places.ts';

export { bringsPhotos, keepPlaces } from './places.ts';

const { jobs, photos } = tables;

/** Pictures that a job may bring: each photo with its small one, and as many again twice over for those that were taken back. */
const MOST_PICTURES = 3 * 2 * MOST_PHOTOS;

/** Kits whose papers are asked for at once, at most. */
const MOST_KITS_ASKED = 40;

/** What is wrong with bytes that are to be kept as a photo under a hash. */
function photoFaults(bytes: unknown, hash: string): Fault[] {
  const facts = Buffer.isBuffer(bytes) ? jpegFacts(bytes) : undefined;
  if (!Buffer.isBuffer(bytes) || !facts) return [{ path: 'photo', code: 'type', data: { expected: 'a JPEG' } }];
  if (Math.max(facts.widthPx, facts.heightPx) > LONGEST_EDGE_PX) return [{ path: 'photo', code: 'too-large', data: { most: `${LONGEST_EDGE_PX} px along its longer edge` } }];
  if (facts.records) return [{ path: 'photo', code: 'camera-records', data: {} }];
  return createHash('sha256').update(bytes).digest('hex') === hash ? [] : [{ path: 'hash', code: 'other-hash', data: { hash } }];
}

/** Keeps a picture once; gives back whether it was not there before. */
async function keepPhoto(tx: Connection, job: string, hash: string, body: Buffer): Promise<boolean> {
  const [row] = await tx.select({ id: jobs.id }).from(jobs).where(eq(jobs.id, job)).for('update');
  if (!row) throw notFound('job', job);
  const [there] = await tx.select({ hash: photos.hash }).from(photos).where(eq(photos.hash, hash));
  if (there) return false;
  const [brought] = await tx.select({ count: count() }).from(photos).where(eq(photos.job, job));
  if ((brought?.count ?? 0) >= MOST_PICTURES) throw new Refusal(409, [{ path: 'photo', code: 'too-many-photos', data: { most: MOST_PHOTOS } }]);
  // The same one may come from two devices at one time.
  await tx.insert(photos).ignore().values({ hash, job, body });
  return true;
}

const bodyOf = asked<{ body: Buffer }[], { hash: string }>((db) =>
  db
    .select({ body: photos.body })
    .from(photos)
    .where(eq(photos.hash, sql.placeholder('hash'))),
);

/** The picture of a hash, where it is kept. */
export const photoOf = async (db: Connection, hash: string): Promise<Buffer | undefined> => (await bodyOf(db, { hash }))[0]?.body;

/** Which of these pictures are kept. */
export async function keptOf(db: Connection, hashes: readonly string[]): Promise<string[]> {
  if (hashes.length === 0) return [];
  return (
    await db
      .select({ hash: photos.hash })
      .from(photos)
      .where(inArray(photos.hash, [...hashes]))
  ).map(({ hash }) => hash);
}

/** Pictures, by hash: what a device sends once it can, and what everybody is shown. */
export function photoRoutes(app: FastifyInstance, { db }: { db: Database }): void {
  app.get<{ Params: { hash: string } }>('/api/photos/:hash', async ({ params: { hash } }, reply) => {
    const body = await photoOf(db, hash);
    if (!body) throw notFound('photo', hash);
    // What a hash names is the same for ever.
    return reply.headers({ 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable', etag: `"${hash}"` }).send(body);
  });

  app.get<{ Params: { profile: string }; Querystring: { but?: string } }>('/api/photos/of/:profile', async ({ params, query }) => ({
    photos: await earlierPhotos(db, params.profile, query.but ?? ''),
  }));

  app.get<{ Querystring: { kits?: string; but?: string } }>('/api/photos/papers', async ({ query }) => ({
    photos: await paperPages(db, (query.kits ?? '').split(',').filter(Boolean).slice(0, MOST_KITS_ASKED), query.but ?? ''),
  }));

  void app.register(async (own) => {
    own.removeAllContentTypeParsers();
    own.addContentTypeParser('*', { parseAs: 'buffer' }, (_, body, done) => done(null, body));
    own.put<{ Params: { id: string; hash: string } }>('/api/jobs/:id/photos/:hash', { bodyLimit: MOST_PHOTO_BYTES }, async (request, reply) => {
      await requireRight(db, request, 'record');
      const { id, hash } = request.params;
      const faults = photoFaults(request.body, hash);
      if (faults.length > 0) throw new FaultyInput(faults);
      const kept = await retrying(() => db.transaction((tx) => keepPhoto(tx, id, hash, request.body as Buffer)));
      return reply.status(kept ? 201 : 200).send({ kept });
    });
  });
}

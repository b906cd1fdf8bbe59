import { and, desc, eq, exists, lte, ne, sql } from 'drizzle-orm';
import type { JobState, LoggedEvent } from '@jade/core/job';
import { isOfKind, placeOf, type EarlierPhoto, type Photo } from '@jade/core/photos';
import { tables, type Connection } from '../database/index.ts';

const { jobs, photoPlaces: places, photos, vehicles } = tables;

/** Photos of one place that are shown at the next vehicle: the last ones. */
const MOST_AT_A_PLACE = 3;
/** Photos of one kind of vehicle that are told of at all. */
const MOST_OF_A_KIND = 1000;

/** Whether a log has photos to keep a place for, or had some. */
export const bringsPhotos = (log: readonly LoggedEvent[]): boolean => log.some(({ type }) => type === 'photo.taken');

/** Keeps where the photos of a job belong, in place of what was kept before; those taken back have no place. */
export async function keepPlaces(tx: Connection, job: string, { opened, photos: taken }: Pick<JobState, 'opened' | 'photos'>): Promise<void> {
  await tx.delete(places).where(eq(places.job, job));
  const profile = opened?.profile.slug;
  const rows = Object.values(taken).filter(({ about }) => isOfKind(about));
  if (profile === undefined || rows.length === 0) return;
  await tx.insert(places).values(
    rows.map((photo) => ({
      job,
      event: photo.event,
      profile,
      place: placeOf(photo.about),
      at: new Date(photo.at).toISOString(),
      thumb: photo.thumb,
      photo: JSON.stringify(photo),
    })),
  );
}

/** The last photos of each place that were taken on vehicles of a kind, but on one job; those whose picture has not come yet are told of once it has. */
export async function earlierPhotos(db: Connection, profile: string, but: string): Promise<EarlierPhoto[]> {
  const rank = sql<number>`row_number() over (partition by ${places.place} order by ${places.at} desc, ${places.event} desc)`.as('rank');
  const kept = db.select({ hash: photos.hash }).from(photos).where(eq(photos.hash, places.thumb));
  const ranked = db
    .select({ job: places.job, at: places.at, photo: places.photo, rank })
    .from(places)
    .where(and(eq(places.profile, profile), ne(places.job, but), exists(kept)))
    .as('ranked');
  const rows = await db
    .select({ job: ranked.job, photo: ranked.photo, plate: vehicles.plate })
    .from(ranked)
    .innerJoin(jobs, eq(jobs.id, ranked.job))
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicle))
    .where(lte(ranked.rank, MOST_AT_A_PLACE))
    .orderBy(desc(ranked.at), desc(ranked.job))
    .limit(MOST_OF_A_KIND);
  return rows.map(({ job, plate, photo }) => ({ ...(JSON.parse(photo) as Photo), job, plate }));
}

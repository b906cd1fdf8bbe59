import { and, desc, eq, exists, inArray, like, lte, ne, notLike, sql } from 'drizzle-orm';
import type { JobState, LoggedEvent } from '@jade/core/events';
import { isOfKind, kitOfPaper, placeOf, type EarlierPhoto, type Photo } from '@jade/core/photos';
import { tables, type Connection } from '../database/index.ts';

const { jobs, photoPlaces: places, photos, vehicles } = tables;

/** Photos of one place that are shown at the next vehicle: the last ones. */
const MOST_AT_A_PLACE = 3;
/** Pages of papers that are looked through for those of the last job of each. */
const MOST_PAGES = 600;
/** How the places of papers begin: theirs are kept under the kit, all others under the kind of vehicle. */
const PAPER_PLACES = 'paper:%';
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
      profile: kitOfPaper(photo.about) ?? profile,
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
    .where(and(eq(places.profile, profile), notLike(places.place, PAPER_PLACES), ne(places.job, but), exists(kept)))
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

/** Pages of the papers of kits, in the order in which they were photographed: of each paper as the last job has it that photographed it, but one job. */
export async function paperPages(db: Connection, kits: readonly string[], but: string): Promise<EarlierPhoto[]> {
  if (kits.length === 0) return [];
  const kept = db.select({ hash: photos.hash }).from(photos).where(eq(photos.hash, places.thumb));
  const rows = await db
    .select({ job: places.job, place: places.place, photo: places.photo, plate: vehicles.plate })
    .from(places)
    .innerJoin(jobs, eq(jobs.id, places.job))
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicle))
    .where(and(inArray(places.profile, [...kits]), like(places.place, PAPER_PLACES), ne(places.job, but), exists(kept)))
    .orderBy(desc(places.at), desc(places.event))
    .limit(MOST_PAGES);
  const last = new Map<string, string>();
  for (const { place, job } of rows) if (!last.has(place)) last.set(place, job);
  return rows
    .filter(({ place, job }) => last.get(place) === job)
    .reverse()
    .map(({ job, plate, photo }) => ({ ...(JSON.parse(photo) as Photo), job, plate }));
}

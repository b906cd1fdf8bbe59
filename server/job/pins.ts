import { and, eq, max, or } from 'drizzle-orm';
import { type DocumentPin, type LoggedEvent, PINNING, pinsOf } from '@jade/core/events';
import { foldJob, standingEvents } from '@jade/core/log';
import { lostIn } from '@jade/core/job';
import { tables, type Connection } from '../database/index.ts';
import { getDocument, type StoredDocument } from '../documents/index.ts';
import { notFound } from '../faults/index.ts';
import type { Author } from './log.ts';
import { writeOwn } from './own.ts';
import { plugsOfShop } from './library.ts';

export interface NewerDocument extends DocumentPin {
  kind: 'vehicle' | 'kit' | 'rules' | 'plugs';
}

/** Lines of what is lost that an event carries; nobody reads more of them. */
const MOST_LOST = 500;

async function pinnedAndNewest(db: Connection, job: string, log: readonly LoggedEvent[]) {
  const pins = pinsIn(log);
  if (!pins) throw notFound('job', job);
  const pair = async <K extends NewerDocument['kind']>(kind: K, pin: DocumentPin): Promise<[StoredDocument<K>, StoredDocument<K>]> => [
    await getDocument(db, kind, pin.slug, pin.version),
    await getDocument(db, kind, pin.slug),
  ];
  const kits = [];
  for (const pin of pins.kits) kits.push(await pair('kit', pin));
  return { profile: await pair('vehicle', pins.profile), kits, rules: await pair('rules', pins.rules), plugs: await plugsPair(db, pins.plugs) };
}

/** The plug library that a job pins and the newest version of it; of a job that pins none, as one opened before there was one does, that of the shop. */
async function plugsPair(db: Connection, pin: DocumentPin | undefined): Promise<[StoredDocument<'plugs'> | undefined, StoredDocument<'plugs'>] | undefined> {
  const slug = pin?.slug ?? (await plugsOfShop(db));
  if (slug === undefined) return undefined;
  return [pin && (await getDocument(db, 'plugs', pin.slug, pin.version)), await getDocument(db, 'plugs', slug)];
}

/** Documents that a job pins, as its log says it now; undefined before it is opened. */
export const pinsIn = (log: readonly LoggedEvent[]) => pinsOf(foldJob(standingEvents(log, PINNING)));

/** Documents of a job of which a newer version is published; a job goes on with its pins until somebody takes them over. */
export async function newerThan(db: Connection, { profile, kits, rules, plugs }: NonNullable<ReturnType<typeof pinsIn>>): Promise<NewerDocument[]> {
  const library = plugs?.slug ?? (await plugsOfShop(db));
  const pinned: NewerDocument[] = [
    { kind: 'vehicle', ...profile },
    ...kits.map((pin): NewerDocument => ({ kind: 'kit', ...pin })),
    { kind: 'rules', ...rules },
    ...(library === undefined ? [] : [{ kind: 'plugs' as const, slug: library, version: plugs?.version ?? 0 }]),
  ];
  const { documents } = tables;
  const rows = await db
    .select({ kind: documents.kind, slug: documents.slug, version: max(documents.version) })
    .from(documents)
    .where(or(...pinned.map(({ kind, slug }) => and(eq(documents.kind, kind), eq(documents.slug, slug)))))
    .groupBy(documents.kind, documents.slug);
  const newest = new Map(rows.map(({ kind, slug, version }) => [`${kind}/${slug}`, version ?? 0]));
  return pinned.flatMap(({ kind, slug, version }) => {
    const there = newest.get(`${kind}/${slug}`) ?? 0;
    return there > version ? [{ kind, slug, version: there }] : [];
  });
}

/** Takes over the newest documents as an event that lists the ids lost. Gives back the new last seq, or undefined where nothing was newer or the id is known. */
export function repinJob(tx: Connection, job: string, id: string, author: Author): Promise<number | undefined> {
  return writeOwn(tx, job, id, author, async (log) => {
    const { profile, kits, rules, plugs } = await pinnedAndNewest(tx, job, log);
    if ([profile, ...kits, rules, ...(plugs ? [plugs] : [])].every(([pinned, newest]) => newest.version === pinned?.version)) return undefined;
    const pin = ([, { slug, version }]: readonly [unknown, DocumentPin]): DocumentPin => ({ slug, version });
    const side = (place: 0 | 1) => ({
      profile: profile[place].document,
      kits: kits.map((kit) => kit[place].document),
      rules: rules[place].document,
      plugs: plugs?.[place]?.document,
    });
    const all = lostIn(side(0), side(1));
    const lost = all.length > MOST_LOST ? [...all.slice(0, MOST_LOST), `and ${all.length - MOST_LOST} more`] : all;
    return { type: 'job.repinned', payload: { profile: pin(profile), kits: kits.map(pin), rules: pin(rules), ...(plugs ? { plugs: pin(plugs) } : {}), lost } };
  });
}

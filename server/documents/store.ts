import { and, desc, eq, inArray, or, sql } from 'drizzle-orm';
import type { KnownKind } from '@jade/core/customers';
import type { DocumentPin } from '@jade/core/job';
import { DOCUMENT_KINDS, liftDocument, type DocumentKind, type Documents } from '@jade/contract/documents';
import { tables, type Connection } from '../database/index.ts';
import { notFound, Refusal } from '../faults/index.ts';
import { canonicalHash } from './canonical.ts';
import { Kept } from './kept.ts';

export interface StoredDocument<K extends DocumentKind = DocumentKind> {
  kind: K;
  slug: string;
  version: number;
  hash: string;
  document: Documents[K];
}

const { documents, kitVehicles } = tables;

/** A stored body as the newest version of its format says it; what is stored stays as it was taken in. */
function bodyOf<K extends DocumentKind>(body: string): Documents[K] {
  return liftDocument(JSON.parse(body)) as Documents[K];
}

/** Newest version of a document, or one version of it; undefined where there is none. */
export async function findDocument<K extends DocumentKind>(db: Connection, kind: K, slug: string, version?: number): Promise<StoredDocument<K> | undefined> {
  const which = and(eq(documents.kind, kind), eq(documents.slug, slug), version === undefined ? undefined : eq(documents.version, version));
  const [row] = await db.select().from(documents).where(which).orderBy(desc(documents.version)).limit(1);
  return row && { kind, slug: row.slug, version: row.version, hash: row.hash, document: bodyOf<K>(row.body) };
}

/** As `findDocument`, but a document that does not exist is refused with 404. */
export async function getDocument<K extends DocumentKind>(db: Connection, kind: K, slug: string, version?: number): Promise<StoredDocument<K>> {
  const found = await findDocument(db, kind, slug, version);
  if (!found) throw notFound(kind, version === undefined ? slug : `${slug} version ${version}`);
  return found;
}

const byHash = new Kept<unknown>(500);

/** A pinned version with its hash. A version never changes, so its body is read and parsed once; after that only its hash is looked up. */
export async function getPinned<K extends DocumentKind>(db: Connection, kind: K, pin: DocumentPin): Promise<{ document: Documents[K]; hash: string }> {
  const [row] = await db
    .select({ hash: documents.hash })
    .from(documents)
    .where(and(eq(documents.kind, kind), eq(documents.slug, pin.slug), eq(documents.version, pin.version)));
  const known = row && byHash.get(row.hash);
  if (row && known) return { document: known as Documents[K], hash: row.hash };
  const { document, hash } = await getDocument(db, kind, pin.slug, pin.version);
  byHash.set(hash, document);
  return { document, hash };
}

/** Pinned versions of one job, in one question to the database where all were read before. */
export async function getPinnedTogether(
  db: Connection,
  { profile, kits, rules }: { profile: DocumentPin; kits: readonly DocumentPin[]; rules: DocumentPin },
): Promise<{ profile: Documents['vehicle']; kits: Documents['kit'][]; rules: Documents['rules'] }> {
  const wanted = [{ kind: 'vehicle' as const, pin: profile }, ...kits.map((pin) => ({ kind: 'kit' as const, pin })), { kind: 'rules' as const, pin: rules }];
  const one = ({ kind, pin }: { kind: DocumentKind; pin: DocumentPin }) => and(eq(documents.kind, kind), eq(documents.slug, pin.slug), eq(documents.version, pin.version));
  const rows = await db
    .select({ kind: documents.kind, slug: documents.slug, version: documents.version, hash: documents.hash })
    .from(documents)
    .where(or(...wanted.map(one)));
  const read = async <K extends DocumentKind>(kind: K, { slug, version }: DocumentPin): Promise<Documents[K]> => {
    const hash = rows.find((row) => row.kind === kind && row.slug === slug && row.version === version)?.hash;
    const known = hash === undefined ? undefined : byHash.get(hash);
    return (known as Documents[K] | undefined) ?? (await getPinned(db, kind, { slug, version })).document;
  };
  const those = [];
  for (const pin of kits) those.push(await read('kit', pin));
  return { profile: await read('vehicle', profile), kits: those, rules: await read('rules', rules) };
}

/** Newest version of every document of a kind. */
export async function newestDocuments<K extends DocumentKind>(db: Connection, kind: K): Promise<StoredDocument<K>[]> {
  const rows = await db
    .select()
    .from(documents)
    .where(and(eq(documents.kind, kind), sql`${documents.version} = (select max(d.version) from documents d where d.kind = ${documents.kind} and d.slug = ${documents.slug})`))
    .orderBy(documents.slug);
  return rows.map((row) => ({ kind, slug: row.slug, version: row.version, hash: row.hash, document: bodyOf<K>(row.body) }));
}

const { title } = documents;

/** What a person calls a document: maker with model or name, or the name alone. */
function titleOf(document: object): string {
  const { maker, model, name } = document as { maker?: string; model?: string; name?: string };
  return [maker, model ?? name].filter(Boolean).join(' ').slice(0, 400);
}

/** Titles of documents by slug, as their newest versions say them. */
export async function titlesOf(db: Connection, kind: DocumentKind, slugs: readonly string[]): Promise<Map<string, string>> {
  if (slugs.length === 0) return new Map();
  const rows = await db
    .select({ slug: documents.slug, title })
    .from(documents)
    .where(and(eq(documents.kind, kind), inArray(documents.slug, [...slugs])))
    .orderBy(documents.version);
  return new Map(rows.map((row) => [row.slug, row.title]));
}

/** Every kind of vehicle in the library as a list of vehicles may call it. */
export async function kindsOfVehicle(db: Connection): Promise<KnownKind[]> {
  const model = sql<string>`json_value(${documents.body}, '$.model')`;
  const rows = await db.select({ slug: documents.slug, title, model }).from(documents).where(eq(documents.kind, 'vehicle')).orderBy(documents.version);
  return [...new Map(rows.map((row) => [row.slug, row])).values()];
}

/** Newest versions of the kits that name a kind of vehicle. */
export async function kitsFor(db: Connection, vehicle: string): Promise<Documents['kit'][]> {
  const rows = await db
    .select({ slug: documents.slug, version: sql<number>`max(${documents.version})`.mapWith(Number) })
    .from(kitVehicles)
    .innerJoin(documents, and(eq(documents.kind, 'kit'), eq(documents.slug, kitVehicles.kit)))
    .where(eq(kitVehicles.vehicle, vehicle))
    .groupBy(documents.slug)
    .orderBy(documents.slug);
  const kits = [];
  for (const pin of rows) kits.push((await getPinned(db, 'kit', pin)).document);
  return kits;
}

export interface ListedDocument {
  kind: string;
  slug: string;
  version: number;
  title: string;
  /** Profiles of the vehicles that a kit names. */
  vehicles: string[];
  hash: string;
  createdAt: string;
}

/** Slug, version and title of every document, newest versions only, without their bodies. */
export async function listDocuments(db: Connection): Promise<ListedDocument[]> {
  const rows = await db
    .select({ kind: documents.kind, slug: documents.slug, version: documents.version, title, hash: documents.hash, createdAt: documents.createdAt })
    .from(documents)
    .orderBy(documents.kind, documents.slug, documents.version);
  const named = new Map<string, string[]>();
  for (const { kit, vehicle } of await db.select().from(kitVehicles).orderBy(kitVehicles.kit, kitVehicles.vehicle)) named.set(kit, [...(named.get(kit) ?? []), vehicle]);
  const newest = new Map(rows.map((row) => [`${row.kind}/${row.slug}`, row]));
  return [...newest.values()].map((row) => ({ ...row, vehicles: row.kind === 'kit' ? (named.get(row.slug) ?? []) : [], createdAt: row.createdAt.toISOString() }));
}

/**
 * Stores a document as the next version of its slug. The same content does nothing and gives back the version there is.
 * `basedOn` is the version the edit began from: where a newer one has come in between, it is a conflict that shows both.
 */
export async function storeDocument<K extends DocumentKind>(
  db: Connection,
  kind: K,
  document: Documents[K],
  basedOn?: number,
): Promise<{ slug: string; version: number; stored: boolean }> {
  const { slug } = document;
  const newest = await findDocument(db, kind, slug);
  const hash = canonicalHash(document);
  if (newest?.hash === hash) return { slug, version: newest.version, stored: false };
  if (basedOn !== undefined && newest && newest.version !== basedOn) {
    const fault = { path: 'basedOn', code: 'conflict' as const, data: { what: `version ${newest.version} of ${slug} has come since version ${basedOn}` } };
    throw new Refusal(409, [fault], { theirs: newest.document, yours: document, version: newest.version });
  }
  const version = (newest?.version ?? 0) + 1;
  await db.insert(documents).values({ kind, slug, version, hash, title: titleOf(document), body: JSON.stringify(document), createdAt: new Date() });
  if (kind === 'kit') {
    const named = [...new Set((document as Documents['kit']).fitments.map((fitment) => fitment.vehicle))];
    await db.delete(kitVehicles).where(eq(kitVehicles.kit, slug));
    if (named.length > 0) await db.insert(kitVehicles).values(named.map((vehicle) => ({ kit: slug, vehicle })));
  }
  return { slug, version, stored: true };
}

export function isDocumentKind(kind: string): kind is DocumentKind {
  return (DOCUMENT_KINDS as readonly string[]).includes(kind);
}

import { and, desc, eq, inArray, lte, or, sql } from 'drizzle-orm';
import type { KnownKind } from '@jade/core/customers';
import type { DocumentPin } from '@jade/core/events';
import { DOCUMENT_KINDS, liftDocument, type DocumentKind, type Documents } from '@jade/contract/documents';
import { asked, tables, type Connection } from '../database/index.ts';
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

/**
 * The versions that one of a document goes back to, itself among them: each was made from the one before it, but for one that says again what an earlier one
 * said, which is as that one was.
 */
export async function lineOf(db: Connection, kind: DocumentKind, slug: string, version: number): Promise<Set<number>> {
  const rows = await db
    .select({ version: documents.version, hash: documents.hash })
    .from(documents)
    .where(and(eq(documents.kind, kind), eq(documents.slug, slug), lte(documents.version, version)))
    .orderBy(desc(documents.version));
  const line = new Set<number>();
  let next = version;
  for (const { version: own, hash } of rows) {
    if (own > next) continue;
    line.add(own);
    next = rows.find((other) => other.version < own && other.hash === hash)?.version ?? own - 1;
  }
  return line;
}

const byHash = new Kept<unknown>(500);

type Wanted = { kind: DocumentKind; pin: DocumentPin };
const nameOf = (kind: string, { slug, version }: DocumentPin) => `${kind}/${slug}/${version}`;
const whichOf = (wanted: readonly Wanted[]) =>
  or(...wanted.map(({ kind, pin }) => and(eq(documents.kind, kind), eq(documents.slug, pin.slug), eq(documents.version, pin.version))));

/** Versions of documents in the order they are asked for. A version never changes, so its body is read and parsed once; after that only its hash is looked up, for all in one question. */
async function readPinned(db: Connection, wanted: readonly Wanted[]): Promise<{ document: unknown; hash: string }[]> {
  if (wanted.length === 0) return [];
  const rows = await db.select({ kind: documents.kind, slug: documents.slug, version: documents.version, hash: documents.hash }).from(documents).where(whichOf(wanted));
  const hashes = new Map(rows.map((row) => [nameOf(row.kind, row), row.hash]));
  const read = new Map(rows.map((row) => [row.hash, byHash.get(row.hash)]));
  const unread = wanted.filter(({ kind, pin }) => read.get(hashes.get(nameOf(kind, pin)) ?? '') === undefined);
  for (const { hash, body } of unread.length === 0 ? [] : await db.select({ hash: documents.hash, body: documents.body }).from(documents).where(whichOf(unread))) {
    const document = bodyOf(body);
    byHash.set(hash, document);
    read.set(hash, document);
  }
  return wanted.map(({ kind, pin }) => {
    const hash = hashes.get(nameOf(kind, pin));
    const document = hash === undefined ? undefined : read.get(hash);
    if (hash === undefined || document === undefined) throw notFound(kind, `${pin.slug} version ${pin.version}`);
    return { document, hash };
  });
}

/** The documents that a job pins, and their hashes in the order profile, rules, plugs, kits. */
export async function getPinned(
  db: Connection,
  { profile, kits, rules, plugs, fitted = [] }: { profile: DocumentPin; kits: readonly DocumentPin[]; rules: DocumentPin; plugs?: DocumentPin; fitted?: readonly DocumentPin[] },
): Promise<{ profile: Documents['vehicle']; rules: Documents['rules']; plugs?: Documents['plugs']; kits: Documents['kit'][]; fitted?: Documents['kit'][]; hashes: string[] }> {
  const library: Wanted[] = plugs ? [{ kind: 'plugs', pin: plugs }] : [];
  const wanted: Wanted[] = [{ kind: 'vehicle', pin: profile }, { kind: 'rules', pin: rules }, ...library, ...[...kits, ...fitted].map((pin): Wanted => ({ kind: 'kit', pin }))];
  const read = await readPinned(db, wanted);
  const [first, second, ...others] = read.map((entry) => entry.document);
  const third = plugs ? { plugs: others.shift() as Documents['plugs'] } : {};
  const all = others as Documents['kit'][];
  return {
    profile: first as Documents['vehicle'],
    rules: second as Documents['rules'],
    ...third,
    kits: all.slice(0, kits.length),
    ...(fitted.length > 0 ? { fitted: all.slice(kits.length) } : {}),
    hashes: read.map((entry) => entry.hash),
  };
}

/** What the library holds, in short: documents are only added, so it is another where one was. A column of a question that asks for something else. */
export const libraryState = sql<number>`(select count(*) from ${documents})`.mapWith(Number);

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
  const read = await readPinned(
    db,
    rows.map((pin) => ({ kind: 'kit', pin })),
  );
  return read.map((entry) => entry.document as Documents['kit']);
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

const allVersions = asked<(Omit<ListedDocument, 'vehicles' | 'createdAt'> & { createdAt: Date })[]>((db) =>
  db
    .select({ kind: documents.kind, slug: documents.slug, version: documents.version, title, hash: documents.hash, createdAt: documents.createdAt })
    .from(documents)
    .orderBy(documents.kind, documents.slug, documents.version),
);
const allKitVehicles = asked<{ kit: string; vehicle: string }[]>((db) => db.select().from(kitVehicles).orderBy(kitVehicles.kit, kitVehicles.vehicle));

/** Slug, version and title of every document, newest versions only, without their bodies. */
export async function listDocuments(db: Connection): Promise<ListedDocument[]> {
  const rows = await allVersions(db, {});
  const named = new Map<string, string[]>();
  for (const { kit, vehicle } of await allKitVehicles(db, {})) named.set(kit, [...(named.get(kit) ?? []), vehicle]);
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

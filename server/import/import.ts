import { FaultyInput, type Fault } from '@jade/core/faults';
import { checkKit } from '@jade/core/kit';
import { checkRules } from '@jade/core/rules';
import { checkShop } from '@jade/core/shop';
import { checkProfile } from '@jade/core/vehicle';
import { checkPlugLibrary } from '@jade/core/wiring';
import { readDocument, type AnyDocument } from '@jade/contract/documents';
import { retrying, type Connection, type Database } from '../database/index.ts';
import { listDocuments, newestDocuments, storeDocument } from '../documents/index.ts';
import { Refusal } from '../faults/index.ts';
import { loadShop } from '../shop/index.ts';
import { lossesBy } from './losses.ts';

export interface ImportResult {
  kind: string;
  slug: string;
  version: number;
  stored: boolean;
  /** What rested on the version before and no longer stands. */
  losses: Fault[];
}

export interface ImportOptions {
  /** The version that the edit began from. */
  basedOn?: number;
  /** Whoever takes it in has read what is lost by it. */
  acceptLosses?: boolean;
}

async function meaningFaults(db: Connection, entry: AnyDocument): Promise<Fault[]> {
  if (entry.kind === 'vehicle') return checkProfile(entry.document);
  if (entry.kind === 'kit') {
    const profiles = await newestDocuments(db, 'vehicle');
    return checkKit(entry.document, new Map(profiles.map(({ slug, document }) => [slug, document])));
  }
  if (entry.kind === 'rules') return checkRules(entry.document);
  if (entry.kind === 'plugs') return checkPlugLibrary(entry.document);
  if (entry.kind === 'shop') {
    const known = await listDocuments(db);
    const slugs = (kind: string) => new Set(known.filter((row) => row.kind === kind).map((row) => row.slug));
    const other = known.find((row) => row.kind === 'shop' && row.slug !== entry.document.slug);
    // A second shop beside the one there is would leave it open which of them is meant.
    if (other) return [{ path: 'slug', code: 'choice', data: { value: entry.document.slug, choices: other.slug } }];
    return checkShop(entry.document, { profiles: slugs('vehicle'), kits: slugs('kit'), rules: slugs('rules'), plugs: slugs('plugs') });
  }
  return [];
}

/**
 * Checks a document by form and by meaning and stores it, in one transaction; a shop brings its people, vehicles and jobs with it.
 * Where kits or open jobs rest on what the version before had and this one has not, it is refused with all of that, unless that is accepted.
 */
export async function importDocument(db: Database, value: unknown, options: ImportOptions = {}): Promise<ImportResult> {
  return retrying(() => db.transaction((tx) => takeIn(tx, value, options)));
}

/** Checks a document and stores it, as a part of a transaction. */
export async function takeIn(tx: Connection, value: unknown, { basedOn, acceptLosses = false }: ImportOptions = {}): Promise<ImportResult> {
  const entry = readDocument(value);
  const faults = await meaningFaults(tx, entry);
  if (faults.length > 0) throw new FaultyInput(faults);
  const result = await storeDocument(tx, entry.kind, entry.document, basedOn);
  if (entry.kind === 'shop') await loadShop(tx, entry.document);
  const losses = result.stored && result.version > 1 ? await lossesBy(tx, entry, result.version - 1) : [];
  if (losses.length > 0 && !acceptLosses) throw new Refusal(409, losses, { losses: true });
  return { kind: entry.kind, ...result, losses };
}

/** What stands against a document, and what of the shop would be lost by it; nothing is taken in. */
export async function checkDocument(db: Database, value: unknown): Promise<{ faults: Fault[]; losses: Fault[] }> {
  try {
    const entry = readDocument(value);
    const faults = await meaningFaults(db, entry);
    if (faults.length > 0) return { faults, losses: [] };
    const known = (await listDocuments(db)).find(({ kind, slug }) => kind === entry.kind && slug === entry.document.slug);
    return { faults, losses: known ? await lossesBy(db, entry, known.version) : [] };
  } catch (error) {
    if (error instanceof FaultyInput) return { faults: error.faults, losses: [] };
    throw error;
  }
}

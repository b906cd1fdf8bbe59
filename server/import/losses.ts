import { and, eq } from 'drizzle-orm';
import type { Fault } from '@jade/core/faults';
import { foldJob } from '@jade/core/log';
import { wouldLose, type JobDocuments } from '@jade/core/job';
import { checkKit } from '@jade/core/kit';
import type { VehicleProfile } from '@jade/core/vehicle';
import type { AnyDocument } from '@jade/contract/documents';
import { tables, type Connection } from '../database/index.ts';
import { getDocument, kitsFor } from '../documents/index.ts';
import { pinnedOf, wholeLog } from '../job/index.ts';

type Pinned = Pick<JobDocuments, 'profile' | 'kits' | 'rules' | 'plugs'>;

/** Losses that are told; nobody reads more of them. */
const MOST_TOLD = 200;

const nameOf = (one: Fault) => JSON.stringify([one.path, one.code, one.data]);

/** Faults that were not there before. */
function newOf(faults: readonly Fault[], before: readonly Fault[]): Fault[] {
  const known = new Set(before.map(nameOf));
  return faults.filter((fault) => !known.has(nameOf(fault)));
}

/** Kits that name a kind of vehicle and would no longer hold on its new profile as they did on the version before, fault by fault. */
async function kitsLose(db: Connection, entry: AnyDocument & { kind: 'vehicle' }, before: VehicleProfile): Promise<Fault[]> {
  const { slug } = entry.document;
  const faults: Fault[] = [];
  for (const document of await kitsFor(db, slug)) {
    const here = document.fitments.map((fitment, place) => ({ fitment, place })).filter(({ fitment }) => fitment.vehicle === slug);
    const placed = { ...document, fitments: here.map(({ fitment }) => fitment) };
    for (const fault of newOf(checkKit(placed, new Map([[slug, entry.document]])), checkKit(placed, new Map([[slug, before]])))) {
      const path = fault.path.replace(/^fitments\[(\d+)\]/, (_, number: string) => `fitments[${here[Number(number)]?.place ?? number}]`);
      faults.push({ ...fault, path: `kits.${document.slug}.${path}` });
    }
  }
  return faults;
}

/** Jobs that are open and could pin a document of this kind and name. */
async function openJobs(db: Connection, { kind, document: { slug } }: AnyDocument): Promise<string[]> {
  const { jobs, jobKits, vehicles } = tables;
  const open = eq(jobs.signed, false);
  const base = db.selectDistinct({ id: jobs.id }).from(jobs);
  const asked =
    kind === 'vehicle'
      ? base.innerJoin(vehicles, eq(vehicles.id, jobs.vehicle)).where(and(open, eq(vehicles.profile, slug)))
      : kind === 'kit'
        ? base.innerJoin(jobKits, eq(jobKits.job, jobs.id)).where(and(open, eq(jobKits.kit, slug)))
        : base.where(open);
  return (await asked.orderBy(jobs.id)).map(({ id }) => id);
}

/** A job's documents with one of them in the place of the version it pins. */
function withOne(pinned: Pinned, entry: AnyDocument): Pinned | undefined {
  const { kind, document } = entry;
  if (kind === 'vehicle' && pinned.profile.slug === document.slug) return { ...pinned, profile: document };
  if (kind === 'plugs' && pinned.plugs?.slug === document.slug) return { ...pinned, plugs: document };
  if (kind === 'rules' && pinned.rules.slug === document.slug) return { ...pinned, rules: document };
  if (kind === 'kit' && pinned.kits.some(({ slug }) => slug === document.slug)) return { ...pinned, kits: pinned.kits.map((kit) => (kit.slug === document.slug ? document : kit)) };
  return undefined;
}

/** What open jobs have recorded that named something in the version before and would name nothing once they took this one over. */
async function jobsLose(db: Connection, entry: AnyDocument, before: AnyDocument): Promise<Fault[]> {
  const faults: Fault[] = [];
  for (const job of await openJobs(db, entry)) {
    const log = await wholeLog(db, job);
    const { opened } = foldJob(log);
    if (!opened) continue;
    const pinned = await pinnedOf(db, log, opened);
    const [now, earlier] = [withOne(pinned, entry), withOne(pinned, before)];
    if (now && earlier) faults.push(...newOf(wouldLose(log, now, `jobs.${job}`), wouldLose(log, earlier, `jobs.${job}`)));
  }
  return faults;
}

/** What of the shop rests on version `before` of a document and would no longer stand on this one: kits that name it, and what open jobs have recorded. */
export async function lossesBy(db: Connection, entry: AnyDocument, before: number): Promise<Fault[]> {
  if (entry.kind === 'shop') return [];
  const earlier = { kind: entry.kind, document: (await getDocument(db, entry.kind, entry.document.slug, before)).document } as AnyDocument;
  const kits = entry.kind === 'vehicle' ? await kitsLose(db, entry, earlier.document as VehicleProfile) : [];
  return [...kits, ...(await jobsLose(db, entry, earlier))].slice(0, MOST_TOLD);
}

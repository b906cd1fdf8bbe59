import { and, eq, inArray, ne } from 'drizzle-orm';
import { FOLD_VERSION, foldJob, jobContext, jobNow, planMemory, type JobContext, type JobDocuments, type JobState, type LoggedEvent, type PlanMemory } from '@jade/core/job';
import { standingOf, type Hold, type Station, type StationState } from '@jade/core/stations';
import { namesOf } from '@jade/words/job';
import { sayHold } from '@jade/words/stations';
import { tables, type Connection } from '../database/index.ts';
import { getPinned } from '../documents/index.ts';
import { planAway } from '../planner/index.ts';
import { readEvents } from './log.ts';
import { keepTimes, takenOn } from './times.ts';

/** What the day board shows of a job without reading its log. */
export interface JobSummary {
  stations: { station: Station; state: StationState }[];
  holding: Pick<Hold, 'station' | 'code' | 'kind'> | null;
  sentence: string;
  signed: boolean;
  /** When it was signed, by the clock of the device. */
  signedAt: string | null;
  assigned: string | null;
  /** Maker and model as the pinned profile names them. */
  vehicle: string;
  kits: string[];
}

const logs = new Map<string, LoggedEvent[]>();
const memories = new Map<string, PlanMemory>();

/** The whole log of a job; what was read before is kept, only what came since is read. */
export async function wholeLog(db: Connection, job: string): Promise<LoggedEvent[]> {
  const known = logs.get(job) ?? [];
  const since = known.at(-1)?.seq ?? 0;
  return [...known, ...(await readEvents(db, job, since))];
}

/** Keeps a log for the next read; only what is committed may be kept. */
export function keepLog(job: string, log: LoggedEvent[]): void {
  if (logs.size > 200) logs.clear();
  logs.set(job, log);
}

/** The documents that a job pins with what the shop knows besides, and a key that is the same for the same documents. */
export interface PinnedDocuments extends JobDocuments {
  documentsKey: string;
}

/** Plans made for a job with its documents: every append goes on from them. */
function memoryOf(job: string, documentsKey: string): PlanMemory {
  const at = `${job} ${documentsKey}`;
  const known = memories.get(at) ?? planMemory();
  if (memories.size > 200) memories.clear();
  memories.set(at, known);
  return known;
}

/** Whether one of these kits has not yet left the shop on another job. */
export async function hasNewKit(db: Connection, job: string, kits: readonly string[]): Promise<boolean> {
  if (kits.length === 0) return false;
  const { jobs, jobKits } = tables;
  const known = await db
    .selectDistinct({ kit: jobKits.kit })
    .from(jobKits)
    .innerJoin(jobs, eq(jobs.id, jobKits.job))
    .where(and(inArray(jobKits.kit, [...kits]), eq(jobs.signed, true), ne(jobs.id, job)));
  return known.length < new Set(kits).size;
}

/** Pinned documents of a job, or undefined before it is opened. */
export async function documentsOf(db: Connection, job: string, { opened }: JobState): Promise<PinnedDocuments | undefined> {
  if (!opened) return undefined;
  const profile = await getPinned(db, 'vehicle', opened.profile);
  const rules = await getPinned(db, 'rules', opened.rules);
  const kits = [];
  for (const pin of opened.kits) kits.push(await getPinned(db, 'kit', pin));
  // By the job's row: its vehicle may have been joined to another since it was opened.
  const [vehicle] = await db
    .select({ year: tables.vehicles.year })
    .from(tables.jobs)
    .innerJoin(tables.vehicles, eq(tables.vehicles.id, tables.jobs.vehicle))
    .where(eq(tables.jobs.id, job));
  const newKit = await hasNewKit(
    db,
    job,
    opened.kits.map((pin) => pin.slug),
  );
  const taken = await takenOn(db, opened.profile.slug);
  const documentsKey = [...[profile, rules, ...kits].map((entry) => entry.hash), String(newKit), String(vehicle?.year), JSON.stringify(taken)].join(' ');
  return { profile: profile.document, kits: kits.map((kit) => kit.document), rules: rules.document, year: vehicle?.year ?? undefined, newKit, taken, documentsKey };
}

/** State and pinned documents of a job, or undefined before it is opened. */
export async function contextOf(db: Connection, job: string, state: JobState): Promise<JobContext | undefined> {
  const documents = await documentsOf(db, job, state);
  return documents && jobContext(state, documents);
}

async function summarise(job: string, log: readonly LoggedEvent[], documents: PinnedDocuments): Promise<JobSummary> {
  const memory = memoryOf(job, documents.documentsKey);
  let now = jobNow(log, documents, memory);
  for (let { wanted } = now; wanted; { wanted } = now) {
    memory.opening.set(wanted.key, await planAway(wanted.context));
    now = jobNow(log, documents, memory);
  }
  const { context, plan, closing } = now;
  const standing = standingOf(context, plan, closing);
  const names = namesOf(context);
  const { holding } = standing;
  return {
    stations: standing.stations.map(({ station, state }) => ({ station, state })),
    holding: holding ? { station: holding.station, code: holding.code, kind: holding.kind } : null,
    sentence: holding ? sayHold(holding, names) : 'Signed and ready to leave',
    signed: context.state.signed !== undefined,
    signedAt: context.state.signed?.at ?? null,
    assigned: context.state.assigned ?? null,
    vehicle: `${context.profile.maker} ${context.profile.model}`,
    kits: context.kits.map((kit) => names.kit(kit.slug)),
  };
}

/** Writes the job's counter and summary as folded from its log, and the times it took once it has left, in the caller's transaction. Gives back the log it folded. */
export async function writeSummary(tx: Connection, job: string, lastSeq: number): Promise<LoggedEvent[]> {
  const log = await wholeLog(tx, job);
  const state = foldJob(log);
  const documents = await documentsOf(tx, job, state);
  const summary = documents ? JSON.stringify(await summarise(job, log, documents)) : '{}';
  await tx
    .update(tables.jobs)
    .set({ seq: lastSeq, summary, foldVersion: FOLD_VERSION, signed: state.signed !== undefined })
    .where(eq(tables.jobs.id, job));
  if (documents) await keepTimes(tx, job, jobContext(state, documents), log);
  return log;
}

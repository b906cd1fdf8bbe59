import { eq } from 'drizzle-orm';
import {
  FOLD_VERSION,
  foldJob,
  jobContext,
  planKey,
  planOpening,
  standingOf,
  type Hold,
  type JobContext,
  type JobState,
  type LoggedEvent,
  type StationState,
  type Station,
} from '@jade/core/job';
import type { AccessPlan } from '@jade/core/access';
import { namesOf, sayHold } from '@jade/words/job';
import { tables, type Connection } from '../database/index.ts';
import { getPinned } from '../documents/index.ts';
import { readEvents } from './log.ts';
import { keepTimes } from './times.ts';

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

/** Places the server looks at for the sentence of the board; a browser that wants the proof looks on by itself. */
const MOST_LOOKED = 500;
const logs = new Map<string, LoggedEvent[]>();
const plans = new Map<string, AccessPlan>();

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

/** A job's state and documents, with a key that is the same for the same documents. */
export interface PinnedContext extends JobContext {
  documentsKey: string;
}

/** Way in of a job, computed once for the same documents, facts and open pieces. */
export function planCached(context: PinnedContext): AccessPlan {
  const { state, documentsKey } = context;
  const key = `${documentsKey} ${planKey(state)}`;
  const known = plans.get(key);
  if (known) return known;
  const plan = planOpening(context, MOST_LOOKED);
  if (plans.size > 500) plans.clear();
  plans.set(key, plan);
  return plan;
}

/** State and pinned documents of a job, or undefined before it is opened. */
export async function contextOf(db: Connection, state: JobState): Promise<PinnedContext | undefined> {
  const { opened } = state;
  if (!opened) return undefined;
  const profile = await getPinned(db, 'vehicle', opened.profile);
  const rules = await getPinned(db, 'rules', opened.rules);
  const kits = [];
  for (const pin of opened.kits) kits.push(await getPinned(db, 'kit', pin));
  const [vehicle] = await db.select({ year: tables.vehicles.year }).from(tables.vehicles).where(eq(tables.vehicles.id, opened.vehicle));
  const documentsKey = [profile, rules, ...kits].map((entry) => entry.hash).join(' ');
  const documents = { profile: profile.document, kits: kits.map((kit) => kit.document), rules: rules.document, year: vehicle?.year ?? undefined };
  return { ...jobContext(state, documents), documentsKey };
}

function summarise(context: PinnedContext): JobSummary {
  const standing = standingOf(context, planCached(context));
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
  const context = await contextOf(tx, foldJob(log));
  const summary = context ? JSON.stringify(summarise(context)) : '{}';
  await tx
    .update(tables.jobs)
    .set({ seq: lastSeq, summary, foldVersion: FOLD_VERSION, signed: context?.state.signed !== undefined })
    .where(eq(tables.jobs.id, job));
  if (context) await keepTimes(tx, job, context, log);
  return log;
}

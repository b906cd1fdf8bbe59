import { and, eq, gte, lte, ne, or, sql } from 'drizzle-orm';
import { FOLD_VERSION, hasLeft, type LoggedEvent } from '@jade/core/events';
import { foldJob } from '@jade/core/log';
import { jobContext } from '@jade/core/job';
import { jobNow, planMemory, type PlanMemory } from '@jade/core/plan';
import { standingOf } from '@jade/core/stations';
import type { JobSummary } from '@jade/contract/job';
import { namesOf } from '@jade/words/names';
import { sayHold, sayLeft } from '@jade/words/stations';
import { asked, retrying, tables, type Connection, type Database } from '../database/index.ts';
import { Kept } from '../documents/index.ts';
import { documentsOf, type PinnedDocuments } from './documents.ts';
import { bringsPhotos, keepPlaces } from '../photos/index.ts';
import { planAway } from '../planner/index.ts';
import { bringsTimes, keepTimes } from './times.ts';
import { wholeLog } from './whole-log.ts';

const { jobs } = tables;
const memories = new Kept<PlanMemory>(200);

/** Plans made for a job with its documents: every summary goes on from them. */
function memoryOf(job: string, documentsKey: string): PlanMemory {
  const at = `${job} ${documentsKey}`;
  const known = memories.get(at) ?? planMemory();
  memories.set(at, known);
  return known;
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
    sentence: holding ? sayHold(holding, names) : sayLeft(context.state),
    signed: hasLeft(context.state),
    signedAt: hasLeft(context.state) ? (context.state.signed?.at ?? context.state.cancelled?.at ?? null) : null,
    cancelled: context.state.cancelled?.why ?? null,
    night: context.state.night?.at ?? null,
    assigned: context.state.assigned ?? null,
    vehicle: `${context.profile.maker} ${context.profile.model}`,
    kits: [...context.kits.filter(({ slug }) => context.state.dropped[slug] === undefined), ...(context.fitted ?? [])].map((kit) => names.kit(kit.slug)),
  };
}

const keepSummary = asked<unknown, { job: string; seq: number; summary: string }>((db) =>
  db
    .update(jobs)
    .set({ summary: sql`${sql.placeholder('summary')}`, summarySeq: sql`${sql.placeholder('seq')}`, foldVersion: FOLD_VERSION })
    .where(and(eq(jobs.id, sql.placeholder('job')), gte(jobs.seq, sql.placeholder('seq')), or(ne(jobs.foldVersion, FOLD_VERSION), lte(jobs.summarySeq, sql.placeholder('seq'))))),
);
const howFresh = asked<{ seq: number; summarySeq: number; foldVersion: number }[], { job: string }>((db) =>
  db
    .select({ seq: jobs.seq, summarySeq: jobs.summarySeq, foldVersion: jobs.foldVersion })
    .from(jobs)
    .where(eq(jobs.id, sql.placeholder('job'))),
);

/** Whether a job's summary is the one of its log as this version folds it. */
export const isFresh = (row: { seq: number; summarySeq: number; foldVersion: number }): boolean => row.summarySeq === row.seq && row.foldVersion === FOLD_VERSION;

/**
 * Makes a job's summary from its log and writes it, with the times that it took where it has left. It is written under the number of the
 * last event that it was made from, and never over one of more events; the counter is the append's alone.
 */
export async function writeSummary(db: Connection, job: string): Promise<void> {
  const log = await wholeLog(db, job);
  const seq = log.at(-1)?.seq ?? 0;
  const state = foldJob(log);
  const documents = await documentsOf(db, job, state, log);
  if (!documents) return;
  const summary = JSON.stringify(await summarise(job, log, documents));
  const write = (connection: Connection) => keepSummary(connection, { job, seq, summary });
  if (!bringsTimes(log) && !bringsPhotos(log)) return void (await write(db));
  await db.transaction(async (tx) => {
    const [row] = await tx.select({ seq: jobs.seq }).from(jobs).where(eq(jobs.id, job)).for('update');
    await write(tx);
    if (row?.seq !== seq) return;
    await keepTimes(tx, job, jobContext(state, documents), log);
    if (bringsPhotos(log)) await keepPlaces(tx, job, state);
  });
}

/** With more jobs than this waiting for their summary a board shows the last ones that were made. */
const FEW = 4;
/** Between two summaries while that many wait: whoever records goes before whoever looks at the board. */
const BREATH_MS = 50;
/** Between two summaries that nobody waits for. */
const BETWEEN_MS = 10;

/** Makes summaries after what was appended, one at a time for each job; whoever asks meanwhile shares the one after it. */
export class Summaries {
  private readonly running = new Map<string, Promise<void>>();
  /** The one after the running one. */
  private readonly next = new Map<string, Promise<void>>();
  /** Jobs whose summary nobody waits for, in the order in which they moved. */
  private readonly queue = new Set<string>();
  private lane: Promise<void> | undefined;
  private readonly db: Database;
  private readonly failed: (job: string, error: unknown) => void;
  private stopped = false;

  constructor(db: Database, failed: (job: string, error: unknown) => void) {
    this.db = db;
    this.failed = failed;
  }

  /** Brings a job's summary up to what its log is now. Gives back when it is. */
  refresh(job: string): Promise<void> {
    const waiting = this.next.get(job);
    if (waiting) return waiting;
    const before = this.running.get(job);
    if (!before) return this.begin(job);
    const own = before
      .catch(() => undefined)
      .then(() => {
        this.next.delete(job);
        return this.begin(job);
      });
    this.next.set(job, own);
    return own;
  }

  private begin(job: string): Promise<void> {
    const own = this.make(job).finally(() => {
      if (this.running.get(job) === own) this.running.delete(job);
    });
    this.running.set(job, own);
    return own;
  }

  private async make(job: string): Promise<void> {
    const [row] = await howFresh(this.db, { job });
    if (row && !isFresh(row)) await retrying(() => writeSummary(this.db, job));
  }

  /** Whether so much moves that whoever looks at many jobs takes the summaries there are, and is told when there are others. */
  isBusy(): boolean {
    return this.queue.size > FEW;
  }

  /** As `refresh`, for nobody to wait for, one job after the other; what fails is told to whoever keeps the log of the server. */
  later(job: string): void {
    if (this.stopped) return;
    this.queue.add(job);
    this.lane ??= this.work();
  }

  private async work(): Promise<void> {
    for (const job of this.queue) {
      this.queue.delete(job);
      await this.refresh(job).catch((error: unknown) => this.failed(job, error));
      if (this.isBusy()) await new Promise((settle) => setTimeout(settle, BREATH_MS));
    }
    this.lane = undefined;
  }

  /** A bounded pass over jobs whose summary is of an older fold or of fewer events than their log has, a few at a time, until none is left. */
  async liftAll(): Promise<void> {
    const AT_ONCE = 20;
    const given = new Set<string>();
    while (!this.stopped) {
      const stale = await this.db
        .select({ id: jobs.id })
        .from(jobs)
        .where(or(ne(jobs.foldVersion, FOLD_VERSION), ne(jobs.summarySeq, sql`${jobs.seq}`)))
        .limit(AT_ONCE + given.size);
      const next = stale.filter(({ id }) => !given.has(id)).slice(0, AT_ONCE);
      if (next.length === 0) return;
      for (const { id } of next) {
        // One that cannot be folded is told of and passed over; it does not keep the others back.
        given.add(id);
        if (!this.stopped) await this.refresh(id).catch((error: unknown) => this.failed(id, error));
        // Whoever works meanwhile is not kept waiting.
        await new Promise((settle) => setTimeout(settle, BETWEEN_MS));
      }
    }
  }

  async stop(): Promise<void> {
    this.stopped = true;
    this.queue.clear();
    await Promise.allSettled([this.lane, ...this.running.values(), ...this.next.values()]);
  }
}

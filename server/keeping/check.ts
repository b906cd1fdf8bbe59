import { createHash } from 'node:crypto';
import { asc, eq, isNull } from 'drizzle-orm';
import { FOLD_VERSION } from '@jade/core/events';
import { foldJob } from '@jade/core/log';
import type { JobSummary } from '@jade/contract/job';
import { tables, type Connection, type Database } from '../database/index.ts';
import { canonicalHash } from '../documents/index.ts';
import { chained, chainOf, readEvents, type EventRow } from '../job/index.ts';

const { documents, events, jobs, photos } = tables;

/** Something that is not as it was stored: where, and what is wrong with it. */
export interface Finding {
  where: string;
  what: 'gap' | 'counter' | 'body' | 'chain' | 'summary' | 'document' | 'photo' | 'unread';
}

export interface CheckResult {
  jobs: number;
  events: number;
  documents: number;
  photos: number;
  findings: Finding[];
}

const rowsOf = (db: Connection, job: string) => db.select().from(events).where(eq(events.job, job)).orderBy(asc(events.seq));

/** Gives every event that has none yet its chain, a job at a time, each in one transaction. */
export async function fillChains(db: Database): Promise<number> {
  const open = await db.selectDistinct({ job: events.job }).from(events).where(isNull(events.chain));
  for (const { job } of open)
    await db.transaction(async (tx) => {
      for (const row of chained(await rowsOf(tx, job), '')) await tx.update(events).set({ chain: row.chain }).where(eq(events.id, row.id));
    });
  return open.length;
}

function checkLog(job: string, seq: number, rows: readonly EventRow[]): Finding[] {
  const findings: Finding[] = [];
  let before = '';
  rows.forEach((row, index) => {
    const where = `${job}, event ${row.seq}`;
    if (row.seq !== index + 1) findings.push({ where, what: 'gap' });
    const { id, type, v, at, act, payload } = row;
    const event = { id, type, v, at, ...(act === null ? {} : { act }), payload: readJson(payload) };
    if (canonicalHash(event) !== row.bodyHash) findings.push({ where, what: 'body' });
    if (chainOf(before, row) !== row.chain) findings.push({ where, what: 'chain' });
    // Each is held against the chain that is stored before it, so that one fault is named once and not at all that follow.
    before = row.chain ?? '';
  });
  if (rows.length !== seq) findings.push({ where: job, what: 'counter' });
  return findings;
}

function readJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** Whether what a summary says of the log is what the log says; what depends on the rest of the shop is not looked at. */
function summaryHolds(stored: unknown, log: Awaited<ReturnType<typeof readEvents>>, signed: boolean): boolean {
  const state = foldJob(log);
  const { signedAt, assigned, signed: said } = stored as Partial<JobSummary>;
  return said === signed && signed === (state.signed !== undefined) && (signedAt ?? null) === (state.signed?.at ?? null) && (assigned ?? null) === (state.assigned ?? null);
}

/** Looks through a whole shop: every job's log without a gap, each event as it came and in its chain, its counter and its summary, every document and every photo by its hash. */
export async function checkShop(db: Database): Promise<CheckResult> {
  const result: CheckResult = { jobs: 0, events: 0, documents: 0, photos: 0, findings: [] };
  for (const { id, seq, signed, foldVersion, summary, summarySeq } of await db.select().from(jobs).orderBy(jobs.id)) {
    const rows = await rowsOf(db, id);
    result.jobs++;
    result.events += rows.length;
    result.findings.push(...checkLog(id, seq, rows));
    try {
      // A summary that is behind follows by itself.
      if (foldVersion === FOLD_VERSION && summarySeq === seq && !summaryHolds(readJson(summary), await readEvents(db, id), signed))
        result.findings.push({ where: id, what: 'summary' });
    } catch {
      result.findings.push({ where: id, what: 'unread' });
    }
  }
  for (const { kind, slug, version, hash, body } of await db.select().from(documents)) {
    result.documents++;
    if (canonicalHash(readJson(body)) !== hash) result.findings.push({ where: `${kind} ${slug} version ${version}`, what: 'document' });
  }
  // One after the other: all of them at one time may be more than there is room for.
  for (const { hash } of await db.select({ hash: photos.hash }).from(photos)) {
    result.photos++;
    const [row] = await db.select({ body: photos.body }).from(photos).where(eq(photos.hash, hash));
    if (!row || createHash('sha256').update(row.body).digest('hex') !== hash) result.findings.push({ where: `photo ${hash}`, what: 'photo' });
  }
  return result;
}

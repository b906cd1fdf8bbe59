import { and, eq, inArray, sql } from 'drizzle-orm';
import type { Fault } from '@jade/core/faults';
import { foldJob, type IdCheck } from '@jade/core/log';
import { flagsOf, hasLeft, type JobEvent, type LoggedEvent } from '@jade/core/events';
import { isDropped } from '@jade/core/job';
import { checkEvent } from '@jade/contract/job';
import { asked, tables, type Connection } from '../database/index.ts';
import { canonicalHash } from '../documents/index.ts';
import { notFound } from '../faults/index.ts';
import { insertEvents, type NewEventRow } from './chain.ts';
import { readLog, type KeptLog } from './whole-log.ts';

const { jobs } = tables;

/** Who an event is stored for: taken from the session, never from the event. */
export interface Author {
  person: string;
  device: string;
}

export type AppendAnswer = { id: string; status: 'stored' | 'already stored'; seq: number } | { id: string | null; status: 'refused' | 'conflict'; faults: Fault[] };

interface Checked {
  place: number;
  event: JobEvent;
  hash: string;
}

function sortOut(values: readonly unknown[], answers: AppendAnswer[]): Checked[] {
  const good: Checked[] = [];
  values.forEach((value, place) => {
    const checked = checkEvent(value, `events[${place}]`);
    const id = typeof value === 'object' && value !== null && typeof (value as { id?: unknown }).id === 'string' ? (value as { id: string }).id : null;
    if ('faults' in checked) answers[place] = { id, status: 'refused', faults: checked.faults };
    else if (flagsOf(checked.event).by === 'server') {
      answers[place] = { id, status: 'refused', faults: [{ path: `events[${place}].type`, code: 'not-available', data: { what: checked.event.type } }] };
    } else good.push({ place, event: checked.event, hash: canonicalHash(checked.event) });
  });
  return good;
}

/** Row of an event as it stands in the log. */
export function eventRow(job: string, seq: number, event: JobEvent, hash: string, author: Author): NewEventRow {
  return {
    job,
    seq,
    id: event.id,
    type: event.type,
    v: event.v,
    at: event.at,
    act: event.act ?? null,
    ...author,
    payload: JSON.stringify(event.payload),
    bodyHash: hash,
    storedAt: new Date(),
  };
}

/** A job's counter, locked until the transaction is through. */
export const lockJob = asked<{ seq: number }[], { job: string }>((tx) =>
  tx
    .select({ seq: jobs.seq })
    .from(jobs)
    .where(eq(jobs.id, sql.placeholder('job')))
    .for('update'),
);

const setCounter = asked<unknown, { job: string; seq: number }>((tx) =>
  tx
    .update(jobs)
    .set({ seq: sql`${sql.placeholder('seq')}` })
    .where(eq(jobs.id, sql.placeholder('job'))),
);

/** Writes a job's counter, and what else of its row can be another, with the events that they come from. */
export async function countUp(tx: Connection, job: string, seq: number, appended: readonly JobEvent[], log: readonly LoggedEvent[]): Promise<void> {
  // After a job was cancelled the first thing that is touched keeps it in the shop.
  const can = appended.some((event) => flagsOf(event).inRow) || log.some(({ type }) => type === 'job.cancelled');
  if (!can) return void (await setCounter(tx, { job, seq }));
  const state = foldJob(log);
  // One that was opened before logs said where it stands keeps what its row says until somebody says it.
  const bay = state.bay || log.some(({ type }) => type === 'bay.taken') ? { bay: state.bay?.bay ?? null } : {};
  await tx
    .update(jobs)
    .set({ seq, signed: hasLeft(state), promisedAt: state.promise.at === undefined ? null : new Date(state.promise.at), ...bay })
    .where(eq(jobs.id, job));
  const { jobKits } = tables;
  const kits = state.opened?.kits ?? [];
  for (const dropped of [false, true]) {
    const slugs = kits.flatMap(({ slug }) => (isDropped({ state }, slug) === dropped ? [slug] : []));
    if (slugs.length > 0)
      await tx
        .update(jobKits)
        .set({ dropped })
        .where(and(eq(jobKits.job, job), inArray(jobKits.kit, slugs)));
  }
}

/**
 * Appends a batch under the job's row lock, inside the caller's transaction. Each event has its own answer: the same id with the
 * same body is stored once, with another body it is a conflict, a malformed one is refused alone. `authorOf` tells who made the
 * event at a place of the batch; `checkUnderLock` is asked once the row is locked, with the log as it is then, and holds for events
 * that are new. The log that it becomes may be kept once all is committed.
 */
export async function appendEvents(
  tx: Connection,
  job: string,
  values: readonly unknown[],
  authorOf: (place: number) => Author,
  checkUnderLock: (log: readonly LoggedEvent[]) => Promise<IdCheck> = () => Promise.resolve(() => []),
): Promise<{ answers: AppendAnswer[]; appended: LoggedEvent[]; becomes: KeptLog }> {
  const answers: AppendAnswer[] = [];
  const good = sortOut(values, answers);
  const [row] = await lockJob(tx, { job });
  if (!row) throw notFound('job', job);
  const ids = good.map(({ event }) => event.id);
  const { log, chain, known } = await readLog(tx, job, ids);
  const check = await checkUnderLock(log);
  const stored = new Map(known.map((entry) => [entry.id, { job: entry.job, seq: entry.seq, hash: entry.bodyHash }]));
  const appended: LoggedEvent[] = [];
  const rows: NewEventRow[] = [];
  let lastSeq = row.seq;
  for (const { place, event, hash } of good) {
    const before = stored.get(event.id);
    if (before && (before.hash !== hash || before.job !== job)) {
      answers[place] = { id: event.id, status: 'conflict', faults: [{ path: `events[${place}].id`, code: 'conflict', data: { what: 'this id is taken by another event' } }] };
    } else if (before) answers[place] = { id: event.id, status: 'already stored', seq: before.seq };
    else {
      const faults = check(event, `events[${place}]`);
      if (faults.length > 0) {
        answers[place] = { id: event.id, status: 'refused', faults };
        continue;
      }
      lastSeq++;
      stored.set(event.id, { job, seq: lastSeq, hash });
      const author = authorOf(place);
      rows.push(eventRow(job, lastSeq, event, hash, author));
      appended.push({ ...event, seq: lastSeq, ...author });
      answers[place] = { id: event.id, status: 'stored', seq: lastSeq };
    }
  }
  const last = await insertEvents(tx, rows, chain);
  const after = [...log, ...appended];
  if (rows.length > 0) await countUp(tx, job, lastSeq, appended, after);
  return { answers, appended, becomes: { log: after, chain: last } };
}

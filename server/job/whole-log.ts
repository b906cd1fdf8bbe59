import { and, eq, gt, inArray, sql } from 'drizzle-orm';
import { unionAll } from 'drizzle-orm/mysql-core';
import { liftEvent } from '@jade/core/log';
import type { LoggedEvent } from '@jade/core/events';
import { asked, tables, type Connection } from '../database/index.ts';
import { Kept } from '../documents/index.ts';
import type { EventRow } from './chain.ts';

const { events } = tables;

const after = (db: Connection) =>
  db
    .select()
    .from(events)
    .where(and(eq(events.job, sql.placeholder('job')), gt(events.seq, sql.placeholder('since'))));
const tail = asked<EventRow[], { job: string; since: number }>((db) => after(db).orderBy(events.seq));
// Not by `or`, for which the whole table would be read.
const tailAndOne = asked<EventRow[], { job: string; since: number; id: string }>((db) =>
  unionAll(
    after(db),
    db
      .select()
      .from(events)
      .where(eq(events.id, sql.placeholder('id'))),
  ),
);

/** An event as the newest version of its type says it. */
export function eventOf({ id, type, v, at, act, payload, seq, person, device }: EventRow): LoggedEvent {
  const event = { id, type, v, at, ...(act === null ? {} : { act }), payload: JSON.parse(payload) as Record<string, unknown>, seq, person, device };
  return liftEvent(event) as LoggedEvent;
}

/** Events of a job after a `seq`, in order, as their newest versions say them. */
export async function readEvents(db: Connection, job: string, since = 0): Promise<LoggedEvent[]> {
  return (await tail(db, { job, since })).map(eventOf);
}

/** A job's log with the chain at its last event. */
export interface KeptLog {
  log: readonly LoggedEvent[];
  chain: string;
}

/**
 * Logs as far as they were read. Events are only ever added, so what is kept stays true; what came since is read, also what another server
 * added. What is kept is held against the chain in the database each time, so one of a transaction that came to nothing is of no harm.
 */
const logs = new Kept<KeptLog>(200);

/** Keeps a log for the next read. */
export function keepLog(job: string, { log, chain }: KeptLog): void {
  if (log.length > 0) logs.set(job, { log, chain });
}

/** Rows of a job after a `seq`, and those of the same and other jobs that have one of these ids; a row of both may come twice. */
async function rowsAfter(db: Connection, job: string, since: number, ids: readonly string[]): Promise<EventRow[]> {
  const [id] = ids;
  if (id === undefined) return tail(db, { job, since });
  if (ids.length === 1) return tailAndOne(db, { job, since, id });
  const named = db
    .select()
    .from(events)
    .where(inArray(events.id, [...ids]));
  return [...(await tail(db, { job, since })), ...(await named)];
}

/**
 * The whole log of a job with the chain at its end, and the rows that have one of these ids already, whatever their job. What was read
 * before is kept, only what came since is read; the last event kept has to stand in the log still, with the same chain, else all is read.
 */
export async function readLog(db: Connection, job: string, ids: readonly string[] = []): Promise<KeptLog & { known: EventRow[] }> {
  const kept = logs.get(job);
  const last = kept?.log.at(-1)?.seq ?? 0;
  const rows = await rowsAfter(db, job, last - 1, ids);
  const known = rows.filter((row) => ids.includes(row.id));
  const bySeq = new Map(rows.flatMap((row) => (row.job === job && row.seq >= last ? [[row.seq, row] as const] : [])));
  const own = [...bySeq.values()].sort((a, b) => a.seq - b.seq);
  const [same, ...fresh] = own;
  const holds = kept !== undefined && same?.seq === last && same.chain === kept.chain;
  const added = holds ? fresh : last === 0 ? own : await tail(db, { job, since: 0 });
  if (holds && added.length === 0) return { ...kept, known };
  const now = { log: [...(holds ? kept.log : []), ...added.map(eventOf)], chain: added.at(-1)?.chain ?? '' };
  keepLog(job, now);
  return { ...now, known };
}

/** The log of a job alone. */
export async function wholeLog(db: Connection, job: string): Promise<readonly LoggedEvent[]> {
  return (await readLog(db, job)).log;
}

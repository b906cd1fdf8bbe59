import { createHash } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import { tables, type Connection } from '../database/index.ts';
import { canonicalJson } from '../documents/index.ts';

const { events } = tables;
/** A row of the log as it is stored. */
export type EventRow = typeof events.$inferSelect;
export type NewEventRow = Omit<EventRow, 'chain'>;

/** The chain at an event: a hash over the chain before it and all that is stored of it. What hangs on its payload is in its body hash. */
export function chainOf(before: string, { job, seq, id, type, v, at, act, person, device, bodyHash, storedAt }: NewEventRow): string {
  const stored = [before, job, seq, id, type, v, at, act, person, device, bodyHash, storedAt.toISOString()];
  return createHash('sha256').update(canonicalJson(stored)).digest('hex');
}

/** Rows of a job in order, each with its chain, after the chain before the first of them. */
export function chained(rows: readonly NewEventRow[], before: string): EventRow[] {
  let last = before;
  return rows.map((row) => ({ ...row, chain: (last = chainOf(last, row)) }));
}

/** Adds events at the end of a job's log, under its row lock. */
export async function insertEvents(tx: Connection, rows: readonly NewEventRow[]): Promise<void> {
  const [first] = rows;
  if (!first) return;
  const [previous] = await tx
    .select({ chain: events.chain })
    .from(events)
    .where(and(eq(events.job, first.job), eq(events.seq, first.seq - 1)));
  await tx.insert(events).values(chained(rows, previous?.chain ?? ''));
}

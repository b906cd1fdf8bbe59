import { createHash } from 'node:crypto';
import { getTableColumns, sql, type Placeholder } from 'drizzle-orm';
import { asked, tables, type Connection } from '../database/index.ts';
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

const COLUMNS = Object.keys(getTableColumns(events)) as (keyof EventRow)[];
const insertOne = asked<unknown, EventRow>((tx) =>
  tx.insert(events).values(Object.fromEntries(COLUMNS.map((name) => [name, sql.placeholder(name)])) as Record<keyof EventRow, Placeholder>),
);

/** Adds events at the end of a job's log, under its row lock, after the chain that it has there. Gives back the chain at the last of them. */
export async function insertEvents(tx: Connection, rows: readonly NewEventRow[], before: string): Promise<string> {
  if (rows.length === 0) return before;
  const added = chained(rows, before);
  const [only] = added;
  await (only && added.length === 1 ? insertOne(tx, only) : tx.insert(events).values(added));
  return added.at(-1)?.chain ?? before;
}

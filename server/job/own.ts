import { eq } from 'drizzle-orm';
import type { JobEvent, LoggedEvent } from '@jade/core/events';
import { tables, type Connection } from '../database/index.ts';
import { canonicalHash } from '../documents/index.ts';
import { notFound } from '../faults/index.ts';
import { insertEvents } from './chain.ts';
import { countUp, eventRow, lockJob, type Author } from './log.ts';
import { readLog } from './whole-log.ts';

/**
 * Writes an event that only the server makes, under the job's row lock, as the log then is. Gives back the new last seq, or undefined where the id is
 * known or nothing is to be written.
 */
export async function writeOwn(
  tx: Connection,
  job: string,
  id: string,
  author: Author,
  make: (log: readonly LoggedEvent[]) => Promise<Pick<JobEvent, 'type' | 'payload'> | undefined>,
): Promise<number | undefined> {
  const [row] = await lockJob(tx, { job });
  if (!row) throw notFound('job', job);
  const [known] = await tx.select({ id: tables.events.id }).from(tables.events).where(eq(tables.events.id, id));
  if (known) return undefined;
  const { log, chain } = await readLog(tx, job);
  const made = await make(log);
  if (!made) return undefined;
  const event = { id, v: 1, at: new Date().toISOString(), ...made } as JobEvent;
  await insertEvents(tx, [eventRow(job, row.seq + 1, event, canonicalHash(event), author)], chain);
  await countUp(tx, job, row.seq + 1, [event], [...log, event]);
  return row.seq + 1;
}

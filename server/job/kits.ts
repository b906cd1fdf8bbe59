import { eq } from 'drizzle-orm';
import { foldJob, hasLeft, type JobEvent } from '@jade/core/job';
import { tables, type Connection } from '../database/index.ts';
import { canonicalHash, getDocument } from '../documents/index.ts';
import { notFound, Refusal } from '../faults/index.ts';
import { insertEvents } from './chain.ts';
import { countUp, eventRow, lockJob, type Author } from './log.ts';
import { readLog } from './whole-log.ts';

/** Kits of one job at most, those that were dropped among them. */
const MOST_KITS = 20;

/**
 * Adds a kit to a job that is open, in its newest version; one that was dropped is taken up again. Gives back the new last seq, or undefined where
 * the id is known.
 */
export async function addKit(tx: Connection, job: string, { id, kit: slug }: { id: string; kit: string }, author: Author): Promise<number | undefined> {
  const [row] = await lockJob(tx, { job });
  if (!row) throw notFound('job', job);
  const [known] = await tx.select({ id: tables.events.id }).from(tables.events).where(eq(tables.events.id, id));
  if (known) return undefined;
  const { log, chain } = await readLog(tx, job);
  const state = foldJob(log);
  const against = (what: string) => new Refusal(409, [{ path: 'kit', code: 'conflict', data: { what } }]);
  if (hasLeft(state) || state.cancelled) throw against('the job has left the shop or is cancelled');
  const pins = state.opened?.kits ?? [];
  if (state.opened?.fitted?.some((pin) => pin.slug === slug)) throw against('this kit is on the vehicle already');
  if (pins.some((pin) => pin.slug === slug) && state.dropped[slug] === undefined) throw against('this kit is on the job already');
  if (pins.length >= MOST_KITS) throw against(`a job has ${MOST_KITS} kits at most`);
  const { version } = await getDocument(tx, 'kit', slug);
  const event: JobEvent<'kit.added'> = { id, type: 'kit.added', v: 1, at: new Date().toISOString(), payload: { kit: { slug, version } } };
  await insertEvents(tx, [eventRow(job, row.seq + 1, event, canonicalHash(event), author)], chain);
  await tx.insert(tables.jobKits).ignore().values({ job, kit: slug });
  await countUp(tx, job, row.seq + 1, [event], [...log, event]);
  return row.seq + 1;
}

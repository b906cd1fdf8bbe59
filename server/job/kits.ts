import { foldJob } from '@jade/core/log';
import { hasLeft } from '@jade/core/events';
import type { AddKit } from '@jade/contract/job';
import { tables, type Connection } from '../database/index.ts';
import { getDocument } from '../documents/index.ts';
import { Refusal } from '../faults/index.ts';
import type { Author } from './log.ts';
import { makeKit } from './make-kit.ts';
import { writeOwn } from './own.ts';

/** Kits of one job at most, those that were dropped among them. */
const MOST_KITS = 20;

/**
 * Adds a kit to a job that is open, in its newest version; one that was dropped is taken up again. Gives back the new last seq, or undefined where
 * the id is known.
 */
export function addKit(tx: Connection, job: string, { id, kit: slug, make }: AddKit, author: Author): Promise<number | undefined> {
  return writeOwn(tx, job, id, author, async (log) => {
    const state = foldJob(log);
    const against = (what: string) => new Refusal(409, [{ path: 'kit', code: 'conflict', data: { what } }]);
    if (hasLeft(state) || state.cancelled) throw against('the job has left the shop or is cancelled');
    const pins = state.opened?.kits ?? [];
    if (state.opened?.fitted?.some((pin) => pin.slug === slug)) throw against('this kit is on the vehicle already');
    if (pins.some((pin) => pin.slug === slug) && state.dropped[slug] === undefined) throw against('this kit is on the job already');
    if (pins.length >= MOST_KITS) throw against(`a job has ${MOST_KITS} kits at most`);
    if (make) await makeKit(tx, make, slug, '', 'kit');
    const { version } = await getDocument(tx, 'kit', slug);
    await tx.insert(tables.jobKits).ignore().values({ job, kit: slug });
    return { type: 'kit.added', payload: { kit: { slug, version } } };
  });
}

import { eq } from 'drizzle-orm';
import type { JobEvent } from '@jade/core/job';
import { tables, type Connection } from '../database/index.ts';
import { canonicalHash, getDocument } from '../documents/index.ts';
import { notFound } from '../faults/index.ts';
import { eventRow, type Author } from './log.ts';

export interface JobToOpen {
  id: string;
  eventId: string;
  vehicle: string;
  kits: string[];
  rules: string;
  at: Date;
  promisedAt?: Date;
  bay?: string;
}

/** Opens a job with the newest versions of its documents pinned: its row, and the opening event as number one of its log. */
export async function openJob(tx: Connection, job: JobToOpen, author: Author): Promise<void> {
  const [vehicle] = await tx.select().from(tables.vehicles).where(eq(tables.vehicles.id, job.vehicle));
  if (!vehicle) throw notFound('vehicle', job.vehicle);
  const pin = async (kind: 'vehicle' | 'kit' | 'rules', slug: string) => {
    const { version } = await getDocument(tx, kind, slug);
    return { slug, version };
  };
  const kits = [];
  for (const slug of job.kits) kits.push(await pin('kit', slug));
  const event: JobEvent<'job.opened'> = {
    id: job.eventId,
    type: 'job.opened',
    v: 1,
    at: job.at.toISOString(),
    payload: {
      vehicle: job.vehicle,
      profile: await pin('vehicle', vehicle.profile),
      kits,
      rules: await pin('rules', job.rules),
      ...(job.promisedAt ? { promisedAt: job.promisedAt.toISOString() } : {}),
    },
  };
  await tx.insert(tables.jobs).values({ id: job.id, vehicle: job.vehicle, seq: 1, summary: '{}', foldVersion: 0, openedAt: job.at, promisedAt: job.promisedAt, bay: job.bay });
  await tx.insert(tables.events).values(eventRow(job.id, 1, event, canonicalHash(event), author));
}

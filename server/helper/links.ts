import { randomBytes } from 'node:crypto';
import { and, count, eq, gt, inArray, isNull } from 'drizzle-orm';
import { HELPER_HOURS } from '@jade/core/shop';
import type { HelperShown } from '@jade/contract/helper';
import { isVehicleState, type VehicleState } from '@jade/core/states';
import { tables, type Connection } from '../database/index.ts';
import { notFound, Refusal } from '../faults/index.ts';
import { hashOf } from '../people/index.ts';

const { helperLinks, helperStates, jobs, vehicles } = tables;
const HOUR_MS = 3_600_000;

const stillOpen = () => and(isNull(helperLinks.endedAt), gt(helperLinks.madeAt, new Date(Date.now() - HELPER_HOURS * HOUR_MS)));

/** Opens a link that reads what the helper of a job is asked for, and nothing else. Its token is told once. */
export async function openLink(db: Connection, job: string, madeBy: string): Promise<{ token: string; until: string }> {
  const [there] = await db.select({ id: jobs.id }).from(jobs).where(eq(jobs.id, job));
  if (!there) throw notFound('job', job);
  const token = randomBytes(32).toString('base64url');
  const madeAt = new Date();
  await db.insert(helperLinks).values({ tokenHash: hashOf(token), job, madeAt, madeBy });
  return { token, until: new Date(madeAt.getTime() + HELPER_HOURS * HOUR_MS).toISOString() };
}

/** Shuts every link of a job. */
export async function shutLinks(db: Connection, job: string): Promise<void> {
  await db
    .update(helperLinks)
    .set({ endedAt: new Date() })
    .where(and(eq(helperLinks.job, job), isNull(helperLinks.endedAt)));
  await db.delete(helperStates).where(eq(helperStates.job, job));
}

/** Links of a job that can be read by now. */
export async function openLinks(db: Connection, job: string): Promise<number> {
  const [row] = await db
    .select({ open: count() })
    .from(helperLinks)
    .where(and(eq(helperLinks.job, job), stillOpen()));
  return row?.open ?? 0;
}

/** The job that a link reads; refused where it was shut, is over or never was. */
export async function jobOfLink(db: Connection, token: string): Promise<string> {
  const [row] = await db
    .select({ job: helperLinks.job })
    .from(helperLinks)
    .where(and(eq(helperLinks.tokenHash, hashOf(token)), stillOpen()));
  if (!row) throw new Refusal(403, [{ path: 'session', code: 'link-shut', data: { hours: HELPER_HOURS } }]);
  return row.job;
}

/** Keeps what the helper is asked for; nothing where no state is named. */
export async function askHelper(db: Connection, job: string, state: VehicleState | undefined): Promise<void> {
  const said = { state: state ?? null, saidAt: new Date() };
  await db
    .insert(helperStates)
    .values({ job, ...said })
    .onDuplicateKeyUpdate({ set: said });
}

/** What the helpers of jobs are asked for, by job. */
export async function shownTo(db: Connection, of: readonly string[]): Promise<Map<string, HelperShown>> {
  if (of.length === 0) return new Map();
  const rows = await db
    .select({ job: jobs.id, plate: vehicles.plate, state: helperStates.state })
    .from(jobs)
    .innerJoin(vehicles, eq(vehicles.id, jobs.vehicle))
    .leftJoin(helperStates, eq(helperStates.job, jobs.id))
    .where(inArray(jobs.id, [...of]));
  return new Map(rows.map(({ job, plate, state }) => [job, { plate, state: state !== null && isVehicleState(state) ? state : null }]));
}

import type { LoggedEvent } from '@jade/core/job';
import type { Connection } from '../database/index.ts';
import { Kept } from '../documents/index.ts';
import { readEvents } from './log.ts';

/** Logs as far as they were read. Events are only ever added, so what is kept stays true; what came since is read, also what another server added. */
const logs = new Kept<LoggedEvent[]>(200);

/** The whole log of a job; what was read before is kept, only what came since is read. */
export async function wholeLog(db: Connection, job: string): Promise<LoggedEvent[]> {
  const known = logs.get(job) ?? [];
  const since = known.at(-1)?.seq ?? 0;
  const fresh = await readEvents(db, job, since);
  return fresh.length === 0 ? known : [...known, ...fresh];
}

/** Keeps a log for the next read; only what is committed may be kept. */
export function keepLog(job: string, log: LoggedEvent[]): void {
  logs.set(job, log);
}

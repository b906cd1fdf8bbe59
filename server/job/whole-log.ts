import type { LoggedEvent } from '@jade/core/job';
import type { Connection } from '../database/index.ts';
import { Kept } from '../documents/index.ts';
import { readEvents } from './log.ts';

/** Logs as far as they were read. Events are only ever added, so what is kept stays true; what came since is read, also what another server added. */
const logs = new Kept<LoggedEvent[]>(200);

/** The whole log of a job; what was read before is kept, only what came since is read. The last event kept has to stand in the log still, else all is read. */
export async function wholeLog(db: Connection, job: string): Promise<LoggedEvent[]> {
  const known = logs.get(job);
  const last = known?.at(-1);
  if (!known || last?.seq === undefined) return readEvents(db, job);
  const [same, ...fresh] = await readEvents(db, job, last.seq - 1);
  if (same?.id !== last.id) return readEvents(db, job);
  return fresh.length === 0 ? known : [...known, ...fresh];
}

/** Keeps a log for the next read; only what is committed may be kept. */
export function keepLog(job: string, log: LoggedEvent[]): void {
  logs.set(job, log);
}

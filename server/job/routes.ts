import { eq } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import { FaultyInput } from '@jade/core/faults';
import { rightFor, roleFaults } from '@jade/core/shop';
import { foldJob, idCheck, undoFaults, type IdCheck, type JobEvent, type LoggedEvent } from '@jade/core/job';
import { NewJob, Repin } from '@jade/contract/job';
import { retrying, tables, type Connection, type Database } from '../database/index.ts';
import { formOf, notFound, worded } from '../faults/index.ts';
import { requireRight } from '../people/index.ts';
import { appendEvents, readEvents, type AppendAnswer } from './log.ts';
import { jobIdOf, openAsked } from './open.ts';
import { repinJob } from './pins.ts';
import { Streams } from './streams.ts';
import { documentsOf, keepLog, wholeLog, writeSummary } from './summary.ts';
import { takenOn } from './times.ts';
import { findJobs, listJobs, viewJob } from './view.ts';

const EVENT_BYTES = 1024 * 1024;
const MOST_EVENTS = 500;
const PING_MS = 20_000;
/** A request that waited for another reads what that one wrote. */
const READS_WHAT_STANDS = { isolationLevel: 'read committed' } as const;

function eventsIn(body: unknown): unknown[] {
  const events = (body as { events?: unknown } | null)?.events;
  if (!Array.isArray(events)) throw new FaultyInput([{ path: 'events', code: 'type', data: { expected: 'a list of events' } }]);
  if (events.length > MOST_EVENTS) throw new FaultyInput([{ path: 'events', code: 'length', data: { most: MOST_EVENTS } }]);
  return events as unknown[];
}

function statusOf(answers: readonly AppendAnswer[]): number {
  if (answers.some((answer) => answer.status === 'stored' || answer.status === 'already stored')) return 200;
  if (answers.some((answer) => answer.status === 'conflict')) return 409;
  const refused = answers.flatMap((answer) => (answer.status === 'refused' ? answer.faults : []));
  if (refused.length === 0) return 200;
  return refused.every((fault) => fault.code === 'role') ? 403 : 422;
}

/** Holds events against the documents that the job pins now, what happened to it, and what the role of their author may do. */
async function checkFor(tx: Connection, job: string, role: string): Promise<IdCheck> {
  const before: JobEvent[] = [...(await wholeLog(tx, job))];
  const state = foldJob(before as LoggedEvent[]);
  const documents = await documentsOf(tx, job, state);
  const known = documents ? idCheck(documents, Object.keys(state.accessories)) : () => [];
  return (event, path) => {
    // To take something back asks for the same right as to do it.
    const target = event.type === 'undone' ? before.find((entry) => entry.id === event.payload.event) : undefined;
    const faults = [...roleFaults(role, rightFor((target ?? event).type), path), ...known(event, path), ...undoFaults(before, event, path)];
    if (faults.length === 0) before.push(event);
    return faults;
  };
}

export interface JobRoutesOptions {
  db: Database;
  /** Runs after a job was signed, before the answer goes out. */
  onSigned: (job: string) => Promise<unknown>;
}

/** Jobs: the board, one job with its documents, its log to append to, to read and to follow live. */
export function jobRoutes(app: FastifyInstance, { db, onSigned }: JobRoutesOptions): void {
  const streams = new Streams();
  const pinging = setInterval(() => streams.ping(), PING_MS).unref();
  app.addHook('preClose', (done) => {
    clearInterval(pinging);
    streams.closeAll();
    done();
  });

  async function requireJob(id: string): Promise<void> {
    const [row] = await db.select({ id: tables.jobs.id }).from(tables.jobs).where(eq(tables.jobs.id, id));
    if (!row) throw notFound('job', id);
  }

  app.get<{ Querystring: { find?: string } }>('/api/jobs', async ({ query }) => (query.find?.trim() ? findJobs(db, query.find) : listJobs(db)));

  app.post('/api/jobs', async (request, reply) => {
    const author = await requireRight(db, request, 'open a job');
    const asked = formOf(NewJob, request.body);
    const id = jobIdOf(asked);
    const opened = await retrying(() =>
      db.transaction(async (tx) => {
        const seq = await openAsked(tx, asked, { person: author.person, device: author.device });
        if (seq !== undefined) await writeSummary(tx, id, seq);
        return seq !== undefined;
      }, READS_WHAT_STANDS),
    );
    return reply.status(opened ? 201 : 200).send({ id });
  });

  app.get<{ Params: { id: string } }>('/api/jobs/:id', async ({ params }) => viewJob(db, params.id));

  app.get<{ Params: { id: string }; Querystring: { since?: string } }>('/api/jobs/:id/events', async ({ params, query }) => {
    const since = Number(query.since ?? 0);
    if (!Number.isInteger(since) || since < 0) throw new FaultyInput([{ path: 'since', code: 'type', data: { expected: 'a whole number' } }]);
    await requireJob(params.id);
    return { events: await readEvents(db, params.id, since) };
  });

  app.get<{ Params: { profile: string } }>('/api/times/:profile', async ({ params }) => takenOn(db, params.profile));

  app.post<{ Params: { id: string } }>('/api/jobs/:id/events', { bodyLimit: EVENT_BYTES }, async (request, reply) => {
    const { person, device, role } = await requireRight(db, request, 'record');
    const job = request.params.id;
    const values = eventsIn(request.body);
    let log: LoggedEvent[] = [];
    const { answers, appended } = await retrying(() =>
      db.transaction(async (tx) => {
        const result = await appendEvents(
          tx,
          job,
          values,
          () => ({ person, device }),
          () => checkFor(tx, job, role),
        );
        if (result.appended.length > 0) log = await writeSummary(tx, job, result.lastSeq);
        return result;
      }),
    );
    if (appended.length > 0) {
      keepLog(job, log);
      streams.send(job, appended);
      if (appended.some((event) => event.type === 'job.signed')) await onSigned(job);
    }
    return reply.status(statusOf(answers)).send({ answers: answers.map((answer) => ('faults' in answer ? { ...answer, faults: worded(answer.faults) } : answer)) });
  });

  app.post<{ Params: { id: string } }>('/api/jobs/:id/pins', async (request, reply) => {
    const { person, device } = await requireRight(db, request, 'take over documents');
    const job = request.params.id;
    const { id } = formOf(Repin, request.body);
    const log = await retrying(() =>
      db.transaction(async (tx) => {
        const seq = await repinJob(tx, job, id, { person, device });
        return seq === undefined ? undefined : writeSummary(tx, job, seq);
      }),
    );
    if (log) {
      keepLog(job, log);
      streams.send(job, log.slice(-1));
    }
    return reply.status(log ? 201 : 200).send({ repinned: log !== undefined });
  });

  app.get<{ Params: { id: string }; Querystring: { since?: string } }>('/api/jobs/:id/stream', async (request, reply) => {
    const { id } = request.params;
    await requireJob(id);
    const since = Number(request.headers['last-event-id'] ?? request.query.since ?? 0) || 0;
    reply.hijack();
    reply.raw.writeHead(200, { 'content-type': 'text/event-stream', 'cache-control': 'no-store', connection: 'keep-alive' });
    streams.add(id, reply.raw);
    const missed = await readEvents(db, id, since);
    reply.raw.write(missed.length > 0 ? `id: ${missed.at(-1)?.seq ?? 0}\nevent: appended\ndata: ${JSON.stringify(missed)}\n\n` : ': open\n\n');
  });
}

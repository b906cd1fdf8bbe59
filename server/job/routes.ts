import { eq } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import { FaultyInput } from '@jade/core/faults';
import { roleFaults } from '@jade/core/shop';
import { foldJob, idCheck, standingEvents, undoFaults, undoTargets, type IdCheck } from '@jade/core/log';
import { rightFor, TELLING, type JobEvent, type LoggedEvent } from '@jade/core/events';
import { beyondMeasure } from '@jade/contract/check';
import { AddKit, NewJob, Repin, type TimesOfKind } from '@jade/contract/job';
import { keptOf } from '../photos/index.ts';
import { retrying, tables, type Connection, type Database } from '../database/index.ts';
import { getDocument, versionOf } from '../documents/index.ts';
import { formOf, notFound, worded } from '../faults/index.ts';
import { authorOf, isLetIn, requireRight } from '../people/index.ts';
import { appendEvents, type AppendAnswer } from './log.ts';
import { pinnedOf } from './documents.ts';
import { addKit } from './kits.ts';
import { jobIdOf, openAsked } from './open.ts';
import { repinJob } from './pins.ts';
import { lookOften, openStream } from '../streams/index.ts';
import { BoardStreams, Streams } from './streams.ts';
import { Summaries } from './summary.ts';
import { timesOn } from './times.ts';
import { boardState, findJobs, listJobs, viewJob } from './view.ts';
import { keepLog, readEvents, wholeLog } from './whole-log.ts';

const EVENT_BYTES = 1024 * 1024;
const MOST_EVENTS = 500;
const PING_MS = 20_000;
/** A request that waited for another reads what that one wrote. */
const READS_WHAT_STANDS = { isolationLevel: 'read committed' } as const;

function eventsIn(body: unknown): unknown[] {
  const events = (body as { events?: unknown } | null)?.events;
  if (!Array.isArray(events)) throw new FaultyInput([{ path: 'events', code: 'type', data: { expected: 'a list of events' } }]);
  if (events.length > MOST_EVENTS) throw new FaultyInput([{ path: 'events', code: 'length', data: { most: MOST_EVENTS } }]);
  const beyond = beyondMeasure(events, 'events');
  if (beyond) throw new FaultyInput([beyond]);
  return events as unknown[];
}

/** The session that the events were made in, where it is told. */
function sessionIn(body: unknown): string | undefined {
  const session = (body as { session?: unknown }).session;
  if (session !== undefined && typeof session !== 'string') throw new FaultyInput([{ path: 'session', code: 'type', data: { expected: 'text' } }]);
  return session;
}

function statusOf(answers: readonly AppendAnswer[]): number {
  if (answers.some((answer) => answer.status === 'stored' || answer.status === 'already stored')) return 200;
  if (answers.some((answer) => answer.status === 'conflict')) return 409;
  const refused = answers.flatMap((answer) => (answer.status === 'refused' ? answer.faults : []));
  if (refused.length === 0) return 200;
  return refused.every((fault) => fault.code === 'role') ? 403 : 422;
}

/** What an event does or does over: to take something back asks for the same right as to do it, however often it was taken back before. */
const doneOver = (log: readonly JobEvent[], event: JobEvent): JobEvent[] =>
  event.type === 'undone' ? undoTargets(log, event).flatMap((target) => doneOver(log.slice(0, log.indexOf(target)), target)) : [event];

/** Holds events against the documents that the job pins now, what happened to it, and what the role of their author may do. */
async function checkFor(tx: Connection, role: string, known: readonly LoggedEvent[]): Promise<IdCheck> {
  const before: JobEvent[] = [...known];
  const state = foldJob(standingEvents(known, TELLING));
  const { opened, accessories, plugsFound, described, kitsDescribed } = state;
  const byIds = opened
    ? idCheck(await pinnedOf(tx, known, opened), { accessories: Object.keys(accessories), plugs: Object.values(plugsFound), described, kitsDescribed })
    : () => [];
  return (event, path) => {
    const rights = [...new Set(doneOver(before, event).map(({ type }) => rightFor(type)))];
    const faults = [...rights.flatMap((right) => roleFaults(role, right, path)), ...byIds(event, path), ...undoFaults(before, event, path)];
    if (faults.length === 0) before.push(event);
    return faults;
  };
}

/** A place in a log, from an address; none asked for is the beginning. */
function placeOf(text: string | undefined, path: string): number {
  const since = text === undefined || text === '' ? 0 : Number(text);
  if (!Number.isSafeInteger(since) || since < 0) throw new FaultyInput([{ path, code: 'type', data: { expected: 'a whole number from 0 on' } }]);
  return since;
}

export interface JobRoutesOptions {
  db: Database;
  /** Runs after a job was signed, before the answer goes out. */
  onSigned: (job: string) => Promise<unknown>;
}

/** Jobs: the board, one job with its documents, its log to append to, to read and to follow live. */
export function jobRoutes(app: FastifyInstance, { db, onSigned }: JobRoutesOptions): void {
  const streams = new Streams(db);
  const board = new BoardStreams();
  const summaries = new Summaries(db, (job, error) => app.log.error({ err: error, job }, 'the summary was not made'));
  const pinging = setInterval(() => void Promise.all([streams, board].map((open) => open.ping())), PING_MS).unref();
  const stopLooking = lookOften(async () => {
    await streams.look();
    await board.look(() => boardState(db));
  });
  app.addHook('onReady', (done) => {
    void summaries.liftAll().catch((error: unknown) => app.log.error({ err: error }, 'older summaries were not made anew'));
    done();
  });
  app.addHook('preClose', async () => {
    stopLooking();
    clearInterval(pinging);
    streams.closeAll();
    board.closeAll();
    await summaries.stop();
  });
  /** After something was stored, whoever follows the job is told and its summary follows; nobody waits for it. */
  function afterAppend(job: string): void {
    void streams.tell(job).catch((error: unknown) => app.log.error({ err: error, job }, 'followers were not told'));
    summaries.later(job);
  }

  async function requireJob(id: string): Promise<void> {
    const [row] = await db.select({ id: tables.jobs.id }).from(tables.jobs).where(eq(tables.jobs.id, id));
    if (!row) throw notFound('job', id);
  }

  app.get<{ Querystring: { find?: string } }>('/api/jobs', async ({ query }) => (query.find?.trim() ? findJobs(db, query.find, summaries) : listJobs(db, summaries)));

  app.post('/api/jobs', async (request, reply) => {
    const author = await requireRight(db, request, 'open a job');
    const asked = formOf(NewJob, request.body);
    const id = jobIdOf(asked);
    const opened = await retrying(() =>
      db.transaction(async (tx) => {
        const seq = await openAsked(tx, asked, { person: author.person, device: author.device });
        return seq !== undefined;
      }, READS_WHAT_STANDS),
    );
    if (opened) summaries.later(id);
    return reply.status(opened ? 201 : 200).send({ id });
  });

  app.get<{ Params: { id: string } }>('/api/jobs/:id', async ({ params }) => viewJob(db, params.id));

  app.get<{ Params: { id: string }; Querystring: { since?: string } }>('/api/jobs/:id/events', async ({ params, query }) => {
    const since = placeOf(query.since, 'since');
    const events = await readEvents(db, params.id, since);
    // A job that has an event is there.
    if (events.length === 0) await requireJob(params.id);
    return { events };
  });

  app.get<{ Params: { id: string } }>('/api/jobs/:id/photos', async ({ params }) => {
    await requireJob(params.id);
    const { photos } = foldJob(await wholeLog(db, params.id));
    return {
      kept: await keptOf(
        db,
        Object.values(photos).flatMap(({ hash, thumb }) => [hash, thumb]),
      ),
    };
  });

  app.get<{ Params: { profile: string }; Querystring: { version?: string } }>('/api/times/:profile', async ({ params, query }): Promise<TimesOfKind> => {
    const { version } = await getDocument(db, 'vehicle', params.profile, versionOf(query.version));
    return { version, ...(await timesOn(db, params.profile, version)) };
  });

  app.post<{ Params: { id: string } }>('/api/jobs/:id/events', { bodyLimit: EVENT_BYTES }, async (request, reply) => {
    const sender = await requireRight(db, request, 'record');
    const values = eventsIn(request.body);
    const { person, device, role } = await authorOf(db, sender, sessionIn(request.body));
    const job = request.params.id;
    const { answers, appended, becomes } = await retrying(() =>
      db.transaction((tx) =>
        appendEvents(
          tx,
          job,
          values,
          () => ({ person, device }),
          (log) => checkFor(tx, role, log),
        ),
      ),
    );
    keepLog(job, becomes);
    if (appended.length > 0) {
      // The sheet can be made later; what is stored is stored.
      if (appended.some((event) => event.type === 'job.signed')) await onSigned(job).catch((error: unknown) => app.log.error({ err: error, job }, 'the sheet was not made'));
    }
    // Also where all was stored before: an answer that was lost may not have been followed by this.
    if (answers.some((answer) => 'seq' in answer)) afterAppend(job);
    return reply.status(statusOf(answers)).send({ answers: answers.map((answer) => ('faults' in answer ? { ...answer, faults: worded(answer.faults) } : answer)) });
  });

  app.post<{ Params: { id: string } }>('/api/jobs/:id/pins', async (request, reply) => {
    const { person, device } = await requireRight(db, request, 'take over documents');
    const job = request.params.id;
    const { id } = formOf(Repin, request.body);
    const seq = await retrying(() => db.transaction((tx) => repinJob(tx, job, id, { person, device })));
    if (seq !== undefined) afterAppend(job);
    return reply.status(seq === undefined ? 200 : 201).send({ repinned: seq !== undefined });
  });

  app.post<{ Params: { id: string } }>('/api/jobs/:id/kits', async (request, reply) => {
    const { person, device } = await requireRight(db, request, 'change the order');
    const job = request.params.id;
    const asked = formOf(AddKit, request.body);
    const seq = await retrying(() => db.transaction((tx) => addKit(tx, job, asked, { person, device })));
    if (seq !== undefined) afterAppend(job);
    return reply.status(seq === undefined ? 200 : 201).send({ added: seq !== undefined });
  });

  app.get<{ Params: { id: string }; Querystring: { since?: string } }>('/api/jobs/:id/stream', async (request, reply) => {
    const { id } = request.params;
    const since = placeOf(String(request.headers['last-event-id'] ?? request.query.since ?? ''), 'since');
    await requireJob(id);
    openStream(reply);
    reply.raw.write(': open\n\n');
    await streams.add(id, reply.raw, since, () => isLetIn(db, request));
  });

  app.get('/api/board/stream', async (request, reply) => {
    openStream(reply);
    board.add(reply.raw, () => isLetIn(db, request));
  });
}

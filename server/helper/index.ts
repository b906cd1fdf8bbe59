import type { FastifyInstance } from 'fastify';
import { HelperAsked, type HelperLink, type HelperLinks, type HelperShown } from '@jade/contract/helper';
import { retrying, type Database } from '../database/index.ts';
import { formOf, notFound } from '../faults/index.ts';
import { requireRight } from '../people/index.ts';
import { lookOften, openStream } from '../streams/index.ts';
import { askHelper, jobOfLink, openLink, openLinks, shownTo, shutLinks } from './links.ts';
import { HelperStreams } from './streams.ts';

/** A phone in the seat hears soon that its link was shut, and a dead line is noticed. */
const PING_MS = 10_000;

interface OfJob {
  Params: { id: string };
}
interface OfLink {
  Params: { token: string };
}

export interface HelperRoutesOptions {
  db: Database;
  addresses: readonly string[];
}

/** The helper's phone: a link that reads what one job asks of the helper in the seat, told live; who has the link needs no other way in. */
export function helperRoutes(app: FastifyInstance, { db, addresses }: HelperRoutesOptions): void {
  const streams = new HelperStreams(db);
  const stopLooking = lookOften(() => streams.look());
  const pinging = setInterval(() => void streams.ping(), PING_MS).unref();
  app.addHook('preClose', (done) => {
    stopLooking();
    clearInterval(pinging);
    streams.closeAll();
    done();
  });

  app.get<OfJob>('/api/jobs/:id/helper', async ({ params }): Promise<HelperLinks> => ({ open: await openLinks(db, params.id) }));

  app.post<OfJob>('/api/jobs/:id/helper', async (request, reply): Promise<HelperLink> => {
    const { person } = await requireRight(db, request, 'record');
    const made = await openLink(db, request.params.id, person);
    return reply.status(201).send({ ...made, addresses: [...addresses] } satisfies HelperLink);
  });

  app.post<OfJob>('/api/jobs/:id/helper/asked', async (request) => {
    await requireRight(db, request, 'record');
    const { state } = formOf(HelperAsked, request.body);
    const job = request.params.id;
    if ((await openLinks(db, job)) === 0) return { told: false };
    await retrying(() => askHelper(db, job, state));
    await streams.look();
    return { told: true };
  });

  app.post<OfJob>('/api/jobs/:id/helper/shut', async (request) => {
    await requireRight(db, request, 'record');
    await retrying(() => db.transaction((tx) => shutLinks(tx, request.params.id)));
    await streams.ping();
    return { open: 0 } satisfies HelperLinks;
  });

  app.get<OfLink>('/api/helper/:token', async ({ params }): Promise<HelperShown> => {
    const job = await jobOfLink(db, params.token);
    const shown = (await shownTo(db, [job])).get(job);
    if (!shown) throw notFound('job', job);
    return shown;
  });

  app.get<OfLink>('/api/helper/:token/stream', async ({ params }, reply) => {
    const job = await jobOfLink(db, params.token);
    openStream(reply);
    reply.raw.write(': open\n\n');
    await streams.add(job, {
      response: reply.raw,
      stillIn: async () => (await jobOfLink(db, params.token).catch((error: unknown) => (isShut(error) ? undefined : job))) === job,
    });
  });
}

const isShut = (error: unknown) => error instanceof Error && error.name === 'Refusal';

import type { FastifyInstance, FastifyRequest } from 'fastify';
import type { Connection, Database } from '../database/index.ts';
import { Refusal } from '../faults/index.ts';
import { deviceOf, fromThisMachine } from './session.ts';

/** What may be asked from anywhere: whether it is well, by a code to be let in, and by a helper's link what the helper is to switch. */
const OPEN_TO_ALL = new Set([
  'GET /api/health',
  'HEAD /api/health',
  'POST /api/devices',
  'GET /api/helper/:token',
  'HEAD /api/helper/:token',
  'GET /api/helper/:token/stream',
  'HEAD /api/helper/:token/stream',
]);

/** Whether a request may still come in: at this machine, or from a device that was not shut out since. What stays open for long asks it again. */
export async function isLetIn(db: Connection, request: FastifyRequest): Promise<boolean> {
  return fromThisMachine(request) || (await deviceOf(db, request)) !== undefined;
}

/** The door: beyond this machine nothing of the shop is read or written but by a device that was let in. */
export function guardDoor(app: FastifyInstance, { db }: { db: Database }): void {
  app.addHook('onRequest', async (request, reply) => {
    // What is said of customers is kept by nobody on the way.
    void reply.header('cache-control', 'no-store');
    if (OPEN_TO_ALL.has(`${request.method} ${request.routeOptions.url ?? ''}`)) return;
    if (!(await isLetIn(db, request))) throw new Refusal(403, [{ path: 'session', code: 'not-let-in', data: {} }]);
  });
}

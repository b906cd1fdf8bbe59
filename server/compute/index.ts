import type { FastifyInstance } from 'fastify';
import { COMPUTATIONS, findComputation } from '@jade/contract/compute';

/** The same calculations as at the shell. */
export function computeRoutes(app: FastifyInstance): void {
  app.get('/api/compute', () => COMPUTATIONS.map(({ name, summary, output }) => ({ name, summary, output })));
  app.post<{ Params: { name: string } }>('/api/compute/:name', { bodyLimit: 4 * 1024 * 1024 }, ({ params, body }) => findComputation(params.name).run(body));
}

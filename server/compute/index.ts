import type { FastifyInstance } from 'fastify';
import { COMPUTATIONS, findComputation } from '@jade/contract/compute';
import { computeAway } from '../planner/index.ts';

/** The same calculations as at the shell, away from the thread that answers everybody. */
export function computeRoutes(app: FastifyInstance): void {
  app.get('/api/compute', () => COMPUTATIONS.map(({ name, summary, output }) => ({ name, summary, output })));
  app.post<{ Params: { name: string } }>('/api/compute/:name', { bodyLimit: 4 * 1024 * 1024 }, ({ params, body }) => computeAway(findComputation(params.name).name, body));
}

import fastifyRateLimit from '@fastify/rate-limit';
import type { FastifyInstance } from 'fastify';
import { Refusal } from '../faults/index.ts';
import { fromThisMachine } from '../people/index.ts';

/** Requests that one address may make in a minute; no bench comes near it. */
const MOST_IN_MINUTE = 1200;

/** Whoever asks without end is told to wait, so that others are answered. The machine itself is not counted. */
export function limitRates(app: FastifyInstance, most = MOST_IN_MINUTE): void {
  void app.register(fastifyRateLimit, {
    max: most,
    timeWindow: 60_000,
    allowList: (request) => fromThisMachine(request),
    errorResponseBuilder: (_, { ttl }) => new Refusal(429, [{ path: '(address)', code: 'too-often', data: { seconds: Math.max(1, Math.ceil(ttl / 1000)) } }]),
  });
}

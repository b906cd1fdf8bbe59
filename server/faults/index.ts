import type { FastifyError, FastifyInstance } from 'fastify';
import { FaultyInput, type Fault } from '@jade/core/faults';
import { checkForm } from '@jade/contract/check';
import { sayFault } from '@jade/words/faults';

/** A refusal with its HTTP status; the faults say why and where. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly faults: Fault[],
    readonly extra: Record<string, unknown> = {},
  ) {
    super(faults.map(sayFault).join('; '));
    this.name = 'Refusal';
  }
}

/** A body that has the form asked for; refused with every fault of it where it has not. */
export function formOf<T extends object>(form: new () => T, body: unknown): T {
  const faults = checkForm(form, body);
  if (faults.length > 0) throw new FaultyInput(faults);
  return body as T;
}

export function notFound(what: string, id: string): Refusal {
  return new Refusal(404, [{ path: what, code: 'unknown-id', data: { id, what } }]);
}

/** Faults with their sentences. */
export function worded(faults: readonly Fault[]): (Fault & { message: string })[] {
  return faults.map((fault) => ({ ...fault, message: sayFault(fault) }));
}

function answer(faults: readonly Fault[], extra: Record<string, unknown> = {}) {
  return { faults: worded(faults), ...extra };
}

const BODY_FAULTS: Record<string, (error: FastifyError) => Fault> = {
  FST_ERR_CTP_BODY_TOO_LARGE: () => ({ path: '(body)', code: 'too-large', data: { most: 'the limit of this route' } }),
  FST_ERR_CTP_EMPTY_JSON_BODY: () => ({ path: '(body)', code: 'missing', data: {} }),
  FST_ERR_CTP_INVALID_MEDIA_TYPE: () => ({ path: '(body)', code: 'type', data: { expected: 'application/json' } }),
};

const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ETIMEDOUT',
  'EPIPE',
  'ENOTFOUND',
  'EHOSTUNREACH',
  'PROTOCOL_CONNECTION_LOST',
  'PROTOCOL_SEQUENCE_TIMEOUT',
  'ER_CON_COUNT_ERROR',
  'ER_SERVER_SHUTDOWN',
  'ER_CONNECTION_KILLED',
  'ER_QUERY_INTERRUPTED',
]);

/** Whether an error says that the database is not there now, also where another one wraps it. */
function databaseAway(error: unknown): boolean {
  for (let at: unknown = error, depth = 0; at instanceof Error && depth < 4; at = at.cause, depth++) {
    const { code, fatal } = at as Error & { code?: string; fatal?: boolean };
    if ((code !== undefined && AWAY.has(code)) || (fatal === true && code?.startsWith('ER_') !== true)) return true;
    if (/closed state|Pool is closed/.test(at.message)) return true;
  }
  return false;
}

/** Turns every error into a status and a body that names the path, in this one place. */
export function mapErrors(app: FastifyInstance): void {
  app.setErrorHandler((error: FastifyError, request, reply) => {
    if (error instanceof Refusal) return reply.status(error.status).send(answer(error.faults, error.extra));
    if (error instanceof FaultyInput) return reply.status(422).send(answer(error.faults));
    const status = error.statusCode ?? 500;
    if (status < 500) {
      const fault = BODY_FAULTS[error.code]?.(error) ?? { path: '(body)', code: 'not-json' as const, data: { reason: error.message } };
      return reply.status(status).send(answer([fault]));
    }
    request.log.error({ err: error }, 'request failed');
    if (databaseAway(error)) return reply.status(503).send(answer([{ path: '(server)', code: 'not-available', data: { what: 'the database' } }]));
    return reply.status(500).send(answer([{ path: '(server)', code: 'failed', data: { request: request.id } }]));
  });
}

/** The body for an address that leads nowhere. */
export function nowhere(url: string) {
  return answer([{ path: url, code: 'unknown-id', data: { id: url, what: 'address' } }]);
}

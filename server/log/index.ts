import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { LogController, type FastifyInstance, type FastifyServerOptions } from 'fastify';
import roll from 'pino-roll';

/** Size at which a new file is begun, and how many of the files before it are kept. */
const MOST_IN_FILE = '5m';
const FILES_KEPT = 8;
/** A request that took longer is written down even where it only reads. */
const SLOW_MS = 1000;
/** Causes behind an error that are written down. */
const MOST_CAUSES = 4;

/** Somewhere that lines are written to. */
export interface LogStream {
  write: (line: string) => unknown;
}

/** Files of a folder that follow one another, the oldest taken away. */
export async function openLog(folder: string, size = MOST_IN_FILE): Promise<LogStream & { end: () => void }> {
  return roll({ file: join(folder, 'server'), extension: '.log', size, mkdir: true, sync: true, limit: { count: FILES_KEPT, removeOtherLogFiles: true } });
}

/**
 * An error without its message: that repeats what was sent, and with it customers' data. Its kind, its code, where in the program it
 * happened, and the same of what caused it.
 */
export function plainError(error: unknown, depth = 0): { type: string; message: string; stack: string; [more: string]: unknown } {
  if (!(error instanceof Error)) return { type: typeof error, message: '', stack: '' };
  const { code, errno } = error as Error & { code?: string; errno?: number };
  const stack = (error.stack ?? '')
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .map((line) => line.trim())
    .join('\n');
  const cause = error.cause !== undefined && depth < MOST_CAUSES ? { cause: plainError(error.cause, depth + 1) } : {};
  return { type: error.name, message: code ?? '', stack, ...(errno === undefined ? {} : { errno }), ...cause };
}

/** How the server logs to a stream, everything or errors alone; nothing where there is none. */
export function logging(stream: LogStream | undefined, errorsAlone = false): Pick<FastifyServerOptions, 'logger' | 'logController' | 'genReqId'> {
  return {
    logger: stream
      ? { level: errorsAlone ? 'error' : 'info', stream, base: null, serializers: { err: (error: unknown) => plainError(error), error: (error: unknown) => plainError(error) } }
      : false,
    // The address of a request can name a customer: what is written down of requests is in `logRequests`.
    logController: new LogController({ disableRequestLogging: true }),
    genReqId: () => randomUUID().slice(0, 13),
  };
}

/** Writes down each request that changed something, was refused, failed or was slow: by its route, never by what was asked or said. */
export function logRequests(app: FastifyInstance): void {
  app.addHook('onSend', (request, reply, _, done) => {
    void reply.header('x-request-id', request.id);
    done();
  });
  app.addHook('onResponse', (request, reply, done) => {
    const ms = Math.round(reply.elapsedTime);
    const { method } = request;
    const status = reply.statusCode;
    if (status >= 400 || ms > SLOW_MS || (method !== 'GET' && method !== 'HEAD'))
      request.log[status >= 500 ? 'error' : 'info']({ method, route: request.routeOptions.url ?? '(none)', status, ms }, 'request');
    done();
  });
}

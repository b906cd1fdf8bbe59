import { existsSync } from 'node:fs';
import { join } from 'node:path';
import fastifyCompress from '@fastify/compress';
import fastifyStatic from '@fastify/static';
import Fastify, { type FastifyError, type FastifyInstance, type FastifyReply, type FastifyRequest } from 'fastify';
import { FaultyInput, type Fault } from '@jade/core/faults';
import { computeRoutes } from '../compute/index.ts';
import { customerRoutes } from '../customers/index.ts';
import type { OpenDatabase } from '../database/index.ts';
import { documentRoutes } from '../documents/index.ts';
import { mapErrors, nowhere, Refusal, worded } from '../faults/index.ts';
import { healthRoute, warningsRoute } from '../health/index.ts';
import { importRoutes } from '../import/index.ts';
import { jobRoutes } from '../job/index.ts';
import { logging, logRequests, type LogStream } from '../log/index.ts';
import { fromThisMachine, guardDoor, peopleRoutes } from '../people/index.ts';
import { stopPlanner } from '../planner/index.ts';
import { harnessRoutes } from '../harness/index.ts';
import { labelRoutes } from '../labels/index.ts';
import { helperRoutes } from '../helper/index.ts';
import { captureRoutes } from '../capture/index.ts';
import { photoRoutes } from '../photos/index.ts';
import { practiceRoutes } from '../practice/index.ts';
import { ensureSheet, sheetRoutes } from '../sheet/index.ts';
import { shopRoutes } from '../shop/index.ts';
import { limitRates } from './limits.ts';

export interface AppOptions {
  database: OpenDatabase;
  /** Folder of the built interface; none is served where it is absent. */
  webFolder?: string;
  /** Names under which the server may be addressed besides this machine's own. */
  hosts?: string[];
  /** Addresses under which other devices find the shop, told to whoever lets one in. */
  addresses?: string[];
  /** Addresses of proxies whose word on the client's address is taken. */
  proxies?: string[];
  /** Longest time in which a request has to be there as a whole, in milliseconds. */
  requestTimeout?: number;
  /** Where it writes down what happened; nowhere where it is absent. */
  log?: LogStream;
  /** Only what failed in the program is written down. */
  logErrorsAlone?: boolean;
  /** The shop's data folder, where this machine has it. */
  folder?: string;
  /** Requests that one other address may make in a minute. */
  mostInMinute?: number;
}

/** Over a bad line four megabytes of a document take about so long. */
const REQUEST_MS = 60_000;

const OWN_NAMES = ['localhost', '127.0.0.1', '[::1]'];
/** A meter's bridge runs on the device of the bench itself. */
const POLICY =
  "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; connect-src 'self' ws://127.0.0.1:* ws://localhost:*; worker-src 'self' blob:; frame-ancestors 'none'; base-uri 'none'; form-action 'self'";

function nameOf(host: string): string {
  return host.replace(/:\d+$/, '').toLowerCase();
}

function checkOrigin(app: FastifyInstance, hosts: readonly string[]): void {
  app.addHook('onRequest', (request, reply, done) => {
    void reply.headers({ 'x-content-type-options': 'nosniff', 'content-security-policy': POLICY, 'referrer-policy': 'no-referrer' });
    const host = nameOf(request.headers.host ?? '');
    if (!hosts.includes(host)) return done(new Refusal(421, [{ path: 'Host', code: 'choice', data: { value: host, choices: hosts.join(', ') } }]));
    const { origin } = request.headers;
    const foreign = origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== request.headers.host);
    if (foreign && request.method !== 'GET') return done(new Refusal(403, [{ path: 'Origin', code: 'choice', data: { value: origin, choices: request.headers.host ?? '' } }]));
    return done();
  });
}

function serveInterface(app: FastifyInstance, folder: string): void {
  void app.register(fastifyStatic, {
    root: folder,
    preCompressed: true,
    // Its own header would stand in the place of the one below.
    cacheControl: false,
    setHeaders: (reply, path) => void reply.setHeader('cache-control', path.includes('/assets/') ? 'public, max-age=31536000, immutable' : 'no-cache'),
  });
  app.setNotFoundHandler((request, reply) => {
    const page = request.method === 'GET' && !request.url.startsWith('/api/') && !request.url.startsWith('/assets/');
    if (page) return reply.header('cache-control', 'no-cache').sendFile('index.html');
    return reply.status(404).send(nowhere(request.url));
  });
}

/** An address that cannot be read says so as every other fault does. */
function refuseAddress(error: FastifyError, _: FastifyRequest, reply: FastifyReply): void {
  const fault: Fault =
    error.code === 'FST_ERR_MAX_PARAM_LENGTH'
      ? { path: '(address)', code: 'length', data: { most: 1000 } }
      : { path: '(address)', code: 'type', data: { expected: 'an address that can be read' } };
  void reply.status(error.statusCode ?? 400).send({ faults: worded([fault]) });
}

/** What is asked for in an address is asked for once; which of two would count is nobody's to guess. */
function refuseTwice(app: FastifyInstance): void {
  app.addHook('preValidation', (request, _, done) => {
    const twice = Object.entries(request.query as Record<string, unknown>).flatMap(([path, value]): Fault[] =>
      typeof value === 'string' ? [] : [{ path, code: 'name-twice', data: { name: path } }],
    );
    done(twice.length > 0 ? new FaultyInput(twice) : undefined);
  });
}

/** Answers are packed on their way to other devices; on the machine itself there is no way that it would make shorter. */
function packForOthers(app: FastifyInstance): void {
  void app.register(fastifyCompress, { global: true, threshold: 2048 });
  app.addHook('onRequest', (request, _, done) => {
    if (fromThisMachine(request)) request.headers['x-no-compression'] = '1';
    done();
  });
}

/** The server with all its routes, not yet listening. */
export function buildApp({
  database,
  webFolder,
  hosts = [],
  addresses = [],
  proxies = [],
  requestTimeout = REQUEST_MS,
  log,
  logErrorsAlone,
  folder,
  mostInMinute,
}: AppOptions): FastifyInstance {
  const app = Fastify({
    ...logging(log, logErrorsAlone),
    forceCloseConnections: true,
    trustProxy: proxies.length > 0 ? proxies : false,
    bodyLimit: 1024 * 1024,
    routerOptions: { maxParamLength: 1000 },
    frameworkErrors: refuseAddress,
    requestTimeout,
    http: { headersTimeout: requestTimeout, connectionsCheckingInterval: Math.min(requestTimeout, 5000) },
  });
  mapErrors(app);
  logRequests(app);
  limitRates(app, mostInMinute);
  refuseTwice(app);
  checkOrigin(app, [...OWN_NAMES, ...hosts]);
  packForOthers(app);
  app.addHook('onClose', () => stopPlanner());
  const { db, pool } = database;
  void app.register(async (api) => {
    healthRoute(api, { pool });
    guardDoor(api, { db });
    warningsRoute(api, { folder });
    peopleRoutes(api, { db, addresses });
    documentRoutes(api, { db });
    shopRoutes(api, { db });
    customerRoutes(api, { db });
    importRoutes(api, { db });
    jobRoutes(api, { db, onSigned: (job) => ensureSheet(db, job) });
    photoRoutes(api, { db });
    captureRoutes(api, { db });
    sheetRoutes(api, { db });
    harnessRoutes(api, { db });
    labelRoutes(api, { db });
    helperRoutes(api, { db, addresses });
    computeRoutes(api);
    practiceRoutes(api, { db });
  });
  if (webFolder && existsSync(join(webFolder, 'index.html'))) serveInterface(app, webFolder);
  else app.setNotFoundHandler((request, reply) => reply.status(404).send(nowhere(request.url)));
  return app;
}

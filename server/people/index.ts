import { createHash, randomBytes } from 'node:crypto';
import { eq } from 'drizzle-orm';
import type { FastifyInstance, FastifyRequest } from 'fastify';
import { Slug, Text, checkForm } from '@jade/contract/check';
import { FaultyInput } from '@jade/core/faults';
import { tables, type Connection, type Database } from '../database/index.ts';
import { notFound, Refusal } from '../faults/index.ts';

export interface Session {
  person: string;
  benchName: string;
  role: string;
  device: string;
}

const COOKIE = 'jade_session';
const { people, sessions } = tables;

export class SessionRequest {
  @Slug() person!: string;
  @Text(80) device!: string;
}

function tokenOf(request: FastifyRequest): string | undefined {
  const cookies = (request.headers.cookie ?? '').split(';').map((entry) => entry.trim().split('='));
  return cookies.find(([name]) => name === COOKIE)?.[1];
}

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

/** The session a request belongs to, undefined where it has none. */
export async function sessionOf(db: Connection, request: FastifyRequest): Promise<Session | undefined> {
  const token = tokenOf(request);
  if (!token) return undefined;
  const [row] = await db
    .select({ person: sessions.person, device: sessions.device, benchName: people.benchName, role: people.role })
    .from(sessions)
    .innerJoin(people, eq(people.id, sessions.person))
    .where(eq(sessions.tokenHash, hashOf(token)))
    .limit(1);
  return row;
}

/** The person and device a write is done by; a request without a session is refused. Nobody is taken from a body. */
export async function requirePerson(db: Connection, request: FastifyRequest): Promise<Session> {
  const session = await sessionOf(db, request);
  if (!session) throw new Refusal(401, [{ path: 'session', code: 'missing', data: {} }]);
  return session;
}

/** As `requirePerson`, but a shop that has nobody yet may be set up from this machine. */
export async function requirePersonOrFirstSetUp(db: Connection, request: FastifyRequest): Promise<void> {
  const [anyone] = await db.select({ id: people.id }).from(people).limit(1);
  if (anyone || !fromThisMachine(request)) await requirePerson(db, request);
}

/** What a proxy adds to a request that it passes on: whoever is behind it is somewhere else. */
const PASSED_ON = ['x-forwarded-for', 'x-real-ip', 'forwarded', 'via'];

function fromThisMachine(request: FastifyRequest): boolean {
  return ['127.0.0.1', '::1', '::ffff:127.0.0.1'].includes(request.ip) && PASSED_ON.every((name) => request.headers[name] === undefined);
}

/** What may be asked from anywhere: whether it is well, and the page itself. */
const OPEN_TO_ALL = /^\/api\/health(\?|$)/;

/** The door: beyond this machine nothing of the shop is read or written without a session. */
export function guardDoor(app: FastifyInstance, { db }: { db: Database }): void {
  app.addHook('onRequest', async (request) => {
    if (fromThisMachine(request) || OPEN_TO_ALL.test(request.url)) return;
    if (!(await sessionOf(db, request))) throw new Refusal(403, [{ path: 'session', code: 'not-let-in', data: {} }]);
  });
}

/** Bench names and sessions. On this machine anyone may pick a bench name; from elsewhere a device must be paired first. */
export function peopleRoutes(app: FastifyInstance, { db }: { db: Database }): void {
  app.get('/api/people', async () => db.select().from(people).orderBy(people.benchName));

  app.get('/api/session', async (request) => (await sessionOf(db, request)) ?? null);

  app.post('/api/session', async (request, reply) => {
    if (!fromThisMachine(request)) throw new Refusal(403, [{ path: 'session', code: 'not-let-in', data: {} }]);
    const faults = checkForm(SessionRequest, request.body);
    if (faults.length > 0) throw new FaultyInput(faults);
    const { person, device } = request.body as SessionRequest;
    const [found] = await db.select().from(people).where(eq(people.id, person)).limit(1);
    if (!found) throw notFound('person', person);
    const token = randomBytes(32).toString('base64url');
    await db.insert(sessions).values({ tokenHash: hashOf(token), person, device, createdAt: new Date() });
    void reply.header('set-cookie', `${COOKIE}=${token}; Path=/; HttpOnly; SameSite=Strict; Max-Age=31536000`);
    return reply.status(201).send({ person, benchName: found.benchName, role: found.role, device } satisfies Session);
  });
}

import { randomBytes } from 'node:crypto';
import { and, eq, isNull } from 'drizzle-orm';
import type { FastifyInstance } from 'fastify';
import { v7 } from 'uuid';
import { DEVICE_DAYS, SESSION_DAYS } from '@jade/core/shop';
import { DeviceRequest, NewPerson, PersonChange, SessionRequest, type Pairing, type SessionShown } from '@jade/contract/people';
import { retrying, tables, type Database } from '../database/index.ts';
import { formOf, notFound, Refusal } from '../faults/index.ts';
import { listDevices, openPairing, pairDevice, revokeDevice } from './devices.ts';
import { changePerson, listPeople, makePerson } from './people.ts';
import { cookieOf, DEVICE_COOKIE, deviceOf, fromThisMachine, hashOf, requireRight, SESSION_COOKIE, sessionOf } from './session.ts';

const { people, sessions } = tables;
const DAY_S = 86_400;
const LONG_DAYS = 400;

const cookie = (name: string, value: string, days: number) => `${name}=${value}; Path=/; HttpOnly; SameSite=Strict; Max-Age=${days * DAY_S}`;

interface One {
  Params: { id: string };
}

export interface PeopleRoutesOptions {
  db: Database;
  /** Addresses under which other devices find the shop. */
  addresses: readonly string[];
}

/** Bench names, sessions, and the devices that are let in. At the machine itself anyone may pick a bench name; elsewhere on a device that was let in. */
export function peopleRoutes(app: FastifyInstance, { db, addresses }: PeopleRoutesOptions): void {
  app.get('/api/people', async () => listPeople(db));

  app.post('/api/people', async (request, reply) => {
    await requireRight(db, request, 'keep people');
    const person = formOf(NewPerson, request.body);
    const { id, made } = await retrying(() => db.transaction((tx) => makePerson(tx, person)));
    return reply.status(made ? 201 : 200).send({ id });
  });

  app.post<One>('/api/people/:id', async (request) => {
    await requireRight(db, request, 'keep people');
    const change = formOf(PersonChange, request.body);
    return { rev: await retrying(() => db.transaction((tx) => changePerson(tx, request.params.id, change))) };
  });

  app.get('/api/session', async (request): Promise<SessionShown | null> => (await sessionOf(db, request)) ?? null);

  app.post('/api/session', async (request, reply) => {
    const paired = await deviceOf(db, request);
    if (!paired && !fromThisMachine(request)) throw new Refusal(403, [{ path: 'session', code: 'not-let-in', data: {} }]);
    const { person, device } = formOf(SessionRequest, request.body);
    const [found] = await db
      .select()
      .from(people)
      .where(and(eq(people.id, person), eq(people.left, false)))
      .limit(1);
    if (!found) throw notFound('person', person);
    const token = randomBytes(32).toString('base64url');
    const session: SessionShown = { id: v7(), person, benchName: found.benchName, role: found.role, device: paired?.name ?? device };
    await db.insert(sessions).values({ tokenHash: hashOf(token), publicId: session.id, person, device: session.device, pairedDevice: paired?.id, createdAt: new Date() });
    void reply.header('set-cookie', cookie(SESSION_COOKIE, token, SESSION_DAYS));
    return reply.status(201).send(session);
  });

  /** Nobody is at this bench any more. */
  app.post('/api/session/end', async (request, reply) => {
    const token = cookieOf(request, SESSION_COOKIE);
    if (token)
      await db
        .update(sessions)
        .set({ endedAt: new Date() })
        .where(and(eq(sessions.tokenHash, hashOf(token)), isNull(sessions.endedAt)));
    void reply.header('set-cookie', cookie(SESSION_COOKIE, '', 0));
    return { ended: token !== undefined };
  });

  app.post('/api/pairings', async (request, reply): Promise<Pairing> => {
    const { person } = await requireRight(db, request, 'let devices in');
    const { code, until } = await openPairing(db, person);
    return reply.status(201).send({ code, until: until.toISOString(), addresses: [...addresses] } satisfies Pairing);
  });

  app.post('/api/devices', async (request, reply) => {
    const { code, name } = formOf(DeviceRequest, request.body);
    const { id, token } = await pairDevice(db, code, name);
    void reply.header('set-cookie', cookie(DEVICE_COOKIE, token, Math.max(DEVICE_DAYS, LONG_DAYS)));
    return reply.status(201).send({ id, name: name.trim() });
  });

  app.get('/api/devices', async (request) => {
    await requireRight(db, request, 'let devices in');
    return listDevices(db);
  });

  app.post<One>('/api/devices/:id/revoke', async (request) => {
    await requireRight(db, request, 'let devices in');
    await revokeDevice(db, request.params.id);
    return { revoked: request.params.id };
  });
}

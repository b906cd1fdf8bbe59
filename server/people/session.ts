import { createHash } from 'node:crypto';
import { isIP } from 'node:net';
import { and, eq, gt, isNull, sql } from 'drizzle-orm';
import type { FastifyRequest } from 'fastify';
import { DEVICE_DAYS, roleFaults, SESSION_DAYS, type Right } from '@jade/core/shop';
import { asked, tables, type Connection } from '../database/index.ts';
import { Refusal } from '../faults/index.ts';

export interface Session {
  id: string | null;
  person: string;
  benchName: string;
  role: string;
  device: string;
}

export const SESSION_COOKIE = 'jade_session';
export const DEVICE_COOKIE = 'jade_device';
const DAY_MS = 86_400_000;
const HOUR_MS = 3_600_000;
const { devices, people, sessions } = tables;

export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
const daysAgo = (days: number) => new Date(Date.now() - days * DAY_MS);

export function cookieOf(request: FastifyRequest, wanted: string): string | undefined {
  const cookies = (request.headers.cookie ?? '').split(';').map((entry) => entry.trim().split('='));
  return cookies.find(([name]) => name === wanted)?.[1] || undefined;
}

/** What a proxy adds to a request that it passes on: whoever is behind it is somewhere else. */
const PASSED_ON = ['x-forwarded-for', 'x-real-ip', 'forwarded', 'via'];
const HERE = ['127.0.0.1', '::1', '::ffff:127.0.0.1'];

/**
 * Whether a request comes from the machine itself. One that was passed on does only where the proxy is a known one of this machine and
 * says so: `ip` is then the client that it names, else the one who is at the other end of the line.
 */
export function fromThisMachine(request: FastifyRequest): boolean {
  if (!HERE.includes(request.socket.remoteAddress ?? request.ip)) return false;
  if (!HERE.includes(request.ip)) return false;
  const passedOn = PASSED_ON.some((name) => request.headers[name] !== undefined);
  return !passedOn || (request.ips !== undefined && request.ips.length > 1);
}

/** Addresses of proxies that are set, as they are written with commas between; what is no address is refused. */
export function proxiesOf(text: string | undefined): string[] {
  const list = (text ?? '')
    .split(',')
    .map((entry) => entry.trim())
    .filter(Boolean);
  const wrong = list.find((entry) => isIP(entry) === 0);
  if (wrong !== undefined) throw new Error(`JADE_PROXY: “${wrong}” is no address`);
  return list;
}

/** The device that a request comes from, where it was let in and is still. */
export async function deviceOf(db: Connection, request: FastifyRequest): Promise<{ id: string; name: string } | undefined> {
  const token = cookieOf(request, DEVICE_COOKIE);
  if (!token) return undefined;
  const [row] = await db
    .select({ id: devices.id, name: devices.name, seenAt: devices.seenAt })
    .from(devices)
    .where(and(eq(devices.tokenHash, hashOf(token)), isNull(devices.revokedAt), gt(devices.seenAt, daysAgo(DEVICE_DAYS))))
    .limit(1);
  if (!row) return undefined;
  if (Date.now() - row.seenAt.getTime() > HOUR_MS) await db.update(devices).set({ seenAt: new Date() }).where(eq(devices.id, row.id));
  return { id: row.id, name: row.name };
}

const sessionByToken = asked<(Session & { pairedDevice: string | null })[], { token: string; since: Date }>((db) =>
  db
    .select({ id: sessions.publicId, person: sessions.person, device: sessions.device, pairedDevice: sessions.pairedDevice, benchName: people.benchName, role: people.role })
    .from(sessions)
    .innerJoin(people, eq(people.id, sessions.person))
    .where(and(eq(sessions.tokenHash, sql.placeholder('token')), eq(people.left, false), isNull(sessions.endedAt), gt(sessions.createdAt, sql.placeholder('since')))),
);

/** The session a request belongs to, undefined where it has none. One that was begun on a device is of no use anywhere else. */
export async function sessionOf(db: Connection, request: FastifyRequest): Promise<Session | undefined> {
  const token = cookieOf(request, SESSION_COOKIE);
  if (!token) return undefined;
  const [row] = await sessionByToken(db, { token: hashOf(token), since: daysAgo(SESSION_DAYS) });
  if (!row) return undefined;
  const { pairedDevice, ...session } = row;
  if (pairedDevice === null) return fromThisMachine(request) ? session : undefined;
  return (await deviceOf(db, request))?.id === pairedDevice ? session : undefined;
}

/** The person and device a write is done by; a request without a session is refused. Nobody is taken from a body. */
export async function requirePerson(db: Connection, request: FastifyRequest): Promise<Session> {
  const session = await sessionOf(db, request);
  if (!session) throw new Refusal(401, [{ path: 'session', code: 'no-session', data: {} }]);
  return session;
}

/**
 * Whose session an event was made in that is sent later, by the session's public id: it must have been begun on the device that sends it, so that
 * a hand-over at the tablet does not change who did what. The sender's own where none is named.
 */
export async function authorOf(db: Connection, sender: Session, id: string | undefined): Promise<Session> {
  if (id === undefined || id === sender.id) return sender;
  const paired = (publicId: string) => db.select({ device: sessions.pairedDevice }).from(sessions).where(eq(sessions.publicId, publicId)).limit(1);
  const [own] = sender.id === null ? [] : await paired(sender.id);
  const [row] = await db
    .select({ id: sessions.publicId, person: sessions.person, device: sessions.device, pairedDevice: sessions.pairedDevice, benchName: people.benchName, role: people.role })
    .from(sessions)
    .innerJoin(people, eq(people.id, sessions.person))
    .where(eq(sessions.publicId, id))
    .limit(1);
  if (!row || row.pairedDevice !== (own?.device ?? null)) throw new Refusal(403, [{ path: 'session', code: 'other-session', data: {} }]);
  const { pairedDevice: _, ...author } = row;
  return author;
}

/** As `requirePerson`, and the role must have the right. */
export async function requireRight(db: Connection, request: FastifyRequest, right: Right): Promise<Session> {
  const session = await requirePerson(db, request);
  const faults = roleFaults(session.role, right);
  if (faults.length > 0) throw new Refusal(403, faults);
  return session;
}

/** As `requireRight`, but a shop that has nobody yet may be set up from this machine. */
export async function requireRightOrFirstSetUp(db: Connection, request: FastifyRequest, right: Right): Promise<void> {
  const [anyone] = await db.select({ id: people.id }).from(people).limit(1);
  if (anyone || !fromThisMachine(request)) await requireRight(db, request, right);
}

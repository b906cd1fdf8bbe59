import { randomBytes } from 'node:crypto';
import { and, desc, eq, gte, isNull, lt, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import { codeFrom, CODE_MINUTES, CODE_PLACES, CODE_TRIES, DEVICE_DAYS, readCode } from '@jade/core/shop';
import type { DeviceShown } from '@jade/contract/people';
import { tables, type Connection, type Database } from '../database/index.ts';
import { notFound, Refusal } from '../faults/index.ts';
import { hashOf } from './session.ts';

const { devices, pairings, people } = tables;
const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;

const open = () => gte(pairings.madeAt, new Date(Date.now() - CODE_MINUTES * MINUTE_MS));

/** Opens a code for one device; those whose time is over are cleared away. */
export async function openPairing(db: Database, madeBy: string): Promise<{ code: string; until: Date }> {
  await db.delete(pairings).where(lt(pairings.madeAt, new Date(Date.now() - CODE_MINUTES * MINUTE_MS)));
  const code = codeFrom(randomBytes(CODE_PLACES));
  const madeAt = new Date();
  await db.insert(pairings).values({ codeHash: hashOf(code), madeAt, madeBy });
  return { code, until: new Date(madeAt.getTime() + CODE_MINUTES * MINUTE_MS) };
}

/** Whoever guesses shuts the open codes before long: all of them, because nobody knows which one was meant. */
async function countWrong(db: Connection): Promise<void> {
  await db.update(pairings).set({ tries: sql`${pairings.tries} + 1` });
  await db.delete(pairings).where(gte(pairings.tries, CODE_TRIES));
}

/** Lets a device in by a code, which is used up by it. Gives back its token, which is told once. */
export async function pairDevice(db: Database, text: string, name: string): Promise<{ id: string; token: string }> {
  const code = hashOf(readCode(text));
  const made = await db.transaction(async (tx) => {
    const [pairing] = await tx
      .select({ madeBy: pairings.madeBy })
      .from(pairings)
      .where(and(eq(pairings.codeHash, code), open()))
      .for('update');
    if (!pairing) return undefined;
    await tx.delete(pairings).where(eq(pairings.codeHash, code));
    const token = randomBytes(32).toString('base64url');
    const id = `device-${v7()}`;
    const now = new Date();
    await tx.insert(devices).values({ id, tokenHash: hashOf(token), name: name.trim(), pairedAt: now, pairedBy: pairing.madeBy, seenAt: now });
    return { id, token };
  });
  if (made) return made;
  await countWrong(db);
  throw new Refusal(403, [{ path: 'code', code: 'code-unknown', data: { minutes: CODE_MINUTES } }]);
}

/** Devices that were let in, the last used first; those shut out long ago are told of no more. */
export async function listDevices(db: Connection): Promise<DeviceShown[]> {
  const rows = await db.select({ device: devices, by: people.benchName }).from(devices).leftJoin(people, eq(people.id, devices.pairedBy)).orderBy(desc(devices.seenAt)).limit(200);
  const since = Date.now() - DEVICE_DAYS * DAY_MS;
  return rows.map(({ device, by }) => ({
    id: device.id,
    name: device.name,
    pairedAt: device.pairedAt.toISOString(),
    pairedBy: by ?? device.pairedBy,
    seenAt: device.seenAt.toISOString(),
    open: device.revokedAt === null && device.seenAt.getTime() > since,
  }));
}

/** Shuts a device out, with every session that was begun on it. */
export async function revokeDevice(db: Connection, id: string): Promise<void> {
  const [there] = await db.select({ id: devices.id }).from(devices).where(eq(devices.id, id));
  if (!there) throw notFound('device', id);
  await db
    .update(devices)
    .set({ revokedAt: new Date() })
    .where(and(eq(devices.id, id), isNull(devices.revokedAt)));
}

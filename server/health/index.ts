import { statfs } from 'node:fs/promises';
import type { FastifyInstance } from 'fastify';
import type { Pool } from 'mysql2/promise';
import { warningsOf } from '@jade/core/shop';
import { sayWarning } from '@jade/words/shop';

const MB = 1024 * 1024;
const ANSWER_MS = 2000;
/** A write that was tried lately is not tried again for every look. */
const FRESH_MS = 2000;

/** Whether the database takes a write now: a row is taken away and put back as it was, so that nothing changes. */
async function takesWrites(pool: Pool): Promise<boolean> {
  const connection = await pool.getConnection();
  try {
    await connection.query({ sql: 'START TRANSACTION', timeout: ANSWER_MS });
    await connection.query({ sql: 'DELETE FROM heartbeat WHERE id = 1', timeout: ANSWER_MS });
    await connection.query({ sql: 'INSERT INTO heartbeat (id) VALUES (1)', timeout: ANSWER_MS });
    await connection.query({ sql: 'COMMIT', timeout: ANSWER_MS });
    connection.release();
    return true;
  } catch (error) {
    connection.destroy();
    // Two that ask at once stand in each other's way, not in the shop's.
    return (error as { code?: string }).code === 'ER_LOCK_DEADLOCK';
  }
}

/** Free space of the disk on which a folder lies, in megabytes; undefined where that cannot be told. */
export async function freeMb(folder: string): Promise<number | undefined> {
  try {
    const { bavail, bsize } = await statfs(folder);
    return Math.floor((bavail * bsize) / MB);
  } catch {
    return undefined;
  }
}

export interface HealthOptions {
  pool: Pool;
  /** The shop's data folder, where this machine has it. */
  folder?: string;
}

/** Whether the shop works, for anybody to ask. */
export function healthRoute(app: FastifyInstance, { pool }: Pick<HealthOptions, 'pool'>): void {
  let last: { at: number; writes: Promise<boolean> } | undefined;
  app.get('/api/health', async (_, reply) => {
    if (!last || Date.now() - last.at > FRESH_MS) last = { at: Date.now(), writes: takesWrites(pool).catch(() => false) };
    if (await last.writes) return { ok: true };
    last = undefined;
    return reply.status(503).send({ ok: false, why: 'the database takes nothing' });
  });
}

/** What should be seen to, for whoever is let in. */
export function warningsRoute(app: FastifyInstance, { folder }: Pick<HealthOptions, 'folder'>): void {
  app.get('/api/warnings', async () => {
    const warnings = folder === undefined ? [] : warningsOf(await freeMb(folder));
    return { warnings: warnings.map((warning) => ({ ...warning, message: sayWarning(warning) })) };
  });
}

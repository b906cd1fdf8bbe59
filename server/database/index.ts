import { drizzle } from 'drizzle-orm/mysql2';
import { createPool, type Pool } from 'mysql2/promise';
import type { Database } from './connection.ts';
import * as schema from './schema.ts';

export * as tables from './schema.ts';
export * from './asked.ts';
export type * from './connection.ts';
export * from './migrate.ts';
export * from './retry.ts';

export interface OpenDatabase {
  db: Database;
  pool: Pool;
  close: () => Promise<void>;
}

/** Opens a pool on a MariaDB address; connections are made when needed, so a database that comes back is used again. */
export function openDatabase(url: string): OpenDatabase {
  const pool = createPool({ uri: url, timezone: 'Z', charset: 'utf8mb4', connectionLimit: 10, connectTimeout: 4000, enableKeepAlive: true, supportBigNumbers: true });
  return { db: drizzle(pool, { schema, mode: 'default' }), pool, close: () => pool.end() };
}

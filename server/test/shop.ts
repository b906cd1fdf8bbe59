import { randomBytes } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { FastifyInstance } from 'fastify';
import { createConnection } from 'mysql2/promise';
import { v7 } from 'uuid';
import { buildApp } from '../app/index.ts';
import { migrateTables, openDatabase, type OpenDatabase } from '../database/index.ts';
import { importDocument } from '../import/index.ts';

const root = join(import.meta.dirname, '../..');

/** A document of the demo shop. */
export function demoDocument(file: string): Record<string, unknown> {
  return JSON.parse(readFileSync(join(root, 'demo', file), 'utf8')) as Record<string, unknown>;
}

/** Files of the demo shop in the order in which they can be taken in. */
export function demoFiles(): string[] {
  const list = (folder: string) =>
    readdirSync(join(root, 'demo', folder))
      .filter((name) => name.endsWith('.json'))
      .map((name) => `${folder}/${name}`);
  return ['rules.json', 'plugs.json', ...list('vehicles'), ...list('kits'), 'shop.json'];
}

/** An own database on the test server, empty, to be dropped at the end. */
export async function emptyDatabase(): Promise<{ url: string; drop: () => Promise<void> }> {
  const server = process.env.JADE_TEST_DATABASE_URL;
  if (!server) throw new Error('JADE_TEST_DATABASE_URL is not set: run npm test');
  const name = `jade_${randomBytes(6).toString('hex')}`;
  const url = new URL(server);
  const admin = await createConnection(server);
  await admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_bin`);
  await admin.end();
  url.pathname = `/${name}`;
  const drop = async () => {
    const again = await createConnection(server);
    await again.query(`DROP DATABASE ${name}`);
    await again.end();
  };
  return { url: url.toString(), drop };
}

export interface TestShop {
  app: FastifyInstance;
  database: OpenDatabase;
  url: string;
  cookie: string;
  close: () => Promise<void>;
}

/** The whole server on an own database, with the demo shop loaded and somebody at the bench. */
export async function openTestShop(load = true, person = 'fern'): Promise<TestShop> {
  const { url, drop } = await emptyDatabase();
  await migrateTables(url, join(root, 'server/database/migrations'));
  const database = openDatabase(url);
  if (load) for (const file of demoFiles()) await importDocument(database.db, demoDocument(file));
  const app = buildApp({ database });
  await app.ready();
  let cookie = '';
  if (load) {
    const answer = await app.inject({ method: 'POST', url: '/api/session', payload: { person, device: 'test tablet' } });
    cookie = String(answer.headers['set-cookie']).split(';')[0] ?? '';
  }
  const close = async () => {
    await app.close();
    await database.close();
    await drop();
  };
  return { app, database, url, cookie, close };
}

/** An event with a fresh id, as a client makes it. */
export function event(type: string, payload: object, id = v7()) {
  return { id, type, v: 1, at: '2026-03-05T08:30:00Z', payload };
}

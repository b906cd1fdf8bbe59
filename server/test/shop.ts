import { randomBytes } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { FastifyInstance } from 'fastify';
import { createConnection, type Connection as Admin, type RowDataPacket } from 'mysql2/promise';
import { v7 } from 'uuid';
import { buildApp } from '../app/index.ts';
import { migrateTables, openDatabase, type OpenDatabase } from '../database/index.ts';
import { importDocument } from '../import/index.ts';

const root = join(import.meta.dirname, '../..');
const MIGRATIONS = join(root, 'server/database/migrations');

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

function testServer(): string {
  const server = process.env.JADE_TEST_DATABASE_URL;
  if (!server) throw new Error('JADE_TEST_DATABASE_URL is not set: run npm test');
  return server;
}

const urlOf = (name: string): string => Object.assign(new URL(testServer()), { pathname: `/${name}` }).toString();

async function asAdmin<T>(work: (admin: Admin) => Promise<T>): Promise<T> {
  const admin = await createConnection(testServer());
  try {
    return await work(admin);
  } finally {
    await admin.end();
  }
}

const create = (admin: Admin, name: string) => admin.query(`CREATE DATABASE ${name} CHARACTER SET utf8mb4 COLLATE utf8mb4_bin`);

/** An own database on the test server, empty, to be dropped at the end. */
export async function emptyDatabase(): Promise<{ url: string; drop: () => Promise<void> }> {
  const name = `jade_${randomBytes(6).toString('hex')}`;
  await asAdmin((admin) => create(admin, name));
  return { url: urlOf(name), drop: () => asAdmin(async (admin) => void (await admin.query(`DROP DATABASE ${name}`))) };
}

const PATTERNS = { tables: 'jade_pattern_tables', demo: 'jade_pattern_demo' } as const;
type Pattern = keyof typeof PATTERNS;
const LOCK_S = 120;

/** Databases that others are copied from: one with its tables, one with the demo shop in them. Made once by whoever asks first. */
async function ensurePattern(admin: Admin, pattern: Pattern): Promise<string> {
  const name = PATTERNS[pattern];
  await admin.query('SELECT GET_LOCK(?, ?)', [name, LOCK_S]);
  try {
    // It has another name until it is whole.
    const [there] = await admin.query<RowDataPacket[]>('SELECT 1 FROM information_schema.tables WHERE table_schema = ? AND table_name = ?', [name, 'whole']);
    if (there.length > 0) return name;
    await admin.query(`DROP DATABASE IF EXISTS ${name}`);
    await create(admin, name);
    if (pattern === 'tables') await migrateTables(urlOf(name), MIGRATIONS);
    else {
      await copyInto(admin, 'tables', name);
      const database = openDatabase(urlOf(name));
      for (const file of demoFiles()) await importDocument(database.db, demoDocument(file));
      await database.close();
    }
    await admin.query(`CREATE TABLE ${name}.whole (at INT)`);
    return name;
  } finally {
    await admin.query('SELECT RELEASE_LOCK(?)', [name]);
  }
}

/** Copies all tables of a pattern with what is in them into an empty database. */
async function copyInto(admin: Admin, pattern: Pattern, name: string): Promise<void> {
  const from = await ensurePattern(admin, pattern);
  const [tables] = await admin.query<RowDataPacket[]>('SELECT table_name AS name FROM information_schema.tables WHERE table_schema = ? AND table_name <> ?', [from, 'whole']);
  await admin.query(`USE ${name}`);
  await admin.query('SET foreign_key_checks = 0');
  for (const table of tables) {
    const [[made]] = await admin.query<RowDataPacket[]>(`SHOW CREATE TABLE ${from}.\`${String(table.name)}\``);
    await admin.query(String(made?.['Create Table']));
    await admin.query(`INSERT INTO \`${String(table.name)}\` SELECT * FROM ${from}.\`${String(table.name)}\``);
  }
  await admin.query('SET foreign_key_checks = 1');
}

/** An own database with its tables, and with the demo shop in them where that is wanted. */
export async function filledDatabase(pattern: Pattern): Promise<{ url: string; drop: () => Promise<void> }> {
  const own = await emptyDatabase();
  await asAdmin((admin) => copyInto(admin, pattern, new URL(own.url).pathname.slice(1)));
  return own;
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
  const { url, drop } = await filledDatabase(load ? 'demo' : 'tables');
  const database = openDatabase(url);
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

import { tmpdir } from 'node:os';
import { setTimeout as pause } from 'node:timers/promises';
import { createPool } from 'mysql2/promise';
import { buildApp } from '../app/index.ts';
import { openTestShop, type TestShop } from '../test/shop.ts';
import { warningsOf } from '@jade/core/shop';
import { freeMb } from './index.ts';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(false);
}, 60_000);
afterAll(() => shop.close());
const beats = async () => (await shop.database.pool.query('SELECT id FROM heartbeat'))[0];

test('it is well where a write goes through, and the write leaves nothing behind', async () => {
  const before = await beats();
  const answers = await Promise.all(Array.from({ length: 8 }, () => shop.app.inject({ url: '/api/health' })));
  expect(answers.map((answer) => answer.statusCode)).toEqual(Array<number>(8).fill(200));
  expect([await beats(), before]).toEqual([[{ id: 1 }], [{ id: 1 }]]);
});

test('a database that can be read and takes nothing is not well', async () => {
  const pool = createPool({ uri: shop.url, connectionLimit: 2 });
  const app = buildApp({ database: { ...shop.database, pool } });
  pool.on('connection', (connection) => void connection.query('SET SESSION TRANSACTION READ ONLY'));
  const answer = await app.inject({ url: '/api/health' });
  expect([answer.statusCode, answer.json()]).toEqual([503, { ok: false, why: 'the database takes nothing' }]);
  await app.close();
  await pool.end();
});

test('what is not well is looked at again at once, what is well only after a moment', async () => {
  let asked = 0;
  let broken = true;
  const connection = { query: () => (broken ? Promise.reject(new Error('read only')) : Promise.resolve()), release: () => undefined, destroy: () => undefined };
  const pool = { getConnection: () => Promise.resolve((asked++, connection)) };
  const app = buildApp({ database: { ...shop.database, pool: pool as never } });
  const status = async () => (await app.inject({ url: '/api/health' })).statusCode;
  expect([await status(), await status(), asked]).toEqual([503, 503, 2]);
  broken = false;
  expect([await status(), await status(), asked]).toEqual([200, 200, 3]);
  await pause(2100);
  expect([await status(), asked]).toEqual([200, 4]);
  await app.close();
});

test('room on the disk is told while there is some left', async () => {
  expect(warningsOf(999)).toEqual([{ code: 'disk-low', freeMb: 999 }]);
  expect([warningsOf(1000), warningsOf(undefined), await freeMb('/nowhere/at/all')]).toEqual([[], [], undefined]);
  expect(await freeMb(tmpdir())).toBeGreaterThan(0);
  expect((await shop.app.inject({ url: '/api/warnings' })).json()).toEqual({ warnings: [] });
  // This file system never has room.
  const app = buildApp({ database: shop.database, folder: '/proc' });
  const { warnings } = (await app.inject({ url: '/api/warnings' })).json<{ warnings: { code: string; freeMb: number; message: string }[] }>();
  expect(warnings).toEqual([{ code: 'disk-low', freeMb: 0, message: expect.stringMatching(/0 MB are left/) as string }]);
  await app.close();
});

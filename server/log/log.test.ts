import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { buildApp } from '../app/index.ts';
import { openTestShop, type TestShop } from '../test/shop.ts';
import { openLog, plainError } from './index.ts';

interface Line {
  reqId: string;
  msg: string;
  route?: string;
  method?: string;
  status?: number;
  err?: Record<string, unknown>;
}

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop();
}, 60_000);
afterAll(() => shop.close());

/** The server with a log in the hands of the test. */
async function logged() {
  const text: string[] = [];
  const app = buildApp({ database: shop.database, log: { write: (line) => text.push(line) } });
  await app.ready();
  return { app, text, lines: () => text.map((line) => JSON.parse(line) as Line) };
}

test('each write and each refusal is a line with its route and its own id, which the answer bears too; reading is none', async () => {
  const { app, lines } = await logged();
  await app.inject({ url: '/api/jobs' });
  expect(lines()).toEqual([]);
  const answer = await app.inject({ method: 'POST', url: '/api/customers', headers: { cookie: shop.cookie }, payload: { id: 'x' } });
  await app.inject({ url: '/api/vehicles/hill-road-12/nothing' });
  const [first, second] = lines();
  expect([first?.method, first?.route, first?.status, first?.reqId]).toEqual(['POST', '/api/customers', 422, answer.headers['x-request-id']]);
  expect([second?.route, second?.status, second?.reqId === first?.reqId]).toEqual(['(none)', 404, false]);
  await app.close();
});

test('a fault of the program is written down with where it happened, under the id that its answer names, and without what was sent or found', async () => {
  const { app, text, lines } = await logged();
  await shop.database.pool.query('RENAME TABLE vehicles TO vehicles_away');
  const answer = await app.inject({ url: '/api/vehicles?find=Hill%20Road%20Rescue', headers: { cookie: shop.cookie } });
  await shop.database.pool.query('RENAME TABLE vehicles_away TO vehicles');
  const fault = answer.json<{ faults: { code: string; data: { request: string } }[] }>().faults[0];
  expect([answer.statusCode, fault?.code]).toEqual([500, 'failed']);
  const failed = lines().find((line) => line.err);
  expect(failed?.reqId).toBe(fault?.data.request);
  expect(JSON.stringify(failed?.err)).toMatch(/ER_NO_SUCH_TABLE/);
  expect(JSON.stringify(failed?.err)).toMatch(/at .*find\.ts/);
  expect(text.join('')).not.toMatch(/hill|rescue/i);
  await app.close();
});

test('of an error the kind, the code and the place are kept, of its causes too, and no message', () => {
  const error = Object.assign(new TypeError('Duplicate entry HR 12', { cause: new Error('of Hill Road') }), { code: 'ER_DUP_ENTRY', errno: 1062 });
  const plain = plainError(error);
  expect(plain).toMatchObject({ type: 'TypeError', message: 'ER_DUP_ENTRY', errno: 1062, cause: { type: 'Error', message: '' } });
  expect(JSON.stringify(plain)).not.toMatch(/HR 12|Hill Road/);
  expect(plainError('Hill Road')).toEqual({ type: 'string', message: '', stack: '' });
});

test('files follow one another, the oldest are taken away, and a log that is opened again goes on', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'jade-log-'));
  for (let round = 0; round < 3; round++) {
    const log = await openLog(folder, '2k');
    for (let line = 0; line < 60; line++) {
      log.write(`${JSON.stringify({ line, text: 'x'.repeat(180) })}\n`);
      await pause(2);
    }
    log.end();
  }
  const files = readdirSync(folder);
  expect(files.length).toBeGreaterThan(4);
  expect(files.length).toBeLessThanOrEqual(9);
  expect(files.every((file) => /^server\.\d+\.log$/.test(file) && statSync(join(folder, file)).size < 4096)).toBe(true);
  expect(files.some((file) => readFileSync(join(folder, file), 'utf8').includes('"line":59'))).toBe(true);
  rmSync(folder, { recursive: true });
});

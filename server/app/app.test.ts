import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { connect } from 'node:net';
import { join } from 'node:path';
import { openTestShop, type TestShop } from '../test/shop.ts';
import { buildApp } from './index.ts';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(false);
}, 60_000);
afterAll(() => shop.close());

test('health answers 200 while the database answers', async () => {
  expect((await shop.app.inject({ url: '/api/health' })).statusCode).toBe(200);
});

test('another Host and a write from another Origin are refused', async () => {
  expect((await shop.app.inject({ url: '/api/health', headers: { host: 'elsewhere.invalid' } })).statusCode).toBe(421);
  const write = await shop.app.inject({
    method: 'POST',
    url: '/api/session',
    headers: { host: 'localhost:4310', origin: 'http://elsewhere.invalid' },
    payload: { person: 'fern', device: 'x' },
  });
  expect(write.statusCode).toBe(403);
});

test('an address that leads nowhere is 404 with a body that says so', async () => {
  const answer = await shop.app.inject({ url: '/api/nothing' });
  expect([answer.statusCode, answer.json<{ faults: { path: string }[] }>().faults[0]?.path]).toEqual([404, '/api/nothing']);
});

test('calculations answer over HTTP as at the shell, faults with their path', async () => {
  const good = await shop.app.inject({ method: 'POST', url: '/api/compute/sensor-error', payload: { angleDeg: 1, rangeM: 100 } });
  expect(good.json<{ errorM: number }>().errorM).toBeCloseTo(1.7455, 4);
  const bad = await shop.app.inject({ method: 'POST', url: '/api/compute/sensor-error', payload: { angleRad: 1, rangeM: 100 } });
  expect([bad.statusCode, bad.json<{ faults: { path: string; data: object }[] }>().faults[0]]).toEqual([
    422,
    expect.objectContaining({ path: 'angleRad', data: { expected: 'angleDeg' } }),
  ]);
  expect((await shop.app.inject({ method: 'POST', url: '/api/compute/nothing', payload: {} })).statusCode).toBe(422);
});

test('a session needs a person the shop knows', async () => {
  expect((await shop.app.inject({ method: 'POST', url: '/api/session', payload: { person: 'nobody', device: 'x' } })).statusCode).toBe(404);
  expect((await shop.app.inject({ url: '/api/session' })).json()).toBeNull();
});

test('built files, named by what is in them, are kept for ever; the page that names them is asked for each time', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'jade-web-'));
  mkdirSync(join(folder, 'assets'));
  writeFileSync(join(folder, 'index.html'), '<!doctype html>');
  writeFileSync(join(folder, 'assets/index-a1b2.js'), 'export {}');
  const app = buildApp({ database: shop.database, webFolder: folder });
  const caching = async (url: string) => (await app.inject({ url })).headers['cache-control'];
  expect([await caching('/assets/index-a1b2.js'), await caching('/'), await caching('/index.html'), await caching('/library')]).toEqual([
    'public, max-age=31536000, immutable',
    'no-cache',
    'no-cache',
    'no-cache',
  ]);
  await app.close();
  rmSync(folder, { recursive: true });
});

test('a request whose body does not come is ended, and holds nobody else up', async () => {
  const app = buildApp({ database: shop.database, requestTimeout: 300 });
  const port = Number(new URL(await app.listen({ host: '127.0.0.1', port: 0 })).port);
  const slow = connect({ host: '127.0.0.1', port });
  const ended = new Promise<string>((settle) => {
    let text = '';
    slow.on('data', (part) => void (text += String(part)));
    slow.on('close', () => settle(text));
    slow.on('error', () => settle(text));
  });
  slow.write('POST /api/session HTTP/1.1\r\nhost: 127.0.0.1\r\ncontent-type: application/json\r\ncontent-length: 1000\r\n\r\n{"person":');
  expect((await fetch(`http://127.0.0.1:${port}/api/health`)).status).toBe(200);
  expect(await ended).toMatch(/^HTTP\/1.1 408 /);
  await app.close();
});

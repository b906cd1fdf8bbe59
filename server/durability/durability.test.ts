import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';
import { freePort } from '../../scripts/database.mjs';
import { migrateTables, openDatabase } from '../database/index.ts';
import { importDocument } from '../import/index.ts';
import { demoDocument, demoFiles, emptyDatabase, event } from '../test/shop.ts';

const LONG_MS = 120_000;
const root = join(import.meta.dirname, '../..');
const MIGRATIONS = join(root, 'server/database/migrations');

async function start(databaseUrl: string, port: number): Promise<ChildProcess> {
  const env = { ...process.env, DATABASE_URL: databaseUrl, JADE_PORT: String(port), JADE_MIGRATIONS: MIGRATIONS, JADE_WEB: '' };
  const child = spawn(process.execPath, [join(root, 'dist/programs/server.js')], { env, stdio: ['ignore', 'pipe', 'ignore'] });
  if (child.stdout) await once(child.stdout, 'data');
  return child;
}

const wait = (ms: number) => new Promise((settle) => setTimeout(settle, ms));

test(
  'the server is killed three times while a client sends 500 events and retries: all 500 are there, once each, without a gap',
  async () => {
    const { url, drop } = await emptyDatabase();
    await migrateTables(url, MIGRATIONS);
    const database = openDatabase(url);
    for (const file of demoFiles()) await importDocument(database.db, demoDocument(file));
    await database.close();
    const port = await freePort();
    const address = `http://127.0.0.1:${port}`;
    let server = await start(url, port);
    const signIn = await fetch(`${address}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ person: 'fern', device: 'tablet' }),
    });
    const cookie = signIn.headers.get('set-cookie')?.split(';')[0] ?? '';
    const send = (events: object[]) =>
      fetch(`${address}/api/jobs/hill-road-12/events`, { method: 'POST', headers: { 'content-type': 'application/json', cookie }, body: JSON.stringify({ events }) });
    const sent = Array.from({ length: 500 }, (_, index) => event('gap.measured', { gap: 'wing-left', moment: 'before', widthMm: (index % 50) / 10 }));
    const killing = (async () => {
      for (let kill = 0; kill < 3; kill++) {
        await wait(250);
        server.kill('SIGKILL');
        await once(server, 'exit');
        server = await start(url, port);
      }
    })();
    let retries = 0;
    for (let first = 0; first < sent.length; first += 10) {
      for (let tries = 0; ; tries++) {
        const answer = await send(sent.slice(first, first + 10)).catch(() => undefined);
        if (answer?.ok) break;
        if (tries > 200) throw new Error('the server did not come back');
        retries++;
        await wait(50);
      }
      await wait(12);
    }
    await killing;
    const { events } = (await (await fetch(`${address}/api/jobs/hill-road-12/events`)).json()) as { events: { id: string; seq: number }[] };
    const stored = events.map((entry) => entry.id).filter((id) => sent.some((entry) => entry.id === id));
    expect(retries).toBeGreaterThan(0);
    expect(stored).toEqual(sent.map((entry) => entry.id));
    expect(events.map((entry) => entry.seq)).toEqual(events.map((_, index) => index + 1));
    server.kill('SIGTERM');
    await once(server, 'exit');
    await drop();
  },
  LONG_MS,
);

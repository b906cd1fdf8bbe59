// npm run screenshots: one current picture of each main view, from the demo data, into docs/screenshots.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { BROWSER, DATABASE, ROOT, ensureModules, ensurePrograms, say } from './packages.mjs';
import { build } from './build.mjs';
import { freePort, startDatabase } from './database.mjs';
import { startServer } from './server.mjs';

ensurePrograms({ ...DATABASE, ...BROWSER });
ensureModules();
build('programs');
build('web');

const COUNTER = { width: 1280, height: 800 };
const TABLET = { width: 1024, height: 768 };
const PHONE = { width: 390, height: 844 };
const job = (id, station) => `/jobs/${id}/${station}`;
const PICTURES = [
  ['board', '/', COUNTER],
  ['library', '/library?show=vehicle/wexholm-bollard-35', COUNTER],
  ['check-in', job('hill-road-07', 'check-in'), COUNTER],
  ['match', job('saltmarsh-3', 'match'), COUNTER],
  ['gather', job('hill-road-07', 'gather'), COUNTER],
  ['open-up', job('hill-road-07', 'open-up'), COUNTER],
  ['open-up-floor', job('hill-road-07', 'open-up'), TABLET, { floor: true, light: 'bay' }],
  ['open-up-phone', job('hill-road-07', 'open-up'), PHONE, { floor: true }],
  ['wire', job('hill-road-07', 'wire'), COUNTER],
  ['probe', job('hill-road-02', 'probe'), COUNTER],
  ['sense', job('hill-road-07', 'sense'), COUNTER],
  ['fit', job('hill-road-07', 'fit'), COUNTER],
  ['close-up', job('hill-road-07', 'close-up'), COUNTER],
  ['aim', job('saltmarsh-1', 'aim'), COUNTER],
  ['hand-over', job('hill-road-02', 'hand-over'), COUNTER],
];

const folder = mkdtempSync(join(tmpdir(), 'jade-pictures-'));
const database = await startDatabase(folder);
const port = await freePort();
const server = await startServer({ databaseUrl: database.url, port });
const list = (part) =>
  readdirSync(join(ROOT, 'demo', part))
    .filter((name) => name.endsWith('.json'))
    .map((name) => join(ROOT, 'demo', part, name));
spawnSync(process.execPath, [join(ROOT, 'dist/programs/shell.js'), 'jade', 'import', ...list('.'), ...list('vehicles'), ...list('kits')], {
  stdio: ['ignore', 'ignore', 2],
  env: { ...process.env, JADE_PORT: String(port) },
});

const { chromium } = await import('playwright-core');
const flags = ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'];
const browser = await chromium.launch({ executablePath: process.env.JADE_CHROMIUM ?? '/usr/bin/chromium', args: flags });
const wanted = process.argv.slice(2);
for (const [name, path, viewport, { floor = false, light = 'counter' } = {}] of PICTURES) {
  if (wanted.length > 0 && !wanted.includes(name)) continue;
  const context = await browser.newContext({ viewport, hasTouch: viewport !== COUNTER });
  await context.request.post(`${server.address}/api/session`, { data: { person: 'fern', device: 'pictures' } });
  await context.addInitScript((value) => localStorage.setItem('jade-light', value), light);
  const page = await context.newPage();
  await page.goto(server.address + path);
  await page.getByRole('heading', { level: 1 }).waitFor();
  if (floor) await page.getByRole('button', { name: 'Floor mode' }).click();
  await page.waitForTimeout(900);
  await page.screenshot({ path: join(ROOT, 'docs/screenshots', `${name}.png`) });
  await context.close();
  say(`docs/screenshots/${name}.png`);
}
await browser.close();
await server.stop();
await database.stop();
rmSync(folder, { recursive: true, force: true });

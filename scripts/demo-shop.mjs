// The demo shop as files, loaded into a running server by the same import a user has; and a throwaway shop for measuring and pictures.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { BROWSER, DATABASE, ROOT, ensureModules, ensurePrograms } from './packages.mjs';
import { build } from './build.mjs';
import { freePort, startDatabase } from './database.mjs';
import { startServer } from './server.mjs';

function demoFiles() {
  const list = (folder) =>
    readdirSync(join(ROOT, 'demo', folder))
      .filter((name) => name.endsWith('.json'))
      .map((name) => join(ROOT, 'demo', folder, name));
  return [...list('.'), ...list('vehicles'), ...list('kits')];
}

/** Loads the demo shop into the server on a port. */
export function loadDemo(port) {
  const { status } = spawnSync(process.execPath, [join(ROOT, 'dist/programs/shell.js'), 'jade', 'import', ...demoFiles()], {
    stdio: ['ignore', 'ignore', 2],
    env: { ...process.env, JADE_PORT: String(port) },
  });
  if (status !== 0) throw new Error('the demo shop was not taken');
}

async function shopAt(port) {
  const answer = await fetch(`http://127.0.0.1:${port}/api/shop`);
  if (!answer.ok) throw new Error('the server does not say which shop it holds');
  return answer.json();
}

const demoSlug = () => JSON.parse(readFileSync(join(ROOT, 'demo/shop.json'), 'utf8')).slug;

/** Loads the demo shop where there is none yet: what a shop has changed in it is never overwritten. Says whether it did. */
export async function loadDemoOnce(port) {
  const shop = await shopAt(port);
  if (shop && shop.slug !== demoSlug()) throw new Error(`the database holds the shop “${shop.name}”; the demo is not loaded into it`);
  if (shop) return false;
  loadDemo(port);
  return true;
}

/** Refuses to open the demo's data as a shop's own. */
export async function refuseDemo(port) {
  if ((await shopAt(port))?.slug === demoSlug()) throw new Error('the database holds the demo shop; give the shop a database of its own');
}

/** The demo shop, or one that nobody has opened yet, on a database of its own in a temporary folder; gives back its addresses and how to end it. */
export async function openThrowawayShop() {
  ensurePrograms({ ...DATABASE, ...BROWSER });
  ensureModules();
  build('programs');
  build('web');
  const folder = mkdtempSync(join(tmpdir(), 'jade-shop-'));
  const database = await startDatabase(folder);
  const port = await freePort();
  const server = await startServer({ databaseUrl: database.url, ownerUrl: database.ownerUrl, port });
  loadDemo(port);
  const end = async () => {
    await server.stop();
    await database.stop();
    rmSync(folder, { recursive: true, force: true });
  };
  return { address: server.address, pid: server.pid, databaseUrl: database.url, ownerUrl: database.ownerUrl, port, end };
}

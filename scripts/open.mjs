// Opens a shop in its folder: database, tables, server, each started again if it ends; closes all of it on a signal.
import { createServer } from 'node:net';
import { DATABASE, ensureModules, ensurePrograms, say } from './packages.mjs';
import { build } from './build.mjs';
import { closer } from './closing.mjs';
import { freePort, startDatabase } from './database.mjs';
import { checkKind, claimFolder, endLeftOvers, folderOf, isOpen, noteClosed, noteRunning, runningOf } from './folder.mjs';
import { backUpBeforeUpgrade } from './keep.mjs';
import { startServer } from './server.mjs';
import { supervise } from './supervise.mjs';

const HOST = process.env.JADE_HOST ?? '127.0.0.1';
const PORT = Number(process.env.JADE_PORT ?? 4310);
const LOOPBACK = '127.0.0.1';
const HOUR_MS = 3_600_000;

/** Address under which this machine reaches the shop, wherever else it listens. */
export const ADDRESS = `http://${LOOPBACK}:${PORT}`;

export async function healthy(address = ADDRESS) {
  try {
    const answer = await fetch(`${address}/api/health`, { signal: AbortSignal.timeout(3000) });
    return answer.ok && (await answer.json()).ok === true;
  } catch {
    return false;
  }
}

function checkSettings() {
  if (!Number.isInteger(PORT) || PORT < 1 || PORT > 65_535) throw new Error(`JADE_PORT is ${process.env.JADE_PORT}; it has to be a number from 1 to 65535`);
}

/** Refuses a port that another program has, or that this account may not take. */
async function checkPort(host) {
  await new Promise((settle, fail) => {
    const probe = createServer();
    probe.once('error', ({ code }) => {
      const words = {
        EADDRINUSE: `port ${PORT} is taken by another program; end that, or choose another one with JADE_PORT`,
        EACCES: `port ${PORT} may only be taken by root; choose one above 1023 with JADE_PORT`,
        EADDRNOTAVAIL: `this machine has no address ${host}; set JADE_HOST to one that it has, or leave it out`,
        ENOTFOUND: `${host} is no address; set JADE_HOST to one of this machine, or leave it out`,
      };
      fail(new Error(words[code] ?? `port ${PORT} of ${host} cannot be opened (${code})`));
    });
    probe.listen(PORT, host, () => probe.close(settle));
  });
}

/**
 * Opens the demo or a shop and stays until it is closed. `before` is asked before the folder is opened, `loaded` once the server
 * answers. An error before it is open is one sentence and exit code 1.
 */
export async function openShop(kind, { before = () => undefined, loaded = () => undefined } = {}) {
  const outside = process.env.DATABASE_URL;
  const folder = folderOf(kind);
  const parts = [];
  const closeAll = closer(parts);
  let closing = false;
  let settleClosed;
  const closed = new Promise((settle) => (settleClosed = settle));
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
    process.on(signal, () => {
      if (!closing) say('closing');
      closing = true;
      settleClosed();
    });
  }
  try {
    checkSettings();
    if (!outside) checkKind(folder, kind);
    const running = outside ? undefined : runningOf(folder);
    if (isOpen(running)) return void say(`already open: ${running.address}`);
    if (outside && (await healthy())) return void say(`already open: ${ADDRESS}`);
    if (!outside) ensurePrograms(DATABASE);
    ensureModules();
    build('programs');
    build('web');
    if (!outside) for (const left of await endLeftOvers(folder)) say(`ended the ${left} that the last start had left`);
    before(folder);
    if (!outside) claimFolder(folder, kind);
    for (const host of new Set([HOST, LOOPBACK])) await checkPort(host);
    if (!closing) await openParts({ kind, folder, outside, parts, loaded });
    if (!closing) {
      process.stdout.write(`\n  Jade Bench is open: ${ADDRESS}\n  Ctrl-C closes it.\n\n`);
      await closed;
    }
  } catch (error) {
    if (!closing) {
      say(error.message);
      process.exitCode = 1;
    }
  }
  await closeAll();
  if (!outside && parts.length > 0) noteClosed(folder);
  process.exit();
}

/** Says what the server warns of, now and from hour to hour. */
async function watchWarnings() {
  const look = async () => {
    try {
      const { warnings } = await (await fetch(`${ADDRESS}/api/warnings`, { signal: AbortSignal.timeout(3000) })).json();
      for (const { message } of warnings) say(message);
    } catch {
      // A server that is away is said by whoever starts it again.
    }
  };
  setInterval(() => void look(), HOUR_MS).unref();
  await look();
}

async function openParts({ kind, folder, outside, parts, loaded }) {
  const note = { pid: process.pid, address: ADDRESS, since: new Date().toISOString() };
  const write = (what) => {
    Object.assign(note, what);
    if (!outside) noteRunning(folder, note);
  };
  let at = { databaseUrl: outside, ownerUrl: process.env.DATABASE_OWNER_URL };
  if (!outside) {
    say(`starting the database in ${folder}`);
    const port = await freePort();
    const database = await supervise(
      'database',
      () => startDatabase(folder, { port }),
      ({ pid }) => write({ database: pid, databasePort: port }),
    );
    parts.push(database);
    at = { databaseUrl: database.part.url, ownerUrl: database.part.ownerUrl };
    const kept = await backUpBeforeUpgrade(folder, at.ownerUrl, kind);
    if (kept) say(`the tables are of an earlier version and are brought up to date; as they were: ${kept}`);
  }
  say('starting the server');
  const server = await supervise(
    'server',
    () => startServer({ ...at, port: PORT, host: HOST, folder: outside ? undefined : folder }),
    ({ pid }) => write({ server: pid }),
  );
  parts.push(server);
  await watchWarnings();
  await loaded(PORT);
}

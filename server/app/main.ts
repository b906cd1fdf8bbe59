import { createServer } from 'node:http';
import { networkInterfaces } from 'node:os';
import { openDatabase, tablesState, UnfitTables } from '../database/index.ts';
import { openLog } from '../log/index.ts';
import { proxiesOf } from '../people/index.ts';
import { buildApp } from './index.ts';

function setting(name: string): string {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set`);
  return value;
}

const url = setting('DATABASE_URL');
const tables = await tablesState(url, setting('JADE_MIGRATIONS'));
if (tables.kind === 'newer' || tables.kind === 'foreign') throw new UnfitTables(tables);
if (tables.kind !== 'current') throw new Error('The tables are not up to date; the start command brings them so.');
const database = openDatabase(url);
const host = process.env.JADE_HOST ?? '127.0.0.1';
/** Names under which it may be addressed: those that are set, and the addresses that it listens on. */
function ownNames(): string[] {
  const everywhere = host === '0.0.0.0' || host === '::';
  const addresses = everywhere ? Object.values(networkInterfaces()).flatMap((list) => (list ?? []).map((entry) => entry.address)) : [host];
  const written = addresses.map((address) => (address.includes(':') ? `[${address}]` : address));
  return [...(process.env.JADE_HOSTS ?? '').split(',').filter(Boolean), ...written].map((name) => name.toLowerCase());
}
const port = Number(process.env.JADE_PORT ?? 4310);
const names = ownNames();
/** Where other devices find the shop: not under this machine's own names for itself. */
const addresses = names.filter((name) => !/^(127\.0\.0\.1|localhost|\[::1\]|\[fe80:.*)$/.test(name)).map((name) => `http://${name}:${port}`);
const { JADE_LOG, JADE_FOLDER } = process.env;
/** Without files of its own it says only what failed, to where the program's errors go. */
const log = JADE_LOG ? await openLog(JADE_LOG) : process.stderr;
const app = buildApp({
  database,
  webFolder: process.env.JADE_WEB,
  hosts: names,
  addresses,
  proxies: proxiesOf(process.env.JADE_PROXY),
  log,
  logErrorsAlone: !JADE_LOG,
  folder: JADE_FOLDER,
});
const LOOPBACK = '127.0.0.1';
const address = await app.listen({ host, port });
/** One address of the network alone would lock this machine out of its own shop: it is reached here as well. */
const here = [LOOPBACK, 'localhost', '0.0.0.0', '::'].includes(host) ? undefined : createServer((request, response) => app.routing(request, response));
if (here) await new Promise<void>((settle, fail) => here.once('error', fail).listen(port, LOOPBACK, settle));
process.stdout.write(`listening ${address}\n`);

async function stop(): Promise<void> {
  here?.close();
  here?.closeAllConnections();
  await app.close();
  await database.close();
  process.exit(0);
}
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.once(signal, () => void stop());

// npm run bench: the figures of docs/benchmarks.md, measured on a throwaway shop.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { BROWSER, DATABASE, ROOT, ensureModules, ensurePrograms } from './packages.mjs';
import { build } from './build.mjs';
import { freePort, startDatabase } from './database.mjs';
import { startServer } from './server.mjs';

ensurePrograms({ ...DATABASE, ...BROWSER });
ensureModules();
build('programs');
build('web');
const folder = mkdtempSync(join(tmpdir(), 'jade-bench-'));
const database = await startDatabase(folder);
const port = await freePort();
const server = await startServer({ databaseUrl: database.url, port });
const list = (part) =>
  readdirSync(join(ROOT, 'demo', part))
    .filter((name) => name.endsWith('.json'))
    .map((name) => join(ROOT, 'demo', part, name));
const run = (program, args) =>
  spawnSync(process.execPath, [join(ROOT, 'dist/programs', program), ...args], { stdio: ['ignore', 'inherit', 2], env: { ...process.env, JADE_PORT: String(port) } });
run('shell.js', ['jade', 'import', ...list('.'), ...list('vehicles'), ...list('kits')]);
const { status } = run('bench.js', [server.address, database.url, ROOT]);
await server.stop();
await database.stop();
rmSync(folder, { recursive: true, force: true });
process.exitCode = status ?? 1;

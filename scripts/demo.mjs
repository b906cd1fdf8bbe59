// npm run demo: from a fresh machine to the open shop. Installs what is missing, builds, starts the database, migrates, loads the
// demo shop, serves, prints the address. Ctrl-C stops everything it started.
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { DATABASE, ROOT, ensureModules, ensurePrograms, say } from './packages.mjs';
import { build } from './build.mjs';
import { closer } from './closing.mjs';
import { startDatabase } from './database.mjs';
import { loadDemo } from './demo-shop.mjs';
import { startServer } from './server.mjs';

const port = Number(process.env.JADE_PORT ?? 4310);
const data = process.env.JADE_DATA ?? join(ROOT, '.jade-data');
const outside = process.env.DATABASE_URL;

async function alreadyThere() {
  try {
    const answer = await fetch(`http://127.0.0.1:${port}/api/health`);
    return answer.ok && (await answer.json()).ok === true;
  } catch {
    return false;
  }
}

async function main() {
  if (await alreadyThere()) {
    say(`already open: http://127.0.0.1:${port}`);
    return;
  }
  if (!outside) ensurePrograms(DATABASE);
  ensureModules();
  build('programs');
  build('web');
  if (process.argv.includes('--fresh') && !outside) rmSync(data, { recursive: true, force: true });
  const running = [];
  let stopping = false;
  const stopAll = closer(running);
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) {
    process.on(signal, () => {
      if (!stopping) say('closing');
      stopping = true;
      void stopAll().then(() => process.exit(0));
    });
  }
  try {
    let databaseUrl = outside;
    if (!databaseUrl) {
      say(`starting the database in ${data}`);
      const database = await startDatabase(data);
      running.push(database);
      databaseUrl = database.url;
    }
    say('starting the server');
    const server = await startServer({ databaseUrl, port, host: process.env.JADE_HOST });
    running.push(server);
    say('loading the demo shop');
    loadDemo(port);
    process.stdout.write(`\n  Jade Bench is open: http://127.0.0.1:${port}\n  Ctrl-C closes it.\n\n`);
    await server.gone;
    if (!stopping) say('the server ended');
  } catch (error) {
    if (!stopping) {
      say(error.message);
      process.exitCode = 1;
    }
  }
  await stopAll();
}

await main();

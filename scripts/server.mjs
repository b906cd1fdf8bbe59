// Brings the tables up to date, starts the built server on a database and waits until it answers.
import { spawn, spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './packages.mjs';

/** Another version's, where that is tried. */
const MIGRATIONS = process.env.JADE_MIGRATIONS ?? join(ROOT, 'server/database/migrations');
/** Account of the running shop in a database of its own. */
const ACCOUNT = 'jade@127.0.0.1';

/** What the database says where it cannot be used, in words a shop can act on. */
const WORDS = {
  ER_ACCESS_DENIED_ERROR: 'the database refuses the user or the password of DATABASE_URL; mend the address and start again',
  ER_DBACCESS_DENIED_ERROR: 'the user of DATABASE_URL may not use that database; let the database owner grant it',
  ER_BAD_DB_ERROR: 'the database of DATABASE_URL does not exist; make it, or mend the name at the end of the address',
  ECONNREFUSED: 'nobody answers at the address of DATABASE_URL; start that database, or mend host and port',
  ENOTFOUND: 'the host of DATABASE_URL is not known; mend the address',
  ETIMEDOUT: 'the host of DATABASE_URL does not answer; is it running, and does a firewall stand between?',
};

/** Asks for the state of the tables, or brings them up to date; an error is one sentence. */
function tables(command, { databaseUrl, ownerUrl }) {
  const env = { ...process.env, DATABASE_URL: databaseUrl, JADE_MIGRATIONS: MIGRATIONS, ...(ownerUrl ? { DATABASE_OWNER_URL: ownerUrl, JADE_ACCOUNT: ACCOUNT } : {}) };
  const { stdout, stderr } = spawnSync(process.execPath, [join(ROOT, 'dist/programs/keeping.js'), command], { env, encoding: 'utf8' });
  const said = stdout.trim() ? JSON.parse(stdout) : { error: stderr.trim() };
  if (said.error) throw new Error(WORDS[said.code] ?? said.error);
  return said;
}

/** How the tables stand to this version: empty, older, current, newer or foreign. */
export const tablesState = (at) => tables('state', at);
/** Brings the tables up to date and gives the running account its rights. */
export const migrateTables = (at) => tables('migrate', at);

/** Looks through all that is stored. */
export const checkTables = (at) => tables('check', at);

/** Starts the server; gives back its address, its process and how to stop it. `folder` is the shop's data folder, where it writes its log. */
export async function startServer({ databaseUrl, ownerUrl, port, host, folder, quiet = false }) {
  migrateTables({ databaseUrl, ownerUrl });
  const env = {
    ...process.env,
    NODE_ENV: 'production',
    DATABASE_URL: databaseUrl,
    JADE_PORT: String(port),
    JADE_MIGRATIONS: MIGRATIONS,
    JADE_WEB: join(ROOT, 'dist/web'),
    ...(host ? { JADE_HOST: host } : {}),
    ...(folder ? { JADE_FOLDER: folder, JADE_LOG: join(folder, 'log') } : {}),
  };
  const child = spawn(process.execPath, [join(ROOT, 'dist/programs/server.js')], { env, stdio: ['ignore', 'pipe', quiet ? 'ignore' : 2], detached: true });
  let ended = false;
  const gone = new Promise((settle) => child.once('exit', () => settle((ended = true))));
  const listening = new Promise((settle) => child.stdout.on('data', (text) => String(text).includes('listening') && settle(true)));
  const stop = async () => {
    if (!ended) child.kill('SIGTERM');
    await gone;
  };
  const started = await Promise.race([listening, gone.then(() => false)]);
  if (!started) throw new Error('the server did not start; is the port taken?');
  return { address: `http://127.0.0.1:${port}`, pid: child.pid, stop, gone };
}

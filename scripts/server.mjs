// Starts the built server on a database and waits until it answers.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './packages.mjs';

/** Starts the server; gives back its address, its process and how to stop it. */
export async function startServer({ databaseUrl, port, host, quiet = false }) {
  const env = {
    ...process.env,
    NODE_ENV: 'production',
    DATABASE_URL: databaseUrl,
    JADE_PORT: String(port),
    JADE_MIGRATIONS: join(ROOT, 'server/database/migrations'),
    JADE_WEB: join(ROOT, 'dist/web'),
    ...(host ? { JADE_HOST: host } : {}),
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

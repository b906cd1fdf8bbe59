import { grantRunning, migrateTables, tablesState } from './migrate.ts';

function setting(name: string): string {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set`);
  return value;
}

const [command] = process.argv.slice(2);
const url = process.env.DATABASE_OWNER_URL ?? setting('DATABASE_URL');
const folder = setting('JADE_MIGRATIONS');

/** `state` prints how the tables stand, `migrate` brings them up to date and gives the running account its rights. */
async function main(): Promise<object> {
  if (command === 'state') return tablesState(url, folder);
  if (command !== 'migrate') throw new Error('state or migrate');
  const done = await migrateTables(url, folder);
  if (process.env.DATABASE_OWNER_URL && process.env.JADE_ACCOUNT) await grantRunning(url, process.env.JADE_ACCOUNT);
  return done;
}

try {
  process.stdout.write(`${JSON.stringify(await main())}\n`);
} catch (error) {
  process.stdout.write(`${JSON.stringify({ error: (error as Error).message, code: (error as { code?: string }).code })}\n`);
  process.exitCode = 1;
}

import { grantRunning, migrateTables, openDatabase, tablesState } from '../database/index.ts';
import { checkShop, fillChains } from './check.ts';

function setting(name: string): string {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set`);
  return value;
}

const url = process.env.DATABASE_OWNER_URL ?? setting('DATABASE_URL');
const folder = setting('JADE_MIGRATIONS');

async function onDatabase<T>(work: (database: ReturnType<typeof openDatabase>) => Promise<T>): Promise<T> {
  const database = openDatabase(url);
  try {
    return await work(database);
  } finally {
    await database.close();
  }
}

async function migrate(): Promise<object> {
  const { done } = await migrateTables(url, folder);
  const chained = await onDatabase(({ db }) => fillChains(db));
  if (process.env.DATABASE_OWNER_URL && process.env.JADE_ACCOUNT) await grantRunning(url, process.env.JADE_ACCOUNT);
  return { done, chained };
}

const COMMANDS: Record<string, () => Promise<object>> = {
  /** How the tables stand. */
  state: () => tablesState(url, folder),
  /** Brings them up to date, gives the running account its rights. */
  migrate,
  /** Whether all that is stored is as it was stored. */
  check: () => onDatabase(({ db }) => checkShop(db)),
};

const [command = ''] = process.argv.slice(2);
try {
  const run = COMMANDS[command];
  if (!run) throw new Error(Object.keys(COMMANDS).join(', '));
  process.stdout.write(`${JSON.stringify(await run())}\n`);
} catch (error) {
  process.stdout.write(`${JSON.stringify({ error: (error as Error).message, code: (error as { code?: string }).code })}\n`);
  process.exitCode = 1;
}

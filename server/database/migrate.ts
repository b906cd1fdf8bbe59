import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Connection, RowDataPacket } from 'mysql2/promise';
import { createConnection } from 'mysql2/promise';

/** A migration as it lies in the folder: its statements in order. */
export interface Migration {
  tag: string;
  /** Milliseconds; migrations are done in this order. */
  when: number;
  hash: string;
  statements: string[];
}

/** How the tables of a database stand to the migrations of this version. */
export type TablesState =
  | { kind: 'empty' | 'current' }
  | { kind: 'older'; pending: string[] }
  /** Made by a later version than this one. */
  | { kind: 'newer' }
  /** Tables of something else. */
  | { kind: 'foreign'; table: string };

/** Tables that cannot be worked with as they are. */
export class UnfitTables extends Error {
  constructor(readonly state: TablesState & { kind: 'newer' | 'foreign' }) {
    super(
      state.kind === 'newer'
        ? 'The tables were made by a later version of Jade Bench; start that version, or restore a backup from before into a fresh folder.'
        : `The database holds tables of something else (${state.table}); give Jade Bench an empty database of its own.`,
    );
  }
}

const DONE = '__drizzle_migrations';
const STEPS = '__migration_steps';
/** What the first statements of a migration say that was cut off before they were noted as done. */
const DONE_BEFORE = new Set([
  'ER_TABLE_EXISTS_ERROR',
  'ER_DUP_FIELDNAME',
  'ER_DUP_KEYNAME',
  'ER_DUP_KEY',
  'ER_FK_DUP_NAME',
  'ER_DUP_CONSTRAINT_NAME',
  'ER_CANT_DROP_FIELD_OR_KEY',
  'ER_BAD_TABLE_ERROR',
]);
/** Whether an error says that a statement was done before; a foreign key that is there already comes as an error of its own number. */
function doneBefore(error: unknown): boolean {
  const { code = '', message } = error as Error & { code?: string };
  return DONE_BEFORE.has(code) || (code === 'ER_CANT_CREATE_TABLE' && message.includes('errno: 121'));
}

const LOCK = 'jade-migrations';
const LOCK_S = 120;

export function readMigrations(folder: string): Migration[] {
  const journal = JSON.parse(readFileSync(join(folder, 'meta/_journal.json'), 'utf8')) as { entries: { tag: string; when: number }[] };
  return journal.entries.map(({ tag, when }) => {
    const text = readFileSync(join(folder, `${tag}.sql`), 'utf8');
    const statements = text.split('--> statement-breakpoint').map((statement) => statement.trim());
    return { tag, when, hash: createHash('sha256').update(text).digest('hex'), statements: statements.filter(Boolean) };
  });
}

async function tablesOf(connection: Connection): Promise<string[]> {
  const [rows] = await connection.query<RowDataPacket[]>('SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE() ORDER BY table_name');
  return rows.map((row) => String(row.name));
}

/** How far a database has come; nothing is changed. */
async function stateOf(connection: Connection, migrations: readonly Migration[]): Promise<TablesState> {
  const tables = await tablesOf(connection);
  const [stranger] = tables.filter((table) => table !== DONE && table !== STEPS);
  if (!tables.includes(DONE)) return stranger === undefined ? { kind: 'empty' } : { kind: 'foreign', table: stranger };
  const [rows] = await connection.query<RowDataPacket[]>(`SELECT created_at AS moment FROM ${DONE}`);
  const done = new Set(rows.map((row) => Number(row.moment)));
  const known = new Set(migrations.map((migration) => migration.when));
  if ([...done].some((moment) => !known.has(moment))) return { kind: 'newer' };
  const pending = migrations.filter((migration) => !done.has(migration.when)).map((migration) => migration.tag);
  if (pending.length === 0) return { kind: 'current' };
  return done.size === 0 && stranger === undefined ? { kind: 'empty' } : { kind: 'older', pending };
}

async function withConnection<T>(url: string, work: (connection: Connection) => Promise<T>): Promise<T> {
  const connection = await createConnection({ uri: url, timezone: 'Z', charset: 'utf8mb4', connectTimeout: 4000 });
  try {
    return await work(connection);
  } finally {
    connection.destroy();
  }
}

/** How the tables at an address stand to the migrations in a folder. */
export function tablesState(url: string, folder: string): Promise<TablesState> {
  return withConnection(url, (connection) => stateOf(connection, readMigrations(folder)));
}

/** Told before and after each statement; a test stops there. */
export type OnStatement = (tag: string, step: number, phase: 'before' | 'done') => void;

/**
 * Brings the tables to the newest migration, one statement after the other. Each is noted when it is done, so that a start that was
 * cut off anywhere goes on where it stood: a statement that changes data is one transaction with its note; one that changes a table is
 * done whole or not at all by the database, and where only its note is missing it says that it was done before. Two starts at once wait
 * for each other. Tables of a later version or of something else are refused.
 */
export async function migrateTables(url: string, folder: string, onStatement: OnStatement = () => undefined): Promise<{ done: string[] }> {
  const migrations = readMigrations(folder);
  return withConnection(url, async (connection) => {
    const [[lock]] = await connection.query<RowDataPacket[]>('SELECT GET_LOCK(?, ?) AS got', [LOCK, LOCK_S]);
    if (lock?.got !== 1) throw new Error('Another start is still bringing the tables up to date; start again when it is through.');
    const state = await stateOf(connection, migrations);
    if (state.kind === 'newer' || state.kind === 'foreign') throw new UnfitTables(state);
    if (state.kind === 'current') return { done: [] };
    await connection.query(`CREATE TABLE IF NOT EXISTS ${DONE} (id serial PRIMARY KEY, hash text NOT NULL, created_at bigint)`);
    await connection.query(`CREATE TABLE IF NOT EXISTS ${STEPS} (tag varchar(120) NOT NULL, step int NOT NULL, PRIMARY KEY (tag, step))`);
    const pending = state.kind === 'older' ? migrations.filter((migration) => state.pending.includes(migration.tag)) : migrations;
    for (const migration of pending) await run(connection, migration, onStatement);
    return { done: pending.map((migration) => migration.tag) };
  });
}

async function run(connection: Connection, { tag, when, hash, statements }: Migration, onStatement: OnStatement): Promise<void> {
  const [rows] = await connection.query<RowDataPacket[]>(`SELECT step FROM ${STEPS} WHERE tag = ?`, [tag]);
  const noted = new Set(rows.map((row) => Number(row.step)));
  // Until one was really done by this start, a statement may have been done by the start before, which was cut off.
  let mayBeDone = true;
  for (const [step, statement] of statements.entries()) {
    if (noted.has(step)) continue;
    onStatement(tag, step, 'before');
    await connection.beginTransaction();
    try {
      await connection.query(statement);
      mayBeDone = false;
    } catch (error) {
      if (!mayBeDone || !doneBefore(error)) throw error;
    }
    onStatement(tag, step, 'done');
    await connection.query(`INSERT INTO ${STEPS} (tag, step) VALUES (?, ?)`, [tag, step]);
    await connection.commit();
  }
  await connection.beginTransaction();
  await connection.query(`INSERT INTO ${DONE} (hash, created_at) VALUES (?, ?)`, [hash, when]);
  await connection.query(`DELETE FROM ${STEPS} WHERE tag = ?`, [tag]);
  await connection.commit();
}

/** Tables whose rows are only ever added. */
const ADDED_TO = ['events', 'photos'];

/** Gives an account of the database what the running shop needs, and no right to change or take away what was recorded. */
export async function grantRunning(ownerUrl: string, account: string): Promise<void> {
  await withConnection(ownerUrl, async (connection) => {
    const grantee = account
      .split('@')
      .map((part) => connection.escape(part))
      .join('@');
    // An earlier version gave it everything in the database.
    await connection.query(`REVOKE ALL PRIVILEGES ON \`${connection.config.database}\`.* FROM ${grantee}`).catch((error: Error & { code?: string }) => {
      if (error.code !== 'ER_NONEXISTING_GRANT') throw error;
    });
    for (const table of await tablesOf(connection)) {
      const rights = table === DONE || table === STEPS ? 'SELECT' : ADDED_TO.includes(table) ? 'SELECT, INSERT' : 'SELECT, INSERT, UPDATE, DELETE';
      await connection.query(`GRANT ${rights} ON \`${table}\` TO ${grantee}`);
    }
  });
}

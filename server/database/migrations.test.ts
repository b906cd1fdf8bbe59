import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { RowDataPacket } from 'mysql2';
import { createConnection } from 'mysql2/promise';
import { emptyDatabase } from '../test/shop.ts';
import { grantRunning, migrateTables, openDatabase, readMigrations, tablesState } from './index.ts';

const all = join(import.meta.dirname, 'migrations');

/** The migrations up to a number, as they stood then. */
function migrationsUntil(number: number): string {
  const folder = mkdtempSync(join(tmpdir(), 'jade-migrations-'));
  cpSync(all, folder, { recursive: true });
  const path = join(folder, 'meta/_journal.json');
  const journal = JSON.parse(readFileSync(path, 'utf8')) as { entries: { idx: number }[] };
  writeFileSync(path, JSON.stringify({ ...journal, entries: journal.entries.filter((entry) => entry.idx <= number) }));
  return folder;
}

test('a shop of the first tables keeps its jobs: their kits and whether they have left are taken over', async () => {
  const { url, drop } = await emptyDatabase();
  const { pool, close } = openDatabase(url);
  const first = migrationsUntil(0);
  try {
    await migrateTables(url, first);
    await pool.query("INSERT INTO customers (id, name) VALUES ('c', 'Quay Street Bakery')");
    await pool.query("INSERT INTO vehicles (id, customer, profile, plate) VALUES ('v', 'c', 'p', 'QB 5')");
    const job = (id: string, signed: boolean) => [id, 'v', 1, JSON.stringify({ signed, sentence: 'x' }), 2, new Date()];
    await pool.query('INSERT INTO jobs (id, vehicle, seq, summary, fold_version, opened_at) VALUES ?', [[job('left', true), job('here', false)]]);
    const opened = JSON.stringify({
      vehicle: 'v',
      kits: [
        { slug: 'one', version: 1 },
        { slug: 'two', version: 3 },
      ],
    });
    const event = ['left', 1, '01900000-0000-7000-8000-000000000001', 'job.opened', 1, '2026-03-05T08:30:00Z', 'fern', 'd', opened, 'h', new Date()];
    await pool.query('INSERT INTO events VALUES ?', [[event]]);
    await migrateTables(url, all);
    const [kits] = await pool.query<RowDataPacket[]>('SELECT job, kit FROM job_kits ORDER BY kit');
    expect(kits).toEqual([
      { job: 'left', kit: 'one' },
      { job: 'left', kit: 'two' },
    ]);
    const [jobs] = await pool.query<RowDataPacket[]>('SELECT id, signed FROM jobs ORDER BY id');
    expect(jobs.map((row) => [row.id as string, Boolean(row.signed)])).toEqual([
      ['here', false],
      ['left', true],
    ]);
    await migrateTables(url, all);
  } finally {
    await close();
    await drop();
    rmSync(first, { recursive: true });
  }
});

/** All tables as they were made, without the notes of how far the migrations came. */
async function shapeOf(url: string): Promise<string[]> {
  const connection = await createConnection(url);
  const [rows] = await connection.query<RowDataPacket[]>(
    "SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE() AND table_name NOT LIKE '\\_\\_%' ORDER BY table_name",
  );
  const shapes: string[] = [];
  for (const { name } of rows) {
    const [[made]] = await connection.query<RowDataPacket[]>(`SHOW CREATE TABLE \`${String(name)}\``);
    shapes.push(String(made?.['Create Table']));
  }
  await connection.end();
  return shapes;
}

async function onEmpty<T>(work: (url: string) => Promise<T>): Promise<T> {
  const { url, drop } = await emptyDatabase();
  try {
    return await work(url);
  } finally {
    await drop();
  }
}

class CutOff extends Error {}

test('cut off before or after any statement, the next start goes on and ends with the same tables', async () => {
  const whole = await onEmpty(async (url) => {
    await migrateTables(url, all);
    return shapeOf(url);
  });
  expect(whole.length).toBeGreaterThan(8);
  const steps = readMigrations(all).flatMap(({ tag, statements }) => statements.map((_, step) => ({ tag, step })));
  await onEmpty(async (url) => {
    // One database is cut off at every place in turn, each start from where the last one was cut off.
    for (const phase of ['before', 'done'] as const) {
      const connection = await createConnection(url);
      const [rows] = await connection.query<RowDataPacket[]>('SELECT table_name AS name FROM information_schema.tables WHERE table_schema = DATABASE()');
      await connection.query('SET FOREIGN_KEY_CHECKS = 0');
      for (const { name } of rows) await connection.query(`DROP TABLE \`${String(name)}\``);
      await connection.end();
      for (const { tag, step } of steps) {
        const cut = migrateTables(url, all, (at, place, now) => {
          if (at === tag && place === step && now === phase) throw new CutOff();
        });
        await expect(cut).rejects.toThrow(CutOff);
        expect((await tablesState(url, all)).kind).toMatch(/empty|older/);
      }
      await migrateTables(url, all);
      expect([phase, await tablesState(url, all), await shapeOf(url)]).toEqual([phase, { kind: 'current' }, whole]);
    }
  });
}, 60_000);

test('a statement that fails for another reason is not passed over', async () => {
  const folder = migrationsUntil(0);
  const path = join(folder, '0000_first.sql');
  writeFileSync(path, `${readFileSync(path, 'utf8')}\n--> statement-breakpoint\nALTER TABLE jobs ADD colour varchar(40) DEFAULT nonsense(1;`);
  await onEmpty(async (url) => {
    await expect(migrateTables(url, folder)).rejects.toMatchObject({ code: 'ER_PARSE_ERROR' });
    expect((await tablesState(url, folder)).kind).toBe('older');
  });
  // What is there already is passed over only as long as nothing was done by this start.
  writeFileSync(path, 'CREATE TABLE jobs (id int);\n--> statement-breakpoint\nCREATE TABLE jobs (id int);');
  await onEmpty(async (url) => {
    await expect(migrateTables(url, folder)).rejects.toMatchObject({ code: 'ER_TABLE_EXISTS_ERROR' });
  });
  rmSync(folder, { recursive: true });
});

test('two starts at once on an empty database: one brings the tables up to date, the other waits for it', async () => {
  await onEmpty(async (url) => {
    const both = await Promise.all([migrateTables(url, all), migrateTables(url, all)]);
    expect(both.map(({ done }) => done.length).sort()).toEqual([0, readMigrations(all).length]);
  });
});

test('tables of a later version, and of something else, are refused and left as they are', async () => {
  await onEmpty(async (url) => {
    expect(await tablesState(url, all)).toEqual({ kind: 'empty' });
    await migrateTables(url, all);
    const connection = await createConnection(url);
    await connection.query("INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('later', 99999999999999)");
    expect(await tablesState(url, all)).toEqual({ kind: 'newer' });
    await expect(migrateTables(url, all)).rejects.toThrow('later version');
    await connection.end();
  });
  await onEmpty(async (url) => {
    const connection = await createConnection(url);
    await connection.query('CREATE TABLE recipes (id int)');
    await expect(migrateTables(url, all)).rejects.toThrow('something else (recipes)');
    const [rows] = await connection.query<RowDataPacket[]>('SHOW TABLES');
    expect(rows).toHaveLength(1);
    await connection.end();
  });
});

test('the account of the running shop adds events and can neither change nor delete one, nor change a table', async () => {
  await onEmpty(async (url) => {
    await migrateTables(url, all);
    const owner = await createConnection(url);
    const name = `running_${Date.now()}`;
    await owner.query(`CREATE USER '${name}'@'127.0.0.1' IDENTIFIED BY 'secret'`);
    // As an earlier version left it.
    await owner.query(`GRANT ALL ON \`${new URL(url).pathname.slice(1)}\`.* TO '${name}'@'127.0.0.1'`);
    await grantRunning(url, `${name}@127.0.0.1`);
    await grantRunning(url, `${name}@127.0.0.1`);
    const own = new URL(url);
    own.username = name;
    own.password = 'secret';
    const running = await createConnection(own.toString());
    try {
      await running.query("INSERT INTO customers (id, name) VALUES ('c', 'Quay Street Bakery')");
      await running.query("INSERT INTO vehicles (id, customer, profile, plate) VALUES ('v', 'c', 'p', 'QB 5')");
      await running.query("INSERT INTO jobs (id, vehicle, seq, summary, fold_version, opened_at) VALUES ('j', 'v', 1, '{}', 0, NOW())");
      await running.query("UPDATE jobs SET seq = 2 WHERE id = 'j'");
      await running.query(
        "INSERT INTO events (job, seq, id, type, v, at, person, device, payload, body_hash, stored_at) VALUES ('j', 1, 'e', 't', 1, 'a', 'p', 'd', '{}', 'h', NOW())",
      );
      for (const statement of [
        "UPDATE events SET person = 'other'",
        'DELETE FROM events',
        'TRUNCATE TABLE events',
        'DROP TABLE events',
        'ALTER TABLE jobs ADD x int',
        'DELETE FROM __drizzle_migrations',
      ])
        await expect(running.query(statement)).rejects.toMatchObject({ code: 'ER_TABLEACCESS_DENIED_ERROR' });
      expect(await tablesState(own.toString(), all)).toEqual({ kind: 'current' });
    } finally {
      await running.end();
      await owner.query(`DROP USER '${name}'@'127.0.0.1'`);
      await owner.end();
    }
  });
});

import { cpSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { RowDataPacket } from 'mysql2';
import { emptyDatabase } from '../test/shop.ts';
import { migrateDatabase, openDatabase } from './index.ts';

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
  const { db, pool, close } = openDatabase(url);
  const first = migrationsUntil(0);
  try {
    await migrateDatabase(db, first);
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
    await migrateDatabase(db, all);
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
    await migrateDatabase(db, all);
  } finally {
    await close();
    await drop();
    rmSync(first, { recursive: true });
  }
});

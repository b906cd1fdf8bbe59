// npm run backup, restore and check: of the shop, or with --demo of the demo; open or closed.
import { spawn } from 'node:child_process';
import { closeSync, createReadStream, createWriteStream, existsSync, fsyncSync, mkdirSync, openSync, readdirSync, readSync, renameSync, rmSync } from 'node:fs';
import { basename, dirname, join, resolve } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { constants, createGunzip, createGzip, gunzipSync } from 'node:zlib';
import { databaseAt, startDatabase } from './database.mjs';
import { claimFolder, endLeftOvers, folderOf, isOpen, kindOf, runningOf } from './folder.mjs';
import { programPath, say } from './packages.mjs';
import { checkTables, migrateTables, tablesState } from './server.mjs';

/** How many of the backups that are made by themselves are kept. */
const KEPT = 10;
const BY_ITSELF = 'before-upgrade-';
const HEADING = '-- Jade Bench backup; kind: ';

/** Works with the database of a folder: the one that runs, or one that is started for it. */
export async function withDatabase(folder, work) {
  const running = runningOf(folder);
  if (isOpen(running)) return work(databaseAt(folder, running.databasePort));
  await endLeftOvers(folder);
  const database = await startDatabase(folder);
  try {
    return await work(database);
  } finally {
    await database.stop();
  }
}

/** A program of the database on an address, with the password where nobody else sees it. */
function program(name, url, words) {
  const { hostname, port, username, password, pathname } = new URL(url);
  const args = [
    '--no-defaults',
    `--host=${hostname}`,
    `--port=${port || 3306}`,
    `--user=${decodeURIComponent(username)}`,
    '--default-character-set=utf8mb4',
    ...words,
    pathname.slice(1),
  ];
  const child = spawn(programPath(name), args, { env: { ...process.env, MYSQL_PWD: decodeURIComponent(password) }, stdio: ['pipe', 'pipe', 'pipe'] });
  let complaint = '';
  child.stderr.on('data', (text) => (complaint += text));
  const done = new Promise((settle, fail) => {
    child.once('error', fail);
    child.once('exit', (code) => (code === 0 ? settle() : fail(new Error(complaint.trim() || `${name} ended with ${code}`))));
  });
  done.catch(() => undefined);
  return { child, done };
}

/** Writes all tables into a file that only its owner reads; it is there whole or not at all. Consistent also while the shop is open. */
export async function writeBackup(url, kind, file) {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const half = `${file}.part`;
  const { child, done } = program('mariadb-dump', url, ['--single-transaction', '--skip-lock-tables', '--hex-blob', '--no-tablespaces', '--skip-triggers']);
  try {
    const packed = createGzip();
    packed.write(`${HEADING}${kind}\n`);
    await Promise.all([pipeline(child.stdout, packed, createWriteStream(half, { mode: 0o600 })), done]);
    const written = openSync(half, 'r');
    fsyncSync(written);
    closeSync(written);
    renameSync(half, file);
  } catch (error) {
    rmSync(half, { force: true });
    throw new Error(`the backup was not made: ${error.message}`);
  }
}

const stamp = () => new Date().toISOString().slice(0, 19).replaceAll(':', '-');

/** Before tables are brought up to date: a backup by itself, the last few of which are kept. */
export async function backUpBeforeUpgrade(folder, url, kind) {
  const state = tablesState({ databaseUrl: url });
  if (state.kind !== 'older') return undefined;
  const backups = join(folder, 'backups');
  const file = join(backups, `${BY_ITSELF}${stamp()}.sql.gz`);
  await writeBackup(url, kind, file);
  const old = readdirSync(backups).filter((name) => name.startsWith(BY_ITSELF) && name.endsWith('.sql.gz'));
  for (const name of old.sort().slice(0, -KEPT)) rmSync(join(backups, name));
  return file;
}

/** What a backup is of, by its first line; undefined where it is none. */
function kindOfBackup(file) {
  const opened = openSync(file, 'r');
  try {
    const head = Buffer.alloc(65_536);
    const length = readSync(opened, head, 0, head.length, 0);
    const [line = ''] = gunzipSync(head.subarray(0, length), { finishFlush: constants.Z_SYNC_FLUSH }).toString().split('\n');
    return line.startsWith(HEADING) ? line.slice(HEADING.length) : undefined;
  } catch {
    // What is no packed file is no backup either.
    return undefined;
  } finally {
    closeSync(opened);
  }
}

/** Whether what is stored is as it was stored, said line by line. */
export function sayCheck({ jobs, events, documents, photos, findings }) {
  const words = {
    gap: 'an event is missing before it',
    counter: 'the counter does not fit the log',
    body: 'is not as it came',
    chain: 'does not follow from what stands before it',
    summary: 'the summary says something else than the log',
    document: 'is not as it came',
    photo: 'is not the picture that it was',
    unread: 'the log cannot be read',
  };
  const looked = `${jobs} jobs, ${events} events, ${documents} documents, ${photos} photos`;
  return findings.length === 0
    ? `${looked}: all as they were stored`
    : [`${looked}: ${findings.length} not as they were stored`, ...findings.map(({ where, what }) => `  ${where}: ${words[what]}`)].join('\n');
}

const demo = process.argv.includes('--demo');
const words = process.argv.slice(2).filter((word) => !word.startsWith('--'));
const kind = demo ? 'demo' : 'shop';

function presentFolder() {
  const folder = folderOf(kind);
  if (!kindOf(folder)) throw new Error(`there is no shop in ${folder}; name its folder with JADE_DATA${demo ? '' : ', or say --demo for the demo'}`);
  return folder;
}

const COMMANDS = {
  async backup() {
    const folder = presentFolder();
    const file = resolve(words[1] ?? join(folder, 'backups', `jade-${stamp()}.sql.gz`));
    await withDatabase(folder, ({ ownerUrl }) => writeBackup(ownerUrl, kindOf(folder), file));
    process.stdout.write(`${file}\n`);
  },
  async restore() {
    const file = words[1] && resolve(words[1]);
    if (!file || !existsSync(file)) throw new Error(`name the backup: npm run restore -- FILE${file ? `; ${file} is not there` : ''}`);
    const of = kindOfBackup(file);
    if (of === undefined) throw new Error(`${basename(file)} is no backup of Jade Bench`);
    const folder = resolve(process.env.JADE_DATA ?? folderOf(of));
    if (kindOf(folder)) throw new Error(`${folder} holds a shop already; name a fresh folder with JADE_DATA`);
    claimFolder(folder, of);
    let database;
    try {
      database = await startDatabase(folder);
      const { child, done } = program('mariadb', database.ownerUrl, []);
      await Promise.all([pipeline(createReadStream(file), createGunzip(), child.stdin), done]);
      migrateTables({ databaseUrl: database.url, ownerUrl: database.ownerUrl });
      const found = checkTables({ databaseUrl: database.ownerUrl });
      process.stdout.write(`${sayCheck(found)}\nrestored into ${folder}\n`);
      if (found.findings.length > 0) process.exitCode = 1;
    } catch (error) {
      await database?.stop();
      rmSync(folder, { recursive: true, force: true });
      throw new Error(`it was not restored: ${error.message}`);
    }
    await database.stop();
  },
  async check() {
    const found = await withDatabase(presentFolder(), ({ ownerUrl }) => checkTables({ databaseUrl: ownerUrl }));
    process.stdout.write(`${sayCheck(found)}\n`);
    if (found.findings.length > 0) process.exitCode = 1;
  },
};

export async function runCommand(prepare) {
  try {
    await prepare();
    await COMMANDS[words[0]]();
  } catch (error) {
    say(error.message);
    process.exitCode = 1;
  }
}

import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { get } from 'node:http';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createConnection, type RowDataPacket } from 'mysql2/promise';
import { freePort, startDatabase } from '../scripts/database.mjs';
import { runningOf } from '../scripts/folder.mjs';
import { demoFiles } from '../server/test/shop.ts';

const LONG_MS = 400_000;
const root = join(import.meta.dirname, '..');
const wait = (ms: number) => new Promise((settle) => setTimeout(settle, ms));

let folder: string;
let port: number;
let child: ChildProcess | undefined;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'jade-service-'));
  port = await freePort();
});
afterAll(() => {
  run('stop', ['--demo']);
  rmSync(folder, { recursive: true, force: true });
});

const settings = (part: Record<string, string> = {}) => {
  const { DATABASE_URL: _, ...env } = process.env;
  return { ...env, JADE_DATA: folder, JADE_PORT: String(port), ...part };
};

function run(command: string, words: string[] = [], env: Record<string, string> = {}) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(root, `scripts/${command}.mjs`), ...words], { env: settings(env), encoding: 'utf8' });
  return { status, said: stdout + stderr };
}

/** Starts a command and waits until it says that the shop is open. */
async function open(command: string, env: Record<string, string> = {}): Promise<string> {
  const started = spawn(process.execPath, [join(root, `scripts/${command}.mjs`)], { env: settings(env), stdio: ['ignore', 'pipe', 'pipe'] });
  child = started;
  let said = '';
  const take = (text: Buffer) => void (said += text.toString());
  started.stdout.on('data', take);
  started.stderr.on('data', take);
  for (const until = Date.now() + 90_000; !said.includes('is open'); await wait(50))
    if (started.exitCode !== null || Date.now() > until) throw new Error(`it did not open: ${said}`);
  return said;
}

const health = async () => (await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => undefined))?.status;

function databaseAddress(name: 'jade' | 'jade_owner', of = folder): string {
  const file = name === 'jade' ? 'database-password' : 'database-owner-password';
  return `mysql://${name}:${readFileSync(join(of, file), 'utf8').trim()}@127.0.0.1:${runningOf(of)?.databasePort}/jade`;
}

/** A hash of all rows of all tables. */
async function allRows(of = folder): Promise<Record<string, string>> {
  const connection = await createConnection(databaseAddress('jade_owner', of));
  const [tables] = await connection.query<RowDataPacket[]>('SHOW TABLES');
  const hashes: Record<string, string> = {};
  for (const table of tables.map((row) => String(Object.values(row)[0]))) {
    const [rows] = await connection.query<RowDataPacket[]>(`SELECT * FROM \`${table}\``);
    hashes[table] = createHash('sha256')
      .update(
        rows
          .map((row) => JSON.stringify(row))
          .sort()
          .join('\n'),
      )
      .digest('hex');
  }
  await connection.end();
  return hashes;
}

test(
  'the demo is loaded once: what the shop changes in it stays through a stop and a kill, and a restart changes nothing in any table',
  async () => {
    expect(await open('demo')).toContain('the demo shop is loaded');
    const edited = join(folder, 'rules.json');
    const rules = JSON.parse(readFileSync(join(root, 'demo/rules.json'), 'utf8')) as { name: string };
    writeFileSync(edited, JSON.stringify({ ...rules, name: 'Our own rules' }));
    const taken = spawnSync(process.execPath, [join(root, 'dist/programs/shell.js'), 'jade', 'import', edited], { env: settings() });
    expect(taken.status).toBe(0);
    const before = await allRows();
    expect(Object.keys(before).length).toBeGreaterThan(9);
    expect(run('status', ['--demo'])).toMatchObject({ status: 0 });
    expect(run('demo')).toMatchObject({ status: 0, said: expect.stringContaining(`already open: http://127.0.0.1:${port}`) as string });
    expect(run('stop', ['--demo'])).toMatchObject({ status: 0 });
    expect([await health(), run('status', ['--demo']).status]).toEqual([undefined, 3]);

    expect(await open('demo')).not.toContain('the demo shop is loaded');
    expect(await allRows()).toEqual(before);

    // The start command is killed: its parts go on, and the next start ends them and opens the shop again.
    child?.kill('SIGKILL');
    await wait(200);
    expect(await health()).toBe(200);
    expect(run('status', ['--demo'])).toMatchObject({ status: 1, said: expect.stringContaining('npm run stop') as string });
    expect(await open('demo')).toContain('that the last start had left');
    expect(await allRows()).toEqual(before);
  },
  LONG_MS,
);

test(
  'server and database are started again when they are killed',
  async () => {
    const { server, database } = runningOf(folder) ?? {};
    for (const pid of [server, database]) {
      if (!pid) throw new Error('it is not open');
      process.kill(pid, 'SIGKILL');
      await wait(300);
      for (const until = Date.now() + 30_000; (await health()) !== 200 && Date.now() < until;) await wait(100);
      expect(await health()).toBe(200);
    }
    const again = () => [runningOf(folder)?.server, runningOf(folder)?.database];
    for (const until = Date.now() + 10_000; again().some((pid) => pid === server || pid === database) && Date.now() < until;) await wait(100);
    expect(again().filter((pid) => pid !== undefined && pid !== server && pid !== database)).toHaveLength(2);
  },
  LONG_MS,
);

test('the database: its root only by socket, over the network only with a password, and what the shop runs with cannot change the log', async () => {
  const at = new URL(databaseAddress('jade'));
  const as = (user: string, password: string) => {
    const url = new URL(at);
    url.username = user;
    url.password = password;
    return createConnection(url.toString());
  };
  for (const [user, password] of [
    ['root', ''],
    ['jade', ''],
    ['jade', 'wrong'],
    ['jade_owner', at.password],
    ['', ''],
  ] as const)
    await expect(as(user, password)).rejects.toMatchObject({ code: expect.stringMatching(/ACCESS_DENIED/) as string });
  const running = await createConnection(at.toString());
  await expect(running.query("UPDATE events SET person = 'nobody'")).rejects.toMatchObject({ code: 'ER_TABLEACCESS_DENIED_ERROR' });
  await expect(running.query('DELETE FROM events')).rejects.toMatchObject({ code: 'ER_TABLEACCESS_DENIED_ERROR' });
  await running.end();
  expect(statSync(folder).mode & 0o777).toBe(0o700);
  for (const name of ['database-password', 'database-owner-password']) expect(statSync(join(folder, name)).mode & 0o777).toBe(0o600);
  // What the database read at its start, with the passwords in it, is gone.
  expect(readdirSync(folder)).not.toContain('first.sql');
});

/** The commands of a page of the how-to, as they stand there. */
function commandsOf(page: string): string[] {
  return readFileSync(join(root, 'docs/how-to', page), 'utf8')
    .split('\n')
    .filter((line) => line.startsWith('    '))
    .map((line) => line.trim());
}

test(
  'the page on backing up, word for word: a shop of its own is backed up while it is open, restored into a fresh folder with every row the same, and checked',
  async () => {
    const own = { JADE_DATA: join(folder, 'own'), JADE_PORT: String(await freePort()) };
    const env = settings(own);
    const started = await open('start', own);
    expect(started).not.toContain('demo');
    const documents = join(folder, 'our-shop.json');
    const shop = JSON.parse(readFileSync(join(root, 'demo/shop.json'), 'utf8')) as object;
    writeFileSync(documents, JSON.stringify({ ...shop, slug: 'our-shop', name: 'Our shop' }));
    const files = demoFiles().filter((file) => file !== 'shop.json');
    const taken = spawnSync(process.execPath, [join(root, 'dist/programs/shell.js'), 'jade', 'import', ...files.map((file) => join(root, 'demo', file)), documents], {
      env,
      encoding: 'utf8',
    });
    expect([taken.status, taken.stderr]).toEqual([0, '']);

    const commands = commandsOf('back-up.md').map((command) => command.replaceAll('/backup', folder).replaceAll('/srv', folder));
    const say = (command: string | undefined) => {
      const { status, stdout, stderr } = spawnSync('sh', ['-c', command ?? 'false'], { env, cwd: root, encoding: 'utf8' });
      return { status, said: stdout + stderr };
    };
    const [backup, , restore, openRestored, check] = commands;
    expect([backup, restore, openRestored, check].map((command) => command?.replace(folder, '').split(' npm').at(-1)?.slice(0, 14))).toEqual([
      'npm run -s bac',
      ' run -s restor',
      ' start',
      'npm run -s che',
    ]);
    expect(say(backup)).toMatchObject({ status: 0 });
    expect(statSync(join(folder, 'jade.sql.gz')).mode & 0o777).toBe(0o600);
    expect(say(check)).toMatchObject({ status: 0, said: expect.stringContaining('all as they were stored') as string });
    expect(say(restore)).toMatchObject({ status: 0, said: expect.stringContaining('all as they were stored') as string });
    const whole = await allRows(own.JADE_DATA);
    expect(run('stop', [], own)).toMatchObject({ status: 0 });
    // What is restored is opened as the page says, and holds every row of the shop.
    const restored = { JADE_DATA: join(folder, 'jade-restored'), JADE_PORT: own.JADE_PORT };
    await open('start', restored);
    expect(await allRows(restored.JADE_DATA)).toEqual(whole);
    expect(run('stop', [], restored)).toMatchObject({ status: 0 });
    expect(say(restore)).toMatchObject({ status: 1, said: expect.stringContaining('holds a shop already') as string });
    // A file that is cut off is not restored, and leaves no folder.
    const cut = join(folder, 'cut.sql.gz');
    writeFileSync(cut, readFileSync(join(folder, 'jade.sql.gz')).subarray(0, 30_000));
    const fresh = join(folder, 'fresh');
    expect(run('keeping', ['restore', cut], { JADE_DATA: fresh })).toMatchObject({ status: 1, said: expect.stringContaining('it was not restored') as string });
    expect(readdirSync(folder)).not.toContain('fresh');
  },
  LONG_MS,
);

test('a folder of the demo is not opened as a shop', () => {
  expect(run('start')).toMatchObject({ status: 1, said: expect.stringContaining('holds the demo shop; name another folder with JADE_DATA') as string });
});

/** What another device gets: from an address of its own, under the name that it asks for. */
function ask(host: string, at: number, path: string, localAddress: string): Promise<number | undefined> {
  return new Promise((settle, fail) => {
    get({ host, port: at, path, localAddress }, (answer) => answer.resume().once('end', () => settle(answer.statusCode))).once('error', fail);
  });
}

test(
  'opened on one address of the network it is reached there and from this machine; a stranger gets the page, and nothing of the shop',
  async () => {
    const own = { JADE_DATA: join(folder, 'elsewhere'), JADE_PORT: String(await freePort()), JADE_HOST: '127.0.0.2' };
    const at = Number(own.JADE_PORT);
    await open('start', own);
    const seen: (number | undefined)[] = [];
    for (const [host, path, from] of [
      ['127.0.0.1', '/api/people', '127.0.0.1'],
      ['127.0.0.2', '/api/people', '127.0.0.1'],
      ['127.0.0.2', '/', '127.0.0.3'],
      ['127.0.0.2', '/api/health', '127.0.0.3'],
      ['127.0.0.2', '/api/people', '127.0.0.3'],
      ['127.0.0.2', '/api/jobs', '127.0.0.3'],
      ['127.0.0.2', '/api/shop', '127.0.0.3'],
    ] as const)
      seen.push(await ask(host, at, path, from));
    expect(seen).toEqual([200, 200, 200, 200, 403, 403, 403]);
    expect(run('stop', [], own)).toMatchObject({ status: 0 });
  },
  LONG_MS,
);

/** The address of the test's own database server with something in it changed. */
function testDatabase(change: Partial<Pick<URL, 'password' | 'pathname'>>): string {
  return Object.assign(new URL(process.env.JADE_TEST_DATABASE_URL ?? ''), change).toString();
}

test.each<[string, Record<string, string>, RegExp]>([
  ['a port that is none', { JADE_PORT: 'eighty' }, /JADE_PORT is eighty; it has to be a number from 1 to 65535/],
  ['an address that this machine has not', { JADE_HOST: '203.0.113.7' }, /this machine has no address 203\.0\.113\.7/],
  ['a folder that cannot be made', { JADE_DATA: join(root, 'package.json/shop') }, /cannot be written to \(ENOTDIR\); give JADE_DATA another one/],
  ['a folder whose name is too long', { JADE_DATA: join('/tmp', 'x'.repeat(300)) }, /cannot be written to \(ENAMETOOLONG\); give JADE_DATA another one/],
  ['a password that is wrong', { DATABASE_URL: testDatabase({ password: 'wrong' }) }, /the database refuses the user or the password of DATABASE_URL/],
  ['a database that does not exist', { DATABASE_URL: testDatabase({ pathname: '/nowhere' }) }, /the database of DATABASE_URL does not exist; make it/],
  ['a database where nobody listens', { DATABASE_URL: 'mysql://jade:x@127.0.0.1:1/jade' }, /nobody answers at the address of DATABASE_URL/],
])('%s is one clear sentence and exit code 1', async (_, env, sentence) => {
  const own = await freePort();
  const { status, said } = run('start', [], { JADE_DATA: join(folder, 'other'), JADE_PORT: String(own), ...env });
  expect([status, said]).toEqual([1, expect.stringMatching(sentence)]);
  expect(said).not.toMatch(/\n\s+at /);
  expect(said.trim().split('\n').at(-1)).toMatch(sentence);
});

test('a folder of other things is neither opened nor thrown away', () => {
  const others = join(folder, 'others');
  mkdirSync(others, { mode: 0o755 });
  writeFileSync(join(others, 'invoice.txt'), 'of another program');
  for (const [command, words] of [
    ['start', []],
    ['demo', []],
    ['demo', ['--fresh']],
  ] as const)
    expect(run(command, [...words], { JADE_DATA: others })).toMatchObject({
      status: 1,
      said: expect.stringContaining(`${others} holds other things; name a folder of its own with JADE_DATA`) as string,
    });
  expect([readdirSync(others), statSync(others).mode & 0o777]).toEqual([['invoice.txt'], 0o755]);
});

test(
  'a folder of an earlier version: its open root is shut, and its account loses what it had too much of',
  async () => {
    const own = { JADE_DATA: join(folder, 'earlier'), JADE_PORT: String(await freePort()) };
    const database = await startDatabase(own.JADE_DATA);
    const asRoot = (sql: string) => spawnSync('mariadb', ['--no-defaults', `--socket=${database.socket}`, '-e', sql], { encoding: 'utf8' });
    const opened = asRoot("CREATE USER 'root'@'127.0.0.1' IDENTIFIED BY ''; GRANT ALL ON *.* TO 'root'@'127.0.0.1'; GRANT ALL ON jade.* TO 'jade'@'127.0.0.1'");
    expect([opened.status, opened.stderr]).toEqual([0, '']);
    await database.stop();
    await open('demo', own);
    await expect(createConnection(databaseAddress('jade', own.JADE_DATA).replace(/\/\/[^@]+@/, '//root@'))).rejects.toMatchObject({ code: 'ER_ACCESS_DENIED_ERROR' });
    const running = await createConnection(databaseAddress('jade', own.JADE_DATA));
    for (const statement of ['DELETE FROM events', 'DROP TABLE events']) await expect(running.query(statement)).rejects.toMatchObject({ code: 'ER_TABLEACCESS_DENIED_ERROR' });
    await running.end();
    expect(run('stop', ['--demo'], own)).toMatchObject({ status: 0 });
  },
  LONG_MS,
);

test('a port that another program has is named, and what to do', async () => {
  const taken = createServer();
  taken.listen(0, '127.0.0.1');
  await once(taken, 'listening');
  const { port: own } = taken.address() as { port: number };
  const { status, said } = run('start', [], { JADE_DATA: join(folder, 'other'), JADE_PORT: String(own) });
  expect([status, said]).toEqual([1, expect.stringContaining(`port ${own} is taken by another program; end that, or choose another one with JADE_PORT`)]);
  taken.close();
});

// A MariaDB of our own: on loopback, with its own data folder, flushed at every commit. No service of the machine is touched.
import { spawn, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { accessSync, chmodSync, constants, existsSync, mkdirSync, mkdtempSync, readFileSync, renameSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { createConnection, createServer } from 'node:net';
import { tmpdir, userInfo } from 'node:os';
import { join, resolve } from 'node:path';
import { programPath, say } from './packages.mjs';

const START_MS = 60_000;
/** Bytes that must be free: the database alone begins with more than a hundred megabytes. */
const LEAST_FREE = 300_000_000;
const asRoot = () => (process.getuid?.() === 0 ? ['--user=root'] : []);

export function freePort() {
  return new Promise((settle, fail) => {
    const probe = createServer();
    probe.once('error', fail);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address();
      probe.close(() => settle(port));
    });
  });
}

function answers(port) {
  return new Promise((settle) => {
    const socket = createConnection({ port, host: '127.0.0.1' });
    socket.once('data', () => settle(true) || socket.destroy());
    socket.once('error', () => settle(false));
    socket.setTimeout(1000, () => settle(false) || socket.destroy());
  });
}

/** Longest path of a socket. */
const MOST_SOCKET = 100;
/** Who the database's root is: the account of the machine that the database runs under, and nobody over the network. */
const systemUser = () => userInfo().username;

/** Makes the files of a database beside their place and puts them there when they are whole: half a database is none, and the next start begins anew. */
function install(data) {
  say(`making a database in ${data}`);
  const half = `${data}.new`;
  rmSync(half, { recursive: true, force: true });
  mkdirSync(half, { recursive: true, mode: 0o700 });
  const args = [...asRoot(), `--datadir=${half}`, '--auth-root-authentication-method=socket', `--auth-root-socket-user=${systemUser()}`, '--skip-test-db', '--skip-name-resolve'];
  const { status, stderr } = spawnSync(programPath('mariadb-install-db'), ['--no-defaults', ...args], { encoding: 'utf8' });
  if (status !== 0) {
    rmSync(half, { recursive: true, force: true });
    throw new Error(`the database could not be made in ${data}: ${stderr.trim()}`);
  }
  renameSync(half, data);
}

function passwordOf(folder, name) {
  const file = join(folder, name);
  if (!existsSync(file)) writeWhole(file, randomBytes(18).toString('hex'));
  return readFileSync(file, 'utf8').trim();
}

/** Writes a file that only its owner reads, whole or not at all. */
export function writeWhole(file, text) {
  const half = `${file}.new`;
  writeFileSync(half, text, { mode: 0o600 });
  chmodSync(half, 0o600);
  renameSync(half, file);
}

/** What the database does by itself before it takes anybody in. */
function firstLines(password, ownerPassword, all) {
  const account = (name, secret) => [`CREATE USER IF NOT EXISTS '${name}'@'127.0.0.1' IDENTIFIED BY '${secret}';`, `ALTER USER '${name}'@'127.0.0.1' IDENTIFIED BY '${secret}';`];
  return [
    "DELETE FROM mysql.global_priv WHERE User = '' OR (User = 'root' AND Host <> 'localhost');",
    'FLUSH PRIVILEGES;',
    `CREATE OR REPLACE USER 'root'@'localhost' IDENTIFIED VIA unix_socket AS '${systemUser()}';`,
    "GRANT ALL ON *.* TO 'root'@'localhost' WITH GRANT OPTION;",
    'CREATE DATABASE IF NOT EXISTS jade CHARACTER SET utf8mb4 COLLATE utf8mb4_bin;',
    ...account('jade_owner', ownerPassword),
    "GRANT ALL ON jade.* TO 'jade_owner'@'127.0.0.1' WITH GRANT OPTION;",
    ...account('jade', password),
    ...(all ? ["GRANT ALL ON *.* TO 'jade'@'127.0.0.1' WITH GRANT OPTION;"] : []),
  ];
}

/** Folder of the shop, to be read by its owner only, with room on its disk. */
export function openHome(folder) {
  const home = resolve(folder);
  try {
    mkdirSync(home, { recursive: true, mode: 0o700 });
    chmodSync(home, 0o700);
    accessSync(home, constants.W_OK);
  } catch (error) {
    throw new Error(`the folder ${home} cannot be written to (${error.code}); give JADE_DATA another one, or let its owner start`);
  }
  const { bavail, bsize } = statfsSync(home);
  if (bavail * bsize < LEAST_FREE)
    throw new Error(`the disk of ${home} is full: ${Math.floor((bavail * bsize) / 1_000_000)} MB are left and ${LEAST_FREE / 1_000_000} MB are needed; make room and start again`);
  return home;
}

/** Addresses of a folder's database on a port: for the running shop, and for what owns its tables. */
export function databaseAt(home, port) {
  const address = (name, file) => `mysql://${name}:${passwordOf(home, file)}@127.0.0.1:${port}/jade`;
  return { url: address('jade', 'database-password'), ownerUrl: address('jade_owner', 'database-owner-password') };
}

/**
 * Starts the database of a folder and gives back its address and how to stop it: `url` for the running shop, which adds to the log and can
 * change nothing in it, `ownerUrl` for bringing the tables up to date. `all` lets it make further databases.
 */
export async function startDatabase(folder, { all = false, port: wantedPort } = {}) {
  const home = openHome(folder);
  const data = join(home, 'mariadb');
  if (!existsSync(join(data, 'mysql'))) install(data);
  chmodSync(data, 0o700);
  const password = passwordOf(home, 'database-password');
  const ownerPassword = passwordOf(home, 'database-owner-password');
  const own = join(home, 'db.sock');
  // A socket's path may not be long; where the folder's is, it lies in a temporary folder of its own. It holds nothing.
  const short = Buffer.byteLength(own) > MOST_SOCKET ? mkdtempSync(join(tmpdir(), 'jade-')) : undefined;
  const socket = short ? join(short, 'db.sock') : own;
  const scratch = join(home, 'tmp');
  rmSync(scratch, { recursive: true, force: true });
  mkdirSync(scratch, { mode: 0o700 });
  const first = join(home, 'first.sql');
  writeWhole(first, `${firstLines(password, ownerPassword, all).join('\n')}\n`);
  const port = wantedPort ?? (await freePort());
  const args = [
    '--no-defaults',
    ...asRoot(),
    `--datadir=${data}`,
    `--tmpdir=${scratch}`,
    '--bind-address=127.0.0.1',
    `--port=${port}`,
    `--socket=${socket}`,
    `--pid-file=${join(home, 'db.pid')}`,
    `--init-file=${first}`,
    '--character-set-server=utf8mb4',
    '--collation-server=utf8mb4_bin',
    '--default-time-zone=+00:00',
    '--skip-name-resolve',
    '--innodb-flush-log-at-trx-commit=1',
    '--innodb-doublewrite=1',
    '--innodb-buffer-pool-size=128M',
    '--max-allowed-packet=64M',
    '--skip-log-bin',
    `--log-error=${join(home, 'mariadb.log')}`,
  ];
  const child = spawn(programPath('mariadbd'), args, { stdio: 'ignore', detached: true });
  let ended = false;
  const gone = new Promise((settle) => child.once('exit', () => settle((ended = true))));
  const stop = async () => {
    if (!ended) child.kill('SIGTERM');
    await gone;
    if (short) rmSync(short, { recursive: true, force: true });
  };
  const until = Date.now() + START_MS;
  while (!ended && !(await answers(port)) && Date.now() < until) await new Promise((settle) => setTimeout(settle, 100));
  rmSync(first, { force: true });
  if (ended || Date.now() >= until) {
    await stop();
    throw new Error(`the database did not start; see ${join(home, 'mariadb.log')} (is another one using this folder?)`);
  }
  return { ...databaseAt(home, port), pid: child.pid, port, socket, stop, gone };
}

// The folder of a shop: whose it is, what runs in it, and what a start that was cut off has left running.
import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { ROOT } from './packages.mjs';
import { openHome, writeWhole } from './database.mjs';

const KINDS = { demo: 'the demo shop', shop: 'a shop of its own' };

/** Folder of the demo, or of the shop; `JADE_DATA` moves either. */
export const folderOf = (kind) => resolve(process.env.JADE_DATA ?? join(ROOT, kind === 'demo' ? '.jade-data' : '.jade-shop'));

/** What a folder holds: the demo or a shop; undefined where it is new. A database without a word beside it is a demo, which is all there was. */
export function kindOf(folder) {
  const file = join(folder, 'shop-folder.json');
  if (existsSync(file)) return JSON.parse(readFileSync(file, 'utf8')).kind;
  return existsSync(join(folder, 'mariadb/mysql')) ? 'demo' : undefined;
}

/** Refuses a folder that holds the other. */
export function checkKind(folder, kind) {
  const there = kindOf(folder);
  if (there !== undefined && there !== kind) throw new Error(`${folder} holds ${KINDS[there]}; name another folder with JADE_DATA`);
}

/** Takes a folder for the demo or for a shop; the two never mix. */
export function claimFolder(folder, kind) {
  checkKind(folder, kind);
  if (kindOf(folder) === undefined && existsSync(folder) && readdirSync(folder).length > 0)
    throw new Error(`${folder} holds other things; name a folder of its own with JADE_DATA`);
  openHome(folder);
  if (!existsSync(join(folder, 'shop-folder.json'))) writeWhole(join(folder, 'shop-folder.json'), `${JSON.stringify({ kind, since: new Date().toISOString() })}\n`);
}

const noteOf = (folder) => join(folder, 'running.json');

/** What was noted when the folder was opened last: the processes and where they are reached; undefined where it was closed. */
export function runningOf(folder) {
  try {
    return JSON.parse(readFileSync(noteOf(folder), 'utf8'));
  } catch {
    return undefined;
  }
}

export const noteRunning = (folder, what) => writeWhole(noteOf(folder), `${JSON.stringify(what)}\n`);
export const noteClosed = (folder) => rmSync(noteOf(folder), { force: true });

/** Whether a process runs whose command names all the words; a number that another program has got since is none of ours. */
export function isOurs(pid, ...words) {
  if (!Number.isInteger(pid) || pid <= 1) return false;
  try {
    const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8');
    return words.every((word) => command.includes(word)) && !/^\S+ \(.*\) Z /.test(readFileSync(`/proc/${pid}/stat`, 'utf8'));
  } catch {
    return false;
  }
}

/** Whether the start command that opened a folder still runs. */
export const isOpen = (running) => running !== undefined && ['demo', 'start'].some((name) => isOurs(running.pid, `scripts/${name}.mjs`));

const wait = (ms) => new Promise((settle) => setTimeout(settle, ms));

async function end(pid, ...words) {
  for (const [signal, most] of [
    ['SIGTERM', 15_000],
    ['SIGKILL', 5_000],
  ]) {
    if (!isOurs(pid, ...words)) return;
    process.kill(pid, signal);
    for (const until = Date.now() + most; isOurs(pid, ...words) && Date.now() < until;) await wait(50);
  }
}

/** What a start that was killed has left running in a folder. */
export function leftOvers(folder) {
  const running = runningOf(folder);
  if (!running || isOpen(running)) return [];
  const parts = [
    { name: 'server', pid: running.server, words: [join(ROOT, 'dist/programs/server.js')] },
    { name: 'database', pid: running.database, words: ['mariadbd', join(folder, 'mariadb')] },
  ];
  return parts.filter(({ pid, words }) => pid !== undefined && isOurs(pid, ...words));
}

/** Ends what a start that was killed has left running in a folder. Gives back what that was. */
export async function endLeftOvers(folder) {
  const running = runningOf(folder);
  if (!running || isOpen(running)) return [];
  const left = leftOvers(folder);
  for (const { pid, words } of left) await end(pid, ...words);
  noteClosed(folder);
  return left.map(({ name }) => name);
}

/** Asks the start command of a folder to close, and waits until everything has ended. */
export async function closeFolder(folder) {
  const running = runningOf(folder);
  if (!isOpen(running)) return (await endLeftOvers(folder)).length > 0;
  process.kill(running.pid, 'SIGTERM');
  for (const until = Date.now() + 40_000; isOpen(running) && Date.now() < until;) await wait(50);
  if (isOpen(running)) throw new Error(`process ${running.pid} does not end; look at what it says`);
  return true;
}

import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdirSync, mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { claimFolder, endLeftOvers, isOpen, isOurs, kindOf, noteRunning, runningOf } from './folder.mjs';

let folder: string;
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'jade-folder-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

test('a folder is the demo’s or the shop’s, and stays so; only its owner reads what it says', () => {
  const own = join(folder, 'deep/own');
  expect(kindOf(own)).toBeUndefined();
  claimFolder(own, 'shop');
  claimFolder(own, 'shop');
  expect(kindOf(own)).toBe('shop');
  expect(() => claimFolder(own, 'demo')).toThrow(`${own} holds a shop of its own; name another folder with JADE_DATA`);
  expect(kindOf(own)).toBe('shop');
  expect([statSync(own).mode & 0o777, statSync(join(own, 'shop-folder.json')).mode & 0o777]).toEqual([0o700, 0o600]);
});

test('a database without a word beside it is the demo of an earlier version', () => {
  mkdirSync(join(folder, 'mariadb/mysql'), { recursive: true });
  expect(kindOf(folder)).toBe('demo');
  expect(() => claimFolder(folder, 'shop')).toThrow('holds the demo shop');
});

test('a process is ours where it runs and its command names the words', async () => {
  const child = spawn(process.execPath, ['-e', 'setTimeout(() => {}, 60_000)', 'a-word']);
  await once(child, 'spawn');
  const pid = child.pid ?? 0;
  expect([isOurs(pid, 'a-word'), isOurs(pid, 'node', 'a-word'), isOurs(pid, 'another-word')]).toEqual([true, true, false]);
  child.kill('SIGKILL');
  await once(child, 'exit');
  expect(isOurs(pid, 'a-word')).toBe(false);
});

test('what a killed start has left running is ended; a number that another program has got since is left alone', async () => {
  const left = spawn(process.execPath, ['-e', 'setTimeout(() => {}, 60_000)', 'mariadbd', join(folder, 'mariadb')]);
  const other = spawn(process.execPath, ['-e', 'setTimeout(() => {}, 60_000)']);
  await Promise.all([once(left, 'spawn'), once(other, 'spawn')]);
  const gone = once(left, 'exit');
  noteRunning(folder, { pid: 999_999_999, address: 'http://127.0.0.1:1', since: '2026-03-05T08:30:00Z', database: left.pid ?? 0, server: other.pid ?? 0 });
  expect(isOpen(runningOf(folder))).toBe(false);
  expect(await endLeftOvers(folder)).toEqual(['database']);
  await gone;
  expect([other.exitCode, other.signalCode, runningOf(folder), await endLeftOvers(folder)]).toEqual([null, null, undefined, []]);
  other.kill('SIGKILL');
});

test('a note that was cut off while it was written is none', () => {
  mkdirSync(join(folder, 'running.json'));
  expect(runningOf(folder)).toBeUndefined();
  expect(readFileSync(join(import.meta.dirname, 'folder.mjs'), 'utf8')).toContain('writeWhole(noteOf(folder)');
});

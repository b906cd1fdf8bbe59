// npm run mutate -- ROOM… or ROOM/FILE…: which share of small faults set into rooms of core/ their tests find. Works on a copy of the tree; slow, and no part of the tests.
import { execFileSync, spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT } from './packages.mjs';

/** Tests of other rooms by which faults of a room have to be found as well as by its own. */
const BESIDES = { closing: ['core/access/half-way'] };
const ROOMS = readdirSync(join(ROOT, 'core'), { withFileTypes: true }).flatMap((entry) =>
  entry.isDirectory() && !['test', 'node_modules'].includes(entry.name) ? [entry.name] : [],
);
/** Tests that walk whole jobs or search for long: they take most of the time and find next to nothing that the others do not. */
const LONG = ['core/stations/robot', 'core/stations/half-way'];
const HEADING = '## Mutants';
const rooms = process.argv.slice(2).length > 0 ? process.argv.slice(2) : ROOMS;
/** A room, or one file of it. */
const roomOf = (asked) => asked.split('/')[0];
const unknown = rooms.filter((room) => !ROOMS.includes(roomOf(room)));
if (unknown.length > 0) {
  console.error(`No room is called ${unknown.join(', ')}; there are ${ROOMS.join(', ')}.`);
  process.exit(1);
}

const copy = mkdtempSync(join(tmpdir(), 'jade-mutants-'));
const files = execFileSync('git', ['ls-files', '-z'], { cwd: ROOT, encoding: 'utf8' }).split('\0').filter(Boolean);
for (const file of files) cpSync(join(ROOT, file), join(copy, file));
symlinkSync(join(ROOT, 'node_modules'), join(copy, 'node_modules'));

/** Test files in two groups, the second tried only where the first finds nothing: those of the room, all others of core. */
function testsOf(room) {
  const among = (begins) => files.filter((file) => file.endsWith('.test.ts') && begins.some((begin) => file.startsWith(begin)));
  const [near, long] = [among([`core/${roomOf(room)}/`, ...(BESIDES[roomOf(room)] ?? [])]), among(LONG)];
  return [near, among(['core/']).filter((file) => !near.includes(file) && !long.includes(file))];
}

const rows = new Map();
for (const room of rooms) {
  const report = join(copy, `${room.replace('/', '-')}-mutants.json`);
  const settings = {
    testRunner: 'bundled',
    plugins: [join(ROOT, 'scripts/mutants/runner.mjs')],
    coverageAnalysis: 'perTest',
    bundledTests: testsOf(room),
    warnings: { unknownOptions: false },
    mutate: [room.includes('/') ? `core/${room}.ts` : `core/${room}/*.ts`, '!core/**/*.test.ts'],
    inPlace: true,
    concurrency: 2,
    timeoutMS: 6_000,
    reporters: ['progress-append-only', 'json'],
    jsonReporter: { fileName: report },
  };
  writeFileSync(join(copy, 'stryker.config.json'), JSON.stringify(settings));
  const { status } = spawnSync(process.execPath, [join(copy, 'node_modules/@stryker-mutator/core/bin/stryker.js'), 'run'], {
    cwd: copy,
    stdio: ['ignore', 2, 2],
    env: { ...process.env, JADE_ROBOT: 'few' },
  });
  if (status !== 0) {
    process.exitCode = 1;
    continue;
  }
  const all = Object.entries(JSON.parse(readFileSync(report, 'utf8')).files).flatMap(([file, { mutants }]) => mutants.map((mutant) => ({ file, ...mutant })));
  const counted = all.filter((mutant) => !['Ignored', 'CompileError', 'RuntimeError'].includes(mutant.status));
  const alive = counted.filter((mutant) => ['Survived', 'NoCoverage'].includes(mutant.status));
  for (const { file, location, mutatorName, replacement } of alive)
    console.log(`${file}:${location.start.line}:${location.start.column} ${mutatorName}: ${(replacement ?? '').split('\n')[0]}`);
  rows.set(room, `| core/${room} | ${counted.length} | ${counted.length - alive.length} | ${(((counted.length - alive.length) / counted.length) * 100).toFixed(1)} % |`);
}
rmSync(copy, { recursive: true });

const place = join(ROOT, 'docs/benchmarks.md');
const [figures = '', mutants = ''] = readFileSync(place, 'utf8').split(`\n${HEADING}\n`);
const kept = mutants.split('\n').filter((line) => line.startsWith('| core/') && !rows.has(/^\| core\/([\w/-]+)/.exec(line)?.[1]));
const single = [...kept.filter((line) => !line.includes('all its files')), ...rows.values()];
/** A room of which every file was tried has a line of its own: the sum of them. */
function sumOf(room) {
  const own = files.filter((file) => new RegExp(`^core/${room}/[^/]+\\.ts$`).test(file) && !/(\.test|\/index)\.ts$/.test(file));
  const lines = own.map((file) => single.find((line) => line.startsWith(`| ${file.slice(0, -3)} |`)));
  if (own.length === 0 || lines.includes(undefined)) return [];
  const [faults, found] = [2, 3].map((column) => lines.reduce((sum, line) => sum + Number(line.split('|')[column]), 0));
  return [`| core/${room}, all its files | ${faults} | ${found} | ${((found / faults) * 100).toFixed(1)} % |`];
}
const table = [...single, ...Object.keys(NEAREST).flatMap(sumOf)].sort();
const said = `Made by \`npm run mutate -- ROOM\`: small faults set into a room one at a time, and how many of them make a test fail. One that never ends counts as found.`;
writeFileSync(place, `${figures}\n${HEADING}\n\n${said}\n\n| room | faults | found | share |\n| --- | --- | --- | --- |\n${table.join('\n')}\n`);

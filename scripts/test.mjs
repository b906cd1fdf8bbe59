// npm test: the same set-up as the demo with a throwaway database, then checks, unit, server and browser tests. The last line
// counts all of them together. Words after -- go to Jest and leave the checks out.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { BROWSER, DATABASE, ROOT, ensureModules, ensurePrograms, say } from './packages.mjs';
import { build } from './build.mjs';
import { startDatabase } from './database.mjs';
import { lint } from './lint.mjs';

const wanted = process.argv.slice(2);

/** A busy machine is no fault of what is tested. */
const MOST_MS = 30_000;

/** The tests that are running, so that they end with this. */
let running;

async function runJest(databaseUrl, folder, words) {
  const output = join(folder, 'jest.json');
  rmSync(output, { force: true });
  const jest = ['--experimental-vm-modules', '--no-warnings', join(ROOT, 'node_modules/jest/bin/jest.js')];
  const args = [...jest, '--json', `--outputFile=${output}`, '--forceExit', `--testTimeout=${MOST_MS}`, ...words];
  running = spawn(process.execPath, args, { cwd: ROOT, stdio: ['ignore', 'ignore', 2], env: { ...process.env, JADE_TEST_DATABASE_URL: databaseUrl } });
  await new Promise((settle) => running.on('exit', settle));
  try {
    const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites, testResults } = JSON.parse(readFileSync(output, 'utf8'));
    const files = testResults.map(({ name, startTime, endTime }) => ({ name: relative(ROOT, name), seconds: Math.round((endTime - startTime) / 1000) }));
    return { passed: numPassedTests, failed: numFailedTests + numRuntimeErrorTestSuites, files };
  } catch {
    return { passed: 0, failed: 1, files: [] };
  }
}

/** All of them one kind after the other: a process that runs every file holds on to the modules of each and grows slow. */
async function runAll(databaseUrl, folder) {
  // What needs neither database nor browser takes every core.
  const every = ['--selectProjects', 'unit', '--maxWorkers=100%'];
  const kinds = wanted.length > 0 ? [wanted] : [every, ['--selectProjects', 'server', '--maxWorkers=2'], ['--selectProjects', 'browser']];
  const runs = [];
  for (const words of kinds) {
    if (stopped) break;
    const began = Date.now();
    runs.push(await runJest(databaseUrl, folder, words));
    say(`${words[1] ?? words[0]}: ${((Date.now() - began) / 60_000).toFixed(1)} min`);
  }
  for (const { name, seconds } of slowest(runs.flatMap(({ files }) => files))) say(`${String(seconds).padStart(5)} s  ${name}`);
  return { passed: runs.reduce((sum, run) => sum + run.passed, 0), failed: runs.reduce((sum, run) => sum + run.failed, 0) };
}

const SLOWEST = 10;
const slowest = (files) => [...files].sort((a, b) => b.seconds - a.seconds).slice(0, SLOWEST);

ensurePrograms({ ...DATABASE, ...BROWSER });
ensureModules();
const checks = wanted.length > 0 ? { passed: 0, failed: 0 } : await lint();
build('programs');
build('web');
const folder = mkdtempSync(join(tmpdir(), 'jade-test-'));
say('starting a throwaway database');
const database = await startDatabase(folder, { all: true });
let stopped = false;
const stop = async () => {
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
};
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => {
    if (stopped) return;
    stopped = true;
    running?.kill('SIGTERM');
    void stop().then(() => process.exit(1));
  });
const tests = await runAll(database.url, folder);
await stop();
const passed = checks.passed + tests.passed;
const failed = checks.failed + tests.failed;
process.stdout.write(`${passed} passed, ${failed} failed\n`);
process.exitCode = failed > 0 || tests.passed === 0 ? 1 : 0;

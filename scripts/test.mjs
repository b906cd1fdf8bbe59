// npm test: the same set-up as the demo with a throwaway database, then checks, unit, server and browser tests. The last line
// counts all of them together. Words after -- go to Jest and leave the checks out.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { BROWSER, DATABASE, ROOT, ensureModules, ensurePrograms, say } from './packages.mjs';
import { build } from './build.mjs';
import { startDatabase } from './database.mjs';
import { lint } from './lint.mjs';

const wanted = process.argv.slice(2);

function runJest(databaseUrl, folder) {
  const output = join(folder, 'jest.json');
  const args = ['--experimental-vm-modules', '--no-warnings', join(ROOT, 'node_modules/jest/bin/jest.js'), '--json', `--outputFile=${output}`, '--forceExit', ...wanted];
  spawnSync(process.execPath, args, { cwd: ROOT, stdio: ['ignore', 'ignore', 2], env: { ...process.env, JADE_TEST_DATABASE_URL: databaseUrl } });
  try {
    const { numPassedTests, numFailedTests, numRuntimeErrorTestSuites } = JSON.parse(readFileSync(output, 'utf8'));
    return { passed: numPassedTests, failed: numFailedTests + numRuntimeErrorTestSuites };
  } catch {
    return { passed: 0, failed: 1 };
  }
}

ensurePrograms({ ...DATABASE, ...BROWSER });
ensureModules();
const checks = wanted.length > 0 ? { passed: 0, failed: 0 } : lint();
build('programs');
build('web');
const folder = mkdtempSync(join(tmpdir(), 'jade-test-'));
say('starting a throwaway database');
const database = await startDatabase(folder, { all: true });
const stop = async () => {
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
};
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => void stop().then(() => process.exit(1)));
const tests = runJest(database.url, folder);
await stop();
const passed = checks.passed + tests.passed;
const failed = checks.failed + tests.failed;
process.stdout.write(`${passed} passed, ${failed} failed\n`);
process.exitCode = failed > 0 || tests.passed === 0 ? 1 : 0;

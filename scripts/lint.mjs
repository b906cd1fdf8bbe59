// Every check that needs no database: rules of the code, its form, its arrows, its types, and the freshness of what is generated.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, rmSync, existsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ROOT, ensureModules, say } from './packages.mjs';
import { build } from './build.mjs';

const bin = (name) => join(ROOT, 'node_modules/.bin', name);
const CHECKS = {
  'rules of the code': [bin('eslint'), ['.', '--max-warnings', '0']],
  'form of the code': [bin('prettier'), ['--check', '--log-level', 'warn', '.']],
  'arrows between rooms': [bin('depcruise'), ['--config', '.dependency-cruiser.cjs', 'core', 'words', 'contract', 'server', 'web', 'shell']],
  types: [bin('vue-tsc'), ['--noEmit']],
};

function formatsAreFresh() {
  const folder = mkdtempSync(join(tmpdir(), 'jade-formats-'));
  spawnSync(process.execPath, [join(ROOT, 'dist/programs/shell.js'), 'formats', folder], { stdio: ['ignore', 2, 2] });
  const stale = readdirSync(folder).filter((name) => {
    const kept = join(ROOT, 'docs/formats', name);
    return !existsSync(kept) || readFileSync(kept, 'utf8') !== readFileSync(join(folder, name), 'utf8');
  });
  rmSync(folder, { recursive: true });
  if (stale.length > 0) process.stderr.write(`docs/formats is not fresh (npm run formats): ${stale.join(', ')}\n`);
  return stale.length === 0;
}

/** Runs every check and gives back how many passed and failed. */
export async function lint() {
  const results = Object.entries(CHECKS).map(([name, [command, args]]) => {
    say(`checking ${name}`);
    return spawnSync(command, args, { cwd: ROOT, stdio: ['ignore', 2, 2] }).status === 0;
  });
  say('checking that views take their sentences from words/');
  // Reads templates with a package that is there only once the modules are.
  const { sentencesInViews } = await import('./words-in-views.mjs');
  const sentences = sentencesInViews();
  for (const text of sentences) process.stderr.write(`${text}\n`);
  results.push(sentences.length === 0);
  say('checking that docs/formats is fresh');
  build('programs');
  results.push(formatsAreFresh());
  return { passed: results.filter(Boolean).length, failed: results.filter((good) => !good).length };
}

if (process.argv[1] === import.meta.filename) {
  ensureModules();
  const { passed, failed } = await lint();
  process.stdout.write(`${passed} passed, ${failed} failed\n`);
  process.exitCode = failed > 0 ? 1 : 0;
}

// Builds the server and the shell into dist/, and the interface into dist/web; skips what is newer than its sources.
import { existsSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { spawnSync } from 'node:child_process';
import { ROOT, ensureModules, say } from './packages.mjs';

const PARTS = {
  programs: { config: 'vite.programs.config.ts', from: ['core', 'words', 'contract', 'server', 'shell', 'bench', 'stand-ins', 'vite.programs.config.ts', 'package-lock.json'] },
  web: { config: 'web/vite.config.ts', from: ['core', 'words', 'contract', 'web', 'package-lock.json'] },
};

function newest(path) {
  const info = statSync(path);
  if (!info.isDirectory()) return info.mtimeMs;
  return Math.max(info.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))));
}

/** Builds one part if its sources changed since. */
export function build(part) {
  const { config, from } = PARTS[part];
  const mark = join(ROOT, `dist/.${part}`);
  const changed = Math.max(...from.map((path) => newest(join(ROOT, path))));
  if (existsSync(mark) && statSync(mark).mtimeMs > changed) return;
  say(`building ${part}`);
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(ROOT, 'node_modules/vite/bin/vite.js'), 'build', '--config', config, '--logLevel', 'warn'], {
    cwd: ROOT,
    encoding: 'utf8',
  });
  if (status !== 0) {
    process.stderr.write(stdout + stderr);
    throw new Error(`${part} could not be built`);
  }
  writeFileSync(mark, '');
}

if (process.argv[1] === import.meta.filename) {
  ensureModules();
  for (const part of Object.keys(PARTS)) build(part);
}

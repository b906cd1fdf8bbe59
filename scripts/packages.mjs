// Puts in place what a fresh machine lacks: Debian's database and browser, and the packages of package.json.
import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';

export const ROOT = join(import.meta.dirname, '..');
export const say = (text) => process.stderr.write(`· ${text}\n`);

export const DATABASE = { mariadbd: 'mariadb-server-core', mariadb: 'mariadb-client-core', 'mariadb-install-db': 'mariadb-server-core', 'mariadb-dump': 'mariadb-client' };
export const BROWSER = { chromium: 'chromium' };

const FOLDERS = [...(process.env.PATH ?? '').split(':'), '/usr/sbin', '/usr/bin', '/sbin'];

export function programPath(name) {
  const folder = FOLDERS.find((candidate) => candidate && existsSync(join(candidate, name)));
  return folder && join(folder, name);
}

function run(command, args, options = {}) {
  const { status } = spawnSync(command, args, { stdio: ['ignore', 2, 2], cwd: ROOT, ...options });
  return status === 0;
}

/** Installs Debian packages for programs that are missing; who is not root is told the one command that root must run. */
export function ensurePrograms(programs) {
  const missing = [
    ...new Set(
      Object.entries(programs)
        .filter(([name]) => !programPath(name))
        .map(([, debian]) => debian),
    ),
  ];
  if (missing.length === 0) return;
  const install = ['install', '-y', '--no-install-recommends', ...missing];
  if (process.getuid?.() !== 0) {
    say(`These programs are missing: ${missing.join(', ')}. Let root run this once, then start again:`);
    process.stderr.write(`\n  apt-get update && apt-get ${install.join(' ')}\n\n`);
    process.exit(1);
  }
  say(`installing from Debian: ${missing.join(', ')}`);
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
  run('apt-get', ['update', '-qq'], { env });
  if (!run('apt-get', ['-qq', ...install], { env })) {
    say('apt-get could not install them.');
    process.exit(1);
  }
}

/** Installs the npm packages when node_modules is missing or older than the lock file. */
export function ensureModules() {
  const mark = join(ROOT, 'node_modules/.package-lock.json');
  const lock = join(ROOT, 'package-lock.json');
  if (existsSync(mark) && statSync(mark).mtimeMs >= statSync(lock).mtimeMs) return;
  if (existsSync(mark) && sameVersions(mark, lock)) return;
  say('installing npm packages');
  if (!run('npm', ['ci', '--no-fund', '--no-audit', '--loglevel=error'])) {
    say('npm could not install the packages.');
    process.exit(1);
  }
}

function sameVersions(mark, lock) {
  const versions = (file) => {
    const { packages } = JSON.parse(readFileSync(file, 'utf8'));
    return new Map(Object.entries(packages).map(([name, entry]) => [name, entry.version]));
  };
  const [installed, wanted] = [versions(mark), versions(lock)];
  return [...installed].every(([name, version]) => wanted.get(name) === version) && installed.size > 100;
}

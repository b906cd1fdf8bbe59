// Runs the jade and compute commands from the built shell.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT, ensureModules } from './packages.mjs';
import { build } from './build.mjs';

ensureModules();
build('programs');
const child = spawn(process.execPath, [join(ROOT, 'dist/programs/shell.js'), ...process.argv.slice(2)], { stdio: 'inherit', cwd: process.cwd() });
child.once('exit', (code) => (process.exitCode = code ?? 1));

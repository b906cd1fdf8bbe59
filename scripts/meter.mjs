// Runs a meter that plays a vehicle, in place of a real one.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ROOT, ensureModules } from './packages.mjs';
import { build } from './build.mjs';

ensureModules();
build('programs');
const child = spawn(process.execPath, [join(ROOT, 'dist/programs/meter.js'), ...process.argv.slice(2)], { stdio: 'inherit', cwd: process.cwd() });
process.on('SIGINT', () => undefined);
child.once('exit', (code) => (process.exitCode = code ?? 1));

// The command behind npm run backup, restore and check: puts in place what it needs first.
import { DATABASE, ensureModules, ensurePrograms } from './packages.mjs';
import { build } from './build.mjs';
import { runCommand } from './keep.mjs';

await runCommand(() => {
  ensurePrograms(DATABASE);
  ensureModules();
  build('programs');
});

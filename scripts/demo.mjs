// npm run demo: from a fresh machine to the open demo shop. Installs what is missing, builds, starts the database, migrates, loads the
// demo once, serves, prints the address. Ctrl-C stops everything it started.
import { rmSync } from 'node:fs';
import { say } from './packages.mjs';
import { loadDemoOnce } from './demo-shop.mjs';
import { kindOf } from './folder.mjs';
import { openShop } from './open.mjs';

const fresh = process.argv.includes('--fresh') && !process.env.DATABASE_URL;

await openShop('demo', {
  before: (folder) => {
    // Only what is the demo's is thrown away: a folder of anything else is left alone.
    if (fresh && kindOf(folder) === 'demo') rmSync(folder, { recursive: true, force: true });
  },
  loaded: async (port) => {
    if (await loadDemoOnce(port)) say('the demo shop is loaded');
  },
});

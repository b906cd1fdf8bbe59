// npm run bench: the figures of docs/benchmarks.md, measured on a throwaway shop; npm run bench -- tap measures the taps alone and writes nothing, -- load
// two hundred requests a second, -- wire and -- probing their searches, -- sheet the drawing of a vehicle, -- photos what photos cost, -- capture what the logs of a kind teach, and write that section.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ROOT } from './packages.mjs';
import { openThrowawayShop } from './demo-shop.mjs';

const shop = await openThrowawayShop();
const { status } = spawnSync(process.execPath, [join(ROOT, 'dist/programs/bench.js'), shop.address, shop.databaseUrl, ROOT, ...process.argv.slice(2)], {
  stdio: ['ignore', 'inherit', 2],
});
await shop.end();
process.exitCode = status ?? 1;

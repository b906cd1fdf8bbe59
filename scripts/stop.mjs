// npm run stop: closes the shop, or with --demo the demo, and waits until everything has ended.
import { closeFolder, folderOf } from './folder.mjs';

const folder = folderOf(process.argv.includes('--demo') ? 'demo' : 'shop');
try {
  process.stdout.write((await closeFolder(folder)) ? `closed: ${folder}\n` : `was not open: ${folder}\n`);
} catch (error) {
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}

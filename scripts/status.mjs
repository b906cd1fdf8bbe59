// npm run status: whether the shop, or with --demo the demo, is open. Exit code 0 where it answers, 1 where it runs and does not, 3 where it is closed.
import { folderOf, isOpen, leftOvers, runningOf } from './folder.mjs';
import { healthy } from './open.mjs';

const folder = folderOf(process.argv.includes('--demo') ? 'demo' : 'shop');
const running = runningOf(folder);
const left = leftOvers(folder).map(({ name }) => name);
if (left.length > 0) {
  process.stdout.write(`the start command was killed, and its ${left.join(' and ')} still ${left.length > 1 ? 'run' : 'runs'}: npm run stop ends what is left\n`);
  process.exitCode = 1;
} else if (!isOpen(running)) {
  process.stdout.write(`closed: ${folder}\n`);
  process.exitCode = 3;
} else if (await healthy(running.address)) process.stdout.write(`open since ${running.since}: ${running.address} (process ${running.pid})\n`);
else {
  process.stdout.write(`process ${running.pid} runs since ${running.since}, but ${running.address} does not answer well; it is starting, or look at what it says\n`);
  process.exitCode = 1;
}

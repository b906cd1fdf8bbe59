// A worker that does as it is told: answers, runs without end, fills its memory, or breaks.
import { parentPort } from 'node:worker_threads';

const hoard = [];
parentPort.on('message', ({ id, name, input }) => {
  if (name === 'spin') for (;;) hoard.length = 0;
  if (name === 'fill') for (;;) hoard.push(Array.from({ length: 1000 }, (_, place) => `${place} of ${hoard.length}`));
  if (name === 'break') throw new Error('a bug');
  parentPort.postMessage({ id, answer: input });
});

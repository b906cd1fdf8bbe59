// Keeps a part running: one that ends by itself is started again, after a wait that grows as long as it does not stay up.
import { say } from './packages.mjs';

const FIRST_MS = 1_000;
const MOST_MS = 60_000;
/** Who ran so long has recovered: the next wait is a short one again. */
const STEADY_MS = 60_000;

/** The next wait after one part has ended: twice the last, to a minute, from the beginning again where it ran for long. */
export function nextWait(last, ranMs) {
  if (last === undefined || ranMs >= STEADY_MS) return FIRST_MS;
  return Math.min(MOST_MS, last * 2);
}

/** Starts a part and goes on doing so until it is stopped. The first start has to work; `onStart` is told of each. */
export async function supervise(name, start, onStart = () => undefined, wait = (ms) => new Promise((settle) => setTimeout(settle, ms))) {
  let part = await start();
  onStart(part);
  let stopped = false;
  let endOfWait = () => undefined;
  const loop = (async () => {
    let last;
    for (;;) {
      const since = Date.now();
      await part.gone;
      if (stopped) return;
      last = nextWait(last, Date.now() - since);
      for (;;) {
        say(`the ${name} ended; starting it again in ${Math.round(last / 1000)} s`);
        await Promise.race([wait(last), new Promise((settle) => (endOfWait = settle))]);
        if (stopped) return;
        try {
          part = await start(part);
          break;
        } catch (error) {
          if (stopped) return;
          say(error.message);
          last = nextWait(last, 0);
        }
      }
      onStart(part);
      say(`the ${name} runs again`);
      // It was asked to stop while this one was starting.
      if (stopped) return void (await part.stop());
    }
  })();
  return {
    get part() {
      return part;
    },
    stop: async () => {
      stopped = true;
      endOfWait();
      await part.stop();
      await loop;
    },
  };
}

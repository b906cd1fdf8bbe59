/** What goes to a worker and comes back, each under the number of the question. */
export interface Asked<A> {
  id: number;
  asked: A;
}
export type Told<T> = { id: number; told: T } | { id: number; failed: true };

/** Answers each question that comes to this worker, one after the other; one that it fails at is answered elsewhere. `handed` is what goes over without being copied. */
export function answerAll<A, T>(work: (asked: A) => T | Promise<T>, handed: (told: T) => Transferable[] = () => []): void {
  let before: Promise<void> = Promise.resolve();
  self.onmessage = ({ data: { id, asked } }: MessageEvent<Asked<A>>) => {
    before = before.then(async () => {
      try {
        const told = await work(asked);
        self.postMessage({ id, told } satisfies Told<T>, { transfer: handed(told) });
      } catch {
        self.postMessage({ id, failed: true } satisfies Told<T>);
      }
    });
  };
}

/**
 * Work that is done away from the page's own thread, and in the page where the browser cannot, or where the worker fails at it.
 * @param make starts the worker; undefined where the browser has not what it takes
 */
export function beside<A, T>(make: () => Worker | undefined, inPage: (asked: A) => Promise<T>): (asked: A) => Promise<T> {
  let worker: Worker | undefined;
  let last = 0;
  const waiting = new Map<number, { settle: (told: T) => void; here: () => void }>();

  /** The worker is no more: what it was asked is done in the page. */
  function lose(): void {
    worker?.terminate();
    worker = undefined;
    for (const { here } of waiting.values()) here();
    waiting.clear();
  }

  function begin(): Worker | undefined {
    if (worker) return worker;
    try {
      worker = make();
      if (!worker) return undefined;
      worker.onerror = lose;
      worker.onmessage = ({ data }: MessageEvent<Told<T>>) => {
        const asked = waiting.get(data.id);
        waiting.delete(data.id);
        if ('failed' in data) asked?.here();
        else asked?.settle(data.told);
      };
    } catch {
      worker = undefined;
    }
    return worker;
  }

  return (asked) => {
    const own = begin();
    if (!own) return inPage(asked);
    return new Promise((settle, fail) => {
      const id = ++last;
      waiting.set(id, { settle, here: () => void inPage(asked).then(settle, fail) });
      own.postMessage({ id, asked } satisfies Asked<A>);
    });
  };
}

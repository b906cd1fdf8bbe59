import type { PhotoFault } from '@jade/core/photos';
import type { Asked, Told } from './photo.worker.ts';
import type { ReadyPhoto } from './ready.ts';

let worker: Worker | undefined;
let last = 0;
interface Waiting {
  settle: (ready: ReadyPhoto | { fault: PhotoFault }) => void;
  /** Does it in the page instead. */
  here: () => void;
}
const waiting = new Map<number, Waiting>();

/** The worker is no more: what it was asked is done in the page. */
function lose(): void {
  worker?.terminate();
  worker = undefined;
  for (const { here } of waiting.values()) here();
  waiting.clear();
}

function begin(): Worker | undefined {
  if (worker || typeof OffscreenCanvas === 'undefined') return worker;
  try {
    worker = new Worker(new URL('./photo.worker.ts', import.meta.url), { type: 'module' });
    worker.onerror = lose;
    worker.onmessage = ({ data }: MessageEvent<Told>) => {
      const asked = waiting.get(data.id);
      waiting.delete(data.id);
      if ('failed' in data) asked?.here();
      else asked?.settle(data.ready);
    };
  } catch {
    worker = undefined;
  }
  return worker;
}

/** Makes a file ready away from the page's own thread; in the page where the browser cannot. What fails there too is broken. */
export function preparePhoto(file: Blob): Promise<ReadyPhoto | { fault: PhotoFault }> {
  const inPage = () => import('./ready.ts').then(({ makeReady }) => makeReady(file)).catch(() => ({ fault: { code: 'broken' as const } }));
  const beside = begin();
  if (!beside) return inPage();
  return new Promise((settle) => {
    const id = ++last;
    waiting.set(id, { settle, here: () => void inPage().then(settle) });
    beside.postMessage({ id, file } satisfies Asked);
  });
}

import type { AccessPlan } from '@jade/core/access';
import type { JobContext } from '@jade/core/job';

let worker: Worker | undefined;
let last = 0;
const waiting = new Map<number, (plan: AccessPlan) => void>();

function ready(): Worker {
  if (!worker) {
    worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<{ id: number; plan: AccessPlan }>) => {
      waiting.get(data.id)?.(data.plan);
      waiting.delete(data.id);
    };
  }
  return worker;
}

/** Plans the way in away from the page's own thread. */
export function planInWorker(context: JobContext): Promise<AccessPlan> {
  const id = ++last;
  return new Promise((settle) => {
    waiting.set(id, settle);
    ready().postMessage({ id, context: JSON.parse(JSON.stringify(context)) as JobContext });
  });
}

/** Stops what is being worked out; its answer never comes. */
export function stopPlanning(): void {
  worker?.terminate();
  worker = undefined;
  waiting.clear();
}

import type { AccessPlan, AccessProgress, Explanation, FurtherKit } from '@jade/core/access';
import type { JobContext } from '@jade/core/job';
import type { Asked } from './plan.worker.ts';

interface Told {
  id: number;
  progress?: AccessProgress;
  plan?: AccessPlan;
  explanation?: Explanation;
}

let worker: Worker | undefined;
let last = 0;
const waiting = new Map<number, (told: Told) => void>();

function ready(): Worker {
  if (!worker) {
    worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<Told>) => waiting.get(data.id)?.(data);
  }
  return worker;
}

function send(asked: Asked, told: (told: Told) => void): void {
  waiting.clear();
  waiting.set(asked.id, told);
  ready().postMessage(asked);
}

/** A way in that is being worked out away from the page's own thread. A later question takes its place: its answer then never comes. */
export interface Planning {
  plan: Promise<AccessPlan>;
  /** Takes the best way in found so far. */
  stop: () => void;
}

/** Plans the way in of a context that holds no wrappers of the page, so that it can be handed over as it is; `onProgress` hears how far it has come where it takes long. */
export function planInWorker(context: JobContext, onProgress: (progress: AccessProgress) => void): Planning {
  const id = ++last;
  const plan = new Promise<AccessPlan>((settle) => {
    send({ id, context }, (told) => {
      if (told.progress) onProgress(told.progress);
      if (told.plan) settle(told.plan);
    });
  });
  return { plan, stop: () => ready().postMessage({ id, stop: true } satisfies Asked) };
}

/** Works out why a plan is as it is and what other ways would cost. */
export function explainInWorker(context: JobContext, plan: AccessPlan, further: FurtherKit[]): Promise<Explanation> {
  return new Promise((settle) => {
    send({ id: ++last, context, explain: { plan, further } }, (told) => told.explanation && settle(told.explanation));
  });
}

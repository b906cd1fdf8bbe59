import { reactive, readonly } from 'vue';
import type { AccessPlan, AccessProgress, Explanation, FurtherKit } from '@jade/core/access';
import type { JobContext } from '@jade/core/job';
import type { Asked, Told } from './planner.ts';

/** How planning fares: `inPage` where no thread could be started beside the page's own, `failed` where the newest question could not be answered at all, `read` once somebody has read of it. */
const state = reactive({ inPage: false, failed: false, read: false });
export const planner = readonly(state);
export const readOfPlanner = (): void => void (state.read = true);

let hears: ((asked: Asked) => void) | undefined;
let last = 0;
/** The newest question and who waits for its answer. */
let open: { asked: Asked; told: (told: Told) => void } | undefined;

function tell(told: Told): void {
  if (told.id !== open?.asked.id) return;
  state.failed = told.failed !== undefined;
  open.told(told);
}

/** The page works it out itself: slower, and what was asked last is asked again. */
async function inThePage(): Promise<void> {
  state.inPage = true;
  hears = () => undefined;
  try {
    const { Planner } = await import('./planner.ts');
    const own = new Planner(tell);
    hears = (asked) => own.hear(asked);
    if (open) hears(open.asked);
  } catch {
    // Tried again with the next question.
    state.failed = true;
    hears = undefined;
  }
}

function begin(): (asked: Asked) => void {
  try {
    const worker = new Worker(new URL('./plan.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<Told>) => tell(data);
    worker.onerror = () => {
      worker.terminate();
      void inThePage();
    };
    return (asked) => worker.postMessage(asked);
  } catch {
    void inThePage();
    return () => undefined;
  }
}

function send(asked: Asked, told: (told: Told) => void): void {
  open = { asked, told };
  hears ??= begin();
  hears(asked);
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
  return { plan, stop: () => hears?.({ id, stop: true }) };
}

/** Works out why a plan is as it is and what other ways would cost. */
export function explainInWorker(context: JobContext, plan: AccessPlan, further: FurtherKit[]): Promise<Explanation> {
  return new Promise((settle) => {
    send({ id: ++last, context, explain: { plan, further } }, (told) => told.explanation && settle(told.explanation));
  });
}

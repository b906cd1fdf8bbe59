import { explainPlan, searchPlan, type AccessPlan, type FurtherKit } from '@jade/core/access';
import { openingRequest, type JobContext } from '@jade/core/job';

export type Asked = { id: number; stop: true } | { id: number; context: JobContext; explain?: { plan: AccessPlan; further: FurtherKit[] } };

/** Longest that one way in is searched for before the best so far is shown with its gap. */
const MOST_MS = 10_000;
/** Time between two looks at what else was asked. */
const SLICE_MS = 40;

const stopped = new Set<number>();
let newest = 0;
const breathe = () => new Promise<void>((settle) => setTimeout(settle));

async function plan(id: number, context: JobContext): Promise<void> {
  const start = performance.now();
  let slice = start;
  const search = searchPlan(openingRequest(context));
  let step = search.next();
  while (!step.done) {
    const now = performance.now();
    if (now - slice > SLICE_MS) {
      self.postMessage({ id, progress: step.value });
      await breathe();
      slice = performance.now();
    }
    if (newest > id) return;
    step = search.next(stopped.has(id) || now - start > MOST_MS);
  }
  self.postMessage({ id, plan: step.value });
}

async function explain(id: number, context: JobContext, made: AccessPlan, further: FurtherKit[]): Promise<void> {
  const search = explainPlan(openingRequest(context), made, further);
  for (let step = search.next(); ; step = search.next()) {
    if (step.done) {
      self.postMessage({ id, explanation: step.value });
      return;
    }
    await breathe();
    if (newest > id) return;
  }
}

self.onmessage = ({ data }: MessageEvent<Asked>) => {
  if ('stop' in data) {
    stopped.add(data.id);
    return;
  }
  newest = data.id;
  if (data.explain) void explain(data.id, data.context, data.explain.plan, data.explain.further);
  else void plan(data.id, data.context);
};

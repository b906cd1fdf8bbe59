import { explainPlan, searchPlan, type AccessPlan, type AccessProgress, type Explanation, type FurtherKit } from '@jade/core/access';
import { openingRequest } from '@jade/core/plan';
import type { JobContext } from '@jade/core/job';

export type Asked = { id: number; stop: true } | { id: number; context: JobContext; explain?: { plan: AccessPlan; further: FurtherKit[] } };

/** What comes of a question: how far it has come, its answer, or that the program failed at it. */
export interface Told {
  id: number;
  progress?: AccessProgress;
  plan?: AccessPlan;
  explanation?: Explanation;
  failed?: string;
}

/** Longest that one way in is searched for before the best so far is shown with its gap. */
const MOST_MS = 10_000;
/** Time between two looks at what else was asked. */
const SLICE_MS = 40;
const breathe = () => new Promise<void>((settle) => setTimeout(settle));

/** Works out ways in and their reasons, the newest question only, in slices so that others are heard between them. */
export class Planner {
  private readonly stopped = new Set<number>();
  private newest = 0;
  private readonly tell: (told: Told) => void;

  constructor(tell: (told: Told) => void) {
    this.tell = tell;
  }

  hear(asked: Asked): void {
    if ('stop' in asked) {
      this.stopped.add(asked.id);
      return;
    }
    this.newest = asked.id;
    const { id, context, explain } = asked;
    const work = explain ? this.explain(id, context, explain.plan, explain.further) : this.plan(id, context);
    work.catch((error: unknown) => this.tell({ id, failed: error instanceof Error ? error.message : String(error) }));
  }

  private async plan(id: number, context: JobContext): Promise<void> {
    const start = performance.now();
    let slice = start;
    const search = searchPlan(openingRequest(context));
    let step = search.next();
    while (!step.done) {
      const now = performance.now();
      if (now - slice > SLICE_MS) {
        this.tell({ id, progress: step.value });
        await breathe();
        slice = performance.now();
      }
      if (this.newest > id) return;
      step = search.next(this.stopped.has(id) || now - start > MOST_MS);
    }
    this.tell({ id, plan: step.value });
  }

  private async explain(id: number, context: JobContext, made: AccessPlan, further: FurtherKit[]): Promise<void> {
    const search = explainPlan(openingRequest(context), made, further);
    for (let step = search.next(); ; step = search.next()) {
      if (step.done) {
        this.tell({ id, explanation: step.value });
        return;
      }
      await breathe();
      if (this.newest > id) return;
    }
  }
}

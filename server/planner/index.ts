import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { AccessPlan } from '@jade/core/access';
import { FaultyInput, type Fault } from '@jade/core/faults';
import type { JobContext } from '@jade/core/job';
import { Refusal } from '../faults/index.ts';

export type Asked = { id: number } & ({ kind: 'plan'; context: JobContext; mostMs: number } | { kind: 'compute'; name: string; input: unknown });
type Question = Asked extends infer Each ? (Each extends Asked ? Omit<Each, 'id'> : never) : never;

export interface Told {
  id: number;
  answer?: unknown;
  faults?: Fault[];
  failed?: string;
}

/** What one question may take, and how many may wait. */
export interface PlannerLimits {
  /** Longest that one is worked on, in milliseconds. */
  mostMs: number;
  /** Most memory that one takes, in megabytes. */
  mostMb: number;
  mostWaiting: number;
}

/** Longest that one way in is searched for on the server; a browser that wants the proof looks on by itself. */
const PLAN_MOST_MS = 1_500;
const LIMITS: PlannerLimits = { mostMs: 60_000, mostMb: 512, mostWaiting: 32 };

/** The built worker: beside this program or the part of it that this came to lie in, or built before the tests. */
const PROGRAM = ['planner.js', '../planner.js', '../../dist/programs/planner.js'].map((path) => join(import.meta.dirname, path)).find((path) => existsSync(path));

interface Waiting {
  question: Question;
  settle: (told: Omit<Told, 'id'>) => void;
  fail: (error: Error) => void;
}

/** Heavy work away from the thread that answers everybody: one question after the other, each within limits; one that goes beyond them ends alone. */
export class PlannerAway {
  private worker: Worker | undefined;
  private running: (Waiting & { id: number; timer: NodeJS.Timeout }) | undefined;
  private readonly waiting: Waiting[] = [];
  private last = 0;
  private readonly limits: PlannerLimits;

  constructor(
    limits: Partial<PlannerLimits> = {},
    private readonly program = PROGRAM,
  ) {
    this.limits = { ...LIMITS, ...limits };
  }

  ask(question: Question): Promise<Omit<Told, 'id'>> {
    const { mostWaiting } = this.limits;
    if (this.waiting.length >= mostWaiting) return Promise.reject(new Refusal(429, [{ path: '(server)', code: 'busy', data: { waiting: mostWaiting } }]));
    return new Promise((settle, fail) => {
      this.waiting.push({ question, settle, fail });
      this.next();
    });
  }

  /** Ends the worker; whoever still waits is told. */
  async stop(why = 'the server is closing'): Promise<void> {
    const left = [...(this.running ? [this.running] : []), ...this.waiting.splice(0)];
    if (this.running) clearTimeout(this.running.timer);
    this.running = undefined;
    for (const { fail } of left) fail(new Error(why));
    await this.end();
  }

  private async end(): Promise<void> {
    const { worker } = this;
    this.worker = undefined;
    await worker?.terminate();
  }

  private next(): void {
    if (this.running) return;
    const first = this.waiting.shift();
    if (!first) return;
    const { mostMs } = this.limits;
    const id = ++this.last;
    const timer = setTimeout(() => this.giveUp({ path: '(input)', code: 'too-heavy', data: { limit: `${Math.round(mostMs / 1000)} s` } }), mostMs);
    timer.unref();
    this.running = { ...first, id, timer };
    try {
      this.started().postMessage({ id, ...first.question } satisfies Asked);
    } catch (error) {
      this.done(({ fail }) => fail(error as Error));
    }
  }

  private done(tell: (asked: Waiting) => void): void {
    const { running } = this;
    if (!running) return;
    clearTimeout(running.timer);
    this.running = undefined;
    tell(running);
    this.next();
  }

  /** Ends what goes beyond the limits; what waits goes on with a new worker. */
  private giveUp(fault: Fault): void {
    void this.end();
    this.done(({ fail }) => fail(new FaultyInput([fault])));
  }

  private started(): Worker {
    if (this.worker) return this.worker;
    if (!this.program) throw new Error('the planner is not built');
    const worker = new Worker(this.program, { resourceLimits: { maxOldGenerationSizeMb: this.limits.mostMb } });
    worker.unref();
    worker.on('message', (told: Told) => {
      if (told.id === this.running?.id) this.done(({ settle }) => settle(told));
    });
    worker.on('error', (error: Error & { code?: string }) => {
      if (worker !== this.worker) return;
      if (error.code === 'ERR_WORKER_OUT_OF_MEMORY') return this.giveUp({ path: '(input)', code: 'too-heavy', data: { limit: `${this.limits.mostMb} MB` } });
      void this.end();
      this.done(({ fail }) => fail(error));
    });
    this.worker = worker;
    return worker;
  }
}

/** What the shop itself wants and what somebody computes do not wait for each other. */
const plans = new PlannerAway({ mostWaiting: 10_000 });
const computations = new PlannerAway();

/** Ends both; whoever still waits is told. */
export async function stopPlanner(): Promise<void> {
  await Promise.all([plans.stop(), computations.stop()]);
}

async function answerOf(told: Promise<Omit<Told, 'id'>>): Promise<unknown> {
  const { answer, faults, failed } = await told;
  if (faults) throw new FaultyInput(faults);
  if (failed !== undefined) throw new Error(failed);
  return answer;
}

/** The way in of a job, worked out away from this thread; the best found after a moment. */
export async function planAway(context: JobContext): Promise<AccessPlan> {
  return (await answerOf(plans.ask({ kind: 'plan', context, mostMs: PLAN_MOST_MS }))) as AccessPlan;
}

/** A calculation by its name, worked out away from this thread. Throws `FaultyInput` as the calculation does, and where it is too heavy. */
export function computeAway(name: string, input: unknown): Promise<unknown> {
  return answerOf(computations.ask({ kind: 'compute', name, input }));
}

import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { AccessPlan } from '@jade/core/access';
import { FaultyInput, type Fault } from '@jade/core/faults';
import type { JobContext } from '@jade/core/job';

export type Asked = { id: number } & ({ kind: 'plan'; context: JobContext; mostMs: number } | { kind: 'compute'; name: string; input: unknown });

export interface Told {
  id: number;
  answer?: unknown;
  faults?: Fault[];
  failed?: string;
}

/** Longest that one way in is searched for on the server; a browser that wants the proof looks on by itself. */
const PLAN_MOST_MS = 1_500;
/** After so long a question is given up and the worker begun anew. */
const GIVEN_UP_MS = 60_000;

/** Beside the built server, or in the folder it is built into where the sources run. */
/** The built worker: beside this program or the part of it that this came to lie in, or built before the tests. */
const PROGRAM = ['planner.js', '../planner.js', '../../dist/programs/planner.js'].map((path) => join(import.meta.dirname, path)).find((path) => existsSync(path));

interface Waiting {
  settle: (told: Told) => void;
  timer: NodeJS.Timeout;
}

let worker: Worker | undefined;
let last = 0;
const waiting = new Map<number, Waiting>();

function answer(told: Told): void {
  const asked = waiting.get(told.id);
  if (!asked) return;
  clearTimeout(asked.timer);
  waiting.delete(told.id);
  asked.settle(told);
}

/** Ends the worker; whoever still waits is told. */
export async function stopPlanner(why = 'the server is closing'): Promise<void> {
  const ending = worker;
  worker = undefined;
  for (const id of [...waiting.keys()]) answer({ id, failed: why });
  await ending?.terminate();
}

function started(): Worker {
  if (worker) return worker;
  if (!PROGRAM) throw new Error('the planner is not built');
  const begun = new Worker(PROGRAM);
  begun.unref();
  begun.on('message', answer);
  begun.on('error', (error) => void stopPlanner(error.message));
  worker = begun;
  return begun;
}

type Question = Asked extends infer Each ? (Each extends Asked ? Omit<Each, 'id'> : never) : never;

function ask(question: Question): Promise<Told> {
  const id = ++last;
  return new Promise((settle) => {
    const timer = setTimeout(() => void stopPlanner('it took too long'), GIVEN_UP_MS);
    timer.unref();
    waiting.set(id, { settle, timer });
    started().postMessage({ id, ...question });
  });
}

/** The way in of a job, worked out away from this thread; the best found after a moment. */
export async function planAway(context: JobContext): Promise<AccessPlan> {
  const told = await ask({ kind: 'plan', context, mostMs: PLAN_MOST_MS });
  if (told.failed !== undefined) throw new Error(told.failed);
  return told.answer as AccessPlan;
}

/** A calculation by its name, worked out away from this thread. Throws `FaultyInput` as the calculation does. */
export async function computeAway(name: string, input: unknown): Promise<unknown> {
  const told = await ask({ kind: 'compute', name, input });
  if (told.faults) throw new FaultyInput(told.faults);
  if (told.failed !== undefined) throw new Error(told.failed);
  return told.answer;
}

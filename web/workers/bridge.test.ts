import { jest } from '@jest/globals';
import type { AccessPlan } from '@jade/core/access';
import { planOpening } from '@jade/core/plan';
import { contextOf, openedLog } from '../../core/job/test/log.ts';
import type { Asked, Told } from './planner.ts';

/** A thread beside the page, in the hands of the test. */
class Beside {
  static all: Beside[] = [];
  static breaks = false;
  onmessage?: (message: { data: Told }) => void;
  onerror?: () => void;
  asked: Asked[] = [];
  ended = false;
  constructor() {
    if (Beside.breaks) throw new Error('no threads here');
    Beside.all.push(this);
  }
  postMessage(asked: Asked): void {
    this.asked.push(asked);
  }
  terminate(): void {
    this.ended = true;
  }
  say(told: Told): void {
    this.onmessage?.({ data: told });
  }
}

/** The page as it is loaded. */
async function load() {
  jest.resetModules();
  Beside.all = [];
  Beside.breaks = false;
  Object.assign(globalThis, { Worker: Beside });
  return import('./bridge.ts');
}
const beside = () => Beside.all[0] as Beside;
const context = contextOf(openedLog());
const PLAN = { personMin: 7 } as AccessPlan;

test('a question is asked beside the page; only the answer to the newest counts', async () => {
  const { planInWorker, planner } = await load();
  let first: AccessPlan | undefined;
  void planInWorker(context, () => undefined).plan.then((plan) => (first = plan));
  const looked: number[] = [];
  const second = planInWorker(context, (progress) => looked.push(progress.looked));
  beside().say({ id: 1, plan: PLAN });
  beside().say({ id: 2, progress: { looked: 4, best: 3, bound: 2 } as Told['progress'] });
  second.stop();
  beside().say({ id: 2, plan: PLAN });
  expect(await second.plan).toBe(PLAN);
  expect([first, looked, beside().asked.map((asked) => ['stop' in asked, asked.id]), Beside.all.length]).toEqual([
    undefined,
    [4],
    [
      [false, 1],
      [false, 2],
      [true, 2],
    ],
    1,
  ]);
  expect({ ...planner }).toEqual({ inPage: false, failed: false, read: false });
});

test('a thread that does not load is ended and the page works out what was asked, then and from then on; it is said until somebody has read it', async () => {
  const { planInWorker, planner, readOfPlanner } = await load();
  const asked = planInWorker(context, () => undefined);
  beside().onerror?.();
  expect(await asked.plan).toEqual(planOpening(context));
  expect([beside().ended, { ...planner }]).toEqual([true, { inPage: true, failed: false, read: false }]);
  readOfPlanner();
  expect(await planInWorker(context, () => undefined).plan).toEqual(planOpening(context));
  expect([Beside.all.length, planner.read]).toEqual([1, true]);
});

test('a page that may start no thread works it out itself', async () => {
  const { planInWorker, planner } = await load();
  Beside.breaks = true;
  expect(await planInWorker(context, () => undefined).plan).toEqual(planOpening(context));
  expect(planner.inPage).toBe(true);
});

test('a question that the program fails at is said, until another is answered', async () => {
  const { planInWorker, planner } = await load();
  void planInWorker(context, () => undefined);
  beside().say({ id: 1, failed: 'a bug' });
  expect(planner.failed).toBe(true);
  const next = planInWorker(context, () => undefined);
  beside().say({ id: 2, plan: PLAN });
  await next.plan;
  expect(planner.failed).toBe(false);
});

test('the planner says what it failed at, and goes on with the next question', async () => {
  const { Planner } = await import('./planner.ts');
  const told: Told[] = [];
  const planner = new Planner((entry) => told.push(entry));
  planner.hear({ id: 1, context: { ...context, profile: undefined as never } });
  planner.hear({ id: 2, context });
  await new Promise((settle) => setTimeout(settle, 50));
  expect(told.map(({ id, failed, plan }) => [id, failed !== undefined, plan !== undefined])).toEqual(
    expect.arrayContaining([
      [1, true, false],
      [2, false, true],
    ]),
  );
});

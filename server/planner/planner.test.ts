import { join } from 'node:path';
import { FaultyInput } from '@jade/core/faults';
import { Refusal } from '../faults/index.ts';
import { PlannerAway, type PlannerLimits } from './index.ts';

const HEAVY = join(import.meta.dirname, 'test/heavy.mjs');
const opened: PlannerAway[] = [];
function away(limits: Partial<PlannerLimits> = {}) {
  const planner = new PlannerAway({ mostMs: 4000, mostMb: 64, ...limits }, HEAVY);
  opened.push(planner);
  return (name: string, input: unknown = name) =>
    planner.ask({ kind: 'compute', name, input }).then(
      ({ answer }) => answer,
      (error: unknown) =>
        error instanceof FaultyInput || error instanceof Refusal ? error.faults.map(({ code, data }) => [code, ...Object.values(data)].join(' ')) : String(error),
    );
}
afterEach(() => Promise.all(opened.splice(0).map((planner) => planner.stop())));

test('questions are answered in order; one that takes too long ends alone, and the next goes on', async () => {
  const ask = away({ mostMs: 700 });
  expect(await Promise.all([ask('echo', 1), ask('spin'), ask('echo', 2), ask('echo', 3)])).toEqual([1, ['too-heavy 1 s'], 2, 3]);
});

test('one that takes too much memory ends alone, and so does one that breaks', async () => {
  const ask = away();
  expect(await Promise.all([ask('fill'), ask('echo', 'after'), ask('break'), ask('echo', 'again')])).toEqual([['too-heavy 64 MB'], 'after', 'Error: a bug', 'again']);
}, 20_000);

test('so many wait; whoever asks beyond that is told so at once, and is heard when there is room', async () => {
  const ask = away({ mostWaiting: 2 });
  const [first, ...others] = [ask('echo', 1), ask('echo', 2), ask('echo', 3), ask('echo', 4)];
  expect(await others[2]).toEqual(['busy 2']);
  expect([await first, await others[0], await others[1], await ask('echo', 5)]).toEqual([1, 2, 3, 5]);
});

test('whoever still waits when it is stopped is told, the one that runs and those behind it', async () => {
  const ask = away();
  const waiting = [ask('spin'), ask('echo')];
  await opened[0]?.stop('closing');
  expect(await Promise.all(waiting)).toEqual(['Error: closing', 'Error: closing']);
});

test('what cannot be handed over fails, and holds nobody up', async () => {
  const ask = away();
  const [lost, next] = await Promise.all([ask('echo', () => undefined), ask('echo', 7)]);
  expect([String(lost), next]).toEqual([expect.stringMatching(/could not be cloned/), 7]);
});

import { nextWait, supervise, type Part } from './supervise.mjs';

interface FakePart extends Part {
  number: number;
  end: () => void;
}

/** A part that ends when it is told to, and how often it was started. */
function parts(failing: readonly number[] = []) {
  const started: FakePart[] = [];
  let tries = 0;
  const start = async () => {
    tries++;
    if (failing.includes(tries)) throw new Error('it does not start');
    let end = () => {};
    const gone = new Promise<void>((settle) => (end = settle));
    const part: FakePart = { number: tries, end, gone, stop: async () => end() };
    started.push(part);
    return part;
  };
  return { started, start };
}

const turns = async () => {
  for (let turn = 0; turn < 30; turn++) await Promise.resolve();
};

test('the wait doubles up to a minute as long as a part does not stay up, and is short again after one that ran for a minute', () => {
  let wait: number | undefined;
  const waits = [0, 0, 0, 900, 59_999, 0, 0, 0].map((ran) => (wait = nextWait(wait, ran)));
  expect(waits).toEqual([1000, 2000, 4000, 8000, 16_000, 32_000, 60_000, 60_000]);
  expect(nextWait(60_000, 60_000)).toBe(1000);
});

test('a part that ends by itself is started again, also where that takes several tries; who asks is given the one that runs', async () => {
  const { started, start } = parts([2, 3]);
  const waits: number[] = [];
  const told: number[] = [];
  const supervised = await supervise(
    'part',
    start,
    (part) => told.push(part.number),
    async (ms) => waits.push(ms),
  );
  started[0]?.end();
  await turns();
  expect([waits, told, supervised.part.number]).toEqual([[1000, 2000, 4000], [1, 4], 4]);
  await supervised.stop();
  await turns();
  expect(started).toHaveLength(2);
});

test('stopped while it waits, it is not started again', async () => {
  const { started, start } = parts();
  const supervised = await supervise('part', start, undefined, () => new Promise(() => {}));
  started[0]?.end();
  await turns();
  await supervised.stop();
  await turns();
  expect(started).toHaveLength(1);
});

test('a part that does not start the first time is the caller’s to tell', async () => {
  await expect(supervise('part', parts([1]).start)).rejects.toThrow('it does not start');
});

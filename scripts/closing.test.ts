import { closer } from './closing.mjs';

test('the last that was started ends first, and who asks again waits for the same end', async () => {
  const ended: string[] = [];
  let finish = () => {};
  const slow = new Promise<void>((settle) => (finish = settle));
  const parts = [
    { stop: () => slow.then(() => ended.push('database')) },
    {
      stop: () => {
        ended.push('server');
        return Promise.resolve();
      },
    },
  ];
  const close = closer(parts);
  const [first, second] = [close(), close()];
  let early = false;
  void second.then(() => (early = ended.length < 2));
  await Promise.resolve();
  expect(ended).toEqual(['server']);
  finish();
  await Promise.all([first, second]);
  expect([ended, early]).toEqual([['server', 'database'], false]);
});

test('what is started after the closer was made is ended too', async () => {
  const parts: { stop: () => Promise<unknown> }[] = [];
  const close = closer(parts);
  let stopped = 0;
  parts.push({ stop: () => Promise.resolve(stopped++) });
  await close();
  await close();
  expect(stopped).toBe(1);
});

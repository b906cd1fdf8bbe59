import { jest } from '@jest/globals';
import { PictureQueue, type SentPicture } from './queue.ts';
import type { UnsentPicture } from './shelf.ts';

/** A device: what it keeps, and a queue on it; `open` is the page loaded anew. */
class Device {
  readonly kept = new Map<string, UnsentPicture>();
  readonly sent: [at: number, job: string, hash: string][] = [];
  answer: (hash: string) => SentPicture = () => 'kept';
  full = false;
  queue = this.open();

  open(): PictureQueue {
    this.queue = new PictureQueue({
      send: ({ job, hash }) => {
        this.sent.push([Date.now(), job, hash]);
        return Promise.resolve(this.answer(hash));
      },
      keep: (pictures) => {
        if (this.full) return Promise.reject(new Error('no room'));
        for (const picture of pictures) this.kept.set(picture.hash, structuredClone(picture));
        return Promise.resolve();
      },
      all: () => Promise.resolve([...this.kept.values()].sort((a, b) => a.order - b.order)),
      forget: (hash) => Promise.resolve(void this.kept.delete(hash)),
      changed: () => undefined,
    });
    return this.queue;
  }
}

const picture = (hash: string) => ({ hash, bytes: new Uint8Array([hash.charCodeAt(0), 7]).buffer });
beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());
const settle = async (ms = 0) => {
  await jest.advanceTimersByTimeAsync(ms);
};
const hashes = (device: Device) => device.sent.map(([, , hash]) => hash);

test('pictures go out in the order they were taken, each to its job, once, and are then no longer kept', async () => {
  const device = new Device();
  await device.queue.put('one', [picture('a'), picture('b')]);
  await device.queue.put('two', [picture('c')]);
  await device.queue.put('two', [picture('b')]);
  await settle();
  expect(device.sent.map(([, job, hash]) => `${job} ${hash}`)).toEqual(['one a', 'one b', 'two c']);
  expect([device.queue.count(), device.kept.size, device.queue.bytesOf('a')]).toEqual([0, 0, undefined]);
});

test('while the server is away they wait, survive a page that is loaded anew, and are tried at least every two seconds', async () => {
  const device = new Device();
  device.answer = () => 'away';
  await device.queue.put('one', [picture('a'), picture('b')]);
  await settle(30_000);
  const tries = device.sent.map(([at]) => at);
  expect(Math.max(...tries.slice(1).map((at, place) => at - (tries[place] ?? 0)))).toBeLessThan(2000);
  expect(new Set(hashes(device))).toEqual(new Set(['a']));
  device.answer = () => 'kept';
  device.sent.length = 0;
  // The page before it is gone.
  jest.clearAllTimers();
  await device.open().load();
  expect(new Uint8Array(device.queue.bytesOf('b') ?? new ArrayBuffer())).toEqual(new Uint8Array([98, 7]));
  await settle();
  expect([hashes(device), device.kept.size]).toEqual([['a', 'b'], 0]);
});

test('a kick sends at once what would wait', async () => {
  const device = new Device();
  device.answer = () => 'nobody';
  await device.queue.put('one', [picture('a')]);
  await settle(400);
  expect(device.sent).toHaveLength(1);
  device.answer = () => 'kept';
  device.queue.kick();
  await settle();
  expect([hashes(device), device.queue.count()]).toEqual([['a', 'a'], 0]);
});

test('one that the server refuses keeps none of the others back, and is kept with the reason until somebody has read it', async () => {
  const device = new Device();
  device.answer = (hash) => (hash === 'a' ? { refused: 'no job is called so' } : 'kept');
  await device.queue.put('one', [picture('a'), picture('b')]);
  await settle();
  expect([hashes(device), device.queue.count()]).toEqual([['a', 'b'], 0]);
  await device.open().load();
  await settle();
  expect(device.queue.refusals()).toMatchObject([{ hash: 'a', refused: 'no job is called so' }]);
  expect(hashes(device)).toEqual(['a', 'b']);
  await device.queue.settle(['a'], true);
  await settle();
  expect([hashes(device), device.queue.refusals().length]).toEqual([['a', 'b', 'a'], 1]);
  await device.queue.settle(['a'], false);
  await settle();
  expect([device.queue.refusals(), device.kept.size, hashes(device).length]).toEqual([[], 0, 3]);
});

test('a device without room says so, and sends all the same', async () => {
  const device = new Device();
  device.full = true;
  device.answer = () => 'away';
  await device.queue.put('one', [picture('a')]);
  expect([device.queue.keepsNothing, device.queue.count()]).toEqual([true, 1]);
  device.answer = () => 'kept';
  device.queue.kick();
  await settle();
  expect(device.queue.count()).toBe(0);
  device.full = false;
  await device.queue.put('one', [picture('b')]);
  expect(device.queue.keepsNothing).toBe(false);
});

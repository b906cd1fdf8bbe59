import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import { jest } from '@jest/globals';
import fc from 'fast-check';
import type { JobEvent } from '@jade/core/events';
import { Outbox, type Answer, type OutboxOptions, type Sent } from './outbox.ts';
import type { Waiting } from './shelf.ts';

let made = 0;
const event = (note = 'a mark'): JobEvent<'damage.noted'> => ({ id: `event-${++made}`, type: 'damage.noted', v: 1, at: '2026-03-05T08:30:00Z', payload: { place: 'front', note } });

/** A device: what it keeps, and an outbox on it; `open` is the page loaded anew. */
class Device {
  readonly kept = new Map<string, Waiting>();
  readonly stored: [string, string, number | undefined][] = [];
  readonly refusedOf: string[] = [];
  full = false;
  outbox: Outbox;
  constructor(private readonly send: OutboxOptions['send']) {
    this.outbox = this.open();
  }
  open(): Outbox {
    this.outbox = new Outbox({
      send: this.send,
      keep: (entries) => {
        if (this.full) return Promise.reject(new Error('no room'));
        for (const entry of entries) this.kept.set(entry.id, structuredClone(entry));
        return Promise.resolve();
      },
      all: () => Promise.resolve([...this.kept.values()].sort((a, b) => a.order - b.order)),
      forget: (ids) => Promise.resolve(ids.forEach((id) => this.kept.delete(id))),
      changed: () => undefined,
      stored: (job, events) => events.forEach((entry) => this.stored.push([job, entry.id, entry.seq])),
      refused: (_, entry) => this.refusedOf.push(entry.id),
    });
    return this.outbox;
  }
}

/** A server that stores each event once, in its job. */
class Server {
  readonly logs = new Map<string, string[]>();
  away = false;
  send = (job: string, events: readonly JobEvent[]): Promise<Sent> => {
    if (this.away) return Promise.resolve({ away: true });
    const log = this.logs.get(job) ?? [];
    this.logs.set(job, log);
    const answers = events.map((entry): Answer => {
      const place = log.indexOf(entry.id);
      if (place < 0) log.push(entry.id);
      return { id: entry.id, status: place < 0 ? 'stored' : 'already stored', seq: place < 0 ? log.length : place + 1 };
    });
    return Promise.resolve({ answers });
  };
}

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());
const settle = async (ms = 0) => {
  await jest.advanceTimersByTimeAsync(ms);
};

test('what is recorded is sent in order and answers its own job, whichever is open', async () => {
  const server = new Server();
  const device = new Device(server.send);
  const [a, b, c] = [event(), event(), event()];
  await Promise.all([device.outbox.put('van', [a]), device.outbox.put('bus', [b]), device.outbox.put('van', [c])]);
  await settle();
  expect(Object.fromEntries(server.logs)).toEqual({ van: [a.id, c.id], bus: [b.id] });
  expect(device.stored.map(([job, id]) => `${job} ${id}`).sort()).toEqual([`bus ${b.id}`, `van ${a.id}`, `van ${c.id}`].sort());
  expect([device.outbox.count(), device.kept.size, device.outbox.state('van').state]).toEqual([0, 0, 'idle']);
});

test('while the server is away it waits longer and longer, and is sent when it is back, also after the page was loaded anew', async () => {
  const server = new Server();
  let tries = 0;
  const device = new Device((job, events) => {
    tries++;
    return server.send(job, events);
  });
  server.away = true;
  const a = event();
  await device.outbox.put('van', [a]);
  await settle();
  expect([tries, device.outbox.online, device.outbox.state('van').state, device.outbox.count()]).toEqual([1, false, 'waiting', 1]);
  // At 0, 0.5, 1.5, 3.5, 7.5, 15.5, 30.5 and 45.5 s; the next would come at 60.5 s.
  await settle(60_000);
  expect(tries).toBe(8);
  // Whoever says that the network is back begins with a short wait again: at once, and after 0.5 and 1.5 s.
  device.outbox.kick();
  await settle(1600);
  expect(tries).toBe(11);
  const again = device.open();
  await again.load();
  await settle();
  expect(again.pending('van')).toEqual([a]);
  server.away = false;
  again.kick();
  await settle();
  expect([server.logs.get('van'), again.count(), again.online, device.kept.size]).toEqual([[a.id], 0, true, 0]);
});

test('nobody signed in: it waits for somebody; what each recorded goes under the session it was made in', async () => {
  const sent: [string | undefined, number][] = [];
  let person = false;
  const server = new Server();
  const device = new Device((job, events, session) => {
    if (!person) return Promise.resolve({ noPerson: true });
    sent.push([session, events.length]);
    return server.send(job, events);
  });
  await device.outbox.put('van', [event(), event()], 'fern');
  await device.outbox.put('van', [event()], 'slate');
  await device.outbox.put('van', [event()], 'fern');
  await settle();
  expect([device.outbox.needsPerson, device.outbox.online, device.outbox.count()]).toEqual([true, true, 4]);
  person = true;
  device.outbox.kick();
  await settle();
  expect([sent, device.outbox.needsPerson]).toEqual([
    [
      ['fern', 2],
      ['slate', 1],
      ['fern', 1],
    ],
    false,
  ]);
});

test('a batch that is refused whole is said once and tried again only when somebody says so; other jobs go on', async () => {
  const server = new Server();
  let tries = 0;
  let refuse = true;
  const device = new Device((job, events) => {
    if (job !== 'gone' || !refuse) return server.send(job, events);
    tries++;
    return Promise.resolve({ refused: 'no job is called “gone”' });
  });
  const [a, b, c] = [event(), event(), event()];
  await device.outbox.put('gone', [a]);
  await settle(60_000);
  await device.outbox.put('gone', [b]);
  await device.outbox.put('van', [c]);
  device.outbox.kick();
  await settle(60_000);
  expect([tries, device.outbox.stuck()]).toEqual([1, [{ job: 'gone', why: 'no job is called “gone”', events: [a, b] }]]);
  expect([server.logs.get('van'), device.kept.size]).toEqual([[c.id], 2]);
  refuse = false;
  device.outbox.again('gone');
  await settle();
  expect([server.logs.get('gone'), device.outbox.stuck()]).toEqual([[a.id, b.id], []]);
});

test('an event that is refused alone does not keep the others, and what was said stays until it was read', async () => {
  const [a, b, c] = [event(), event('a scratch'), event()];
  const device = new Device((_, events) =>
    Promise.resolve({
      answers: events.map((entry, place): Answer =>
        entry.id === b.id ? { id: b.id, status: 'refused', faults: [{ message: 'is longer than 300' }] } : { id: entry.id, status: 'stored', seq: place + 1 },
      ),
    }),
  );
  await device.outbox.put('van', [a, b, c]);
  await settle();
  expect([device.stored.map(([, id]) => id), device.refusedOf, device.outbox.count()]).toEqual([[a.id, c.id], [b.id], 0]);
  const again = device.open();
  await again.load();
  expect(again.refusals()).toMatchObject([{ job: 'van', refused: 'is longer than 300', event: { payload: { note: 'a scratch' } } }]);
  expect(again.pending('van')).toEqual([]);
  await again.dismiss([b.id]);
  expect([again.refusals(), device.kept.size]).toEqual([[], 0]);
});

test('a device that keeps nothing says so, and what is there is sent all the same', async () => {
  const server = new Server();
  server.away = true;
  const device = new Device(server.send);
  device.full = true;
  const a = event();
  await device.outbox.put('van', [a]);
  await settle();
  expect([device.outbox.keepsNothing, device.outbox.pending('van')]).toEqual([true, [a]]);
  server.away = false;
  device.full = false;
  device.outbox.seen(true);
  await settle();
  expect(server.logs.get('van')).toEqual([a.id]);
});

test('an answer that says nothing of what was sent is not asked for over and over', async () => {
  let tries = 0;
  const device = new Device(() => Promise.resolve({ answers: ++tries > 50 ? [] : [] }));
  await device.outbox.put('van', [event()]);
  await settle(60_000);
  expect([tries, device.outbox.state('van').state, device.outbox.count()]).toEqual([1, 'stuck', 1]);
});

test('several pages, the network coming and going, answers lost, pages loaded anew, in any order: every event in its own job, once, in the order of its page', async () => {
  const step = fc.oneof(
    fc.record({ kind: fc.constant('put' as const), page: fc.nat(2), job: fc.nat(2), count: fc.integer({ min: 1, max: 3 }) }),
    fc.record({ kind: fc.constant('away' as const) }),
    fc.record({ kind: fc.constant('back' as const) }),
    fc.record({ kind: fc.constant('lose' as const) }),
    fc.record({ kind: fc.constant('reload' as const), page: fc.nat(2) }),
    fc.record({ kind: fc.constant('wait' as const), ms: fc.integer({ min: 1, max: 9000 }) }),
  );
  await fc.assert(
    fc.asyncProperty(fc.array(step, { maxLength: 30 }), async (steps) => {
      const server = new Server();
      let lose = 0;
      const send: OutboxOptions['send'] = async (job, events) => {
        const sent = await server.send(job, events);
        // The server has it, the answer does not come.
        return lose > 0 && lose-- > 0 && 'answers' in sent ? { away: true } : sent;
      };
      const pages = [0, 1, 2].map(() => new Device(send));
      const wanted = new Map<string, string[]>();
      for (const entry of steps) {
        if (entry.kind === 'put') {
          const events = Array.from({ length: entry.count }, () => event());
          const at = `${entry.page} job-${entry.job}`;
          wanted.set(at, [...(wanted.get(at) ?? []), ...events.map(({ id }) => id)]);
          await pages[entry.page]?.outbox.put(`job-${entry.job}`, events);
        } else if (entry.kind === 'away') server.away = true;
        else if (entry.kind === 'back') server.away = false;
        else if (entry.kind === 'lose') lose++;
        else if (entry.kind === 'wait') await settle(entry.ms);
        else await pages[entry.page]?.open().load();
      }
      server.away = false;
      lose = 0;
      for (const page of pages) page.outbox.kick();
      await settle(30_000);
      for (const [job, log] of server.logs) expect([job, new Set(log).size]).toEqual([job, log.length]);
      for (const [at, ids] of wanted) {
        const job = at.split(' ')[1] ?? '';
        expect(server.logs.get(job)?.filter((id) => ids.includes(id))).toEqual(ids);
      }
      expect([...server.logs.values()].flat()).toHaveLength([...wanted.values()].flat().length);
      expect(pages.map((page) => [page.outbox.count(), page.kept.size])).toEqual([
        [0, 0],
        [0, 0],
        [0, 0],
      ]);
    }),
    { numRuns: 60 },
  );
}, 60_000);

test('the shelf gives back what was kept, in order, and forgets what it is told to', async () => {
  jest.useRealTimers();
  globalThis.indexedDB = new IDBFactory();
  const { allWaiting, forgetWaiting, keepWaiting } = await import('./shelf.ts');
  const entry = (id: string, order: number): Waiting => ({ id, job: 'van', order, event: event() });
  await keepWaiting([entry('b', 2), entry('a', 1)]);
  await keepWaiting([{ ...entry('c', 3), session: 'fern', refused: 'why' }]);
  expect((await allWaiting()).map(({ id }) => id)).toEqual(['a', 'b', 'c']);
  await forgetWaiting(['b']);
  expect((await allWaiting()).map(({ id, refused }) => [id, refused])).toEqual([
    ['a', undefined],
    ['c', 'why'],
  ]);
});

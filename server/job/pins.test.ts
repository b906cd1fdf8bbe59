import { v7 } from 'uuid';
import { importDocument } from '../import/index.ts';
import { demoDocument, demoFiles, event, openTestShop, type TestShop } from '../test/shop.ts';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(true, 'slate');
}, 60_000);
afterAll(() => shop.close());

const JOB = 'hill-road-07';
const post = (url: string, payload: object) => shop.app.inject({ method: 'POST', url, headers: { cookie: shop.cookie }, payload });

interface View {
  profile: { pieces: { id: string }[] };
  newer: { kind: string; slug: string; version: number }[];
  events: { type: string; payload: { lost?: string[]; profile?: object } }[];
}
const view = async () => (await shop.app.inject({ url: `/api/jobs/${JOB}` })).json<View>();

test('a job goes on with its pinned version until it is taken over, and the ids lost are listed', async () => {
  const profile = demoDocument('vehicles/wexholm-bollard-35.json') as { pieces: { id: string }[] };
  const without = { ...profile, pieces: profile.pieces.filter((piece) => piece.id !== 'beam-foam') };
  // What was said of the library before is not said again once something was added to it.
  expect((await view()).newer).toEqual([]);
  expect((await post('/api/documents', without)).statusCode).toBe(201);
  const before = await view();
  expect(before.newer).toEqual([{ kind: 'vehicle', slug: 'wexholm-bollard-35', version: 2 }]);
  expect(before.profile.pieces).toHaveLength(profile.pieces.length);

  const id = v7();
  expect((await post(`/api/jobs/${JOB}/pins`, { id })).json()).toEqual({ repinned: true });
  expect((await post(`/api/jobs/${JOB}/pins`, { id })).json()).toEqual({ repinned: false });
  const after = await view();
  expect(after.newer).toEqual([]);
  expect(after.profile.pieces).toHaveLength(profile.pieces.length - 1);
  expect(after.events.filter((entry) => entry.type === 'job.repinned').map((entry) => entry.payload)).toEqual([
    {
      profile: { slug: 'wexholm-bollard-35', version: 2 },
      kits: [{ slug: 'cairn-fen-pair', version: 1 }],
      rules: { slug: 'harrow-quay', version: 1 },
      plugs: { slug: 'harrow-quay-plugs', version: 1 },
      lost: ['wexholm-bollard-35 pieces beam-foam'],
    },
  ]);
});

test('where nothing is newer nothing happens', async () => {
  expect((await post('/api/jobs/saltmarsh-3/pins', { id: v7() })).json()).toEqual({ repinned: false });
  expect((await post('/api/jobs/nowhere/pins', { id: v7() })).statusCode).toBe(404);
});

test('a job pins the plug library that there was, and takes a newer one over as it does all else', async () => {
  const pinned = async () => (await shop.app.inject({ url: `/api/jobs/${JOB}` })).json<View & { plugs?: { adapters: { priceCents: number }[] } }>();
  const library = demoDocument('plugs.json') as { adapters: { priceCents: number }[] };
  const dearer = { ...library, adapters: library.adapters.map((adapter) => ({ ...adapter, priceCents: adapter.priceCents + 50 })) };
  expect((await post('/api/documents', dearer)).statusCode).toBe(201);
  const before = await pinned();
  expect(before.newer).toEqual([{ kind: 'plugs', slug: 'harrow-quay-plugs', version: 2 }]);
  expect(before.plugs?.adapters[0]?.priceCents).toBe(library.adapters[0]?.priceCents);
  await post(`/api/jobs/${JOB}/pins`, { id: v7() });
  expect((await pinned()).plugs?.adapters[0]?.priceCents).toBe((library.adapters[0]?.priceCents ?? 0) + 50);
});

test('a job opened before there was a plug library takes it over as something newer', async () => {
  const early = await openTestShop(false);
  try {
    const { plugs: _, jobs, ...rest } = demoDocument('shop.json') as { plugs: string; jobs: { id: string }[] };
    const own = { ...rest, jobs: jobs.filter(({ id }) => id === JOB) };
    for (const file of demoFiles().filter((name) => name !== 'plugs.json')) await importDocument(early.database.db, file === 'shop.json' ? own : demoDocument(file));
    const answer = await early.app.inject({ method: 'POST', url: '/api/session', payload: { person: 'slate', device: 'test' } });
    const cookie = String(answer.headers['set-cookie']).split(';')[0] ?? '';
    const now = async () => (await early.app.inject({ url: `/api/jobs/${JOB}`, headers: { cookie } })).json<View & { plugs?: object }>();
    expect([(await now()).plugs, (await now()).newer]).toEqual([undefined, []]);
    await importDocument(early.database.db, demoDocument('plugs.json'));
    expect((await now()).newer).toEqual([{ kind: 'plugs', slug: 'harrow-quay-plugs', version: 1 }]);
    expect((await early.app.inject({ method: 'POST', url: `/api/jobs/${JOB}/pins`, headers: { cookie }, payload: { id: v7() } })).json()).toEqual({ repinned: true });
    expect([(await now()).plugs !== undefined, (await now()).newer]).toEqual([true, []]);
  } finally {
    await early.close();
  }
});

test('the next job of a vehicle takes over its facts as assumed, with the day they were seen', async () => {
  const id = v7();
  await post('/api/jobs', { id, vehicle: 'hill-road-07', kits: [{ slug: 'tarn-gantry-1100' }] });
  const { events } = (await shop.app.inject({ url: `/api/jobs/job-${id}/events` })).json<{ events: { type: string; payload: Record<string, string> }[] }>();
  const trim = events.find((entry) => entry.payload.fact === 'trim')?.payload;
  expect(trim).toMatchObject({ fact: 'trim', certainty: 'assumed', value: 'guard' });
  expect(new Date(trim?.seenAt ?? '').getTime()).toBeLessThan(Date.now());
  const unknown = await post('/api/jobs/saltmarsh-3/events', { events: [event('fact.recorded', { fact: 'front-fog', certainty: 'unknown' })] });
  expect(unknown.statusCode).toBe(200);
  const next = v7();
  await post('/api/jobs', { id: next, vehicle: 'saltmarsh-3', kits: [{ slug: 'cairn-fen-pair' }] });
  const carried = (await shop.app.inject({ url: `/api/jobs/job-${next}/events` })).json<{ events: { payload: { fact?: string } }[] }>().events.map((entry) => entry.payload.fact);
  expect(carried).toContain('shutters');
  expect(carried).not.toContain('front-fog');
});

test('a kit that has left the shop on another job is not new, one that has not is', async () => {
  const newKit = async (job: string) => (await shop.app.inject({ url: `/api/jobs/${job}` })).json<{ newKit: boolean }>().newKit;
  expect([await newKit('hill-road-12'), await newKit('hill-road-02')]).toEqual([false, true]);
  // That it has left on this very job makes it no older.
  await shop.database.pool.query(`UPDATE jobs SET signed = 1 WHERE id = 'hill-road-02'`);
  expect(await newKit('hill-road-02')).toBe(true);
});

import { v7 } from 'uuid';
import type { JobLine, JobView } from '@jade/contract/job';
import { event, openTestShop, type TestShop } from '../test/shop.ts';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(true, 'slate');
}, 60_000);
afterAll(() => shop.close());

const get = async <T>(url: string) => (await shop.app.inject({ url })).json<T>();
async function post(url: string, payload: object, cookie = shop.cookie) {
  const answer = await shop.app.inject({ method: 'POST', url, headers: { cookie }, payload });
  return {
    status: answer.statusCode,
    body: answer.json<{ id?: string; added?: boolean; faults?: { path: string; code: string }[]; answers?: { status: string; faults?: { code: string }[] }[] }>(),
  };
}
const send = (job: string, ...events: object[]) => post(`/api/jobs/${job}/events`, { events });
const line = async (job: string) => (await get<JobLine[]>('/api/jobs')).find(({ id }) => id === job);
const found = async (words: string) => (await get<JobLine[]>(`/api/jobs?find=${encodeURIComponent(words)}`)).map(({ id }) => id);

async function open(more: object = {}) {
  const { status, body } = await post('/api/jobs', { id: v7(), vehicle: 'saltmarsh-3', kits: [{ slug: 'cairn-fen-pair' }], ...more });
  return { status, id: body.id ?? '', faults: body.faults?.map(({ path, code }) => `${path} ${code}`) };
}

test('what is promised and where it stands follow the log, and are as they were where that is taken back', async () => {
  const { id } = await open({ promisedAt: '2026-03-06T15:00:00Z', bay: 'Bay 2' });
  const at = async () => [(await line(id))?.promisedAt, (await line(id))?.bay];
  expect(await at()).toEqual(['2026-03-06T15:00:00.000Z', 'Bay 2']);
  const [promise, bay] = [event('promise.made', { at: '2026-03-09T09:30:00Z' }), event('bay.taken', { bay: 'Yard' })];
  await send(id, promise, bay);
  expect(await at()).toEqual(['2026-03-09T09:30:00.000Z', 'Yard']);
  await send(id, event('undone', { event: bay.id }), event('undone', { event: promise.id }));
  expect(await at()).toEqual(['2026-03-06T15:00:00.000Z', 'Bay 2']);
  await send(id, event('bay.taken', {}));
  expect((await line(id))?.bay).toBeNull();
});

test('a kit is added once, in its newest version; on the job, on the vehicle or after the job left it is refused', async () => {
  const { id } = await open();
  const asked = { id: v7(), kit: 'cairn-wren-rear-pair' };
  const [first, again] = [await post(`/api/jobs/${id}/kits`, asked), await post(`/api/jobs/${id}/kits`, asked)];
  expect([first.status, first.body, again.status, again.body]).toEqual([201, { added: true }, 200, { added: false }]);
  const view = await get<JobView>(`/api/jobs/${id}`);
  expect(view.kits.map(({ slug }) => slug)).toEqual(['cairn-fen-pair', 'cairn-wren-rear-pair']);
  // What labour costs here comes with the money that it is said in.
  expect([view.currency, view.labourCentsPerHour]).toEqual(['crowns', 6400]);
  expect(view.otherKits.map(({ slug }) => slug)).not.toContain('cairn-wren-rear-pair');
  expect((await post(`/api/jobs/${id}/kits`, { id: v7(), kit: 'cairn-fen-pair' })).body.faults?.[0]).toMatchObject({ path: 'kit', code: 'conflict' });
  expect((await post(`/api/jobs/${id}/kits`, { id: v7(), kit: 'no-such-kit' })).status).toBe(404);
  await send(id, event('kit.dropped', { kit: 'cairn-fen-pair', why: 'too dear' }));
  expect((await line(id))?.summary.kits).toEqual(['Cairn Wren rear pair']);
  expect((await post(`/api/jobs/${id}/kits`, { id: v7(), kit: 'cairn-fen-pair' })).status).toBe(201);
  expect((await line(id))?.summary.kits).toHaveLength(2);
  await send(id, event('job.cancelled', { why: 'sold' }));
  expect((await post(`/api/jobs/${id}/kits`, { id: v7(), kit: 'cairn-fen-pair' })).status).toBe(409);
});

test('who is in training changes no order', async () => {
  const { id } = await open();
  const answer = await shop.app.inject({ method: 'POST', url: '/api/session', payload: { person: 'copper', device: 'second tablet' } });
  const cookie = String(answer.headers['set-cookie']).split(';')[0] ?? '';
  expect((await post(`/api/jobs/${id}/kits`, { id: v7(), kit: 'cairn-wren-rear-pair' }, cookie)).status).toBe(403);
  const refused = await post(`/api/jobs/${id}/events`, { events: [event('job.cancelled', { why: 'sold' }), event('note.written', { station: 'fit', note: 'tight' })] }, cookie);
  expect(refused.body.answers?.map(({ status, faults }) => faults?.[0]?.code ?? status)).toEqual(['role', 'stored']);
});

test('a job that is cancelled before anything is touched leaves the board; one that is touched stays until it is signed', async () => {
  const [one, two] = [(await open()).id, (await open()).id];
  await send(two, event('sensor.unplugged', { sensor: 'grille-camera' }), event('job.cancelled', { why: 'sold' }));
  await send(one, event('job.cancelled', { why: 'sold' }));
  const said = async (id: string) => [(await line(id))?.summary.signed, (await line(id))?.summary.cancelled];
  expect([await said(one), await said(two)]).toEqual([
    [true, 'sold'],
    [false, 'sold'],
  ]);
  expect((await line(one))?.summary.sentence).toBe('Cancelled: sold');
  // Something that an offline device sends later keeps it in the shop.
  await send(one, event('sensor.unplugged', { sensor: 'grille-camera' }));
  expect((await said(one))[0]).toBe(false);
});

test('a vehicle comes again for what an earlier job fitted: its kits, their options and the job are known', async () => {
  const first = await open();
  expect((await open({ kits: [], follows: { job: first.id, why: 'recheck' } })).status).toBe(409);
  await send(first.id, event('option.chosen', { kit: 'cairn-fen-pair', option: 'colour', choice: 'amber' }));
  await send(first.id, event('job.signed', { atSeq: 1 }));
  expect((await open({ kits: [] })).faults).toEqual(['kits missing']);
  expect((await open({ vehicle: 'hill-road-12', kits: [], follows: { job: first.id, why: 'recheck' } })).faults).toEqual(['follows.job unknown-id']);
  expect((await open({ follows: { job: first.id, why: 'comeback' } })).faults).toEqual(['kits[0].slug conflict']);
  const second = await open({ kits: [], follows: { job: first.id, why: 'comeback' } });
  const view = await get<JobView>(`/api/jobs/${second.id}`);
  expect([view.kits, view.fitted?.map(({ slug }) => slug), view.follows?.job, view.follows?.why]).toEqual([[], ['cairn-fen-pair'], first.id, 'comeback']);
  // What was chosen then stands with the opening: nobody chose it now.
  expect(view.events.map(({ type }) => type)).not.toContain('option.chosen');
  expect(view.events[0]?.payload).toMatchObject({ fitted: [{ slug: 'cairn-fen-pair', options: [{ option: 'colour', choice: 'amber' }] }] });
  expect((await line(second.id))?.follows?.job).toBe(first.id);
  expect((await line(second.id))?.summary.kits).toEqual(['Cairn Fen pair']);
  expect((await get<JobView>(`/api/jobs/${first.id}`)).followedBy.map(({ job, why }) => [job, why])).toEqual([[second.id, 'comeback']]);
  // The visit names it too, so that a third job can follow this one.
  const found = await get<{ vehicles: { lastVisit: { job: string; kits: string[] } | null }[] }>('/api/vehicles?find=SV%203');
  expect(found.vehicles[0]?.lastVisit).toMatchObject({ job: second.id, kits: ['Cairn Fen pair'] });
  // What was tried and held on the earlier job's kit is taken; what fits anything is not.
  const { body } = await send(second.id, event('final.tested', { kit: 'cairn-fen-pair', test: 'no-such', passed: true }), event('match.confirmed', { kit: 'cairn-fen-pair' }));
  expect(body.answers?.map(({ faults }) => faults?.[0]?.code)).toEqual(['unknown-id', 'unknown-id']);
});

test('a kit that was dropped, or cancelled with its job, has never left the shop; the last visit names what was fitted', async () => {
  const kits = async (id: string) => (await get<JobView>(`/api/jobs/${id}`)).newKits;
  const last = async () => (await get<{ vehicles: { lastVisit: { kits: string[] } | null }[] }>('/api/vehicles?find=HR%2012')).vehicles[0]?.lastVisit?.kits;
  const opened = async () => (await open({ vehicle: 'hill-road-12', kits: [{ slug: 'tarn-stern-pair' }, { slug: 'cairn-fen-pair' }] })).id;
  const [one, two] = [await opened(), await opened()];
  expect(await kits(two)).toContain('tarn-stern-pair');
  await send(one, event('kit.dropped', { kit: 'tarn-stern-pair', why: 'too dear' }), event('job.signed', { atSeq: 1 }));
  expect(await kits(two)).toContain('tarn-stern-pair');
  expect(await kits(one)).not.toContain('tarn-stern-pair');
  const gone = event('job.cancelled', { why: 'sold' });
  await send(two, gone);
  expect(await last()).toEqual([]);
  const three = await opened();
  expect(await kits(three)).toContain('tarn-stern-pair');
  await send(two, event('undone', { event: gone.id }), event('job.signed', { atSeq: 1 }));
  expect(await kits(three)).not.toContain('tarn-stern-pair');
});

test('what an earlier job did not fit is followed by nothing', async () => {
  const { id } = await open();
  await send(id, event('job.cancelled', { why: 'sold' }));
  expect(await open({ kits: [], follows: { job: id, why: 'comeback' } })).toMatchObject({ status: 409, faults: ['follows.job conflict'] });
});

test('jobs are found by number, customer, kit, kind of vehicle and body, all words together', async () => {
  const { id } = await open();
  for (const words of ['saltmarsh', 'fen pair', 'linnet', 'crossover', 'saltmarsh fen crossover']) expect([words, (await found(words)).includes(id)]).toEqual([words, true]);
  for (const words of ['minibus', 'saltmarsh gantry', '%']) expect([words, (await found(words)).includes(id)]).toEqual([words, false]);
});

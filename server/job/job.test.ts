import { v7 } from 'uuid';
import { FOLD_VERSION } from '@jade/core/events';
import { tables } from '../database/index.ts';
import { demoDocument, event, openTestShop, type TestShop } from '../test/shop.ts';

const JOB = 'hill-road-12';
let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(true, 'slate');
}, 60_000);
afterAll(() => shop.close());

interface Answer {
  status: string;
  seq?: number;
  faults?: { path: string; code: string; message: string }[];
}

async function send(events: unknown, job = JOB, cookie = shop.cookie) {
  const answer = await shop.app.inject({ method: 'POST', url: `/api/jobs/${job}/events`, headers: cookie ? { cookie } : {}, payload: { events } as object });
  return { status: answer.statusCode, body: answer.json<{ answers: Answer[]; faults?: Answer['faults'] }>() };
}

const count = async () => (await shop.app.inject({ url: `/api/jobs/${JOB}/events` })).json<{ events: unknown[] }>().events.length;

test('an event is stored once, with seq, person and device from the session', async () => {
  const first = event('battery.measured', { restV: 12.6 });
  const before = await count();
  const stored = await send([first]);
  expect(stored.status).toBe(200);
  expect(stored.body.answers).toEqual([{ id: first.id, status: 'stored', seq: before + 1 }]);
  expect((await send([first])).body.answers[0]).toEqual({ id: first.id, status: 'already stored', seq: before + 1 });
  expect(await count()).toBe(before + 1);
  const { events } = (await shop.app.inject({ url: `/api/jobs/${JOB}/events?since=${before}` })).json<{ events: object[] }>();
  expect(events).toEqual([{ ...first, seq: before + 1, person: 'slate', device: 'test tablet' }]);
});

test('two clients sending the same event at once: stored once', async () => {
  const same = event('number.recorded', { number: 'WXH35B00420071834' });
  const before = await count();
  const answers = await Promise.all([send([same]), send([same]), send([same])]);
  expect(answers.map(({ body }) => body.answers[0]?.status).sort()).toEqual(['already stored', 'already stored', 'stored']);
  expect(await count()).toBe(before + 1);
});

test('the same id with another body is a conflict and changes nothing', async () => {
  const id = v7();
  await send([event('battery.measured', { restV: 12.5 }, id)]);
  const before = await count();
  const { status, body } = await send([event('battery.measured', { restV: 11.5 }, id)]);
  expect([status, body.answers[0]?.status]).toEqual([409, 'conflict']);
  expect(await count()).toBe(before);
});

test('an id that an event of another job has is taken, alone or with others', async () => {
  const taken = event('battery.measured', { restV: 12.5 });
  await send([taken]);
  const alone = await send([taken], 'saltmarsh-3');
  expect([alone.status, alone.body.answers[0]?.status]).toEqual([409, 'conflict']);
  const among = await send([event('battery.measured', { restV: 12.3 }), taken], 'saltmarsh-3');
  expect(among.body.answers.map((answer) => answer.status)).toEqual(['stored', 'conflict']);
});

test('a malformed event is refused alone, with its path, and the rest is taken', async () => {
  const before = await count();
  const { status, body } = await send([
    event('battery.measured', { restV: '12' }),
    event('battery.measured', { restV: 12.4 }),
    event('piece.moved', { piece: 'grille', level: 'gone', fasteners: [] }),
  ]);
  expect(status).toBe(200);
  expect(body.answers.map((answer) => answer.status)).toEqual(['refused', 'stored', 'refused']);
  expect(body.answers[0]?.faults?.[0]).toMatchObject({ path: 'events[0].payload.restV', code: 'type' });
  expect(body.answers[2]?.faults?.[0]).toMatchObject({ path: 'events[2].payload.level', code: 'choice' });
  expect(await count()).toBe(before + 1);
});

test('an event that speaks of what the pinned documents do not have is refused alone, with its path', async () => {
  const before = await count();
  const { body } = await send([
    event('fact.recorded', { fact: 'headlamp', certainty: 'known', value: 'LED' }),
    event('piece.moved', { piece: 'spoiler', level: 'off', fasteners: [] }),
    event('damage.noted', { place: 'bonnet edge', note: 'chip' }),
  ]);
  expect(body.answers.map(({ status, faults }) => faults?.map((fault) => `${fault.path} ${fault.code}`)[0] ?? status)).toEqual([
    'events[0].payload.value choice',
    'events[1].payload.piece unknown-id',
    'stored',
  ]);
  expect(await count()).toBe(before + 1);
});

test('a field in another unit names the one expected', async () => {
  const { status, body } = await send([event('gap.measured', { gap: 'wing-left', moment: 'before', widthIn: 0.2 })]);
  expect(status).toBe(422);
  expect(body.answers[0]?.faults).toContainEqual(expect.objectContaining({ path: 'events[0].payload.widthIn', code: 'unit', message: expect.stringContaining('widthMm') }));
});

test('only the server opens a job; an unknown type and an unknown version are refused', async () => {
  const opened = event('job.opened', { vehicle: 'x', profile: { slug: 'x', version: 1 }, kits: [], rules: { slug: 'x', version: 1 } });
  const { body } = await send([opened, event('job.exploded', {}), { ...event('codes.read', { moment: 'before', count: 0 }), v: 7 }]);
  expect(body.answers.map((answer) => answer.faults?.[0]?.code)).toEqual(['not-available', 'unknown-event', 'choice']);
});

test('without a session nothing is written; an unknown job is 404', async () => {
  expect((await send([event('battery.measured', { restV: 12.6 })], JOB, '')).status).toBe(401);
  expect((await send([event('battery.measured', { restV: 12.6 })], 'nowhere')).status).toBe(404);
});

test('a batch of another shape, broken JSON and a body too large are refused with a path', async () => {
  expect((await send('none')).body.faults?.[0]).toMatchObject({ path: 'events', code: 'type' });
  const post = (payload: string) =>
    shop.app.inject({ method: 'POST', url: `/api/jobs/${JOB}/events`, headers: { cookie: shop.cookie, 'content-type': 'application/json' }, payload });
  const broken = await post('{"events": [');
  expect([broken.statusCode, broken.json<{ faults: { code: string }[] }>().faults[0]?.code]).toEqual([400, 'not-json']);
  const large = await post(`{"events": ["${'x'.repeat(10_000_000)}"]}`);
  expect([large.statusCode, large.json<{ faults: { code: string }[] }>().faults[0]?.code]).toEqual([413, 'too-large']);
});

test('the summary follows the log: the day board says what holds the job back', async () => {
  const line = async () =>
    (await shop.app.inject({ url: '/api/jobs' }))
      .json<{ id: string; summary: { sentence: string; stations: { station: string; state: string }[] } }[]>()
      .find((job) => job.id === 'hill-road-07');
  expect((await line())?.summary.stations.find((entry) => entry.station === 'open-up')?.state).toBe('under way');
  expect((await line())?.summary.sentence).toMatch(/to open, next:/);
});

test('a job opened twice with the same id is opened once, with versions pinned', async () => {
  const body = { id: v7(), vehicle: 'hill-road-12', kits: [{ slug: 'cairn-fen-pair' }] };
  const open = () => shop.app.inject({ method: 'POST', url: '/api/jobs', headers: { cookie: shop.cookie }, payload: body });
  const [first, second] = [await open(), await open()];
  expect([first.statusCode, second.statusCode]).toEqual([201, 200]);
  const view = (await shop.app.inject({ url: `/api/jobs/job-${body.id}` })).json<{ events: { type: string; payload: object }[] }>();
  expect(view.events.filter((entry) => entry.type === 'job.opened')).toHaveLength(1);
  expect(view.events[0]?.payload).toMatchObject({ profile: { slug: 'wexholm-bollard-35', version: 1 }, kits: [{ slug: 'cairn-fen-pair', version: 1 }] });
});

test('an id that opened a job opens no other; a kit stands once on a job; its rules are those of the shop', async () => {
  const body = { id: v7(), vehicle: 'hill-road-12', kits: [{ slug: 'cairn-fen-pair' }], promisedAt: '2026-03-06T16:00:00+01:00' };
  const open = async (part: object) => {
    const answer = await shop.app.inject({ method: 'POST', url: '/api/jobs', headers: { cookie: shop.cookie }, payload: { ...body, ...part } });
    const { faults = [] } = answer.json<{ faults?: { path: string; code: string }[] }>();
    return [answer.statusCode, ...faults.map(({ path, code }) => `${path} ${code}`)];
  };
  // A rule set that stands before the shop's own in every list.
  const other = { ...demoDocument('rules.json'), slug: 'a-rule-set', name: 'Another rule set' };
  expect((await shop.app.inject({ method: 'POST', url: '/api/documents', headers: { cookie: shop.cookie }, payload: other })).statusCode).toBe(201);
  expect(await open({})).toEqual([201]);
  expect(await open({ promisedAt: '2026-03-06T15:00:00Z' })).toEqual([200]);
  for (const part of [{ vehicle: 'hill-road-07' }, { kits: [] }, { promisedAt: '2026-03-06T17:00:00Z' }, { promisedAt: undefined }])
    expect([part, ...(await open(part))]).toEqual([part, 409, 'id conflict']);
  expect(await open({ id: v7(), kits: [{ slug: 'cairn-fen-pair' }, { slug: 'cairn-fen-pair' }] })).toEqual([422, 'kits[1].slug duplicate-id']);
  const view = (await shop.app.inject({ url: `/api/jobs/job-${body.id}` })).json<{ events: { payload: object }[] }>();
  expect(view.events[0]?.payload).toMatchObject({ rules: { slug: 'harrow-quay' } });
});

test('the signed job has its sheet as a PDF, the same bytes each time; an unsigned one has none', async () => {
  const [first, second] = [await shop.app.inject({ url: '/api/jobs/saltmarsh-1/sheet.pdf' }), await shop.app.inject({ url: '/api/jobs/saltmarsh-1/sheet.pdf' })];
  expect(first.headers['content-type']).toBe('application/pdf');
  expect(first.rawPayload.subarray(0, 5).toString()).toBe('%PDF-');
  expect(first.rawPayload.equals(second.rawPayload)).toBe(true);
  expect((await shop.app.inject({ url: `/api/jobs/${JOB}/sheet.pdf` })).statusCode).toBe(404);
});

test('the board is told of the last fifty that left; a search finds the others by plate or customer', async () => {
  const { db } = shop.database;
  const old = (index: number) => ({
    id: `old-${index}`,
    vehicle: index === 0 ? 'bakery-5' : 'forestry-9',
    seq: 0,
    summary: JSON.stringify({ stations: [], holding: null, sentence: '', signed: true, signedAt: null, assigned: null, vehicle: 'x', kits: [] }),
    foldVersion: FOLD_VERSION,
    signed: true,
    openedAt: new Date(Date.UTC(2001, 0, 1 + index)),
  });
  await db.insert(tables.jobs).values(Array.from({ length: 60 }, (_, index) => old(index)));
  const ids = async (query = '') => (await shop.app.inject({ url: `/api/jobs${query}` })).json<{ id: string; summary: { signed: boolean } }[]>();
  const board = await ids();
  expect(board.filter((job) => job.summary.signed)).toHaveLength(50);
  expect(board.map((job) => job.id)).not.toContain('old-0');
  expect(board.map((job) => job.id)).toContain('hill-road-07');
  expect((await ids('?find=qb%205')).map((job) => job.id)).toEqual(['bakery-5', 'old-0']);
  expect((await ids('?find=QUAY+street')).map((job) => job.id)).toEqual(['bakery-5', 'old-0']);
  expect(await ids('?find=FORESTRY')).toHaveLength(30);
  // A sign of the pattern is only itself.
  expect([await ids('?find=%25'), await ids('?find=%27%20or%201%3D1'), await ids('?find=Q_5')]).toEqual([[], [], []]);
});

import { gunzipSync } from 'node:zlib';
import { CODE_TRIES, DEVICE_DAYS, SESSION_DAYS } from '@jade/core/shop';
import type { DeviceShown, Pairing } from '@jade/contract/people';
import { buildApp } from '../app/index.ts';
import { event, openTestShop, type TestShop } from '../test/shop.ts';

const TABLET = '192.0.2.7';
let shop: TestShop;
beforeEach(async () => {
  shop = await openTestShop();
}, 60_000);
afterEach(() => shop.close());

type Answer = Awaited<ReturnType<TestShop['app']['inject']>>;
const cookieIn = (answer: Answer) => String(answer.headers['set-cookie']).split(';')[0] ?? '';
const told = (answer: Answer) => [answer.statusCode, answer.json<{ faults: { path: string; code: string }[] }>().faults?.map(({ path, code }) => `${path}: ${code}`)];
const at = (remoteAddress: string, method: 'GET' | 'POST', url: string, cookie = '', payload: object = {}) =>
  shop.app.inject({ method, url, remoteAddress, headers: cookie ? { cookie } : {}, ...(method === 'POST' ? { payload } : {}) });
const signIn = async (person: string, cookie = '', remoteAddress = '127.0.0.1') => cookieIn(await at(remoteAddress, 'POST', '/api/session', cookie, { person, device: 'counter' }));
const openCode = async () => (await at('127.0.0.1', 'POST', '/api/pairings', await signIn('till'))).json<Pairing>().code;
const letIn = (code: string, remoteAddress = TABLET) => at(remoteAddress, 'POST', '/api/devices', '', { code, name: 'Bay 1 tablet' });
const sql = (text: string) => shop.database.pool.query(text);

test('a tablet is let in by the code of the counter, picks a bench name and works; the log says which device it was', async () => {
  const code = await openCode();
  expect(code).toMatch(/^[2-9A-HJ-NP-Z]{6}$/);
  const answer = await letIn(`${code.slice(0, 3).toLowerCase()} ${code.slice(3)}`);
  expect([answer.statusCode, String(answer.headers['set-cookie'])]).toEqual([
    201,
    expect.stringMatching(/^jade_device=[\w-]{43}; Path=\/; HttpOnly; SameSite=Strict; Max-Age=\d+$/),
  ]);
  const device = cookieIn(answer);
  expect((await at(TABLET, 'GET', '/api/people', device)).statusCode).toBe(200);
  const session = `${device}; ${await signIn('fern', device, TABLET)}`;
  const jotted = event('battery.measured', { restV: 12.6 });
  expect((await at(TABLET, 'POST', '/api/jobs/hill-road-12/events', session, { events: [jotted] })).statusCode).toBe(200);
  const { events } = (await at(TABLET, 'GET', '/api/jobs/hill-road-12', session)).json<{ events: { id: string; person: string; device: string }[] }>();
  expect(events.at(-1)).toMatchObject({ id: jotted.id, person: 'fern', device: 'Bay 1 tablet' });
});

test('an answer is packed on its way to another device, and not on the machine itself', async () => {
  const device = cookieIn(await letIn(await openCode()));
  const asked = (remoteAddress: string) =>
    shop.app.inject({ url: '/api/jobs/hill-road-07', remoteAddress, headers: { 'accept-encoding': 'gzip', ...(remoteAddress === TABLET ? { cookie: device } : {}) } });
  const [far, here] = [await asked(TABLET), await asked('127.0.0.1')];
  expect([far.headers['content-encoding'], here.headers['content-encoding']]).toEqual(['gzip', undefined]);
  expect(JSON.parse(gunzipSync(far.rawPayload).toString())).toEqual(here.json());
  expect(far.rawPayload.length * 3).toBeLessThan(here.rawPayload.length);
});

test('a code lets one device in, for ten minutes, and guessing shuts it', async () => {
  const once = await openCode();
  const answers = await Promise.all([letIn(once), letIn(once)]);
  expect(answers.map((answer) => answer.statusCode).sort()).toEqual([201, 403]);
  expect(told(await letIn(once))).toEqual([403, ['code: code-unknown']]);
  const late = await openCode();
  await sql('UPDATE pairings SET made_at = made_at - INTERVAL 10 MINUTE');
  expect(told(await letIn(late))).toEqual([403, ['code: code-unknown']]);
  const guessed = await openCode();
  for (let tries = 1; tries < CODE_TRIES; tries++) await letIn('222222');
  expect((await letIn(guessed)).statusCode).toBe(201);
  const shut = await openCode();
  for (let tries = 0; tries < CODE_TRIES; tries++) await letIn('222222');
  expect(told(await letIn(shut))).toEqual([403, ['code: code-unknown']]);
});

test('a device that is shut out, or was not used for long, is a stranger again, and so is its session', async () => {
  const device = cookieIn(await letIn(await openCode()));
  const session = `${device}; ${await signIn('fern', device, TABLET)}`;
  const lead = await signIn('slate');
  const devices = async () => (await at('127.0.0.1', 'GET', '/api/devices', lead)).json<DeviceShown[]>();
  const [shown] = await devices();
  expect(shown).toMatchObject({ name: 'Bay 1 tablet', pairedBy: 'Till', open: true });
  await sql(`UPDATE devices SET seen_at = seen_at - INTERVAL ${DEVICE_DAYS} DAY`);
  expect(told(await at(TABLET, 'GET', '/api/jobs', session))).toEqual([403, ['session: not-let-in']]);
  expect((await devices())[0]?.open).toBe(false);
  await sql(`UPDATE devices SET seen_at = seen_at + INTERVAL ${DEVICE_DAYS - 1} DAY`);
  expect((await at(TABLET, 'GET', '/api/jobs', session)).statusCode).toBe(200);
  // It was used: its days are counted anew.
  expect(Date.now() - Date.parse((await devices())[0]?.seenAt ?? '')).toBeLessThan(60_000);
  expect((await at('127.0.0.1', 'POST', `/api/devices/${shown?.id}/revoke`, lead)).statusCode).toBe(200);
  expect(told(await at(TABLET, 'GET', '/api/jobs', session))).toEqual([403, ['session: not-let-in']]);
  expect(told(await at(TABLET, 'POST', '/api/session', device, { person: 'fern', device: 'x' }))).toEqual([403, ['session: not-let-in']]);
  expect((await devices())[0]?.open).toBe(false);
  expect(told(await at('127.0.0.1', 'POST', '/api/devices/nothing/revoke', lead))).toEqual([404, ['device: unknown-id']]);
});

test('a session is of no use away from its device, after it is ended, or after its days', async () => {
  const device = cookieIn(await letIn(await openCode()));
  const other = cookieIn(await letIn(await openCode()));
  const own = await signIn('fern', device, TABLET);
  const here = await signIn('fern');
  const who = async (cookie: string, remoteAddress = TABLET) => (await at(remoteAddress, 'GET', '/api/session', cookie)).json<{ person: string } | null>()?.person;
  expect([await who(`${device}; ${own}`), await who(`${other}; ${own}`), await who(`${device}; ${here}`), await who(own, '127.0.0.1'), await who(here, '127.0.0.1')]).toEqual([
    'fern',
    undefined,
    undefined,
    undefined,
    'fern',
  ]);
  await sql(`UPDATE sessions SET created_at = created_at - INTERVAL ${SESSION_DAYS} DAY`);
  expect(await who(`${device}; ${own}`)).toBeUndefined();
  const fresh = await signIn('fern');
  const ended = await at('127.0.0.1', 'POST', '/api/session/end', fresh);
  expect([ended.json(), cookieIn(ended), await who(fresh, '127.0.0.1')]).toEqual([{ ended: true }, 'jade_session=', undefined]);
});

test('what was recorded before a hand-over of the bench is that of whoever recorded it, on that device alone', async () => {
  const device = cookieIn(await letIn(await openCode()));
  const begin = async (person: string, cookie: string, from: string) => {
    const answer = await at(from, 'POST', '/api/session', cookie, { person, device: 'counter' });
    return { cookie: [cookie, cookieIn(answer)].filter(Boolean).join('; '), id: answer.json<{ id: string }>().id };
  };
  const fern = await begin('fern', device, TABLET);
  await at(TABLET, 'POST', '/api/session/end', fern.cookie);
  const slate = await begin('slate', device, TABLET);
  const till = await begin('till', '', '127.0.0.1');
  const send = (from: string, cookie: string, session: unknown, type = 'battery.measured', payload: object = { restV: 12.1 }) =>
    at(from, 'POST', '/api/jobs/hill-road-12/events', cookie, { events: [event(type, payload)], session });
  expect((await send(TABLET, slate.cookie, fern.id)).statusCode).toBe(200);
  const { events } = (await at('127.0.0.1', 'GET', '/api/jobs/hill-road-12/events', till.cookie)).json<{ events: { person: string; device: string }[] }>();
  expect(events.at(-1)).toMatchObject({ person: 'fern', device: 'Bay 1 tablet' });
  // The rights are those of whoever recorded it.
  expect((await send(TABLET, slate.cookie, fern.id, 'job.signed', { atSeq: 1 })).statusCode).toBe(403);
  expect(told(await send('127.0.0.1', till.cookie, fern.id))).toEqual([403, ['session: other-session']]);
  expect(told(await send(TABLET, slate.cookie, till.id))).toEqual([403, ['session: other-session']]);
  expect(told(await send(TABLET, slate.cookie, 'made-up'))).toEqual([403, ['session: other-session']]);
  expect(told(await send(TABLET, slate.cookie, 7))).toEqual([422, ['session: type']]);
});

test('a proxy whose address is set is believed on who is behind it; any other one hides strangers', async () => {
  const app = buildApp({ database: shop.database, proxies: ['127.0.0.1'] });
  const status = async (headers: Record<string, string>, remoteAddress = '127.0.0.1') => (await app.inject({ url: '/api/people', headers, remoteAddress })).statusCode;
  expect(await status({})).toBe(200);
  expect(await status({ 'x-forwarded-for': '127.0.0.1' })).toBe(200);
  expect(await status({ 'x-forwarded-for': TABLET })).toBe(403);
  // A client adds a line of its own; the proxy adds the true one behind it.
  expect(await status({ 'x-forwarded-for': `127.0.0.1, ${TABLET}` })).toBe(403);
  expect(await status({ 'x-forwarded-for': '127.0.0.1' }, TABLET)).toBe(403);
  expect(await status({ via: '1.1 other' })).toBe(403);
  const device = cookieIn(await letIn(await openCode()));
  expect(await status({ 'x-forwarded-for': TABLET, cookie: device })).toBe(200);
  await app.close();
});

test('people are taken in, changed and leave; a bench name that left is nobody’s, the last lead stays', async () => {
  const lead = await signIn('slate');
  const post = (url: string, payload: object) => at('127.0.0.1', 'POST', url, lead, payload);
  const wren = { id: '019500d0-0000-7000-8000-00000000000a', benchName: 'Wren', role: 'installer' };
  expect([(await post('/api/people', wren)).statusCode, (await post('/api/people', wren)).statusCode]).toEqual([201, 200]);
  expect(told(await post('/api/people', { ...wren, benchName: 'Other' }))).toEqual([409, ['id: conflict']]);
  expect(told(await post('/api/people', { ...wren, id: '019500d0-0000-7000-8000-00000000000b', benchName: ' fern' }))).toEqual([422, ['benchName: name-twice']]);
  const change = { basedOn: 1, benchName: 'Fern', role: 'planner', left: false };
  expect([(await post('/api/people/fern', change)).json(), (await post('/api/people/fern', change)).json()]).toEqual([{ rev: 2 }, { rev: 2 }]);
  expect(told(await post('/api/people/fern', { ...change, benchName: 'Moss' }))).toEqual([409, ['basedOn: conflict']]);
  expect(told(await post('/api/people/slate', { basedOn: 1, benchName: 'Slate', role: 'installer', left: false }))).toEqual([422, ['role: no-lead']]);
  const copper = await signIn('copper');
  expect((await post('/api/people/copper', { basedOn: 1, benchName: 'Copper', role: 'in training', left: true })).statusCode).toBe(200);
  expect((await at('127.0.0.1', 'GET', '/api/session', copper)).json()).toBeNull();
  expect(told(await at('127.0.0.1', 'POST', '/api/session', '', { person: 'copper', device: 'x' }))).toEqual([404, ['person: unknown-id']]);
});

import { HELPER_HOURS } from '@jade/core/shop';
import type { HelperLink, HelperShown } from '@jade/contract/helper';
import { buildApp } from '../app/index.ts';
import { openDatabase } from '../database/index.ts';
import { follow } from '../test/follow.ts';
import { openTestShop, type TestShop } from '../test/shop.ts';

const JOB = 'hill-road-12';
const PHONE = '192.0.2.9';
let shop: TestShop;
let address: string;
beforeAll(async () => {
  shop = await openTestShop();
  address = await shop.app.listen({ host: '127.0.0.1', port: 0 });
}, 60_000);
afterAll(() => shop.close());

const post = (path: string, payload: object = {}) => shop.app.inject({ method: 'POST', url: `/api/jobs/${JOB}/helper${path}`, headers: { cookie: shop.cookie }, payload });
const linkOf = async () => (await post('')).json<HelperLink>();
const read = (token: string, remoteAddress = PHONE) => shop.app.inject({ url: `/api/helper/${token}`, remoteAddress });
const open = async () => (await shop.app.inject({ url: `/api/jobs/${JOB}/helper`, headers: { cookie: shop.cookie } })).json<{ open: number }>().open;

const followed = (token: string, at = address) => follow<HelperShown>(`${at}/api/helper/${token}/stream`);

test('a phone without any other way in reads by its link what this job asks of the helper, and nothing else', async () => {
  const { token, until, addresses } = await linkOf();
  expect([token, addresses]).toEqual([expect.stringMatching(/^[\w-]{43}$/), []]);
  expect(Math.round((Date.parse(until) - Date.now()) / 3_600_000)).toBe(HELPER_HOURS);
  expect((await read(token)).json()).toEqual({ plate: 'HR 12', state: null });
  expect((await post('/asked', { state: 'reverse' })).json()).toEqual({ told: true });
  expect((await read(token)).json()).toEqual({ plate: 'HR 12', state: 'reverse' });
  expect((await post('/asked')).json()).toEqual({ told: true });
  expect((await read(token)).json()).toEqual({ plate: 'HR 12', state: null });
  for (const url of [`/api/jobs/${JOB}`, `/api/jobs/${JOB}/helper`, '/api/people'])
    expect([url, (await shop.app.inject({ url, remoteAddress: PHONE, headers: { authorization: token } })).statusCode]).toEqual([url, 403]);
});

test('what is asked is told, by another server too, and only when it is something else', async () => {
  const { token } = await linkOf();
  await post('/asked', { state: 'parking' });
  const other = buildApp({ database: openDatabase(shop.url) });
  const there = await other.listen({ host: '127.0.0.1', port: 0 });
  const [phone, far] = [await followed(token), await followed(token, there)];
  expect([(await phone.next()).state, (await far.next()).state]).toEqual(['parking', 'parking']);
  await post('/asked', { state: 'parking' });
  await post('/asked', { state: 'stop pedal' });
  expect([(await phone.next()).state, (await far.next()).state]).toEqual(['stop pedal', 'stop pedal']);
  phone.stop();
  far.stop();
  await other.close();
});

test('a link that was shut, is over or never was reads nothing more, and its stream ends', async () => {
  const [shut, late] = [await linkOf(), await linkOf()];
  expect(await open()).toBeGreaterThanOrEqual(2);
  const phone = await followed(shut.token);
  await phone.next();
  await post('/shut');
  // A look of the server between the shutting and the end may still tell that nothing is asked.
  const last = async (): Promise<unknown> => {
    for (;;) expect((await phone.next()).state).toBeNull();
  };
  await expect(last()).rejects.toThrow('the stream ended');
  const refused = await read(shut.token);
  expect([refused.statusCode, refused.json<{ faults: { message: string }[] }>().faults[0]?.message]).toEqual([
    403,
    expect.stringMatching(/^This link is shut, or over after 12 hours/),
  ]);
  expect([await open(), (await post('/asked', { state: 'reverse' })).json()]).toEqual([0, { told: false }]);
  expect((await read(late.token)).statusCode).toBe(403);
  const old = await linkOf();
  expect((await read(old.token)).json()).toEqual({ plate: 'HR 12', state: null });
  await shop.database.pool.query('UPDATE helper_links SET made_at = made_at - INTERVAL 12 HOUR');
  expect([(await read(old.token)).statusCode, (await read('nothing')).statusCode, await open()]).toEqual([403, 403, 0]);
});

test('a job that is not there and a state that no vehicle has are refused by name', async () => {
  const strange = await shop.app.inject({ method: 'POST', url: '/api/jobs/nothing/helper', headers: { cookie: shop.cookie }, payload: {} });
  expect(strange.statusCode).toBe(404);
  const { statusCode, json } = await post('/asked', { state: 'flying' });
  expect([statusCode, json<{ faults: { path: string; code: string }[] }>().faults.map(({ path, code }) => `${path}: ${code}`)]).toEqual([422, ['state: choice']]);
});

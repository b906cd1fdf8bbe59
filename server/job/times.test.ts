import { event, openTestShop, type TestShop } from '../test/shop.ts';
import { timesOn } from './times.ts';

const LEFT = 'saltmarsh-1';
const PROFILE = 'oskarre-linnet';
let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(true, 'slate');
}, 60_000);
afterAll(() => shop.close());

const send = (events: object[], job = LEFT) => shop.app.inject({ method: 'POST', url: `/api/jobs/${job}/events`, headers: { cookie: shop.cookie }, payload: { events } });
/** What follows an append has followed once the board was read. */
const followed = () => shop.app.inject({ url: '/api/jobs' });
const takenOn = async (profile: string, version = 1) => (await timesOn(shop.database.db, profile, version)).taken;
const view = async (job: string) =>
  (await shop.app.inject({ url: `/api/jobs/${job}` })).json<{ taken: Record<string, { count: number; sumLn: number; sumLnSquared: number }>; newKit: boolean }>();

test('a job of the same kind of vehicle is told the times of those that have left, another kind is not', async () => {
  const { taken } = await view('saltmarsh-3');
  const blank = taken['fog-blank-left/fitted>off/through-arch'];
  // The liner was ticked at 08:33 and the blank at 08:37: 4 min, less 0.2 to fetch a tool.
  expect(blank?.count).toBe(1);
  expect(Math.exp(blank?.sumLn ?? 0)).toBeCloseTo(3.8, 9);
  expect(blank?.sumLnSquared).toBeCloseTo((blank?.sumLn ?? 0) ** 2, 9);
  expect(await takenOn('pellorin-trio-300')).toEqual({});
});

test('a job that is opened again takes its times along, and brings them when it is signed again', async () => {
  const before = await takenOn(PROFILE);
  expect(Object.keys(before).length).toBeGreaterThan(2);
  await send([event('job.reopened', { why: 'the left lamp came loose' })]);
  await followed();
  expect(await takenOn(PROFILE)).toEqual({});
  await send([event('job.signed', { atSeq: 77 })]);
  await followed();
  expect(await takenOn(PROFILE)).toEqual(before);
});

test('two vans have left: their steps were taken twice each, by the way they went', async () => {
  const { taken } = await view('hill-road-07');
  expect(taken['grille/fitted>off/front']?.count).toBe(2);
  expect(taken['grille/off>fitted']?.count).toBe(2);
  expect((await shop.app.inject({ url: '/api/times/wexholm-bollard-35' })).json()).toEqual({ version: 1, taken, within: 0 });
});

test('a kit is new to the shop as long as no other job with it has left', async () => {
  const newKit = async () => (await view('saltmarsh-3')).newKit;
  const left = [LEFT, 'hill-road-05', 'hill-road-09'];
  for (const job of left) {
    expect(await newKit()).toBe(false);
    await send([event('job.reopened', { why: 'looked at again' })], job);
  }
  expect(await newKit()).toBe(true);
  await send([event('job.signed', { atSeq: 77 })]);
  expect(await newKit()).toBe(false);
});

import type { ServerResponse } from 'node:http';
import { buildApp } from '../app/index.ts';
import { openDatabase } from '../database/index.ts';
import { BoardStreams, Streams } from './streams.ts';
import { follow } from '../test/follow.ts';
import { event, openTestShop, type TestShop } from '../test/shop.ts';

const JOB = 'hill-road-12';
let shop: TestShop;
let address: string;
beforeAll(async () => {
  shop = await openTestShop();
  address = await shop.app.listen({ host: '127.0.0.1', port: 0 });
}, 60_000);
afterAll(() => shop.close());

interface Told {
  id: string;
  after: number;
  events: { id: string; seq: number; type: string }[];
}

const followed = (since: number | string, job = JOB, at = address) => follow<Omit<Told, 'id'>>(`${at}/api/jobs/${job}/stream?since=${since}`);

const send = (events: object[]) => shop.app.inject({ method: 'POST', url: `/api/jobs/${JOB}/events`, headers: { cookie: shop.cookie }, payload: { events } });
const lastSeq = async () => (await shop.app.inject({ url: `/api/jobs/${JOB}/events` })).json<{ events: object[] }>().events.length;

test('who opens the stream gets what was missed, then what is appended, with the place to go on from', async () => {
  const before = await lastSeq();
  const missed = event('battery.measured', { restV: 12.6 });
  await send([missed]);
  const stream = await followed(before);
  expect(stream.answer.headers.get('content-type')).toBe('text/event-stream');
  expect(await stream.next()).toMatchObject({ id: String(before + 1), after: before, events: [{ id: missed.id, seq: before + 1 }] });
  const [first, second] = [event('codes.read', { moment: 'before', count: 0 }), event('battery.measured', { restV: 12.5 })];
  await send([first, second]);
  expect(await stream.next()).toMatchObject({ id: String(before + 3), events: [{ id: first.id }, { id: second.id }] });
  stream.stop();
});

test('what is sent again is not told again, and what is refused is not told at all', async () => {
  const stream = await followed(await lastSeq());
  const first = event('battery.measured', { restV: 12.4 });
  await send([first]);
  await send([first]);
  await send([event('battery.measured', { restV: 'much' })]);
  const last = event('battery.measured', { restV: 12.3 });
  await send([last]);
  expect((await stream.next()).events.map((entry) => entry.id)).toEqual([first.id]);
  expect((await stream.next()).events.map((entry) => entry.id)).toEqual([last.id]);
  stream.stop();
});

test('what another server on the same database stores is told within a second, in order, and nothing twice', async () => {
  const other = buildApp({ database: openDatabase(shop.url) });
  const second = await other.listen({ host: '127.0.0.1', port: 0 });
  const since = await lastSeq();
  const [here, there] = [await followed(since), await followed(since, JOB, second)];
  const sent = [11.9, 11.8, 11.7, 11.6].map((restV) => event('battery.measured', { restV }));
  for (const [place, entry] of sent.entries())
    await (place % 2 ? other : shop.app).inject({ method: 'POST', url: `/api/jobs/${JOB}/events`, headers: { cookie: shop.cookie }, payload: { events: [entry] } });
  for (const stream of [here, there]) {
    const told: Told[] = [];
    while (told.flatMap(({ events }) => events).length < sent.length) told.push(await stream.next());
    expect(told.flatMap(({ events }) => events.map((entry) => [entry.id, entry.seq]))).toEqual(sent.map((entry, place) => [entry.id, since + 1 + place]));
    told.forEach(({ after, events }) => expect(events[0]?.seq).toBe(after + 1));
    stream.stop();
  }
  // Both show the same board, whoever made the summary.
  const boards = await Promise.all([other, shop.app].map(async (app) => (await app.inject({ url: '/api/jobs' })).json<{ id: string; seq: number; summary: object }[]>()));
  expect(boards[0]).toEqual(boards[1]);
  await other.close();
});

test('two browsers follow one job; a third follows another and hears nothing of it', async () => {
  const [one, two, other] = [await followed(await lastSeq()), await followed(await lastSeq()), await followed(9999, 'saltmarsh-3')];
  const told = event('battery.measured', { restV: 12.2 });
  await send([told]);
  expect([(await one.next()).events[0]?.id, (await two.next()).events[0]?.id]).toEqual([told.id, told.id]);
  const quiet = await Promise.race([other.next().then(() => 'told'), new Promise((settle) => setTimeout(() => settle('quiet'), 200))]);
  expect(quiet).toBe('quiet');
  for (const stream of [one, two, other]) stream.stop();
});

test('the stream of a job that is not there is 404; a place that is no number is refused, none is the start', async () => {
  expect((await fetch(`${address}/api/jobs/nowhere/stream`)).status).toBe(404);
  for (const since of ['tea', '-1', '1.5', '9e99']) {
    const answer = await fetch(`${address}/api/jobs/${JOB}/stream?since=${since}`);
    expect([since, answer.status, ((await answer.json()) as { faults: { path: string }[] }).faults[0]?.path]).toEqual([since, 422, 'since']);
  }
  const stream = await followed('');
  const { after, events } = await stream.next();
  expect([after, events[0]]).toEqual([0, expect.objectContaining({ seq: 1, type: 'job.opened' })]);
  stream.stop();
});

test('whoever is not let in any more is told no more, on the job and on the board; the others are', async () => {
  const heard: Record<string, string[]> = {};
  const response = (name: string) => {
    const lines = (heard[name] = [] as string[]);
    return { write: (text: string) => lines.push(text.trim()), end: () => lines.push('ended'), on: () => undefined } as unknown as ServerResponse;
  };
  const [streams, board] = [new Streams(shop.database.db), new BoardStreams()];
  const since = await lastSeq();
  await streams.add(JOB, response('job, in'), since, () => Promise.resolve(true));
  await streams.add(JOB, response('job, out'), since, () => Promise.resolve(false));
  await streams.add(JOB, response('job, not known'), since, () => Promise.reject(new Error('the database is away')));
  board.add(response('board, in'), () => Promise.resolve(true));
  board.add(response('board, out'), () => Promise.resolve(false));
  await Promise.all([streams.ping(), board.ping()]);
  expect(heard).toEqual({
    'job, in': [': still here'],
    'job, out': ['ended'],
    'job, not known': [': still here'],
    'board, in': [': open', ': still here'],
    'board, out': [': open', 'ended'],
  });
});

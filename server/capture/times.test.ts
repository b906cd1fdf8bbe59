import { NOTHING_TAKEN } from '@jade/core/capture';
import type { TimesOfKind } from '@jade/contract/job';
import { learnedSteps } from '@jade/core/overlay';
import type { LoggedEvent } from '@jade/core/events';
import type { VehicleProfile } from '@jade/core/vehicle';
import { event, openTestShop, type TestShop } from '../test/shop.ts';

const VAN = 'wexholm-bollard-35';
let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(true, 'slate');
}, 60_000);
afterAll(() => shop.close());

const get = async <T>(url: string) => (await shop.app.inject({ url })).json<T>();
const post = (url: string, payload: object) => shop.app.inject({ method: 'POST', url, headers: { cookie: shop.cookie }, payload });
const send = (job: string, events: object[]) => post(`/api/jobs/${job}/events`, { events });
/** What follows an append has followed once the board was read. */
const followed = () => shop.app.inject({ url: '/api/jobs' });
const times = (version?: number) => get<TimesOfKind>(`/api/times/${VAN}${version === undefined ? '' : `?version=${version}`}`);
const profile = async (version?: number) =>
  (await get<{ document: VehicleProfile }>(`/api/documents/vehicle/${VAN}${version === undefined ? '' : `?version=${version}`}`)).document;
const putIn = (basedOn: number) => post(`/api/times/${VAN}`, { basedOn });
/** Opens a job again and signs it once more, so that its times are kept anew. */
async function signAgain(job: string): Promise<void> {
  await send(job, [event('job.reopened', { why: 'the left lamp came loose' })]);
  await followed();
  const { events } = await get<{ events: LoggedEvent[] }>(`/api/jobs/${job}`);
  await send(job, [event('job.signed', { atSeq: events.length })]);
  await followed();
}
const counts = ({ taken }: TimesOfKind) => Object.fromEntries(Object.entries(taken).map(([step, { count }]) => [step, count]));

test('times go into the next version and are counted once; jobs of the version before count them as they did', async () => {
  const before = await times();
  const steps = learnedSteps(await profile(), before.taken);
  expect(steps.length).toBeGreaterThan(4);
  expect((await putIn(1)).json()).toMatchObject({ version: 2 });
  const now = await times();
  expect(now).toEqual({ version: 2, taken: {}, within: Object.values(before.taken).reduce((sum, { count }) => sum + count, 0) });
  expect(await times(1)).toEqual(before);
  // Each step takes by the profile what it was reckoned with; none of it is reckoned twice.
  const held = new Map(learnedSteps(await profile(2), before.taken).map(({ step, profileMin }) => [step, profileMin]));
  for (const { step, estimate } of steps) expect(Math.abs((held.get(step) ?? 0) - estimate.medianMin)).toBeLessThan(0.02);
  expect((await get<{ taken: object }>('/api/jobs/hill-road-07')).taken).toEqual(before.taken);
});

test('sent once more it changes nothing; begun from another version than the newest with new times it is told', async () => {
  const answer = await putIn(1);
  expect([answer.statusCode, answer.json()]).toEqual([200, { version: 2, changes: 0 }]);
  expect((await times()).version).toBe(2);
  for (const [payload, path] of [
    [{}, 'basedOn'],
    [{ basedOn: 0 }, 'basedOn'],
    [{ basedOn: 2, more: 1 }, 'more'],
  ] as const) {
    const refused = await post(`/api/times/${VAN}`, payload);
    expect([refused.statusCode, refused.json<{ faults: { path: string }[] }>().faults[0]?.path]).toEqual([422, path]);
  }
  expect((await post('/api/times/nothing', { basedOn: 1 })).statusCode).toBe(404);
});

test('a job that is opened again and signed once more has its times in that version still', async () => {
  const before = await times();
  await send('hill-road-05', [event('job.reopened', { why: 'the left lamp came loose' })]);
  await followed();
  const without = await times();
  expect(without.within).toBeLessThan(before.within);
  expect(without.taken).toEqual({});
  await signAgain('hill-road-05');
  expect(await times()).toEqual(before);
});

test('where a version is taken back its times count again, and go in once more', async () => {
  const first = await times(1);
  const back = await post('/api/documents?basedOn=2', await profile(1));
  expect(back.json()).toMatchObject({ version: 3, stored: true });
  expect(await times()).toEqual({ ...first, version: 3 });
  expect((await putIn(3)).json()).toMatchObject({ version: 4 });
  const again = await times();
  expect(again).toMatchObject({ version: 4, taken: {} });
  expect((await profile(4)).pieces).toEqual((await profile(2)).pieces);
  // What is corrected by hand keeps what went in.
  const other = await profile(4);
  expect((await post('/api/documents?basedOn=4', { ...other, cautions: [...other.cautions, 'The bonnet stay is stiff.'] })).json()).toMatchObject({ version: 5 });
  expect(await times()).toMatchObject({ version: 5, taken: {}, within: again.within });
  await signAgain('hill-road-09');
  expect(await times()).toMatchObject({ version: 5, taken: {}, within: again.within });
  expect(counts(await times(3))).toEqual(counts(first));
});

test('what is timed afterwards counts beside them', async () => {
  await send('hill-road-05', [event('job.reopened', { why: 'the grille sat askew' })]);
  const moved = (level: 'off' | 'fitted', minute: number) => ({
    ...event('piece.moved', { piece: 'grille', level, ...(level === 'off' ? { way: 'front' } : {}), fasteners: [] }),
    at: new Date(Date.now() + minute * 60_000).toISOString(),
  });
  expect((await send('hill-road-05', [moved('off', 1), moved('fitted', 6)])).statusCode).toBe(200);
  await signAgain('hill-road-05');
  const now = await times();
  expect(counts(now)).toEqual({ 'grille/off>fitted': 1 });
  expect(counts(await times(1))['grille/off>fitted']).toBe(3);
});

test('the minutes of a piece that is kept are in its version, also where its job leaves only afterwards', async () => {
  const [kind, job, id] = ['wexholm-fieldcat', 'forestry-9', 'splash-shield-x7k2'];
  const shield = {
    id,
    name: 'Splash shield, left',
    side: 'left',
    zone: 'left-side',
    box: { xMm: [300, 600], yMm: [600, 700], zMm: [300, 700] },
    levels: [{ level: 'off', openMin: 4, closeMin: 4, people: 1, ways: [{ id: 'seen', needs: [], extraMin: 0 }] }],
    fasteners: [],
    cautions: [],
  };
  const at = (minute: number) => new Date(Date.now() + minute * 60_000).toISOString();
  const moved = (piece: string, level: 'off' | 'fitted', minute: number) => ({ ...event('piece.moved', { piece, level, fasteners: [] }), at: at(minute) });
  const turns = [moved('dash-top', 'off', 1), moved(id, 'off', 4), moved(id, 'fitted', 7), moved('dash-top', 'fitted', 12)];
  expect((await send(job, [{ ...event('kind.described', { pieces: [shield] }), at: at(0) }, ...turns])).statusCode).toBe(200);
  const kept = await post(`/api/taught/${kind}`, { ...NOTHING_TAKEN, pieces: [id], basedOn: 1 });
  expect(kept.json()).toMatchObject({ version: 2 });
  const { events } = await get<{ events: LoggedEvent[] }>(`/api/jobs/${job}`);
  await send(job, [event('job.signed', { atSeq: events.length })]);
  await followed();
  const on = (version: number) => get<TimesOfKind>(`/api/times/${kind}?version=${version}`);
  const [before, after] = [await on(1), await on(2)];
  expect(counts(before)[`${id}/off>fitted`]).toBe(1);
  expect(Object.keys(after.taken).filter((step) => step.startsWith(id))).toEqual([]);
  // What the profile had before goes on by its times.
  expect(counts(after)['dash-top/off>fitted']).toBe(1);
  expect(after.within).toBe(2);
});

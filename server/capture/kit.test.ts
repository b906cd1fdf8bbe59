import { v7 } from 'uuid';
import { NOTHING_TAKEN, type KindCaptured } from '@jade/core/capture';
import type { Kit } from '@jade/core/kit';
import { tables } from '../database/index.ts';
import { event, openTestShop, type TestShop } from '../test/shop.ts';

const HERON = {
  maker: 'Dunmorrow',
  model: 'Heron',
  year: 2021,
  body: 'pickup-double-cab',
  systemVoltageV: 12,
  highVoltage: false,
  lengthMm: 5310,
  widthMm: 1850,
  heightMm: 1810,
  wheelbaseMm: 3210,
};
const BAR = { maker: 'Tarn', name: 'Prow bar', kind: 'light bar', priceCents: 32_900 };
const SLUG = 'tarn-prow-bar';
let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(true, 'slate');
}, 60_000);
afterAll(() => shop.close());

const post = (url: string, payload: object) => shop.app.inject({ method: 'POST', url, headers: { cookie: shop.cookie }, payload });
const get = async <T>(url: string) => (await shop.app.inject({ url })).json<T>();
const told = (answer: { statusCode: number; json: () => unknown }) => {
  const { faults = [] } = answer.json() as { faults?: { path: string; code: string }[] };
  return [answer.statusCode, faults.map(({ path, code }) => `${path}: ${code}`)];
};
const newest = (kind: string, slug: string) => get<{ version: number; document: Kit }>(`/api/documents/${kind}/${slug}`);
const job = {
  id: v7(),
  newVehicle: { plate: 'NF 31', year: 2021, profile: 'dunmorrow-heron', kind: HERON, newCustomer: { name: 'Northfell Sawmill' } },
  kits: [{ slug: SLUG, make: BAR }],
};
const JOB = `job-${job.id}`;

test('a job is opened with a kit that nobody described: its first version is kept with it, once', async () => {
  const answers = await Promise.all([post('/api/jobs', job), post('/api/jobs', job)]);
  expect(answers.map(({ statusCode }) => statusCode).sort()).toEqual([200, 201]);
  expect(await newest('kit', SLUG)).toMatchObject({ version: 1, document: { kind: 'light bar', undescribed: ['lamps', 'contents', 'vehicles'], priceCents: 32_900 } });
  expect(await get(`/api/jobs/${JOB}`)).toMatchObject({ events: [{ payload: { kits: [{ slug: SLUG, version: 1 }] } }] });
  const wrong = async (make: object, slug = SLUG) =>
    told(await post('/api/jobs', { ...job, id: v7(), newVehicle: { ...job.newVehicle, plate: 'NF 32' }, kits: [{ slug, make: { ...BAR, ...make } }] }));
  expect(await wrong({ name: 'Stem bar' })).toEqual([422, ['kits[0].slug: choice']]);
  expect(await wrong({ priceCents: 31_000 })).toEqual([409, ['kits[0].make: kit-known']]);
  expect(await wrong({ kind: 'lantern' })).toEqual([422, ['kits[0].make.kind: choice']]);
  expect(await wrong({ priceCents: -1 })).toEqual([422, ['kits[0].make.priceCents: range']]);
  expect(await newest('kit', SLUG)).toMatchObject({ version: 1 });
});

test('a kit that nobody described is added to a job that runs, once', async () => {
  const added = { id: v7(), kit: 'cairn-beacon-stem', make: { ...BAR, maker: 'Cairn', name: 'Beacon stem', kind: 'work lamp pair' } };
  expect((await post(`/api/jobs/${JOB}/kits`, added)).statusCode).toBe(201);
  expect((await post(`/api/jobs/${JOB}/kits`, added)).statusCode).toBe(200);
  expect(told(await post(`/api/jobs/${JOB}/kits`, { ...added, id: v7(), kit: 'cairn-other' }))).toEqual([422, ['kit: choice']]);
  expect(told(await post(`/api/jobs/${JOB}/kits`, { id: v7(), kit: 'cairn-stem-bar', make: { ...added.make, name: 'Beacon stem', kind: 'light bar' } }))).toEqual([
    422,
    ['kit: choice'],
  ]);
  expect((await newest('kit', 'cairn-beacon-stem')).document.kind).toBe('work lamp pair');
});

const taught = () => get<KindCaptured & { version: number }>('/api/taught/dunmorrow-heron');
const PLACE = {
  id: 'behind-the-grille-d4',
  name: 'Behind the grille',
  side: 'centre',
  at: { xMm: 830, yMm: 20, zMm: 780 },
  reach: [{ id: 'seen', needs: [], extraMin: 0 }],
  hiddenBy: [],
};
const LAMP = {
  id: 'light-bar',
  name: 'Light bar',
  side: 'centre',
  optics: { beam: 'driving', basis: 'claimed' },
  load: { powerW: 96, atV: 13.2, kind: 'driven LED' },
  box: { widthMm: 560, heightMm: 72, depthMm: 81 },
  marking: 'none found',
};
const STEP = { id: 'feet-c3', name: 'Feet', side: 'centre', needs: [], at: PLACE.id, passes: ['start', 'align', 'tighten'], minutes: 6, tool: '13 mm hex', tighten: 'snug' };

test('what a job described of a kit is kept with the place of the vehicle, together or not at all, and twice is once', async () => {
  const said = [
    event('kind.described', { mounts: [PLACE] }),
    event('kit.described', { kit: SLUG, lamps: [LAMP], whole: ['lamps'] }),
    event('kit.described', { kit: SLUG, mounts: [{ lamp: 'light-bar', mount: PLACE.id }], fitSteps: [STEP], whole: ['mounts', 'fitSteps', 'tests'] }),
    event('step.passed', { kit: SLUG, step: 'feet-c3', pass: 'start' }),
  ];
  const { answers } = (await post(`/api/jobs/${JOB}/events`, { events: said })).json<{ answers: { status: string }[] }>();
  expect(answers.map(({ status }) => status)).toEqual(['stored', 'stored', 'stored', 'stored']);
  // What was described in an earlier request is known in the next, and what was not is refused with its path.
  const odd = (await post(`/api/jobs/${JOB}/events`, { events: [event('step.passed', { kit: SLUG, step: 'nothing', pass: 'start' })] })).json<{
    answers: { faults: { path: string }[] }[];
  }>();
  expect(odd.answers[0]?.faults.map(({ path }) => path)).toEqual(['events[0].payload.step']);
  const found = await taught();
  expect([found.mounts.map(({ entry }) => entry.id), found.kits.map(({ kit, more }) => [kit.slug, more])]).toEqual([
    [PLACE.id],
    [[SLUG, { lamps: 1, contents: 0, fitSteps: 1, connections: 0, tests: 0 }]],
  ]);
  const taken = { basedOn: found.version, ...NOTHING_TAKEN, mounts: [PLACE.id], kits: [SLUG] };
  // A kit without its place is left.
  expect((await post('/api/taught/dunmorrow-heron', { ...taken, mounts: [] })).json()).toEqual({ version: 1, kits: [] });
  expect(await newest('kit', SLUG)).toMatchObject({ version: 1 });
  expect((await post('/api/taught/dunmorrow-heron', taken)).json()).toEqual({ version: 2, kits: [{ slug: SLUG, version: 2 }] });
  // Sent again it is kept already.
  expect((await post('/api/taught/dunmorrow-heron', taken)).json()).toEqual({ version: 2, kits: [] });
  expect(await taught()).toMatchObject({ version: 2, mounts: [], kits: [] });
  expect((await newest('kit', SLUG)).document).toMatchObject({
    undescribed: ['contents', 'vehicles'],
    fitments: [{ vehicle: 'dunmorrow-heron', fitSteps: [{ id: 'feet-c3' }], undescribed: ['connections', 'years'] }],
  });
  expect(told(await post('/api/taught/dunmorrow-heron', { ...taken, kits: ['No Slug'] }))).toEqual([422, ['kits: type']]);
  expect(told(await post('/api/taught/nothing', taken))).toEqual([404, ['vehicle: unknown-id']]);
});

test('what was chosen from a version that is no longer the newest is a conflict where it would change something', async () => {
  const more = event('kind.described', { mounts: [{ ...PLACE, id: 'under-the-bed-e5', name: 'Under the bed', side: 'left' }] });
  const passed = [
    event('kit.described', { kit: SLUG, fitSteps: [{ ...STEP, id: 'lead-f6', at: 'under-the-bed-e5' }] }),
    event('step.passed', { kit: SLUG, step: 'lead-f6', pass: 'start' }),
  ];
  await post(`/api/jobs/${JOB}/events`, { events: [more, ...passed] });
  const taken = { ...NOTHING_TAKEN, mounts: ['under-the-bed-e5'] };
  expect(told(await post('/api/taught/dunmorrow-heron', { ...taken, basedOn: 1 }))).toEqual([409, ['basedOn: conflict']]);
  expect((await post('/api/taught/dunmorrow-heron', { ...taken, basedOn: 2 })).json()).toEqual({ version: 3, kits: [] });
  expect(await shop.database.db.select({ kit: tables.kitVehicles.kit }).from(tables.kitVehicles)).toEqual(expect.arrayContaining([{ kit: SLUG }]));
});

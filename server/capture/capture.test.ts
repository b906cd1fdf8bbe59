import { NOTHING_TAKEN, withCaptured, type KindCaptured } from '@jade/core/capture';
import type { VehicleProfile, Way } from '@jade/core/vehicle';
import { event, openTestShop, type TestShop } from '../test/shop.ts';

const FIELDCAT = 'wexholm-fieldcat';
const JOB = 'forestry-9';
let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(true, 'slate');
}, 60_000);
afterAll(() => shop.close());

const taught = async (profile = FIELDCAT) => (await shop.app.inject({ url: `/api/taught/${profile}` })).json<KindCaptured & { version: number; jobs: number }>();
const send = (events: object[], job = JOB) => shop.app.inject({ method: 'POST', url: `/api/jobs/${job}/events`, headers: { cookie: shop.cookie }, payload: { events } });
// After all that the demo's days hold, at whatever hour this runs.
const judged = (pieces: string[]) => ({
  ...event('opening.judged', { pieces: pieces.map((piece) => ({ piece, enough: 'fitted' })) }),
  at: new Date(Date.now() + 172_800_000).toISOString(),
});

test('who did as the profile says has taught nothing; a kind without jobs has none; an unknown one is refused', async () => {
  expect(await taught()).toEqual({
    changes: [],
    unsayable: 0,
    conflicts: [],
    pieces: [],
    functions: [],
    mounts: [],
    supplies: [],
    sensors: [],
    gaps: [],
    plugs: [],
    circuits: [],
    facts: [],
    confirmed: [],
    otherwise: [],
    refitRules: [],
    without: [],
    revived: [],
    measures: [],
    notes: [],
    kits: [],
    whole: [],
    version: 1,
    jobs: 1,
  });
  expect(await taught('pellorin-trio-300')).toMatchObject({ changes: [], jobs: 0 });
  expect((await shop.app.inject({ url: '/api/taught/nothing' })).statusCode).toBe(404);
});

test('what could have stayed on teaches a shorter way of the kind, until it is taken back', async () => {
  const said = judged(['skid-plate', 'hood-strap']);
  expect((await send([said])).statusCode).toBe(200);
  const { changes } = await taught();
  const cover = changes.find(({ place }) => 'piece' in place && place.piece === 'front-cover');
  expect(cover).toMatchObject({ way: { needs: [] }, shorterThan: [{ id: 'front' }, { id: 'frame-standing' }], onlySeen: [], jobs: [JOB] });
  // That the battery was off is no need of a way, and nothing leads over what could have stayed on.
  const through = changes.flatMap(({ way }) => way.needs.map(({ piece }) => piece));
  expect(['battery-negative', 'skid-plate', 'hood-strap'].filter((piece) => through.includes(piece))).toEqual([]);
  await send([event('undone', { event: said.id })]);
  expect((await taught()).changes).toEqual([]);
});

test('a move of a device that was away counts as open for those of another: its clock is not known', async () => {
  // Ten minutes ago by its own clock, so after all that the demo's other device did the day before; it reaches the server only now.
  const away = { ...event('piece.moved', { piece: 'dash-top', level: 'off', fasteners: [] }), at: new Date(Date.now() - 600_000).toISOString() };
  const said = judged(['skid-plate', 'hood-strap']);
  await send([away]);
  await send([said]);
  const cover = (await taught()).changes.find(({ place }) => 'piece' in place && place.piece === 'front-cover');
  // Nobody has said of it that it had to be.
  expect(cover?.way.needs).toEqual([{ piece: 'dash-top', level: 'off', seen: true }]);
  for (const { id } of [said, away]) await send([event('undone', { event: id })]);
  expect((await taught()).changes).toEqual([]);
});

test('on a van without what never comes off where it is, a way is counted and not offered', async () => {
  const said = judged(['visor-left']);
  await send([said], 'hill-road-02');
  expect(await taught('wexholm-bollard-35')).toMatchObject({ changes: [], unsayable: 1 });
  await send([event('undone', { event: said.id })], 'hill-road-02');
});

test('an answer about what the profile does not have is refused with its path', async () => {
  const { answers } = (await send([judged(['nothing'])])).json<{ answers: { status: string; faults: { path: string }[] }[] }>();
  expect(answers[0]).toMatchObject({ status: 'refused', faults: [{ path: 'events[0].payload.pieces[0].piece' }] });
});

const shield = (id: string, openMin: number) => ({
  id,
  name: 'Splash shield, left',
  side: 'left',
  zone: 'left-side',
  box: { xMm: [300, 600], yMm: [600, 700], zMm: [300, 700] },
  levels: [{ level: 'off', openMin, closeMin: openMin, people: 1, ways: [{ id: 'seen', needs: [], extraMin: 0 }] }],
  fasteners: [],
  cautions: [],
});

test('a piece that a job described on a kind that is known is offered with what was open then, and kept it is offered no more', async () => {
  const { document, version } = (await shop.app.inject({ url: `/api/documents/vehicle/${FIELDCAT}` })).json<{ document: VehicleProfile; version: number }>();
  const described = event('kind.described', { pieces: [shield('splash-shield-x7k2', 4)] });
  const moved = event('piece.moved', { piece: 'splash-shield-x7k2', level: 'off', fasteners: [] });
  const { answers } = (await send([described, moved])).json<{ answers: { status: string }[] }>();
  expect(answers.map(({ status }) => status)).toEqual(['stored', 'stored']);
  // What was described in an earlier batch is known in the next.
  expect((await send([event('fastener.broken', { piece: 'splash-shield-x7k2', group: 'clips', count: 1 })])).json<{ answers: object[] }>().answers[0]).toMatchObject({
    faults: [{ path: 'events[0].payload.group' }],
  });
  const found = await taught();
  const [piece] = found.pieces;
  expect(piece).toMatchObject({ jobs: [JOB], entry: { id: 'splash-shield-x7k2', levels: [{ openMin: 4 }] } });
  // All that was off when it came is its way; kept, it asks for the supply that was dead rather than for what isolated it.
  const needsOf = (way: Way | undefined) => way?.needs.map((need) => need.piece) ?? [];
  expect(needsOf(piece?.entry.levels[0]?.ways[0])).toContain('battery-negative');
  const taken = { ...NOTHING_TAKEN, pieces: ['splash-shield-x7k2'] };
  const kept = await shop.app.inject({
    method: 'POST',
    url: `/api/documents?basedOn=${version}`,
    headers: { cookie: shop.cookie },
    payload: withCaptured(document, found, taken) as unknown as object,
  });
  const way = withCaptured(document, found, taken).pieces.at(-1)?.levels[0]?.ways[0];
  expect([way?.asks, needsOf(way).includes('battery-negative'), needsOf(way).length > 0]).toEqual([[{ supply: 'low', is: 'dead' }], false, true]);
  expect(kept.json()).toMatchObject({ version: version + 1 });
  expect(await taught()).toMatchObject({ pieces: [], version: version + 1 });
  // The job that is open goes on with what it described itself.
  expect((await send([event('fastener.seized', { piece: 'nothing', group: 'a', count: 1, addMin: 2 })])).json<{ answers: object[] }>().answers[0]).toMatchObject({
    status: 'refused',
  });
});

test('what pieces are called on all kinds is told by name and side', async () => {
  const { pieces } = (await shop.app.inject({ url: '/api/known-pieces' })).json<{ pieces: { name: string; side: string; fasteners: object[] }[] }>();
  expect(pieces.find(({ name }) => name === 'Splash shield, left')).toMatchObject({ side: 'left', fasteners: [] });
  expect(new Set(pieces.map(({ name, side }) => `${name.toLowerCase()}/${side}`)).size).toBe(pieces.length);
});

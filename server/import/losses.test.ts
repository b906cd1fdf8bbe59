import { demoDocument, event, openTestShop, type TestShop } from '../test/shop.ts';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(true, 'slate');
}, 60_000);
afterAll(() => shop.close());

interface Answer {
  version?: number;
  losses?: boolean | { path: string }[];
  faults?: { path: string; code: string; message: string }[];
}
const take = async (document: object, query = '') => {
  const answer = await shop.app.inject({ method: 'POST', url: `/api/documents${query}`, headers: { cookie: shop.cookie }, payload: document });
  return { status: answer.statusCode, ...answer.json<Answer>() };
};
/** A list of a document of the demo. */
const listOf = (file: string, list: string) => demoDocument(file)[list] as { id: string }[];
/** A document of the demo without some entries of its lists. */
const without = (file: string, gone: Record<string, string[]>): Record<string, unknown> => ({
  ...demoDocument(file),
  // Its ways for cable lead to its mounts: without one of those they are not described.
  ...('mounts' in gone ? { cableWays: undefined } : {}),
  ...Object.fromEntries(Object.entries(gone).map(([list, ids]) => [list, listOf(file, list).filter(({ id }) => !ids.includes(id))])),
});
const BOLLARD = 'vehicles/wexholm-bollard-35.json';

test('a profile without what kits and open jobs rest on is refused with all of it, and stored once that is accepted', async () => {
  const change = without(BOLLARD, { gaps: ['wing-right'], mounts: ['fog-right'] });
  const refused = await take(change);
  expect([refused.status, refused.losses]).toEqual([409, true]);
  const paths = refused.faults?.map(({ path, code }) => `${path} ${code}`) ?? [];
  expect(paths).toContain('kits.cairn-fen-pair.fitments[0].mounts[1].mount unknown-id');
  // Open jobs only: those that have left the shop keep what they have for ever.
  const jobs = paths.filter((path) => path.startsWith('jobs.')).map((path) => path.replace(/events\[\d+\]/, 'events'));
  expect(jobs.sort()).toEqual(['jobs.hill-road-02.events.payload.gap unknown-id', 'jobs.hill-road-07.events.payload.gap unknown-id']);
  expect(refused.faults?.find(({ path }) => path.startsWith('jobs.hill-road-07'))?.message).toMatch(/wing-right/);
  expect((await shop.app.inject({ url: '/api/documents/vehicle/wexholm-bollard-35' })).json()).toMatchObject({ version: 1 });

  const accepted = await take(change, '?losses=accepted');
  expect([accepted.status, accepted.version, (accepted.losses as object[]).length]).toEqual([201, 2, refused.faults?.length]);
  // Taken in again it is nothing new, and loses nothing.
  expect(await take(change)).toMatchObject({ status: 200, version: 2, losses: [] });
  // The job that is open goes on with the version it has.
  const note = { events: [event('gap.measured', { gap: 'wing-right', moment: 'before', widthMm: 4.1 })] };
  expect((await shop.app.inject({ method: 'POST', url: '/api/jobs/hill-road-07/events', headers: { cookie: shop.cookie }, payload: note })).statusCode).toBe(200);
});

test('what did not hold on the version before is not lost by the next one', async () => {
  const { cautions, ...less } = without(BOLLARD, { gaps: ['wing-right'], mounts: ['fog-right'] });
  const next = { ...less, cautions: [...(cautions as string[]), 'Wheels chocked.'] };
  expect(await take(next)).toMatchObject({ status: 201, version: 3, losses: [] });
  // What goes beyond that is.
  const further = await take({ ...without(BOLLARD, { gaps: ['wing-right', 'lamp-left'], mounts: ['fog-right'] }) });
  expect([further.status, further.faults?.map(({ path }) => path.replace(/events\[\d+\]/, 'events')).sort()]).toEqual([
    409,
    ['jobs.hill-road-02.events.payload.gap', 'jobs.hill-road-07.events.payload.gap'],
  ]);
});

test('a kit without what an open job has counted is refused, and so is a rule set without the rule that a wall was set by', async () => {
  const kit = await take(without('kits/tarn-gantry-1100.json', { benchTasks: [] }));
  expect([kit.status, kit.losses]).toEqual([200, []]);
  const [first] = listOf('kits/tarn-gantry-1100.json', 'contents').map(({ id }) => id);
  const less = await take(without('kits/tarn-gantry-1100.json', { contents: [String(first)] }));
  expect([less.status, less.faults?.map(({ path }) => path.replace(/events\[\d+\]/, 'events'))]).toEqual([409, ['jobs.hill-road-02.events.payload.item']]);
  const wall = await take(without('rules.json', { aim: listOf('rules.json', 'aim').map(({ id }) => id) }));
  expect([wall.status, wall.faults?.map(({ path }) => path.replace(/events\[\d+\]/, 'events'))]).toEqual([409, ['jobs.hill-road-02.events.payload.rule']]);
});

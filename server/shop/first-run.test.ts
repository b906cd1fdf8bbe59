import { openTestShop, type TestShop } from '../test/shop.ts';

let shop: TestShop;
beforeEach(async () => {
  shop = await openTestShop(false);
}, 60_000);
afterEach(() => shop.close());

const FIRST = {
  name: 'Harrow Quay Lamp Works',
  currency: 'crowns',
  bays: ['Bay 1', 'Yard'],
  mileageUnit: 'mi',
  lengths: 'in',
  timeZone: 'Etc/GMT-2',
  people: [
    { benchName: 'Slate', role: 'lead' },
    { benchName: 'Fern', role: 'installer' },
  ],
};
const open = (part: object = {}, remoteAddress?: string) => shop.app.inject({ method: 'POST', url: '/api/shop', payload: { ...FIRST, ...part }, remoteAddress });
const get = async <T>(url: string) => (await shop.app.inject({ url })).json<T>();

test('an empty database is opened as a shop, with its people and with rules to begin with; once only', async () => {
  expect(await get('/api/shop')).toBeNull();
  expect((await open()).statusCode).toBe(201);
  expect(await get('/api/shop')).toMatchObject({ slug: 'harrow-quay-lamp-works', name: 'Harrow Quay Lamp Works', bays: ['Bay 1', 'Yard'], currency: 'crowns', mileageUnit: 'mi' });
  expect(await get('/api/people')).toEqual([
    { id: 'fern', benchName: 'Fern', role: 'installer', rev: 1, left: false },
    { id: 'slate', benchName: 'Slate', role: 'lead', rev: 1, left: false },
  ]);
  expect(await get('/api/documents/shop/harrow-quay-lamp-works')).toMatchObject({ document: { lengths: 'in', timeZone: 'Etc/GMT-2' } });
  expect(await get('/api/documents/rules/starting-rules')).toMatchObject({ document: { aim: [] } });
  expect((await shop.app.inject({ method: 'POST', url: '/api/session', payload: { person: 'slate', device: 'counter' } })).statusCode).toBe(201);
  // From now on somebody has to be signed in, and it is open already.
  expect((await open()).statusCode).toBe(401);
  const session = await shop.app.inject({ method: 'POST', url: '/api/session', payload: { person: 'slate', device: 'counter' } });
  const again = await shop.app.inject({ method: 'POST', url: '/api/shop', payload: FIRST, headers: { cookie: String(session.headers['set-cookie']).split(';')[0] ?? '' } });
  expect([again.statusCode, again.json<{ faults: { code: string }[] }>().faults[0]?.code]).toEqual([409, 'conflict']);
});

test.each<[object, string, string]>([
  [{ name: '' }, 'name', 'length'],
  [{ people: [] }, 'people', 'no-lead'],
  [{ mileageUnit: 'leagues' }, 'mileageUnit', 'choice'],
  [{ lengths: 'ells' }, 'lengths', 'choice'],
  [{ timeZone: 'Quay/Nowhere' }, 'timeZone', 'type'],
  [{ people: [{ benchName: 'Slate', role: 'boss' }] }, 'people[0].role', 'choice'],
  [{ people: [...FIRST.people, { benchName: 'slate', role: 'planner' }] }, 'people[2].benchName', 'name-twice'],
  [{ bays: ['Yard', 'Yard'] }, 'bays[1]', 'name-twice'],
  [{ units: 'inches' }, 'units', 'unknown-field'],
])('%j is refused at %s, and nothing is stored', async (part, path, code) => {
  const answer = await open(part);
  expect([answer.statusCode, answer.json<{ faults: { path: string; code: string }[] }>().faults[0]]).toEqual([422, expect.objectContaining({ path, code })]);
  expect([await get('/api/shop'), await get('/api/people'), await get('/api/documents')]).toEqual([null, [], []]);
});

test('nobody from elsewhere opens it, and two at once open one', async () => {
  expect((await open({}, '192.0.2.7')).statusCode).toBe(403);
  const answers = await Promise.all([open(), open({ name: 'Another' })]);
  expect(answers.filter((answer) => answer.statusCode === 201)).toHaveLength(1);
  expect((await get<unknown[]>('/api/people')).length).toBe(2);
});

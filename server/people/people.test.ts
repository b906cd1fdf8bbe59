import { openTestShop, type TestShop } from '../test/shop.ts';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop();
}, 60_000);
afterAll(() => shop.close());

const open = (payload: object, remoteAddress?: string) => shop.app.inject({ method: 'POST', url: '/api/session', payload, remoteAddress });

test('on this machine anyone takes a bench name; the session says who and on which device', async () => {
  const answer = await open({ person: 'slate', device: 'counter' });
  expect([answer.statusCode, answer.json()]).toEqual([201, { person: 'slate', benchName: 'Slate', role: 'lead', device: 'counter' }]);
  const cookie = String(answer.headers['set-cookie']);
  expect(cookie).toMatch(/HttpOnly; SameSite=Strict/);
  const session = await shop.app.inject({ url: '/api/session', headers: { cookie: cookie.split(';')[0] ?? '' } });
  expect(session.json()).toMatchObject({ person: 'slate', device: 'counter' });
});

test('from elsewhere nobody takes a bench name before a device is paired', async () => {
  const answer = await open({ person: 'slate', device: 'counter' }, '192.0.2.7');
  expect([answer.statusCode, answer.json<{ faults: { code: string }[] }>().faults[0]?.code]).toEqual([403, 'not-available']);
});

test.each([
  [{ device: 'x' }, 'person', 'missing'],
  [{ person: 'slate', device: '' }, 'device', 'length'],
  [{ person: 'Slate Lead', device: 'x' }, 'person', 'type'],
  [{ person: 'slate', device: 'x', role: 'lead' }, 'role', 'unknown-field'],
])('a session asked for with %j is refused at %s', async (payload, path, code) => {
  const answer = await open(payload);
  expect([answer.statusCode, answer.json<{ faults: object[] }>().faults[0]]).toEqual([422, expect.objectContaining({ path, code })]);
});

test('a made-up or cut cookie is no session', async () => {
  for (const cookie of ['jade_session=made-up', 'jade_session=', 'other=1; jade_session', '']) {
    expect((await shop.app.inject({ url: '/api/session', headers: { cookie } })).json()).toBeNull();
  }
});

test('a job is opened by a person of a session, never one named in the body', async () => {
  const body = { id: '019500d0-0000-7000-8000-000000000001', vehicle: 'hill-road-12', kits: [{ slug: 'cairn-fen-pair' }] };
  expect((await shop.app.inject({ method: 'POST', url: '/api/jobs', payload: body })).statusCode).toBe(401);
  const named = await shop.app.inject({ method: 'POST', url: '/api/jobs', headers: { cookie: shop.cookie }, payload: { ...body, person: 'slate' } });
  expect([named.statusCode, named.json<{ faults: { path: string }[] }>().faults[0]?.path]).toEqual([422, 'person']);
});

test('bench names are listed without anything else of a person', async () => {
  const people = (await shop.app.inject({ url: '/api/people' })).json<object[]>();
  expect(people.map((person) => Object.keys(person).sort())).toEqual(people.map(() => ['benchName', 'id', 'role']));
  expect(people.length).toBe(4);
});

import { openTestShop, type TestShop } from '../test/shop.ts';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop();
}, 60_000);
afterAll(() => shop.close());

const open = (payload: object, remoteAddress?: string) => shop.app.inject({ method: 'POST', url: '/api/session', payload, remoteAddress });

test('on this machine anyone takes a bench name; the session says who and on which device', async () => {
  const answer = await open({ person: 'slate', device: 'counter' });
  expect([answer.statusCode, answer.json()]).toEqual([
    201,
    { id: expect.stringMatching(/^[0-9a-f-]{36}$/) as string, person: 'slate', benchName: 'Slate', role: 'lead', device: 'counter' },
  ]);
  const cookie = String(answer.headers['set-cookie']);
  expect(cookie).toMatch(/HttpOnly; SameSite=Strict/);
  const session = await shop.app.inject({ url: '/api/session', headers: { cookie: cookie.split(';')[0] ?? '' } });
  expect(session.json()).toMatchObject({ person: 'slate', device: 'counter' });
});

test('from elsewhere nobody takes a bench name before a device is paired', async () => {
  const answer = await open({ person: 'slate', device: 'counter' }, '192.0.2.7');
  expect([answer.statusCode, answer.json<{ faults: { code: string }[] }>().faults[0]?.code]).toEqual([403, 'not-let-in']);
});

describe('a stranger on the network', () => {
  /** Every route of the interface that reads or writes something of the shop. */
  const ROUTES = [
    ['GET', '/api/people'],
    ['GET', '/api/shop'],
    ['GET', '/api/session'],
    ['GET', '/api/vehicles'],
    ['GET', '/api/jobs'],
    ['GET', '/api/jobs/hill-road-12'],
    ['GET', '/api/jobs/hill-road-12/events'],
    ['GET', '/api/jobs/hill-road-12/sheet.pdf'],
    ['GET', '/api/jobs/hill-road-12/harness.pdf'],
    ['GET', '/api/jobs/hill-road-12/stream'],
    ['GET', '/api/times/wexholm-bollard-35'],
    ['GET', '/api/compute'],
    ['POST', '/api/jobs/hill-road-12/pins'],
    ['GET', '/api/documents'],
    ['GET', '/api/documents/vehicle/wexholm-bollard-35'],
    ['GET', '/api/documents/shop/harrow-quay/export'],
    ['POST', '/api/jobs/hill-road-12/events'],
    ['POST', '/api/documents'],
    ['POST', '/api/jobs'],
    ['POST', '/api/session'],
    ['POST', '/api/compute/sensor-error'],
  ] as const;
  const from = (method: 'GET' | 'POST', url: string, part: object) => shop.app.inject({ method, url, ...(method === 'POST' ? { payload: {} } : {}), ...part });

  test.each(ROUTES)('%s %s: 403 from another address, with a forged Host, and through a proxy of this machine', async (method, url) => {
    const strangers = [
      { remoteAddress: '192.0.2.7' },
      { remoteAddress: '127.0.0.2', headers: { host: 'localhost:4310' } },
      { remoteAddress: '192.0.2.7', headers: { host: '127.0.0.1' } },
      { headers: { 'x-forwarded-for': '127.0.0.1' } },
      { headers: { forwarded: 'for=127.0.0.1' } },
      { headers: { via: '1.1 proxy' } },
      { remoteAddress: '192.0.2.7', headers: { cookie: 'jade_session=guessed' } },
    ];
    for (const stranger of strangers) {
      const answer = await from(method, url, stranger);
      expect([stranger, answer.statusCode, answer.json<{ faults: { path: string }[] }>().faults[0]?.path]).toEqual([stranger, 403, 'session']);
    }
    // The same at this machine is no matter of the door; the stream does not end by itself.
    if (!url.endsWith('/stream')) expect((await from(method, url, {})).statusCode).not.toBe(403);
  });

  test('may ask whether it is well', async () => {
    expect((await from('GET', '/api/health', { remoteAddress: '192.0.2.7' })).statusCode).toBe(200);
    expect((await from('GET', '/api/healthy', { remoteAddress: '192.0.2.7' })).statusCode).toBe(404);
  });
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
  expect(people.map((person) => Object.keys(person).sort())).toEqual(people.map(() => ['benchName', 'id', 'left', 'rev', 'role']));
  expect(people.length).toBe(4);
});

import { randomUUID } from 'node:crypto';
import { may, RIGHTS, ROLES, type Right } from '@jade/core/shop';
import { buildApp } from '../app/index.ts';
import { event, openTestShop, type TestShop } from '../test/shop.ts';

/** Every route of the server, with the right that it asks for; null where whoever is let in may ask. */
const ROUTES: Record<string, Right | null | 'anyone'> = {
  'GET /api/health': 'anyone',
  'POST /api/devices': 'anyone',
  'GET /api/warnings': null,
  'GET /api/people': null,
  'POST /api/people': 'keep people',
  'POST /api/people/:id': 'keep people',
  'GET /api/session': null,
  'POST /api/session': null,
  'POST /api/session/end': null,
  'POST /api/pairings': 'let devices in',
  'GET /api/devices': 'let devices in',
  'POST /api/devices/:id/revoke': 'let devices in',
  'GET /api/documents': null,
  'GET /api/documents/:kind/:slug': null,
  'GET /api/documents/:kind/:slug/export': null,
  'POST /api/documents': 'take in documents',
  'POST /api/documents/check': 'take in documents',
  'GET /api/formats/:kind': null,
  'GET /api/known-kinds': null,
  'GET /api/known-pieces': null,
  'POST /api/taught/:profile': 'take in documents',
  'POST /api/times/:profile': 'take in documents',
  'GET /api/documents/kit/:slug/contents.csv': null,
  'POST /api/documents/kit/:slug/contents': 'take in documents',
  'GET /api/shop': null,
  'POST /api/shop': 'keep people',
  'GET /api/vehicles': null,
  'GET /api/vehicles/:id': null,
  'POST /api/vehicles': 'keep customers',
  'POST /api/vehicles/:id': 'keep customers',
  'POST /api/vehicles/:id/merge': 'join customers',
  'GET /api/customers': null,
  'GET /api/customers/:id': null,
  'POST /api/customers': 'keep customers',
  'POST /api/customers/:id': 'keep customers',
  'POST /api/customers/:id/merge': 'join customers',
  'POST /api/customers/list': 'join customers',
  'GET /api/jobs': null,
  'POST /api/jobs': 'open a job',
  'GET /api/jobs/:id': null,
  'GET /api/jobs/:id/events': null,
  'POST /api/jobs/:id/events': 'record',
  'POST /api/jobs/:id/pins': 'take over documents',
  'POST /api/jobs/:id/kits': 'change the order',
  'GET /api/jobs/:id/stream': null,
  'GET /api/board/stream': null,
  'GET /api/jobs/:id/sheet.pdf': null,
  'GET /api/jobs/:id/harness.json': null,
  'GET /api/jobs/:id/harness.csv': null,
  'GET /api/jobs/:id/harness.svg': null,
  'GET /api/jobs/:id/harness.pdf': null,
  'GET /api/jobs/:id/labels.pdf': null,
  'GET /api/jobs/:id/plugs.json': null,
  'GET /api/jobs/:id/plugs.csv': null,
  'GET /api/jobs/:id/plugs.pdf': null,
  'GET /api/jobs/:id/helper': null,
  'POST /api/jobs/:id/helper': 'record',
  'POST /api/jobs/:id/helper/asked': 'record',
  'POST /api/jobs/:id/helper/shut': 'record',
  'GET /api/helper/:token': 'anyone',
  'GET /api/helper/:token/stream': 'anyone',
  'GET /api/jobs/:id/photos': null,
  'PUT /api/jobs/:id/photos/:hash': 'record',
  'GET /api/photos/:hash': null,
  'GET /api/photos/of/:profile': null,
  'GET /api/photos/papers': null,
  'GET /api/times/:profile': null,
  'GET /api/taught/:profile': null,
  'GET /api/practice': 'record',
  'POST /api/practice': 'record',
  'GET /api/compute': null,
  'POST /api/compute/:name': null,
};
const PEOPLE = { lead: 'slate', installer: 'fern', 'in training': 'copper', planner: 'till' };

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop();
}, 60_000);
afterAll(() => shop.close());

const cookies: Record<string, string> = {};
// Before each: one of the routes ends a session.
beforeEach(async () => {
  for (const [role, person] of Object.entries(PEOPLE)) {
    const answer = await shop.app.inject({ method: 'POST', url: '/api/session', payload: { person, device: 'counter' } });
    cookies[role] = String(answer.headers['set-cookie']).split(';')[0] ?? '';
  }
});

const at = (route: string) => {
  const [method, path] = route.split(' ') as ['GET' | 'POST' | 'PUT', string];
  return { method, url: path.replace(':kind', 'rules').replace(/:\w+/g, 'nothing') };
};
const ask = (route: string, part: object) => shop.app.inject({ ...at(route), ...(route.startsWith('GET') ? {} : { payload: {} }), ...part });

test('the table names every route there is, and each right is asked for by one', () => {
  const app = buildApp({ database: shop.database });
  const found: string[] = [];
  app.addHook('onRoute', ({ method, url }) => {
    for (const name of [method].flat()) if (name !== 'HEAD' && url.startsWith('/api/')) found.push(`${name} ${url}`);
  });
  return app.ready().then(async () => {
    await app.close();
    expect(found.sort()).toEqual(Object.keys(ROUTES).sort());
    expect(RIGHTS.filter((right) => !['sign off', 'reopen'].includes(right) && !Object.values(ROUTES).includes(right))).toEqual([]);
  });
});

describe.each(Object.entries(ROUTES).filter(([route]) => !route.endsWith('/stream')))('%s', (route, right) => {
  test(`is ${right === 'anyone' ? 'open to strangers' : 'shut to strangers'}${right === null || right === 'anyone' ? '' : `, asks for somebody, and for the right to ${right}`}`, async () => {
    const answers: Record<string, number> = {};
    answers.stranger = (await ask(route, { remoteAddress: '192.0.2.7' })).statusCode;
    answers.nobody = (await ask(route, {})).statusCode;
    for (const role of ROLES) answers[role] = (await ask(route, { headers: { cookie: cookies[role] } })).statusCode;
    if (right === 'anyone') return expect(Object.values(answers).filter((status) => status === 401)).toEqual([]);
    expect(answers.stranger).toBe(403);
    if (right === null) return expect(Object.entries(answers).filter(([who, status]) => who !== 'stranger' && (status === 401 || status === 403))).toEqual([]);
    expect(answers.nobody).toBe(401);
    for (const role of ROLES) expect([role, answers[role] !== 403]).toEqual([role, may(role, right)]);
  });
});

test('signing and reopening are refused alone, with a sentence; the rest of the batch is stored', async () => {
  const url = '/api/jobs/hill-road-12/events';
  const send = (role: string, ...types: [string, object][]) =>
    shop.app.inject({ method: 'POST', url, headers: { cookie: cookies[role] }, payload: { events: types.map(([type, payload]) => event(type, payload)) } });
  const alone = await send('installer', ['job.signed', { atSeq: 1 }]);
  expect([alone.statusCode, alone.json<{ answers: { faults: { message: string }[] }[] }>().answers[0]?.faults[0]?.message]).toEqual([
    403,
    'events[0] only the lead may sign off; at this bench is an installer',
  ]);
  const batch = await send('planner', ['battery.measured', { restV: 12.4 }], ['job.reopened', { why: 'x' }]);
  expect([batch.statusCode, batch.json<{ answers: { status: string }[] }>().answers.map((answer) => answer.status)]).toEqual([200, ['stored', 'refused']]);
  const reopened = event('job.reopened', { why: 'a lamp came loose' });
  const sent = (role: string, entry: object) => shop.app.inject({ method: 'POST', url, headers: { cookie: cookies[role] }, payload: { events: [entry] } });
  expect([(await sent('lead', reopened)).statusCode, (await sent('planner', event('undone', { event: reopened.id }))).statusCode]).toEqual([200, 403]);
  const back = event('undone', { event: reopened.id });
  expect((await sent('lead', back)).statusCode).toBe(200);
  // To do it again by taking that back asks for the same right, also by the act.
  expect((await sent('installer', event('undone', { event: back.id }))).statusCode).toBe(403);
  const act = randomUUID();
  expect((await sent('lead', { ...event('job.reopened', { why: 'once more' }), act })).statusCode).toBe(200);
  expect((await sent('installer', event('undone', { act }))).statusCode).toBe(403);
  expect((await sent('lead', event('undone', { act }))).statusCode).toBe(200);
  expect((await send('lead', ['job.signed', { atSeq: 1 }])).statusCode).toBe(200);
});

test('whoever may take in documents does not make themselves the lead by a shop’s document', async () => {
  const take = (role: string) => shop.app.inject({ method: 'POST', url: '/api/documents', headers: { cookie: cookies[role] }, payload: { format: 'jade-shop/1' } });
  expect([(await take('planner')).statusCode, (await take('lead')).statusCode]).toEqual([403, 422]);
});

test('what is said of the shop is kept by nobody on the way', async () => {
  for (const url of ['/api/jobs', '/api/customers', '/api/documents', '/api/jobs/nothing']) expect((await shop.app.inject({ url })).headers['cache-control']).toBe('no-store');
});

import { v7 } from 'uuid';
import { EVENT_EXAMPLES, sample } from './examples.ts';
import { buildApp } from '../app/index.ts';
import { checkShop } from '../keeping/index.ts';
import { demoDocument, openTestShop, type TestShop } from '../test/shop.ts';

/** How many requests: a short run by default, JADE_FUZZ=100000 for a long one, JADE_SEED for another one. */
const REQUESTS = Number(process.env.JADE_FUZZ ?? 1500);
const SEED = Number(process.env.JADE_SEED ?? 7);

/** A small generator of numbers that are the same for the same seed (mulberry32). */
function random(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}
const next = random(SEED);
const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)] as T;
const chance = (share: number) => next() < share;

const nested = (depth: number): unknown => (depth === 0 ? {} : { deep: nested(depth - 1) });
const ODD: (() => unknown)[] = [
  () => null,
  () => -1,
  () => 0,
  () => 1.5,
  () => 1e308,
  () => Number.MAX_SAFE_INTEGER,
  () => '',
  () => ' ',
  () => '__proto__',
  () => 'constructor',
  () => 'toString',
  () => '<b>x</b>',
  () => "'; DROP TABLE jobs; --",
  () => '\u0000',
  () => '\ud800',
  () => '🚐'.repeat(40),
  () => 'x'.repeat(5000),
  () => '2026-99-99T99:99:00Z',
  () => '2026-02-30T08:00:00Z',
  () => '9999-12-31T23:59:59Z',
  () => [],
  () => {
    return {};
  },
  () => true,
  () => [[[]]],
  () => nested(60),
  () => Array.from({ length: 6000 }, () => 0),
  () => v7(),
  () => 'hill-road-12',
];
const KEYS = ['__proto__', 'constructor', 'id', 'slug', 'version', 'seq', 'person', 'hasOwnProperty', 'x'];

/** The same value with a few places of it changed into something odd. */
function mutated(value: unknown): unknown {
  if (chance(0.04)) return pick(ODD)();
  if (Array.isArray(value)) {
    const list = value.map((item) => (chance(0.3) ? mutated(item) : (item as unknown)));
    if (list.length > 0 && chance(0.1)) list.push(pick(list));
    if (chance(0.05)) list.pop();
    return list;
  }
  if (typeof value !== 'object' || value === null) return chance(0.15) ? pick(ODD)() : value;
  const entries = Object.entries(value).filter(() => !chance(0.04));
  const made = entries.map(([key, inner]): [string, unknown] => [key, chance(0.5) ? mutated(inner) : inner]);
  if (chance(0.06)) made.push([pick(KEYS), pick(ODD)()]);
  return Object.fromEntries(made);
}

let shop: TestShop;
/** The last error that the program met. */
let thrown = '';
let cookies: string[] = [];

/** Somebody of each role that there is now signs in: people are changed by the requests as everything else is. */
async function signIn(): Promise<void> {
  const people = (await shop.app.inject({ url: '/api/people' })).json<{ id: string; role: string; left: boolean }[]>();
  const here = people.filter((person) => !person.left).sort((a, b) => Number(b.role === 'lead') - Number(a.role === 'lead'));
  const made = await Promise.all(here.slice(0, 6).map((person) => shop.app.inject({ method: 'POST', url: '/api/session', payload: { person: person.id, device: 'fuzz' } })));
  cookies = made.map((answer) => String(answer.headers['set-cookie']).split(';')[0] ?? '');
}
beforeAll(async () => {
  shop = await openTestShop();
  shop.app.log.error = (entry: { err?: Error }) => void (thrown = String(entry.err?.stack ?? '').slice(0, 600));
  await signIn();
}, 60_000);
afterAll(() => shop.close());

async function routes(): Promise<[string, string][]> {
  const app = buildApp({ database: shop.database });
  const found: [string, string][] = [];
  app.addHook('onRoute', ({ method, url }) => {
    for (const name of [method].flat()) if (name !== 'HEAD' && url.startsWith('/api/') && !url.endsWith('/stream')) found.push([name, url]);
  });
  await app.ready();
  await app.close();
  return found;
}

const JOBS = ['hill-road-12', 'hill-road-07', 'saltmarsh-3', 'library-1', 'bakery-5'];
const PARTS: Record<string, () => string> = {
  ':kind': () => pick(['vehicle', 'kit', 'rules', 'shop', 'novel', '__proto__']),
  ':slug': () => pick(['wexholm-bollard-35', 'cairn-fen-pair', 'harrow-quay', 'constructor', '%00', 'x'.repeat(90)]),
  ':profile': () => pick(['wexholm-bollard-35', '__proto__', 'x']),
  ':name': () => pick(['vehicle-number', 'sensor-error', 'constructor', 'x']),
};
const idOf = (url: string) =>
  url.startsWith('/api/jobs')
    ? pick([...JOBS, ...JOBS, 'nothing', '__proto__', '%F0%9F%9A%90'])
    : pick(['hill-road-12', 'hill-road-02', 'hill-road-rescue', 'saltmarsh-veterinary', 'fern', 'constructor', '%27', 'x'.repeat(200)]);
const QUERIES = [
  '',
  '',
  '?find=hr',
  '?find=%25',
  '?find=',
  '?find=%00',
  `?find=${'x%20'.repeat(40)}`,
  '?since=1',
  '?since=-1',
  '?since=x',
  '?since=1e99',
  '?version=1',
  '?version=x',
  '?version=99',
  '?basedOn=1',
  '?basedOn=x',
  '?find=a&find=b',
];

const DOCUMENTS = ['rules.json', 'vehicles/pellorin-trio-300.json', 'kits/pell-perch-bar.json'].map(demoDocument);
/** Bodies that are right, by route, to be made odd. */
const BODIES: Record<string, () => unknown> = {
  '/api/people': () => ({ id: v7(), benchName: `Wren ${Math.floor(next() * 1e6)}`, role: 'installer' }),
  '/api/people/:id': () => ({ basedOn: 1, benchName: 'Copper', role: 'in training', left: false }),
  '/api/session': () => ({ person: 'fern', device: 'fuzz' }),
  '/api/devices': () => ({ code: '222222', name: 'tablet' }),
  '/api/documents': () => ({
    ...pick(DOCUMENTS),
    slug: pick(['odd-one', 'odd-two']),
    ...(chance(0.1) ? { format: pick(['jade-kit/1', 'jade-vehicle-profile/1', 'jade-shop/1']) } : {}),
  }),
  '/api/shop': () => ({ name: 'Shop', currency: 'crowns', bays: ['Bay 1'], mileageUnit: 'km', people: [{ benchName: 'Slate', role: 'lead' }] }),
  '/api/vehicles': () => ({
    id: v7(),
    profile: 'wexholm-bollard-35',
    plate: `FZ ${Math.floor(next() * 1e6)}`,
    number: '1111 1111 1M11 1111 1',
    year: 2021,
    newCustomer: { name: 'Fuzz Haulage' },
  }),
  '/api/vehicles/:id': () => ({ basedOn: 1, profile: 'wexholm-bollard-35', plate: 'HR 12', customer: 'hill-road-rescue', year: 2021 }),
  '/api/vehicles/:id/merge': () => ({ into: 'hill-road-07' }),
  '/api/customers': () => ({ id: v7(), name: 'Fuzz Haulage', note: 'x' }),
  '/api/customers/:id': () => ({ basedOn: 1, name: 'Hill Road Rescue' }),
  '/api/customers/:id/merge': () => ({ into: 'northfell-forestry' }),
  '/api/customers/list': () => ({
    text: pick(['customer,plate,vehicle\nA,FZ 1,Linnet', 'customer;year\nA;x', '"', 'customer\n\u0000', `customer,note\n${'A,'.repeat(300)}`]),
    look: chance(0.7),
  }),
  '/api/jobs': () => ({
    id: v7(),
    vehicle: pick(['hill-road-12', 'saltmarsh-3']),
    kits: [{ slug: 'cairn-fen-pair' }],
    promisedAt: '2026-03-05T08:30:00Z',
    wish: 'x',
    mileage: { value: 41250, unit: 'km' },
  }),
  '/api/jobs/:id/events': () => ({ events: Array.from({ length: 1 + Math.floor(next() * 4) }, () => sample(pick(EVENT_EXAMPLES), v7())) }),
  '/api/jobs/:id/pins': () => ({ id: v7() }),
  '/api/compute/:name': () => ({ number: '11111111111111111', checkDigit: true }),
};

test(
  `${REQUESTS} odd requests over all routes, seed ${SEED}: none fails in the program, every fault has a path, and nothing was taken that cannot be shown`,
  async () => {
    const all = await routes();
    /** What took long, and how long the processor was at it: on a machine that does other things besides the two part. */
    const slow: { request: number; what: string; bytes: number; tookMs: number; workedMs: number }[] = [];
    /** The first fault of each route, and how many came after it. */
    const failures = new Map<string, { first: string; count: number }>();
    const fail = (route: string, told: string) => failures.set(route, { first: failures.get(route)?.first ?? told, count: (failures.get(route)?.count ?? 0) + 1 });
    for (let request = 0; request < REQUESTS; request++) {
      const [method, route] = pick(all);
      const url = route.replace(/:\w+/g, (part) => PARTS[part]?.() ?? idOf(route)) + pick(QUERIES);
      const body = method === 'POST' ? mutated((BODIES[route] ?? (() => ({})))()) : undefined;
      const text = body === undefined ? undefined : chance(0.02) ? '{"cut":' : JSON.stringify(body);
      const start = performance.now();
      const used = process.cpuUsage();
      const answer = await shop.app.inject({
        method: method as 'GET' | 'POST',
        url,
        headers: { cookie: pick(cookies), ...(text === undefined ? {} : { 'content-type': chance(0.01) ? 'text/plain' : 'application/json' }) },
        payload: text,
      });
      const took = performance.now() - start;
      if (answer.statusCode === 401) await signIn();
      const { user, system } = process.cpuUsage(used);
      if (took > 1000) slow.push({ request, what: `${method} ${url}`, bytes: text?.length ?? 0, tookMs: Math.round(took), workedMs: Math.round((user + system) / 1000) });
      const told = `${method} ${url} ${text?.slice(0, 2000) ?? ''} -> ${answer.statusCode} ${answer.statusCode >= 400 ? answer.body.slice(0, 300) : ''}`;
      if (answer.statusCode >= 500) {
        fail(route, `${told} ${thrown}`);
        continue;
      }
      if (answer.statusCode < 400) continue;
      const { faults, answers } = answer.json<{ faults?: { path?: string }[]; answers?: { faults?: { path: string }[] }[] }>();
      const every = [...(faults ?? []), ...(answers ?? []).flatMap((entry) => entry.faults ?? [])];
      if (every.length === 0 || every.some((fault) => !fault.path)) fail(route, told);
    }
    expect([...failures.values()]).toEqual([]);
    // How long it took hangs on the machine: it is told, and looked at in a long run.
    if (slow.length > 0) process.stderr.write(`${slow.length} of ${REQUESTS} took more than a second: ${JSON.stringify(slow.slice(0, 5))}\n`);
    const jobs = (await shop.app.inject({ url: '/api/jobs' })).json<{ id: string; summary: { sentence: string } }[]>();
    expect(jobs.filter((job) => !job.summary.sentence || job.summary.sentence.startsWith('This job cannot be read'))).toEqual([]);
    for (const { id } of jobs) expect([id, (await shop.app.inject({ url: `/api/jobs/${id}` })).statusCode]).toEqual([id, 200]);
    await signIn();
    const signed = await shop.app.inject({
      method: 'POST',
      url: '/api/jobs/hill-road-07/events',
      headers: { cookie: cookies[0] ?? '' },
      payload: { events: [sample(['job.signed', { atSeq: 1 }], v7())] },
    });
    expect([signed.statusCode, (await shop.app.inject({ url: '/api/jobs/hill-road-07/sheet.pdf' })).statusCode]).toEqual([200, 200]);
    for (const url of ['/api/vehicles', '/api/customers', '/api/documents', '/api/people']) expect([url, (await shop.app.inject({ url })).statusCode]).toEqual([url, 200]);
    expect((await checkShop(shop.database.db)).findings).toEqual([]);
  },
  60_000 + REQUESTS * 60,
);

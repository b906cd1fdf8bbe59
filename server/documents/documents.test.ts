import fc from 'fast-check';
import { openTestShop, demoDocument, type TestShop } from '../test/shop.ts';
import { canonicalHash, canonicalJson } from './canonical.ts';

test('canonical JSON does not depend on the order of keys, and tells values apart', () => {
  expect(canonicalJson({ b: [1, { d: null, c: 'x' }], a: true })).toBe('{"a":true,"b":[1,{"c":"x","d":null}]}');
  expect(canonicalHash({ a: 1, b: 2 })).toBe(canonicalHash({ b: 2, a: 1 }));
  expect(canonicalHash([1, 2])).not.toBe(canonicalHash([2, 1]));
});

test('canonical JSON reads back as the value it came from', () => {
  fc.assert(fc.property(fc.jsonValue(), (value) => canonicalJson(JSON.parse(canonicalJson(value))) === canonicalJson(value)));
});

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(true, 'slate');
}, 60_000);
afterAll(() => shop.close());

const get = async (url: string) => shop.app.inject({ url });

test('the library lists the newest version of each document with its title, without bodies', async () => {
  const list = (await get('/api/documents')).json<{ kind: string; slug: string; version: number; title: string; vehicles: string[]; body?: string }[]>();
  expect(list.filter((entry) => entry.kind === 'vehicle')).toHaveLength(5);
  expect(list.find((entry) => entry.slug === 'wexholm-bollard-35')).toMatchObject({ version: 1, title: 'Wexholm Bollard 35', vehicles: [] });
  expect(list.find((entry) => entry.slug === 'cairn-fen-pair')?.vehicles.sort()).toEqual(['oskarre-linnet', 'wexholm-bollard-35']);
  expect(list.every((entry) => entry.body === undefined)).toBe(true);
});

test('an older version can be read and exported after a newer one has come', async () => {
  const document = demoDocument('kits/cairn-fen-pair.json');
  const changed = { ...document, priceCents: Number(document.priceCents) + 100 };
  const stored = await shop.app.inject({ method: 'POST', url: '/api/documents', headers: { cookie: shop.cookie }, payload: changed });
  expect(stored.json()).toMatchObject({ version: 2, stored: true });
  expect((await get('/api/documents/kit/cairn-fen-pair/export?version=1')).json()).toEqual(document);
  expect((await get('/api/documents/kit/cairn-fen-pair/export')).json()).toEqual(changed);
  expect((await get('/api/documents/kit/cairn-fen-pair?version=1')).json()).toMatchObject({ version: 1, document });
});

test.each([
  ['/api/documents/vehicle/nowhere', 'vehicle'],
  ['/api/documents/kit/cairn-fen-pair?version=9', 'kit'],
  ['/api/documents/tea/green', 'kind'],
  ['/api/documents/tea/green/export', 'kind'],
])('%s is 404 and names the %s', async (url, path) => {
  const answer = await get(url);
  expect([answer.statusCode, answer.json<{ faults: { path: string }[] }>().faults[0]?.path]).toEqual([404, path]);
});

test('the same document sent by two at once is stored once', async () => {
  const document = { ...demoDocument('rules.json'), name: 'Sent twice' };
  const send = () => shop.app.inject({ method: 'POST', url: '/api/documents', headers: { cookie: shop.cookie }, payload: document });
  const answers = await Promise.all([send(), send(), send()]);
  expect(answers.map((answer) => answer.json<{ version: number }>().version)).toEqual([2, 2, 2]);
  expect(answers.filter((answer) => answer.json<{ stored: boolean }>().stored)).toHaveLength(1);
});

import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { demoDocument, openTestShop, type TestShop } from '../test/shop.ts';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(true, 'slate');
}, 60_000);
afterAll(() => shop.close());

interface FaultBody {
  faults: { path: string; code: string; message: string }[];
}

const take = async (document: unknown, query = '') =>
  shop.app.inject({ method: 'POST', url: `/api/documents${query}`, headers: { cookie: shop.cookie }, payload: document as object });
type LooseProfile = Record<string, unknown> & {
  measures: Record<string, number>;
  refitRules: object[];
  pieces: { when?: object; levels: { openMin: number; ways: { needs: object[]; extraMin: number }[] }[] }[];
};

const changed = (change: (profile: LooseProfile) => void) => {
  const profile = structuredClone(demoDocument('vehicles/wexholm-bollard-35.json')) as LooseProfile;
  change(profile);
  return profile;
};

test.each(['vehicles/wexholm-bollard-35.json', 'kits/cairn-fen-pair.json', 'plugs.json', 'rules.json', 'shop.json'])('%s comes out as it went in', async (file) => {
  const document = demoDocument(file);
  const kind =
    { 'jade-vehicle-profile/5': 'vehicle', 'jade-kit/5': 'kit', 'jade-plugs/1': 'plugs', 'jade-rule-set/1': 'rules', 'jade-shop/1': 'shop' }[String(document.format)] ?? '';
  expect((await shop.app.inject({ url: `/api/documents/${kind}/${String(document.slug)}/export` })).json()).toEqual(document);
});

test('the same content does nothing, new content is the next version, an edit of an old version is a conflict with both', async () => {
  const document = demoDocument('rules.json');
  expect((await take(document)).json()).toMatchObject({ version: 1, stored: false });
  expect((await take({ ...document, name: 'Harrow Quay rules, second edition' }, '?basedOn=1')).json()).toMatchObject({ version: 2, stored: true });
  const late = await take({ ...document, name: 'Another edit' }, '?basedOn=1');
  expect(late.statusCode).toBe(409);
  expect(late.json()).toMatchObject({ theirs: { name: 'Harrow Quay rules, second edition' }, yours: { name: 'Another edit' } });
});

const CASES: [string, (profile: LooseProfile) => void, string, string][] = [
  ['an unknown field', (profile) => void (profile.hue = 'red'), 'hue', 'unknown-field'],
  ['negative minutes', (profile) => void (profile.pieces[0]!.levels[0]!.openMin = -1), 'pieces[0].levels[0].openMin', 'range'],
  [
    'an unknown piece in a way',
    (profile) => void profile.pieces[1]!.levels[0]!.ways[0]!.needs.push({ piece: 'nothing', level: 'off' }),
    'pieces[1].levels[0].ways[0].needs[0].piece',
    'unknown-id',
  ],
  [
    'a way that needs its own level',
    (profile) => void profile.pieces[1]!.levels[0]!.ways[0]!.needs.push({ piece: 'plate-holder', level: 'off' }),
    'pieces[1].levels[0].ways[0].needs[0]',
    'own-level',
  ],
  ['a refit cycle', (profile) => void profile.refitRules.push({ id: 'round', first: 'plate-holder', then: 'grille', why: 'test' }), 'refitRules', 'refit-cycle'],
];

test.each(CASES)('%s is refused with its path and nothing is stored', async (_, change, path, code) => {
  const answer = await take(changed(change));
  expect(answer.statusCode).toBe(422);
  expect(answer.json<FaultBody>().faults).toContainEqual(expect.objectContaining({ path, code }));
  expect((await shop.app.inject({ url: '/api/documents/vehicle/wexholm-bollard-35' })).json()).toMatchObject({ version: 1 });
});

test('a measure in inches names the field in millimetres', async () => {
  const answer = await take(
    changed((profile) => {
      profile.measures.lengthIn = 234;
      delete profile.measures.lengthMm;
    }),
  );
  expect(answer.json<FaultBody>().faults).toContainEqual(
    expect.objectContaining({ path: 'measures.lengthIn', code: 'unit', message: 'measures.lengthIn is in another unit; write it as lengthMm' }),
  );
});

test('a script in a name is kept as text and comes out as text', async () => {
  const name = '<script>alert(1)</script>';
  expect((await take({ ...demoDocument('kits/cairn-fen-pair.json'), slug: 'odd-name', name })).statusCode).toBe(201);
  const answer = await shop.app.inject({ url: '/api/documents/kit/odd-name/export' });
  expect(answer.headers['content-type']).toMatch(/application\/json/);
  expect(answer.headers['x-content-type-options']).toBe('nosniff');
  expect(answer.json<{ name: string }>().name).toBe(name);
});

test('no document, an unknown kind and a nest too deep are refused', async () => {
  expect((await take([])).json<FaultBody>().faults[0]?.code).toBe('unknown-kind');
  expect((await shop.app.inject({ url: '/api/documents/novel/x' })).statusCode).toBe(404);
  let deep: object = { fact: 'trim', is: 'plain' };
  for (let level = 0; level < 60; level++) deep = { not: deep };
  expect((await take(changed((profile) => void (profile.pieces[0]!.when = deep)))).json<FaultBody>().faults[0]?.code).toBe('too-deep');
});

test('loading the shop again changes nothing', async () => {
  const jobs = async () => (await shop.app.inject({ url: '/api/jobs' })).json();
  const before = await jobs();
  expect((await take(demoDocument('shop.json'))).json()).toMatchObject({ stored: false });
  expect(await jobs()).toEqual(before);
});

test('a second shop beside the one there is is refused', async () => {
  const shopDocument = demoDocument('shop.json');
  const other = await take({ ...shopDocument, slug: 'another-shop' });
  expect([other.statusCode, other.json<FaultBody>().faults.map(({ path, code }) => `${path} ${code}`)]).toEqual([422, ['slug choice']]);
  expect((await take({ ...shopDocument, name: 'Harrow Quay Lamp Works, yard side' })).json()).toMatchObject({ slug: 'harrow-quay-lamp-works', version: 2, stored: true });
});

describe('a contents list as a file of cells', () => {
  const KIT = '/api/documents/kit/tarn-tally-set';
  const list = async () => (await shop.app.inject({ url: `${KIT}/contents.csv` })).body;
  const takeList = async (text: string, query = '') => shop.app.inject({ method: 'POST', url: `${KIT}/contents${query}`, headers: { cookie: shop.cookie }, payload: { text } });
  const kitNow = async () =>
    (await shop.app.inject({ url: KIT })).json<{ version: number; document: { contents: { id: string; name: string; count: number }[]; tests?: unknown } }>();

  test('comes out, and taken in as it is changes nothing', async () => {
    const text = await list();
    expect(text.split('\r\n')[0]).toBe('\ufeffid,name,kind,count,hand,spare allowed');
    const before = await kitNow();
    expect((await takeList(text)).json()).toMatchObject({ version: before.version, stored: false });
    expect(await kitNow()).toEqual(before);
  });

  test('with another count it is a new version of the kit, everything else as it was', async () => {
    const { version, document } = await kitNow();
    const [first] = document.contents;
    const [head = '', row = '', ...rest] = (await list()).split('\r\n');
    const cells = row.split(',');
    cells[3] = String((first?.count ?? 0) + 3);
    const answer = await takeList([head, cells.join(','), ...rest].join('\r\n'));
    expect(answer.json()).toMatchObject({ kind: 'kit', version: version + 1, stored: true });
    const after = await kitNow();
    // Sent twice it is stored once; a list that began from the version before is a conflict, not an overwriting.
    const again = [head, cells.join(','), ...rest].join('\r\n');
    expect((await takeList(again, `?basedOn=${version}`)).json()).toMatchObject({ version: version + 1, stored: false });
    expect((await takeList(again.replace(/,no/, ',yes'), `?basedOn=${version}`)).statusCode).toBe(409);
    expect(after.document).toEqual({ ...document, contents: document.contents.map((item, index) => (index === 0 ? { ...item, count: (first?.count ?? 0) + 3 } : item)) });
  });

  test('with a fault it is refused whole, naming line and column; an unknown kit is 404', async () => {
    const before = await kitNow();
    const answer = await takeList('id,name,kind,count,spare allowed\na,A,tea,1,no\nb,B,lamp,many,no');
    expect([answer.statusCode, answer.json<FaultBody>().faults.map(({ path, code }) => `${path}: ${code}`)]).toEqual([422, ['line 2, kind: choice', 'line 3, count: type']]);
    // More than the form of a kit allows is found where the kit itself is checked.
    expect((await takeList('id,name,kind,count,spare allowed\na,A,lamp,501,no')).json<FaultBody>().faults).toContainEqual(
      expect.objectContaining({ path: 'contents[0].count', code: 'range' }),
    );
    expect(await kitNow()).toEqual(before);
    const nowhere = await shop.app.inject({
      method: 'POST',
      url: '/api/documents/kit/nowhere/contents',
      headers: { cookie: shop.cookie },
      payload: { text: 'id,name,kind,count' },
    });
    expect([nowhere.statusCode, (await shop.app.inject({ url: '/api/documents/kit/nowhere/contents.csv' })).statusCode]).toEqual([404, 404]);
  });
});

test('a document is looked at as at import, and nothing of it is taken in', async () => {
  const check = async (document: unknown, cookie = shop.cookie) =>
    shop.app.inject({ method: 'POST', url: '/api/documents/check', headers: { cookie }, payload: document as object });
  const before = (await shop.app.inject({ url: '/api/documents/vehicle/wexholm-bollard-35' })).json<{ version: number }>().version;
  expect((await check(changed(() => undefined))).json()).toEqual({ faults: [], losses: [] });
  for (const [name, change, path, code] of CASES) {
    const { faults } = (await check(changed(change))).json<{ faults: { path: string; code: string }[] }>();
    expect([name, faults.some((fault) => fault.path === path && fault.code === code)]).toEqual([name, true]);
  }
  // What kits and open jobs rest on is told before it is taken away.
  const bare = changed((profile) => {
    profile.mounts = [];
    delete profile.cableWays;
  });
  const { faults, losses } = (await check(bare)).json<{ faults: unknown[]; losses: { path: string }[] }>();
  expect([faults, losses.length > 0, losses.every(({ path }) => /^(kits|jobs)\./.test(path))]).toEqual([[], true, true]);
  expect((await check('tea')).statusCode).toBeGreaterThanOrEqual(400);
  expect((await shop.app.inject({ url: '/api/documents/vehicle/wexholm-bollard-35' })).json<{ version: number }>().version).toBe(before);
});

test.each(['vehicle', 'kit', 'rules', 'plugs'])('the format of a %s is served as it is published', async (kind) => {
  const schema = (await shop.app.inject({ url: `/api/formats/${kind}` })).json<{ title: string }>();
  const file = { vehicle: 'vehicle-profile', kit: 'kit', rules: 'rule-set', plugs: 'plugs' }[kind] ?? '';
  expect(schema).toEqual(JSON.parse(readFileSync(join(import.meta.dirname, `../../docs/formats/${file}.schema.json`), 'utf8')));
  expect((await shop.app.inject({ url: '/api/formats/nothing' })).statusCode).toBe(404);
});

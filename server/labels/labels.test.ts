import { openTestShop, type TestShop } from '../test/shop.ts';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(true, 'slate');
}, 60_000);
afterAll(() => shop.close());

const labels = (query = '', job = 'hill-road-05') => shop.app.inject({ url: `/api/jobs/${job}/labels.pdf${query}`, headers: { cookie: shop.cookie } });
const pagesOf = (body: string) => body.match(/\/Type \/Page\b(?!s)/g)?.length ?? 0;

test('a job gives its labels as sheets to print, the same each time; from a place far down they go over the page', async () => {
  const [one, two] = [await labels(), await labels()];
  expect([one.statusCode, one.headers['content-type']]).toEqual([200, 'application/pdf']);
  expect(one.rawPayload.equals(two.rawPayload)).toBe(true);
  // Keys, seventeen slots with fasteners and four original parts: 22 of 24.
  expect([pagesOf(one.body), pagesOf((await labels('?from=4')).body), pagesOf((await labels('?sheet=14')).body), pagesOf((await labels('?sheet=30')).body)]).toEqual([1, 2, 2, 1]);
  const boxOf = (body: string) => /MediaBox \[([^\]]*)\]/.exec(body)?.[1];
  expect([boxOf(one.body), boxOf((await labels('?sheet=10')).body)]).toEqual(['0 0 595.275591 841.889764', '0 0 612 792']);
});

test.each([
  ['?sheet=9', 'sheet', 'choice'],
  ['?from=0', 'from', 'range'],
  ['?from=25', 'from', 'range'],
  ['?sheet=14&from=15', 'from', 'range'],
  ['?from=tea', 'from', 'range'],
])('%s is refused at %s', async (query, path, code) => {
  const answer = await labels(query);
  expect([answer.statusCode, answer.json<{ faults: { path: string; code: string }[] }>().faults[0]]).toMatchObject([422, { path, code }]);
});

test('a job that there is not has no labels', async () => {
  expect((await labels('', 'nowhere')).statusCode).toBe(404);
});

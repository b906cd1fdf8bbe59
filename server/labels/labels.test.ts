import { openTestShop, type TestShop } from '../test/shop.ts';
import { placeOf, SHEETS } from './sheets.ts';

let shop: TestShop;
beforeAll(async () => {
  shop = await openTestShop(true, 'slate');
}, 60_000);
afterAll(() => shop.close());

const labels = (query = '', job = 'hill-road-05') => shop.app.inject({ url: `/api/jobs/${job}/labels.pdf${query}`, headers: { cookie: shop.cookie } });
const pagesOf = (body: string) => body.match(/\/Type \/Page\b(?!s)/g)?.length ?? 0;

test('labels go row by row from the first place that is free, over the page where the sheet is full', () => {
  expect(placeOf(SHEETS['24'], 0)).toEqual({ page: 0, xMm: 0, yMm: 0.5 });
  expect(placeOf(SHEETS['24'], 4)).toEqual({ page: 0, xMm: 70, yMm: 37.5 });
  expect(placeOf(SHEETS['14'], 0, 4)).toEqual({ page: 0, xMm: 4.65 + 99.1 + 2.5, yMm: 15.15 + 38.1 });
  expect(placeOf(SHEETS['14'], 11, 4)).toEqual({ page: 1, xMm: 4.65, yMm: 15.15 });
});

test.each(Object.entries(SHEETS))('a sheet of %s fits on A4', (count, { columns, rows, widthMm, heightMm, leftMm, topMm, gapMm }) => {
  expect(columns * rows).toBe(Number(count));
  expect(leftMm + columns * widthMm + (columns - 1) * gapMm).toBeLessThanOrEqual(210);
  expect(topMm + rows * heightMm).toBeLessThanOrEqual(297);
});

test('a job gives its labels as sheets to print, the same each time; from a place far down they go over the page', async () => {
  const [one, two] = [await labels(), await labels()];
  expect([one.statusCode, one.headers['content-type']]).toEqual([200, 'application/pdf']);
  expect(one.rawPayload.equals(two.rawPayload)).toBe(true);
  // Keys, seventeen slots with fasteners and four original parts: 22 of 24.
  expect([pagesOf(one.body), pagesOf((await labels('?from=4')).body), pagesOf((await labels('?sheet=14')).body)]).toEqual([1, 2, 2]);
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

import { foldJob } from '@jade/core/log';
import type { JobContext } from '@jade/core/job';
import type { LoggedEvent } from '@jade/core/events';
import type { Kit } from '@jade/core/kit';
import type { RuleSet } from '@jade/core/rules';
import { sheetOf } from '@jade/core/sheet';
import type { VehicleProfile } from '@jade/core/vehicle';
import { sheetContent } from '@jade/words/sheet';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { frame as frameOf, HEAD, jpeg, SCAN } from '@jade/core/photos/test';
import { drawSheet } from './pdf.ts';

const example = <T>(name: string) => JSON.parse(readFileSync(join(import.meta.dirname, `../../docs/formats/examples/${name}.json`), 'utf8')) as T;
const AT = '2026-03-05T15:00:00.000Z';
const { log } = example<{ log: LoggedEvent[] }>('compute-job-fold');
const context: JobContext = {
  state: foldJob(log),
  profile: example<VehicleProfile>('vehicle-profile'),
  kits: [example<Kit>('kit')],
  rules: example<RuleSet>('rule-set'),
};
const content = sheetContent(sheetOf(context, log, AT), context, {
  shop: 'Harrow Quay Lamp Works',
  job: 'example-1',
  plate: 'HQ 101',
  customer: 'Hill Road Rescue',
  at: AT,
  benchName: (id) => id,
});
const pagesOf = (pdf: Buffer) => pdf.toString('latin1').match(/\/Type \/Page\b(?!s)/g)?.length ?? 0;

test('the same content is drawn as the same bytes, however long it is', async () => {
  const [one, two] = [await drawSheet(content, AT), await drawSheet(content, AT)];
  expect(one.subarray(0, 5).toString()).toBe('%PDF-');
  expect(one.equals(two)).toBe(true);
  const long = { ...content, notes: Array.from({ length: 200 }, (_, index) => `Note ${index}: ≤ 5 mm → “both” sides`) };
  expect(pagesOf(await drawSheet(long, AT))).toBeGreaterThan(pagesOf(one) + 1);
});

test('a table longer than a page goes on over the next, and a signature is drawn where there is one', async () => {
  const rows = Array.from({ length: 120 }, (_, index) => [`Part ${index}`, 'kept for the owner: shelf 3, in the box with its label']);
  const tables = [{ title: 'Parts', head: ['Part', 'What became of it'], rows, empty: '' }];
  expect(pagesOf(await drawSheet({ ...content, tables }, AT))).toBeGreaterThanOrEqual(3);
  const signed = { ...content, signature: [{ points: [10, 20, 400, 180, 700, 90] }] };
  const [without, drawn] = [await drawSheet(content, AT), await drawSheet(signed, AT)];
  expect(drawn.equals(without)).toBe(false);
  expect((await drawSheet({ ...content, signature: [{ points: [10, 20, 400, 180, 700, 95] }] }, AT)).equals(drawn)).toBe(false);
});

test('photos are drawn with their ring; one whose picture has not come, or cannot be drawn, keeps its place and its words', async () => {
  const photo = { hash: 'a', widthPx: 1600, heightPx: 900, text: 'Clip under the edge' };
  const pictures = new Map([['a', Buffer.from(jpeg(HEAD, [0xc0, frameOf(1600, 900)], SCAN))]]);
  const drawn = (photos: (typeof content)['photos'], known = pictures) => drawSheet({ ...content, photos }, AT, known);
  const imagesIn = (pdf: Buffer) => pdf.toString('latin1').match(/\/Subtype \/Image/g)?.length ?? 0;
  const [none, one, ringed] = [await drawn([]), await drawn([photo]), await drawn([{ ...photo, ring: { x: 250, y: 700, r: 80 } }])];
  expect([imagesIn(none), imagesIn(one), imagesIn(ringed)]).toEqual([0, 1, 1]);
  expect(ringed.equals(one)).toBe(false);
  expect((await drawn([{ ...photo, ring: { x: 350, y: 700, r: 80 } }])).equals(ringed)).toBe(false);
  expect(imagesIn(await drawn([photo], new Map()))).toBe(0);
  expect(imagesIn(await drawn([photo], new Map([['a', Buffer.from('no picture')]])))).toBe(0);
  const many = await drawn(Array.from({ length: 12 }, (_, place) => ({ ...photo, text: `Photo ${place}` })));
  expect(pagesOf(many)).toBeGreaterThan(pagesOf(one));
});

import { foldJob, type JobContext, type LoggedEvent } from '@jade/core/job';
import type { Kit } from '@jade/core/kit';
import type { RuleSet } from '@jade/core/rules';
import { sheetOf } from '@jade/core/sheet';
import type { VehicleProfile } from '@jade/core/vehicle';
import { sheetContent } from '@jade/words/sheet';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
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

import { foldJob, type JobContext, type LoggedEvent } from '@jade/core/job';
import type { Kit } from '@jade/core/kit';
import type { RuleSet } from '@jade/core/rules';
import type { VehicleProfile } from '@jade/core/vehicle';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { sheetContent } from './content.ts';
import { drawSheet } from './pdf.ts';

const example = <T>(name: string) => JSON.parse(readFileSync(join(import.meta.dirname, `../../docs/formats/examples/${name}.json`), 'utf8')) as T;
const FRAME = { shop: 'Harrow Quay Lamp Works', job: 'example-1', plate: 'HQ 101', customer: 'Hill Road Rescue', signedBy: 'Slate', signedAt: '2026-03-05T15:00:00.000Z' };
const { log } = example<{ log: LoggedEvent[] }>('compute-job-fold');
const plain = (text: string) => text.replaceAll('\u202f', ' ');

function contentAfter(...more: [string, object][]) {
  const events = [
    ...log,
    ...more.map(([type, payload], index) => ({ id: `x${index}`, type, v: 1, at: '2026-03-05T09:00:00Z', payload, seq: log.length + index + 1 }) as LoggedEvent),
  ];
  const context: JobContext = {
    state: foldJob(events),
    profile: example<VehicleProfile>('vehicle-profile'),
    kits: [example<Kit>('kit')],
    rules: example<RuleSet>('rule-set'),
    year: 2021,
  };
  return sheetContent(context, FRAME);
}
const table = (content: ReturnType<typeof contentAfter>, title: RegExp) => content.tables.find((entry) => title.test(entry.title))?.rows ?? [];

test('the sheet names the vehicle, the kit, the place in the log, and what is still open', () => {
  const content = contentAfter();
  expect(content).toMatchObject({ vehicle: 'Wexholm Example van', kits: ['Cairn Example fog lamp'], seq: 4, number: 'not read', plate: 'HQ 101' });
  expect(content.verdict).toMatch(/^Signed with open points: .*Arch liner, left is still folded/);
});

test('each factory lamp stands with how it came and how it leaves', () => {
  expect(table(contentAfter(), /Factory lamps/)).toEqual([['Dipped beam, left', 'not tried', 'not tried']]);
  expect(table(contentAfter(['baseline.tried', { lamp: 'dipped-left', result: 'dim' }], ['final.tried', { lamp: 'dipped-left', result: 'works' }]), /Factory lamps/)).toEqual([
    ['Dipped beam, left', 'dim', 'works'],
  ]);
});

test('the load on the fuse and the proof of the wire are on it', () => {
  const rows = table(contentAfter(), /Connections/).map((row) => row.map(plain));
  expect(rows).toEqual([
    ['Front fog, fuse F14, 10 A, as documented', '2.0 A at worst', '20 % of the fuse'],
    ['Fog plug, left', 'not joined', 'not proved'],
  ]);
});

test('a screw that broke is named as renewed, an exception with what was agreed', () => {
  const content = contentAfter(['exception.named', { about: 'code:C12', note: 'Known to the owner' }], ['code.recorded', { moment: 'after', code: 'C12' }]);
  expect(table(content, /Parts/).map((row) => row.map(plain))).toEqual([['T20 six-lobe × 14 mm, arch liner, left', '1 broken', 'replaced new']]);
  expect(table(content, /exceptions/)).toEqual([['fault code C12', 'Known to the owner']]);
  expect(table(content, /Fault codes/)).toEqual([['C12', 'leaving', 'Known to the owner']]);
});

test('the notes never say that something is lawful, and name the rule set checked', () => {
  const { notes } = contentAfter();
  expect(notes.join(' ')).toContain('“Example rules”');
  expect(notes.join(' ')).toContain('does not say that anything is lawful');
});

test('the same content is drawn as the same bytes, however long it is', async () => {
  const content = contentAfter();
  const [one, two] = [await drawSheet(content), await drawSheet(content)];
  expect(one.subarray(0, 5).toString()).toBe('%PDF-');
  expect(one.equals(two)).toBe(true);
  const long = { ...content, notes: Array.from({ length: 200 }, (_, index) => `Note ${index}: ≤ 5 mm → “both” sides`) };
  const pages = (await drawSheet(long)).toString('latin1').match(/\/Type \/Page\b(?!s)/g) ?? [];
  expect(pages.length).toBeGreaterThan(2);
});

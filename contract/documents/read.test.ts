import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { FaultyInput } from '@jade/core/faults';
import { checkProfile } from '@jade/core/vehicle';
import { readDocument } from './index.ts';

const example = (name: string): Record<string, unknown> =>
  JSON.parse(readFileSync(join(import.meta.dirname, `../../docs/formats/examples/${name}.json`), 'utf8')) as Record<string, unknown>;
function faultsOf(value: unknown): string[] {
  try {
    readDocument(value);
  } catch (error) {
    if (error instanceof FaultyInput) return error.faults.map((fault) => `${fault.path} ${fault.code}`);
    throw error;
  }
  return [];
}
/** A copy with one place of it changed; the path as in a fault. */
function changed(name: string, path: string, value: unknown): unknown {
  const copy = example(name);
  const keys = path.replaceAll(/\[(\d+)\]/g, '.$1').split('.');
  const last = keys.pop() ?? '';
  let at: Record<string, unknown> = copy;
  for (const key of keys) at = at[key] as Record<string, unknown>;
  if (value === undefined) delete at[last];
  else at[last] = value;
  return copy;
}

test.each([
  ['vehicle-profile', 'vehicle'],
  ['kit', 'kit'],
  ['plugs', 'plugs'],
  ['rule-set', 'rules'],
  ['shop', 'shop'],
])('the example of a %s is read as %s', (name, kind) => {
  expect(readDocument(example(name)).kind).toBe(kind);
});

test.each([null, 7, 'text', [], {}, { format: 'jade-kit/6' }, { format: 1 }])('%j is of no kind that is known', (value) => {
  expect(faultsOf(value)).toEqual(['format unknown-kind']);
});

test.each<[string, string, unknown, string]>([
  ['vehicle-profile', 'pieces[0].levels[0].openMin', -1, 'range'],
  ['vehicle-profile', 'pieces[0].levels[0].openMin', '2', 'type'],
  ['vehicle-profile', 'pieces[0].levels[0].people', 1.5, 'type'],
  ['vehicle-profile', 'pieces[0].levels[0].level', 'ajar', 'choice'],
  ['vehicle-profile', 'pieces[0].box.xMm', [1], 'length'],
  ['vehicle-profile', 'pieces[0].box.xMm', [1, 'two'], 'type'],
  ['vehicle-profile', 'pieces[0].fasteners[0].count', 0, 'range'],
  ['vehicle-profile', 'pieces[0].fasteners[0].drive', 'screwdriver', 'choice'],
  ['vehicle-profile', 'pieces[0].id', 'Grille One', 'type'],
  ['vehicle-profile', 'pieces[1].movement', '', 'length'],
  ['vehicle-profile', 'pieces[1].movement', null, 'type'],
  ['vehicle-profile', 'pieces[2].levels[0].ways[0].needs', 'none', 'type'],
  ['vehicle-profile', 'systemVoltageV', 48, 'choice'],
  ['vehicle-profile', 'measures.lengthMm', undefined, 'missing'],
  ['vehicle-profile', 'measures', 5, 'type'],
  ['vehicle-profile', 'slug', undefined, 'missing'],
  ['kit', 'lamps[0].optics.peakCd', 'bright', 'type'],
  ['kit', 'lamps[0].optics.beam', 'laser', 'choice'],
  ['kit', 'contents[0].count', -1, 'range'],
  ['kit', 'fitments[0].fitSteps[0].passes', ['start', 'hope'], 'choice'],
  ['kit', 'fitments[0].tests[0].gate', 'yes', 'type'],
  ['kit', 'priceCents', 99.5, 'type'],
  ['plugs', 'adapters[0].pins[0].to.row', 0, 'range'],
  ['plugs', 'families[0].pinA', undefined, 'missing'],
  ['plugs', 'families[0].terminals[0].gender', 'both', 'choice'],
  ['rule-set', 'electrics.warnShare', 2, 'range'],
  ['rule-set', 'sequence.helperMin', undefined, 'missing'],
  ['shop', 'jobs[0].promisedAt', '4 pm', 'type'],
  ['shop', 'people[0].role', 'owner', 'choice'],
])('%s with %s as %j is refused there', (name, path, value, code) => {
  expect(faultsOf(changed(name, path, value))).toEqual([`${path} ${code}`]);
});

test('a field in another unit names the field that is wanted, once', () => {
  const copy = example('vehicle-profile');
  copy.measures = { ...(copy.measures as object), lengthMm: undefined, lengthIn: 230 };
  try {
    readDocument(JSON.parse(JSON.stringify(copy)));
  } catch (error) {
    expect((error as FaultyInput).faults).toEqual([{ path: 'measures.lengthIn', code: 'unit', data: { expected: 'lengthMm' } }]);
    return;
  }
  throw new Error('it was taken');
});

test('fifty faults are shown at most, and nesting beyond reason is refused without being read', () => {
  const copy = example('vehicle-profile');
  const [piece] = copy.pieces as object[];
  copy.pieces = Array.from({ length: 200 }, () => ({ ...piece, id: 7 }));
  expect(faultsOf(copy)).toHaveLength(50);
  let deep: unknown = {};
  for (let level = 0; level < 60; level++) deep = { not: deep };
  expect(faultsOf({ ...example('kit'), fitments: deep })).toEqual(['(document) too-deep']);
});

test('a profile that learned a plug at work is one that can be taken in: pins proved and not known, no place made up', () => {
  const profile = JSON.parse(readFileSync(join(import.meta.dirname, '../../demo/vehicles/pellorin-trio-300.json'), 'utf8')) as { plugs: object[] };
  const found = {
    id: 'found-box-lamp',
    name: 'Box lamp',
    family: 'not described',
    gender: 'sockets',
    keying: 'not described',
    rows: 1,
    columns: 2,
    lock: 'not described',
    side: 'left',
    whereToLook: 'inside the box',
    reach: [],
    hiddenBy: [],
    pins: [
      { id: '1', row: 1, column: 1, carries: 'parking', proved: { on: '2026-03-05', readings: 4 } },
      { id: '2', row: 1, column: 2, carries: 'unknown' },
    ],
  };
  const learned = (plug: object) => ({ ...profile, plugs: [...profile.plugs, plug] });
  const { kind, document } = readDocument(learned(found));
  expect(kind === 'vehicle' && checkProfile(document)).toEqual([]);
  const last = profile.plugs.length;
  expect(faultsOf(learned({ ...found, pins: [{ ...found.pins[0], proved: { on: '2026-02-30', readings: 0 } }] }))).toEqual([
    `plugs[${last}].pins[0].proved.on type`,
    `plugs[${last}].pins[0].proved.readings range`,
  ]);
});

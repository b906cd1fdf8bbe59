import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { COMPUTATIONS } from '@jade/contract/compute';
import { formatFiles } from './index.ts';

const root = join(import.meta.dirname, '../..');
const read = (path: string): Record<string, unknown> => JSON.parse(readFileSync(join(root, path), 'utf8')) as Record<string, unknown>;
const files = formatFiles();
const validator = (name: string) => new Ajv2020({ strict: false, allErrors: true }).compile(JSON.parse(files.get(name) ?? '{}') as object);

const DOCUMENTS: [string, string][] = [
  ['vehicle-profile', 'demo/vehicles/wexholm-bollard-35.json'],
  ['vehicle-profile', 'demo/vehicles/oskarre-linnet.json'],
  ['vehicle-profile', 'demo/vehicles/dunmorrow-causeway-26.json'],
  ['vehicle-profile', 'demo/vehicles/pellorin-trio-300.json'],
  ['vehicle-profile', 'demo/vehicles/wexholm-fieldcat.json'],
  ['vehicle-profile', 'docs/formats/examples/vehicle-profile.json'],
  ['kit', 'demo/kits/cairn-fen-pair.json'],
  ['kit', 'demo/kits/tarn-gantry-1100.json'],
  ['kit', 'docs/formats/examples/kit.json'],
  ['plugs', 'demo/plugs.json'],
  ['plugs', 'docs/formats/examples/plugs.json'],
  ['rule-set', 'demo/rules.json'],
  ['rule-set', 'docs/formats/examples/rule-set.json'],
  ['shop', 'demo/shop.json'],
  ['shop', 'docs/formats/examples/shop.json'],
];

test.each(DOCUMENTS)('the published schema of %s takes %s', (kind, path) => {
  const validate = validator(`${kind}.schema.json`);
  validate(read(path));
  expect(validate.errors ?? []).toEqual([]);
});

test.each(DOCUMENTS.slice(5, 6).concat(DOCUMENTS.slice(8, 9), DOCUMENTS.slice(10, 11), DOCUMENTS.slice(12)))('the schema of %s refuses a stranger in %s', (kind, path) => {
  const validate = validator(`${kind}.schema.json`);
  expect(validate({ ...read(path), stranger: 1 })).toBe(false);
  const { slug: _slug, ...rest } = read(path);
  expect(validate(rest)).toBe(false);
  expect(validate({ ...rest, slug: 7 })).toBe(false);
});

test.each(COMPUTATIONS.map((entry) => entry.name))('the schema of the input of %s takes its example and no stranger', (name) => {
  const validate = validator(`compute-${name}.schema.json`);
  const example = read(`docs/formats/examples/compute-${name}.json`);
  validate(example);
  expect(validate.errors ?? []).toEqual([]);
  expect(validate({ ...example, stranger: 1 })).toBe(false);
});

test('each type of event has a schema, and the reference names each calculation with its example', () => {
  expect([...files.keys()].filter((name) => name.startsWith('event-')).length).toBeGreaterThan(30);
  const reference = files.get('compute.md') ?? '';
  for (const { name } of COMPUTATIONS) expect(reference).toContain(`examples/compute-${name}.json`);
});

test('every link of the reference pages leads to a file that is there', () => {
  for (const page of ['README.md', 'vehicle-profile.md', 'kit.md', 'plugs.md', 'rule-set.md', 'shop.md', 'log.md', 'compute.md']) {
    const text = readFileSync(join(root, 'docs/formats', page), 'utf8');
    for (const [, link] of text.matchAll(/\]\(([^)#:]+)\)/g)) expect([link, existsSync(join(root, 'docs/formats', link ?? ''))]).toEqual([link, true]);
  }
});

import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { planOpening, emptyJob, type JobContext } from '@jade/core/job';
import { checkKit } from '@jade/core/kit';
import { checkProfile, type VehicleProfile } from '@jade/core/vehicle';
import { readDocument, type AnyDocument } from './index.ts';

const root = join(import.meta.dirname, '../../demo');
const files = (folder: string) =>
  readdirSync(join(root, folder))
    .filter((name) => name.endsWith('.json'))
    .map((name) => join(folder, name));
const read = (file: string): AnyDocument => readDocument(JSON.parse(readFileSync(join(root, file), 'utf8')));
const profiles = new Map(
  files('vehicles').map((file): [string, VehicleProfile] => {
    const { kind, document } = read(file);
    if (kind !== 'vehicle') throw new Error(`${file} is no vehicle profile`);
    return [document.slug, document];
  }),
);

test.each(files('vehicles'))('%s is well formed and sound', (file) => {
  const { kind, document } = read(file);
  expect(kind).toBe('vehicle');
  expect(checkProfile(document as VehicleProfile)).toEqual([]);
});

test.each(files('kits'))('%s is well formed and fits its vehicles', (file) => {
  const entry = read(file);
  if (entry.kind !== 'kit') throw new Error('no kit');
  expect(checkKit(entry.document, profiles)).toEqual([]);
});

/** A job on the demo van with the fog pair, its facts as given. */
function vanJob(facts: Record<string, string>, kits: string[]): JobContext {
  const profile = profiles.get('wexholm-bollard-35');
  const rules = read('rules.json');
  if (!profile || rules.kind !== 'rules') throw new Error('demo is incomplete');
  const state = emptyJob();
  for (const [fact, value] of Object.entries(facts)) state.facts[fact] = { certainty: 'known', value };
  const documents = kits.map((kit) => read(`kits/${kit}.json`));
  return { state, profile, rules: rules.document, kits: documents.flatMap((entry) => (entry.kind === 'kit' ? [entry.document] : [])) };
}

test('the van has thirty pieces or more, and its fog places open from the front when the plugs are dormant', () => {
  expect(profiles.get('wexholm-bollard-35')?.pieces.length).toBeGreaterThanOrEqual(30);
  const plan = planOpening(vanJob({ trim: 'plain', headlamp: 'led', 'front-fog': 'blank' }, ['cairn-fen-pair']));
  expect(plan.choice.proved).toBe(true);
  expect(plan.steps.map((step) => step.piece)).toContain('bumper-skin');
  expect(plan.steps.map((step) => step.piece)).not.toContain('radar-bracket');
});

test('with factory fog lamps the wheel arches are the cheaper way in', () => {
  const plan = planOpening(vanJob({ trim: 'guard', headlamp: 'led', 'front-fog': 'factory' }, ['cairn-fen-pair']));
  expect(plan.steps.map((step) => step.piece).sort()).toEqual(['arch-liner-left', 'arch-liner-right', 'fog-factory-left', 'fog-factory-right']);
  // Each side: liner 4 + 0.5 + 4.5 + 0.8 breakage, lamp 1.8 + 1 + 1.8.
  expect(plan.personMin).toBeCloseTo(2 * (9.8 + 4.6), 9);
});

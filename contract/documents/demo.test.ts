import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { circuitLoads, wireJoints } from '@jade/core/loom';
import { emptyJob } from '@jade/core/events';
import { jobContext, partsToOrder, type JobContext } from '@jade/core/job';
import { planClosingOf, planOpening } from '@jade/core/plan';
import { planAccess, setUpOf } from '@jade/core/access';
import { piecesBack, planClosing } from '@jade/core/closing';
import { key } from '@jade/core/subject';
import { checkKit } from '@jade/core/kit';
import { checkProfile, type VehicleProfile } from '@jade/core/vehicle';
import { checkPlugLibrary } from '@jade/core/wiring';
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

test('the plugs on the shelf are well formed, and every plug of the demo is of a family and a face that they have', () => {
  const entry = read('plugs.json');
  if (entry.kind !== 'plugs') throw new Error('no plugs');
  expect(checkPlugLibrary(entry.document)).toEqual([]);
  const kits = files('kits')
    .map(read)
    .flatMap((kit) => (kit.kind === 'kit' ? kit.document.plugs : []));
  for (const plug of [...[...profiles.values()].flatMap(({ plugs }) => plugs), ...kits].filter(({ family }) => family !== 'bare lead')) {
    const family = entry.document.families.find(({ id }) => id === plug.family);
    expect([plug.id, family?.keyings.includes(plug.keying), family?.grids]).toEqual([plug.id, true, expect.arrayContaining([{ rows: plug.rows, columns: plug.columns }])]);
  }
});

test.each(files('kits'))('%s is well formed and fits its vehicles', (file) => {
  const entry = read(file);
  if (entry.kind !== 'kit') throw new Error('no kit');
  expect(checkKit(entry.document, profiles)).toEqual([]);
});

/** A job on a demo vehicle, its facts as given. */
function jobOn(slug: string, facts: Record<string, string>, kits: string[]): JobContext {
  const profile = profiles.get(slug);
  const rules = read('rules.json');
  if (!profile || rules.kind !== 'rules') throw new Error('demo is incomplete');
  const state = emptyJob();
  for (const [fact, value] of Object.entries(facts)) state.facts[fact] = { certainty: 'known', value };
  const documents = kits.map((kit) => read(`kits/${kit}.json`));
  const plugs = read('plugs.json');
  if (plugs.kind !== 'plugs') throw new Error('no plugs');
  return jobContext(state, { profile, rules: rules.document, plugs: plugs.document, kits: documents.flatMap((entry) => (entry.kind === 'kit' ? [entry.document] : [])) });
}

test('the van has thirty pieces or more, and its fog places open from the front when the plugs are dormant', () => {
  expect(profiles.get('wexholm-bollard-35')?.pieces.length).toBeGreaterThanOrEqual(30);
  const plan = planOpening(jobOn('wexholm-bollard-35', { trim: 'plain', headlamp: 'led', 'front-fog': 'blank' }, ['cairn-fen-pair']));
  expect(plan.proved).toBe(true);
  expect(plan.steps.map((step) => step.piece)).toContain('bumper-skin');
  expect(plan.steps.map((step) => step.piece)).not.toContain('radar-bracket');
});

test('with factory fog lamps the wheel arches are the cheaper way in', () => {
  const plan = planOpening(jobOn('wexholm-bollard-35', { trim: 'guard', headlamp: 'led', 'front-fog': 'factory' }, ['cairn-fen-pair']));
  expect(plan.steps.map((step) => step.piece).sort()).toEqual(['arch-liner-left', 'arch-liner-right', 'fog-factory-left', 'fog-factory-right']);
  // Each side: liner 4 + 0.5 + 4.5 + 0.8 breakage, lamp 1.8 + 1, which does not go back.
  expect(plan.personMin).toBeCloseTo(2 * (9.8 + 2.8), 9);
});

/** All that has to be open before a piece can reach a level by its first way, near and far. */
function before(profile: VehicleProfile, piece: string, level: string): Set<string> {
  const found = new Set<string>();
  const open = [{ piece, level }];
  for (let at = open.pop(); at; at = open.pop()) {
    const way = profile.pieces.find((entry) => entry.id === at?.piece)?.levels.find((entry) => entry.level === at?.level)?.ways[0];
    for (const need of way?.needs ?? []) {
      if (!found.has(need.piece)) open.push(need);
      found.add(need.piece);
    }
  }
  return found;
}
const vehicle = (slug: string): VehicleProfile => {
  const found = profiles.get(slug);
  if (!found) throw new Error(`${slug} is not in the demo`);
  return found;
};
const SETUP = { sequence: { sideMin: 0.5, zoneMin: 0.3, toolMin: 0.2, helperMin: 1 } };

test('fifteen pieces and more come before the van’s skin is off, a radar and its bracket among them', () => {
  const van = vehicle('wexholm-bollard-35');
  const list = before(van, 'bumper-skin', 'off');
  expect(list.size).toBeGreaterThanOrEqual(15);
  expect(list).toContain('radar-bracket');
  expect(van.sensors.map((sensor) => sensor.on)).toContain('radar-bracket');
});

test.each(['wexholm-bollard-35', 'oskarre-linnet', 'dunmorrow-causeway-26', 'pellorin-trio-300', 'wexholm-fieldcat'])(
  'every mount position of %s has a proved way in and an order back',
  (slug) => {
    const profile = vehicle(slug);
    const plan = planAccess({ profile, facts: {}, mounts: profile.mounts.map((mount) => mount.id), present: [], replaced: [], rules: SETUP });
    expect([plan.proved, plan.problems]).toEqual([true, []]);
    const back = planClosing({ profile, facts: {}, moves: plan.steps, replaced: [], gates: [], setUp: setUpOf(SETUP) });
    expect(piecesBack(back.steps)).toHaveLength(plan.steps.length);
  },
);

test('the rear cluster of the crossover lies behind the tailgate, the floor, the sill and the side trim, which is folded dead beside its pretensioner', () => {
  const plan = planAccess({ profile: vehicle('oskarre-linnet'), facts: {}, mounts: ['rear-left'], present: [], replaced: [], rules: SETUP });
  expect(plan.steps.map((step) => `${step.piece} ${step.level}`)).toEqual([
    'tailgate folded',
    'luggage-floor off',
    'battery-12v-cover off',
    'battery-12v-negative off',
    'sill-trim off',
    'side-trim-left folded',
    'cluster-left off',
    'cluster-plug-left off',
  ]);
});

test('the markers of the minibus are reached past the locker rather than by all three skirts', () => {
  const plan = planAccess({ profile: vehicle('dunmorrow-causeway-26'), facts: {}, mounts: ['marker-left-5'], present: [], replaced: [], rules: SETUP });
  expect(plan.steps.map((step) => step.piece)).toEqual(['locker-left', 'skirt-rear-left']);
});

test('the box of the scooter hides its tail plug: past the cowls is less labour than the floor', () => {
  const plan = planAccess({ profile: vehicle('pellorin-trio-300'), facts: {}, mounts: ['tail-plug'], present: [], replaced: [], rules: SETUP });
  expect(plan.steps.map((step) => step.piece).sort()).toEqual(['rear-cowl-left', 'rear-cowl-right', 'seat']);
});

test('the refit of the utility vehicle turns round with the plough frame', () => {
  const profile = vehicle('wexholm-fieldcat');
  const back = (plough: string) => {
    const plan = planAccess({ profile, facts: { plough }, mounts: ['raised-left', 'raised-right'], present: [], replaced: [], rules: SETUP });
    const { steps, problems } = planClosing({ profile, facts: { plough }, moves: plan.steps, replaced: [], gates: [], setUp: setUpOf(SETUP) });
    expect(problems).toEqual([]);
    return piecesBack(steps).map((step) => step.piece);
  };
  const [with_, without] = [back('present'), back('absent')];
  expect(with_.indexOf('front-cover')).toBeLessThan(with_.indexOf('skid-plate'));
  expect(without.indexOf('skid-plate')).toBeLessThan(without.indexOf('front-cover'));
});

const KITS_ON: [string, string, Record<string, string>][] = [
  ['cairn-fen-pair', 'wexholm-bollard-35', { trim: 'guard', headlamp: 'led', 'front-fog': 'blank' }],
  ['tarn-gantry-1100', 'wexholm-bollard-35', { 'aux-output': 'present' }],
  ['cairn-fen-pair', 'oskarre-linnet', { 'front-fog': 'blank' }],
  ['cairn-wren-rear-pair', 'oskarre-linnet', {}],
  ['cairn-ridge-pair', 'dunmorrow-causeway-26', { daytime: 'none' }],
  ['tarn-tally-set', 'dunmorrow-causeway-26', {}],
  ['pell-perch-bar', 'pellorin-trio-300', {}],
  ['tarn-overplough-pair', 'wexholm-fieldcat', { plough: 'present' }],
  ['tarn-stern-pair', 'wexholm-fieldcat', {}],
];

test('every kit of the demo is tried on every vehicle that it names', () => {
  const named = files('kits').flatMap((file) => {
    const { kind, document } = read(file);
    return kind === 'kit' ? document.fitments.map((fitment) => `${document.slug} ${fitment.vehicle}`) : [];
  });
  expect(KITS_ON.map(([kit, slug]) => `${kit} ${slug}`).sort()).toEqual(named.sort());
});

test.each(KITS_ON)('%s on %s: a proved way in, an order back with every test in it, plugs that mate, circuits that carry', (kit, slug, facts) => {
  const context = jobOn(slug, facts, [kit]);
  const plan = planOpening(context);
  expect([plan.proved, plan.problems, plan.steps.length > 0]).toEqual([true, [], true]);
  expect(planClosingOf(context, plan).problems).toEqual([]);
  expect(wireJoints(context).map((joint) => joint.mate.value)).toEqual(wireJoints(context).map(() => 'mates'));
  expect(wireJoints(context).length).toBeGreaterThan(0);
  for (const { circuit, added, check } of circuitLoads(context))
    expect([circuit.id, added.length > 0, check.verdict]).toEqual([circuit.id, true, expect.stringMatching(/^(carries|warn)$/)]);
});

test('both work lamps on one output of the utility vehicle are more than it lets through; one each is not', () => {
  const context = jobOn('wexholm-fieldcat', {}, ['tarn-stern-pair']);
  const loads = (outputs: string) =>
    circuitLoads({ ...context, state: { ...context.state, options: { 'tarn-stern-pair': { outputs } } } }).map(({ circuit, check }) => [
      circuit.id,
      check.weakest,
      Number(check.shareAfter.toFixed(3)),
      check.verdict,
    ]);
  // 34 W at 10.8 V are 3.148 A each, of 5 A.
  expect(loads('one')).toEqual([['output-3', 'output', 1.259, 'refuse']]);
  expect(loads('two')).toEqual([
    ['output-3', 'output', 0.63, 'carries'],
    ['output-4', 'output', 0.63, 'carries'],
  ]);
});

test('the headlamps of the minibus are aimed before their trims hide the adjuster, and after the corners that clamp them are back', () => {
  const context = jobOn('dunmorrow-causeway-26', { daytime: 'factory' }, ['cairn-ridge-pair']);
  const steps = piecesBack(planClosingOf(context, planOpening(context)).steps);
  const at = (piece: string) => steps.findIndex((step) => step.piece === piece);
  for (const side of ['left', 'right']) {
    expect(steps[at(`headlamp-trim-${side}`)]?.gates.map((gate) => key(gate.subject))).toContain(`aim:cairn-ridge-pair/ridge-${side}`);
    expect(at(`bumper-corner-${side}`)).toBeLessThan(at(`headlamp-trim-${side}`));
    expect(at(`headlamp-${side}`)).toBe(-1);
  }
});

test('the daytime lead of the 24 V headlamps opens the fuse panel only where the factory has no daytime lamps', () => {
  const opened = (daytime: string) => planOpening(jobOn('dunmorrow-causeway-26', { daytime }, ['cairn-ridge-pair'])).steps.map((step) => step.piece);
  expect(opened('none')).toEqual(expect.arrayContaining(['dash-lower', 'fuse-panel']));
  expect(opened('factory')).not.toContain('fuse-panel');
});

test('the foot of the raised lamps makes the cowl screws of 16 mm too short: six of 20 mm are ordered', () => {
  const parts = partsToOrder(jobOn('wexholm-fieldcat', { plough: 'absent' }, ['tarn-overplough-pair']), undefined);
  // 6 + 2.5 + 1.6 = 10.1 mm under the head leave 5.9, 6 are wanted.
  expect(parts.map(({ piece, group, count, why }) => [piece, group.lengthMm, count, why])).toEqual([
    ['headlamp-cowl-left', 20, 3, 'too short'],
    ['headlamp-cowl-right', 20, 3, 'too short'],
  ]);
});

test('the rear clusters: the plug that a test proves does not wait for that test', () => {
  const context = jobOn('oskarre-linnet', {}, ['cairn-wren-rear-pair']);
  const steps = piecesBack(planClosingOf(context, planOpening(context)).steps);
  const gates = (piece: string) => steps.find((step) => step.piece === piece)?.gates.map((gate) => key(gate.subject));
  expect(gates('cluster-plug-left')).toEqual([]);
  expect(gates('side-trim-left')).toEqual([
    'fit:cairn-wren-rear-pair/cluster-left',
    'joint:cairn-wren-rear-pair/left',
    'test:cairn-wren-rear-pair/tail-left',
    'test:cairn-wren-rear-pair/stop-left',
  ]);
});

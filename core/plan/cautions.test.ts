import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { bareFitment, bareKit, bareLamp } from '../test/bare-kit.ts';
import { barePiece, bareProfile } from '../test/bare-profile.ts';
import type { Kit } from '../kit/index.ts';
import type { RuleSet } from '../rules/index.ts';
import type { VehicleProfile } from '../vehicle/index.ts';
import type { PlugLibrary } from '../wiring/index.ts';
import {
  aimCautions,
  benchCautions,
  closingCautions,
  jointCautions,
  leavingCautions,
  legCautions,
  openingCautions,
  outCautions,
  stepCautions,
  testCautions,
  type CautionCode,
} from './index.ts';
import { emptyJob } from '../events/index.ts';
import { fitStepsOf, jobContext, kitsOnVehicle, testsOf, type JobContext } from '../job/index.ts';
import { wireJoints } from '../loom/index.ts';

const demo = join(import.meta.dirname, '../../demo');
const read = <T>(file: string): T => JSON.parse(readFileSync(join(demo, file), 'utf8')) as T;
const all = <T>(folder: string): T[] => readdirSync(join(demo, folder)).map((file) => read<T>(`${folder}/${file}`));
const rules = read<RuleSet>('rules.json');
const plugs = read<PlugLibrary>('plugs.json');
const profiles = all<VehicleProfile>('vehicles');
const kits = all<Kit>('kits');
const profileOf = (slug: string) => profiles.find((profile) => profile.slug === slug) ?? bareProfile({});

const bareMount = { name: 'Top', side: 'centre' as const, reach: [], hiddenBy: [] };

/** A demo kit on a demo vehicle, the facts open. */
function on(vehicle: string, kit: string): JobContext {
  return jobContext(emptyJob(), { profile: profileOf(vehicle), kits: kits.filter(({ slug }) => slug === kit), rules, plugs });
}
const stepsOf = (context: JobContext) => kitsOnVehicle(context).flatMap((entry) => fitStepsOf(entry).map((step) => ({ id: step.id, codes: stepCautions(context, entry, step) })));
const step = (vehicle: string, kit: string, id: string) => stepsOf(on(vehicle, kit)).find((entry) => entry.id === id)?.codes;
const opening = (vehicle: string, piece: string, level: 'off' | 'folded', way?: string) => openingCautions({ profile: profileOf(vehicle) }, piece, level, way);

test('work from below asks for stands; a hand behind a wheel for chocks, the brakes and the steering beside it; the roof for a platform', () => {
  expect(opening('wexholm-bollard-35', 'undertray', 'off')).toEqual(['raised', 'sharp edges', 'hot parts']);
  expect(opening('wexholm-bollard-35', 'undertray', 'off', 'from-below')).toEqual(['raised', 'sharp edges', 'hot parts']);
  const turned = bareProfile({
    pieces: [
      barePiece('liner', {
        levels: [{ level: 'off', openMin: 1, closeMin: 1, people: 1, ways: [{ id: 'w', needs: [], extraMin: 0, position: { kind: 'wheels', place: 'left' } }] }],
      }),
    ],
  });
  expect(openingCautions({ profile: turned }, 'liner', 'off', 'w')).toEqual(['arch']);
  const up = { kind: 'raised', place: 'front' };
  const raised = {
    ...turned,
    pieces: turned.pieces.map((piece) => ({ ...piece, levels: piece.levels.map((level) => ({ ...level, ways: level.ways.map((way) => ({ ...way, also: [up] })) })) })),
  };
  expect([openingCautions({ profile: raised }, 'liner', 'off', 'w'), closingCautions({ profile: raised }, 'liner', [up]), closingCautions({ profile: raised }, 'liner')]).toEqual([
    ['raised', 'arch'],
    ['raised'],
    [],
  ]);
  expect(opening('wexholm-bollard-35', 'arch-liner-left', 'folded')).toEqual(['arch', 'brakes', 'steering']);
  expect(opening('wexholm-bollard-35', 'gutter-strip-right', 'off')).toEqual(['height', 'brittle']);
  expect(opening('pellorin-trio-300', 'seat', 'off')).toEqual(['fuel']);
  expect(opening('wexholm-bollard-35', 'no-such-piece', 'off')).toEqual([]);
});

test('what goes back beside brakes, fuel or steering is looked at before it closes', () => {
  const closing = (vehicle: string, piece: string) => closingCautions({ profile: profileOf(vehicle) }, piece);
  expect(closing('wexholm-bollard-35', 'arch-liner-left')).toEqual(['arch', 'check after']);
  expect(closing('pellorin-trio-300', 'seat')).toEqual(['check after']);
  expect(closing('wexholm-fieldcat', 'winch-fairlead')).toEqual([]);
});

test('orange cables are named where a high-voltage side is near, and on no other vehicle', () => {
  expect(opening('oskarre-linnet', 'undertray', 'off')).toContain('orange cables');
  expect(opening('oskarre-linnet', 'service-disconnect', 'off')).toContain('orange cables');
  // Folded it asks for the 12 V side dead; taken off whole it bares the charger.
  expect([opening('oskarre-linnet', 'side-trim-left', 'folded').includes('orange cables'), opening('oskarre-linnet', 'side-trim-left', 'off').includes('orange cables')]).toEqual([
    false,
    true,
  ]);
  expect(opening('oskarre-linnet', 'grille', 'off')).toEqual(['moving parts', 'brittle']);
  const codes = (vehicle: string, kit: string) => wireJoints(on(vehicle, kit)).map((joint) => jointCautions(on(vehicle, kit), joint));
  expect(codes('oskarre-linnet', 'cairn-wren-rear-pair').every((list) => list.includes('orange cables'))).toBe(true);
  expect(codes('wexholm-bollard-35', 'cairn-fen-pair').flat()).not.toContain('orange cables');
});

test('a wire that is tapped, led or fed from the battery is joined dead; a plug that clicks home needs no more than itself', () => {
  const joints = (vehicle: string, kit: string) => Object.fromEntries(wireJoints(on(vehicle, kit)).map((joint) => [joint.connection.id, jointCautions(on(vehicle, kit), joint)]));
  expect(Object.values(joints('wexholm-bollard-35', 'cairn-fen-pair')).flat()).toEqual([]);
  for (const codes of Object.values(joints('wexholm-bollard-35', 'tarn-gantry-1100'))) expect(codes).toContain('dead first');
});

test('a fitting step says what it does, what it uses, and what lies beside its place', () => {
  expect(step('pellorin-trio-300', 'pell-perch-bar', 'holes')).toContain('drilling');
  expect(step('pellorin-trio-300', 'pell-perch-bar', 'bar')).toContain('sealant');
  expect(step('pellorin-trio-300', 'pell-perch-bar', 'bar')).not.toContain('drilling');
  expect(step('wexholm-bollard-35', 'tarn-gantry-1100', 'feet')).toEqual(['height']);
  expect(step('wexholm-bollard-35', 'tarn-gantry-1100', 'battery')).toEqual(['dead first']);
  expect(step('wexholm-fieldcat', 'tarn-overplough-pair', 'harness')).toEqual(expect.arrayContaining(['joint heat', 'raised', 'brakes']));
  expect(benchCautions({ uses: ['adhesive', 'solvent'] })).toEqual(['solvent', 'adhesive']);
  expect(benchCautions({})).toEqual([]);
});

test('what is undone is not drilled once more; its battery is off for it all the same', () => {
  const context = on('pellorin-trio-300', 'pell-perch-bar');
  const [holes] = kitsOnVehicle(context).flatMap(fitStepsOf);
  expect(outCautions(context, { step: holes, asks: [{ supply: 'low', is: 'dead' }] })).not.toContain('drilling');
  expect(outCautions(context, { asks: [{ supply: 'low', is: 'dead' }] })).toEqual(['dead first']);
  expect(outCautions(on('oskarre-linnet', 'cairn-wren-rear-pair'), { asks: [{ supply: 'low', is: 'dead' }] })).toEqual(['orange cables', 'dead first']);
});

test('a beam asks nobody to look into it and is hot after it; a marker is neither; a state that needs the engine says so', () => {
  const kit = bareKit({
    lamps: [bareLamp('beam', { optics: { ...bareLamp('beam').optics, beam: 'driving' } }), bareLamp('mark', { optics: { ...bareLamp('mark').optics, beam: 'marker' } })],
  });
  expect(testCautions({ kit }, { lamps: ['beam'], state: 'main' })).toEqual(['eyes', 'hot lamp']);
  expect(testCautions({ kit }, { lamps: ['mark'], state: 'parking' })).toEqual([]);
  expect(testCautions({ kit }, { lamps: ['mark'], state: 'engine' })).toEqual(['engine']);
  expect(aimCautions()).toEqual(['eyes', 'hot lamp']);
});

test('a beam above the roof and a work lamp are spoken of before the vehicle leaves', () => {
  const leaving = (vehicle: string, kit: string) => leavingCautions(on(vehicle, kit), kitsOnVehicle(on(vehicle, kit)));
  expect(leaving('wexholm-bollard-35', 'tarn-gantry-1100')).toEqual(['roof lamp']);
  expect(leaving('wexholm-bollard-35', 'cairn-fen-pair')).toEqual([]);
  expect(leaving('wexholm-fieldcat', 'tarn-stern-pair')).toEqual(['not on the road']);
  // As high as nine tenths of the vehicle it is not on the roof yet.
  const profile = bareProfile({
    measures: { ...bareProfile({}).measures, heightMm: 2000 },
    mounts: [{ ...bareMount, id: 'top', at: { xMm: 0, yMm: 0, zMm: 1899 } }],
  });
  const kit = bareKit({
    lamps: [bareLamp('beam', { optics: { ...bareLamp('beam').optics, beam: 'driving' } })],
    fitments: [bareFitment({ mounts: [{ lamp: 'beam', mount: 'top' }] })],
  });
  const at = (zMm: number) =>
    leavingCautions({ profile: { ...profile, mounts: profile.mounts.map((mount) => ({ ...mount, at: { ...mount.at, zMm } })) } }, [{ kit, facts: {}, fitment: kit.fitments[0] }]);
  expect([at(1899), at(1901)]).toEqual([[], ['roof lamp']]);
});

test('a leg along an edge or something hot says so', () => {
  const segments = profileOf('wexholm-bollard-35').cableWays?.segments ?? [];
  const along = (...ids: string[]) => legCautions({ path: { along: segments.filter(({ id }) => ids.includes(id)) } });
  expect([along('gutter'), along('pillar')]).toEqual([['sharp edges'], []]);
  const [gutter] = segments;
  expect(legCautions({ path: { along: gutter ? [{ ...gutter, hazards: { heat: 1, movement: 0 }, drill: true }] : [] } })).toEqual(['hot parts', 'drilling']);
  expect(legCautions({})).toEqual([]);
});

test('steering alone is looked at before it closes; a signal lamp on the roof blinds nobody', () => {
  const profile = bareProfile({ pieces: [barePiece('column', { beside: ['steering'] }), barePiece('edge', { beside: ['sharp edge'] })] });
  expect([closingCautions({ profile }, 'column'), closingCautions({ profile }, 'edge'), closingCautions({ profile }, 'none')]).toEqual([['check after'], ['sharp edges'], []]);
  const kit = bareKit({ lamps: [bareLamp('s', { optics: { ...bareLamp('s').optics, beam: 'signal' } })], fitments: [bareFitment({ mounts: [{ lamp: 's', mount: 'top' }] })] });
  const above = bareProfile({ mounts: [{ ...bareMount, id: 'top', at: { xMm: 0, yMm: 0, zMm: 9000 } }] });
  expect(leavingCautions({ profile: above }, [{ kit, facts: {}, fitment: kit.fitments[0] }])).toEqual([]);
});

test('a piece that was taken over from another kind is looked at first, and once back it is known', () => {
  const profile = bareProfile({ pieces: [barePiece('grille', { assumed: 'Wexholm Bollard 35', brittle: true })] });
  expect([openingCautions({ profile }, 'grille', 'off'), closingCautions({ profile }, 'grille')]).toEqual([['assumed', 'brittle'], ['brittle']]);
  const sensing = (part: { assumed?: string }) => openingCautions({ profile: bareProfile({ pieces: [barePiece('bracket', { sensorAssumed: true, ...part })] }) }, 'bracket', 'off');
  expect([sensing({ assumed: 'Wexholm Bollard 35' }), sensing({})]).toEqual([['assumed', 'sensor there'], []]);
});

test('a brittle piece is named brittle, a plain one by nothing', () => {
  const profile = bareProfile({ pieces: [barePiece('brittle', { brittle: true }), barePiece('plain')] });
  expect([openingCautions({ profile }, 'brittle', 'off'), openingCautions({ profile }, 'plain', 'off')]).toEqual([['brittle'], []]);
});

test('every caution there is stands at some step of the demo shop', () => {
  const met = new Set<CautionCode>(aimCautions());
  for (const profile of profiles) {
    for (const kit of kits) {
      const context = jobContext(emptyJob(), { profile, kits: [kit], rules, plugs });
      const onVehicle = kitsOnVehicle(context);
      const codes = [
        ...profile.pieces.flatMap((piece) => piece.levels.flatMap(({ level, ways }) => ways.flatMap((way) => openingCautions(context, piece.id, level, way.id)))),
        ...profile.pieces.flatMap(({ id }) => closingCautions(context, id)),
        ...onVehicle.flatMap((entry) => [...fitStepsOf(entry).flatMap((own) => stepCautions(context, entry, own)), ...testsOf(entry).flatMap((own) => testCautions(entry, own))]),
        ...wireJoints(context).flatMap((joint) => jointCautions(context, joint)),
        ...kit.benchTasks.flatMap(benchCautions),
        ...leavingCautions(context, onVehicle),
      ];
      for (const code of codes) met.add(code);
    }
  }
  const wanted: CautionCode[] = [
    'orange cables',
    'raised',
    'arch',
    'height',
    'brittle',
    'sharp edges',
    'hot parts',
    'moving parts',
    'brakes',
    'fuel',
    'steering',
    'check after',
    'dead first',
    'joint heat',
    'drilling',
    'solvent',
    'sealant',
    'adhesive',
    'eyes',
    'hot lamp',
    'roof lamp',
    'not on the road',
  ];
  expect(wanted.filter((code) => !met.has(code))).toEqual([]);
});

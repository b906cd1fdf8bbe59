import { NEW_HERON } from '../test/new-heron.ts';
import { bareProfile, barePiece } from '../test/bare-profile.ts';
import { boxOn, certain, checkProfile, DESCRIBED, isMuchLike, newKind, withoutPieces, type VehicleProfile } from './index.ts';

const FROM = bareProfile().measures;
const isOff = (piece: string) => ({ piece, level: 'off' as const });
const way = (...pieces: string[]) => ({ id: 'front', needs: pieces.map(isOff), extraMin: 0 });
const off = (...pieces: string[]) => [{ level: 'off' as const, openMin: 2, closeMin: 2.5, people: 1, ways: [way(...pieces)] }];

test('a box lies between the same marks of the other vehicle: ends and axles, sides, floor, bonnet and roof', () => {
  const to = {
    ...FROM,
    lengthMm: 5900 + 100 + 400 + 200,
    frontOverhangMm: 950 + 100,
    wheelbaseMm: 3600 + 400,
    widthMm: 1640,
    groundClearanceMm: 90,
    bonnetHeightMm: 1150 + 60,
    heightMm: 2550 + 110,
  };
  // Half of the front overhang 475 of 950 is 525 of 1050; a third of the way to the rear axle -1200 of -3600 is -1333 of -4000.
  expect(boxOn({ xMm: [-1200, 475], yMm: [-1025, 512.5], zMm: [90, 665] }, FROM, to)).toEqual({ xMm: [-1333, 525], yMm: [-820, 410], zMm: [45, 650] });
  // Behind the rear axle 675 of 1350 is 775 of 1550; beyond a mark it goes on as before it: a mirror, a bar before the bumper, a bar on the roof.
  expect(boxOn({ xMm: [-3600 - 675, 1045], yMm: [-1127.5, -1025], zMm: [1150, 2690] }, FROM, to)).toEqual({ xMm: [-4775, 1155], yMm: [-902, -820], zMm: [1210, 2805] });
  expect(boxOn({ xMm: [0, 100], yMm: [-100, 100], zMm: [300, 400] }, FROM, FROM)).toEqual({ xMm: [0, 100], yMm: [-100, 100], zMm: [300, 400] });
});

const LIKE: VehicleProfile = bareProfile({
  maker: 'Wexholm',
  model: 'Test van',
  body: NEW_HERON.body,
  facts: [
    { id: 'guard', label: 'Guard', choices: ['fitted', 'none'], howToSee: 'Look.', lookMin: 1 },
    { id: 'colour', label: 'Colour', choices: ['red', 'blue'], howToSee: 'Look.', lookMin: 1 },
  ],
  pieces: [
    barePiece('battery-negative'),
    barePiece('grille', { when: { not: { fact: 'guard', is: 'none' } } }),
    barePiece('bumper', { levels: off('grille'), assumed: 'Dunmorrow Teal', sensorAssumed: true }),
  ],
  refitRules: [
    { id: 'one', first: 'grille', then: 'bumper', why: 'The bumper holds it.' },
    { id: 'two', first: 'battery-negative', then: 'bumper', why: 'It is behind it.' },
    { id: 'three', first: 'battery-negative', then: 'grille', why: 'It is behind it.' },
  ],
  supplies: [{ id: 'low', name: '12 V', piece: 'battery-negative', level: 'off', waitMin: 3, by: 'anyone', before: [], forgets: [] }],
  cautions: ['Chock the wheels.'],
  sensors: [
    { id: 'radar', name: 'Radar', kind: 'radar', on: 'grille', lock: 'tab', pose: { xMm: 0, yMm: 0, zMm: 0, yawDeg: 0, pitchDeg: 0 }, calibration: 'required', procedure: '' },
  ],
  functions: [{ id: 'dipped', name: 'Dipped beam', side: 'left', state: 'dipped', at: { xMm: 0, yMm: 0, zMm: 0 } }],
  gaps: [{ id: 'gap', name: 'Bonnet to wing', side: 'left', at: { xMm: 0, yMm: 0, zMm: 0 }, nominalMm: 4, toleranceMm: 1 }],
});

test('a kind that is much like another takes its pieces over as assumed, with what they hang on; what is seen or proved of one vehicle it does not', () => {
  const kind = newKind(NEW_HERON, LIKE);
  expect(checkProfile(kind)).toEqual([]);
  expect(kind.pieces.map(({ id, assumed }) => [id, assumed])).toEqual([
    ['battery-negative', 'Wexholm Test van'],
    ['grille', 'Wexholm Test van'],
    // Of one that was assumed there as well, nobody knows more than where it came from.
    ['bumper', 'Dunmorrow Teal'],
  ]);
  expect(kind.pieces[2]?.box).toEqual(boxOn(LIKE.pieces[2]?.box ?? { xMm: [0, 0], yMm: [0, 0], zMm: [0, 0] }, LIKE.measures, kind.measures));
  expect([kind.facts.map(({ id }) => id), kind.supplies, kind.refitRules, kind.cautions]).toEqual([['guard'], LIKE.supplies, LIKE.refitRules, ['Chock the wheels.']]);
  expect([kind.functions, kind.gaps, kind.mounts, kind.plugs, kind.circuits, kind.sensors]).toEqual([[], [], [], [], [], []]);
  // Where a sensor sits there one is looked for here; on the bumper one was only assumed there as well.
  expect(kind.pieces.map(({ sensorAssumed }) => sensorAssumed)).toEqual([undefined, true, true]);
  // Nothing of it is settled: of each list nobody has looked for all that belongs in it.
  expect(kind.undescribed).toEqual([...DESCRIBED]);
  expect(kind.slug).toBe(newKind(NEW_HERON).slug);
});

test('only one of the same body, with high voltage aboard as that one has it, can be taken over', () => {
  const kind = { body: 'van-high-roof' as const, highVoltage: false };
  expect([isMuchLike(kind, kind), isMuchLike(kind, { ...kind, highVoltage: true }), isMuchLike(kind, { ...kind, body: 'hatchback' })]).toEqual([true, false, false]);
});

test('a piece that is certain says nothing of where it came from, and a kind without a piece waits for it nowhere', () => {
  const kind = newKind(NEW_HERON, LIKE);
  const [, grille] = kind.pieces;
  if (!grille) throw new Error('no grille');
  expect(['assumed' in certain(grille), 'sensorAssumed' in certain(grille)]).toEqual([false, false]);
  const without = withoutPieces(
    { ...kind, mounts: [{ id: 'post', name: 'Post', side: 'left', at: { xMm: 0, yMm: 0, zMm: 0 }, reach: [way('grille', 'bumper')], hiddenBy: [isOff('grille')] }] },
    ['grille'],
  );
  expect(without.pieces.map(({ id, levels }) => [id, levels[0]?.ways[0]?.needs])).toEqual([
    ['battery-negative', []],
    ['bumper', []],
  ]);
  expect([without.mounts[0]?.reach[0]?.needs, without.mounts[0]?.hiddenBy, without.refitRules.map(({ id }) => id)]).toEqual([[isOff('bumper')], [], ['two']]);
});

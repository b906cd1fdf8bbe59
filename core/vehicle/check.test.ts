import { barePiece, bareProfile } from '../test/bare-profile.ts';
import { checkPieces, checkProfile, factChoices, TYPICAL_MEASURES, unreachableLevels, type Piece, type PieceLevel, type Supply, type VehicleProfile } from './index.ts';

const way = (needs: { piece: string; level: 'loosened' | 'off' }[] = []) => ({ id: 'w', needs, extraMin: 0 });
const level = (name: PieceLevel['level'], openMin: number, part: Partial<PieceLevel> = {}): PieceLevel => ({
  level: name,
  openMin,
  closeMin: 1,
  people: 1,
  ways: [way()],
  ...part,
});
const faultsOf = (part: Partial<VehicleProfile>) => checkProfile(bareProfile(part)).map(({ path, code }) => `${path} ${code}`);
const plug = {
  id: 'p',
  name: 'Plug',
  family: 'SL-2',
  gender: 'pins' as const,
  keying: 'A',
  rows: 1,
  columns: 2,
  lock: 'tab',
  pins: [],
  side: 'left' as const,
  at: { xMm: 0, yMm: 0, zMm: 0 },
  whereToLook: 'x',
  reach: [],
  hiddenBy: [],
};

test('a whole profile without faults has none', () => {
  expect(faultsOf({ pieces: [barePiece('a'), barePiece('b', { levels: [level('off', 1, { ways: [way([{ piece: 'a', level: 'off' }])] })] })] })).toEqual([]);
});

test('ids stand once in their list', () => {
  expect(faultsOf({ pieces: [barePiece('a'), barePiece('a')] })).toEqual(['pieces[1].id duplicate-id']);
});

test('years rise, boxes rise, levels rise', () => {
  expect(faultsOf({ years: { from: 2024, to: 2019 } })).toEqual(['years.to span-order']);
  expect(faultsOf({ pieces: [barePiece('a', { box: { xMm: [5, 1], yMm: [0, 1], zMm: [0, 1] } })] })).toEqual(['pieces[0].box.xMm span-order']);
  expect(faultsOf({ pieces: [barePiece('a', { levels: [level('off', 1), level('loosened', 2)] })] })).toEqual(['pieces[0].levels[1].level span-order']);
});

test('measures go together: the rear axle lies on the vehicle, the bonnet between floor and roof, the track within the width', () => {
  const measures = { ...TYPICAL_MEASURES.hatchback };
  // 4 050 long, nose 830 ahead of the front axle: 3 220 are left for the wheelbase.
  const off = (part: Partial<typeof measures>) => faultsOf({ measures: { ...measures, ...part } });
  expect([off({}), off({ wheelbaseMm: 3220 }), off({ bonnetHeightMm: 151 }), off({ bonnetHeightMm: 1470 }), off({ trackMm: 1770 })]).toEqual([[], [], [], [], []]);
  expect([off({ wheelbaseMm: 3221 }), off({ bonnetHeightMm: 150 }), off({ bonnetHeightMm: 1471 }), off({ trackMm: 1771 })]).toEqual([
    ['measures.wheelbaseMm range'],
    ['measures.bonnetHeightMm range'],
    ['measures.bonnetHeightMm range'],
    ['measures.trackMm range'],
  ]);
});

test('opening does not fall with the level: in person-minutes, not in minutes', () => {
  expect(faultsOf({ pieces: [barePiece('a', { levels: [level('loosened', 3), level('off', 2)] })] })).toEqual(['pieces[0].levels[1].openMin open-falls']);
  expect(faultsOf({ pieces: [barePiece('a', { levels: [level('loosened', 3), level('off', 2, { people: 2 })] })] })).toEqual([]);
});

test('a piece needs a level, and a fastener a level that the piece has', () => {
  expect(faultsOf({ pieces: [barePiece('a', { levels: [] })] })).toEqual(['pieces[0].levels no-levels']);
  const group = {
    id: 'g',
    drive: 'hex' as const,
    count: 1,
    place: 'x',
    side: 'left' as const,
    singleUse: false,
    release: 'unscrew' as const,
    tighten: {},
    atLevel: 'folded' as const,
  };
  expect(faultsOf({ pieces: [barePiece('a', { fasteners: [group] })] })).toEqual(['pieces[0].fasteners[0].atLevel unknown-id']);
});

test('only what is screwed has a torque', () => {
  const clip = { id: 'g', drive: 'hook' as const, count: 1, place: 'x', side: 'left' as const, singleUse: false, atLevel: 'off' as const };
  const holding = (release: 'unscrew' | 'squeeze tabs', torqueNm?: number) => [barePiece('a', { fasteners: [{ ...clip, release, tighten: { torqueNm, snug: 'plastic' } }] })];
  expect(faultsOf({ pieces: holding('squeeze tabs', 4) })).toEqual(['pieces[0].fasteners[0].tighten.torqueNm torque-without-thread']);
  expect(faultsOf({ pieces: holding('unscrew', 4) })).toEqual([]);
  expect(faultsOf({ pieces: holding('squeeze tabs') })).toEqual([]);
});

test('a way may not need its own level, but its own lower one', () => {
  const own = (needed: 'loosened' | 'off') => [barePiece('a', { levels: [level('loosened', 1), level('off', 2, { ways: [way([{ piece: 'a', level: needed }])] })] })];
  expect(faultsOf({ pieces: own('off') })).toEqual(['pieces[0].levels[1].ways[0].needs[0] own-level']);
  expect(faultsOf({ pieces: own('loosened') })).toEqual([]);
});

test('a way has one place of each kind', () => {
  const [left, right, up] = [
    { kind: 'wheels', place: 'left' },
    { kind: 'wheels', place: 'right' },
    { kind: 'raised', place: 'front' },
  ];
  const faults = (also: { kind: string; place: string }[]) =>
    checkProfile(
      bareProfile({
        pieces: [barePiece('liner', { levels: [{ level: 'off', openMin: 1, closeMin: 1, people: 1, ways: [{ id: 'w', needs: [], extraMin: 0, position: left, also }] }] })],
      }),
    );
  expect([faults([up]), faults([up, right])]).toEqual([[], [{ path: 'pieces[0].levels[0].ways[0].also', code: 'duplicate-id', data: { id: 'wheels, raised, wheels' } }]]);
});

test('needs name pieces and levels that exist', () => {
  const needing = (piece: string, wanted: 'loosened' | 'off') => [
    barePiece('a', { levels: [level('loosened', 1)] }),
    barePiece('b', { levels: [level('off', 1, { ways: [way([{ piece, level: wanted }])] })] }),
  ];
  expect(faultsOf({ pieces: needing('z', 'off') })).toEqual(['pieces[1].levels[0].ways[0].needs[0].piece unknown-id']);
  expect(faultsOf({ pieces: needing('a', 'off') })).toEqual(['pieces[1].levels[0].ways[0].needs[0].level unknown-id']);
});

test('two pieces that open only each other are unreachable, one more way for one of them mends both', () => {
  const each = (extra: Piece['levels'][number]['ways']) => [
    barePiece('a', { levels: [level('off', 1, { ways: [way([{ piece: 'b', level: 'off' }])] })] }),
    barePiece('b', { levels: [level('off', 1, { ways: [way([{ piece: 'a', level: 'off' }]), ...extra] })] }),
  ];
  expect(faultsOf({ pieces: each([]) })).toEqual(['pieces[0].levels[0] unreachable-level', 'pieces[1].levels[0] unreachable-level']);
  expect(faultsOf({ pieces: each([way()]) })).toEqual([]);
  expect(unreachableLevels([barePiece('a', { levels: [level('off', 1, { ways: [] })] })])).toHaveLength(1);
});

test('rules that always hold may not go in a circle; under a condition they may', () => {
  const pieces = ['a', 'b', 'c'].map((id) => barePiece(id));
  const rules = [
    ['a', 'b'],
    ['b', 'c'],
    ['c', 'a'],
  ].map(([first = '', then = ''], index) => ({ id: `r${index}`, first, then, why: 'x' }));
  const [fault] = checkProfile(bareProfile({ pieces, refitRules: rules }));
  expect([fault?.code, fault?.data.cycle]).toEqual(['refit-cycle', 'a → b → c → a']);
  const facts = [{ id: 'plough', label: 'Plough', choices: ['present', 'absent'], howToSee: 'x', lookMin: 1 }];
  expect(faultsOf({ facts, pieces, refitRules: rules.map((rule, index) => (index === 2 ? { ...rule, when: { fact: 'plough', is: 'present' } } : rule)) })).toEqual([]);
});

test('sensors, plugs, mounts and rules name pieces and circuits that exist', () => {
  const sensor = {
    id: 's',
    name: 's',
    kind: 'radar' as const,
    on: 'z',
    lock: 'x',
    pose: { xMm: 0, yMm: 0, zMm: 0, yawDeg: 0, pitchDeg: 0 },
    fieldOfView: { horizontalDeg: 1, verticalDeg: 1, rangeM: 1 },
    toleranceDeg: 1,
    calibration: 'required' as const,
    procedure: 'x',
  };
  expect(faultsOf({ sensors: [sensor] })).toEqual(['sensors[0].on unknown-id']);
  expect(faultsOf({ plugs: [{ ...plug, hiddenBy: [{ piece: 'z', level: 'off' as const }] }] })).toEqual(['plugs[0].hiddenBy[0].piece unknown-id']);
  expect(faultsOf({ plugs: [{ ...plug, pins: [{ id: '1', row: 1, column: 1, carries: 'ground', circuit: 'z' }] }] })).toEqual(['plugs[0].pins[0].circuit unknown-id']);
  expect(faultsOf({ plugs: [{ ...plug, pins: [{ id: '1', row: 1, column: 3, carries: 'ground' }] }] })).toEqual(['plugs[0].pins[0] pin-outside-face']);
  expect(faultsOf({ refitRules: [{ id: 'r', first: 'y', then: 'z', why: 'x' }] })).toEqual(['refitRules[0].first unknown-id', 'refitRules[0].then unknown-id']);
  const mount = {
    id: 'm',
    name: 'm',
    side: 'left' as const,
    at: { xMm: 0, yMm: 0, zMm: 0 },
    reach: [way([{ piece: 'z', level: 'off' }])],
    hiddenBy: [],
    adjusterHiddenBy: [{ piece: 'y', level: 'off' as const }],
  };
  expect(faultsOf({ mounts: [mount] })).toEqual(['mounts[0].reach[0].needs[0].piece unknown-id', 'mounts[0].adjusterHiddenBy[0].piece unknown-id']);
});

test('conditions are held against the facts of the profile', () => {
  const facts = [{ id: 'trim', label: 'Trim', choices: ['plain', 'guard'], howToSee: 'x', lookMin: 1 }];
  expect(factChoices(bareProfile({ facts })).get('trim')).toEqual(['plain', 'guard']);
  expect(faultsOf({ facts, pieces: [barePiece('a', { when: { fact: 'trim', is: 'gold' } })] })).toEqual(['pieces[0].when.is choice']);
  expect(checkPieces([barePiece('a', { when: { fact: 'trim', is: 'plain' } })], [], new Map())).toMatchObject([{ path: 'pieces[0].when.fact', code: 'unknown-id' }]);
});

const BATTERY: Supply = { id: 'low', name: 'Battery', piece: 'battery', level: 'off', waitMin: 3, liveMin: 2, by: 'anyone', before: [], forgets: [] };
const battery = barePiece('battery');
const dead = [{ supply: 'low' as const, is: 'dead' as const }];

test('a supply names a piece and a level of it; every mark has its supply', () => {
  const airbag = barePiece('trim', { levels: [level('off', 2, { asks: dead, deadWhileOpen: ['low'], ways: [{ ...way(), asks: dead }] })] });
  expect(faultsOf({ pieces: [battery, airbag], supplies: [BATTERY] })).toEqual([]);
  expect(faultsOf({ pieces: [airbag] })).toEqual([
    'pieces[0].levels[0].asks[0].supply mark-without-supply',
    'pieces[0].levels[0].deadWhileOpen[0] mark-without-supply',
    'pieces[0].levels[0].ways[0].asks[0].supply mark-without-supply',
  ]);
  expect(faultsOf({ pieces: [battery], supplies: [{ ...BATTERY, piece: 'z' }] })).toEqual(['supplies[0].piece unknown-id']);
  expect(faultsOf({ pieces: [battery], supplies: [{ ...BATTERY, level: 'folded' }] })).toEqual(['supplies[0].level unknown-id']);
});

test('what isolates a supply cannot ask for it to be dead, live it can', () => {
  const asking = (is: 'dead' | 'live') => barePiece('battery', { levels: [level('off', 1, { asks: [{ supply: 'low', is }] })] });
  expect(faultsOf({ pieces: [asking('dead')], supplies: [BATTERY] })).toEqual(['pieces[0].levels[0] isolation-asks-dead']);
  expect(faultsOf({ pieces: [asking('live')], supplies: [BATTERY] })).toEqual([]);
});

test('a caution that speaks of a supply needs a mark that the plan keeps', () => {
  const cautions = [{ text: 'Airbag behind', asks: { supply: 'low' as const, is: 'dead' as const } }];
  const trim = (part: Partial<PieceLevel>) => [battery, barePiece('trim', { cautions, levels: [level('off', 1, part)] })];
  expect(faultsOf({ pieces: trim({}), supplies: [BATTERY] })).toEqual(['pieces[1].cautions[0].asks caution-without-mark']);
  expect(faultsOf({ pieces: trim({ asks: [{ supply: 'low', is: 'live' }] }), supplies: [BATTERY] })).toEqual(['pieces[1].cautions[0].asks caution-without-mark']);
  expect(faultsOf({ pieces: trim({ asks: dead }), supplies: [BATTERY] })).toEqual([]);
  expect(faultsOf({ pieces: trim({ deadWhileOpen: ['low'] }), supplies: [BATTERY] })).toEqual([]);
});

test('a circuit has a fuse or an output that guards it: neither is refused, both are refused', () => {
  const circuit = { id: 'c', name: 'C', wire: { areaMm2: 1, lengthM: 4, permittedA: 13 }, plugPermittedA: 12, loads: [], liveIn: [] };
  const fuse = { slot: 'F1', ratedA: 10 };
  const output = { slot: 'O1', limitA: 5, surge: { ampere: 14, forMs: 50 }, standbyMostMa: 4 };
  expect(faultsOf({ circuits: [circuit] })).toEqual(['circuits[0] circuit-unprotected']);
  expect(faultsOf({ circuits: [{ ...circuit, fuse }] })).toEqual([]);
  expect(faultsOf({ circuits: [{ ...circuit, output }] })).toEqual([]);
  expect(faultsOf({ circuits: [{ ...circuit, fuse, output }] })).toEqual(['circuits[0] one-of']);
  const load = { name: 'Lamp', powerW: 5, atV: 24, kind: 'filament' as const, channel: 'tail' };
  expect(faultsOf({ circuits: [{ ...circuit, fuse, loads: [load] }] })).toEqual(['circuits[0].loads[0].channel unknown-id', 'circuits[0].loads[0].atV voltage-impossible']);
});

test('lamp channels stand once, look from a lower to a higher voltage, and are there where a pin names them', () => {
  const channel = { id: 'tail', name: 'Tail', kind: 'steady' as const, thresholdW: 4, flashes: false, flasherChangeable: false, codable: false, leastV: 11, mostV: 14 };
  const pin = { id: '1', row: 1, column: 1, carries: 'parking' as const, channel: 'tail' };
  expect(faultsOf({ channels: [channel], plugs: [{ ...plug, pins: [pin] }] })).toEqual([]);
  expect(faultsOf({ plugs: [{ ...plug, pins: [pin] }] })).toEqual(['plugs[0].pins[0].channel unknown-id']);
  expect(faultsOf({ channels: [channel, { ...channel, leastV: 15 }] })).toEqual(['channels[1].id duplicate-id', 'channels[1].mostV span-order']);
});

test('two pins do not stand in one cavity', () => {
  const pin = (id: string, column: number) => ({ id, row: 1, column, carries: 'ground' as const });
  expect(faultsOf({ plugs: [{ ...plug, pins: [pin('1', 1), pin('2', 2)] }] })).toEqual([]);
  expect(faultsOf({ plugs: [{ ...plug, pins: [pin('1', 2), pin('2', 2)] }] })).toEqual(['plugs[0].pins[1] pin-place-twice']);
});

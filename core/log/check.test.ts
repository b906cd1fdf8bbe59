import { idCheck } from './index.ts';
import type { Happened, JobEvent } from '../events/index.ts';
import { PAIR, RULES, VAN } from '../job/test/log.ts';

const documents = { profile: VAN, kits: [PAIR], rules: RULES };
const event = (happened: Happened): JobEvent => ({ id: '00000000-0000-7000-8000-000000000001', v: 1, at: '2026-03-05T08:30:00Z', ...happened });
const check = idCheck(documents);
const faults = (type: Happened['type'], payload: object) => check(event({ type, payload } as Happened), 'events[2]').map((fault) => `${fault.path} ${fault.code}`);

test('an event whose ids all stand in the pinned documents has no faults', () => {
  expect(faults('fact.recorded', { fact: 'trim', certainty: 'known', value: 'plain' })).toEqual([]);
  expect(faults('fact.recorded', { fact: 'trim', certainty: 'unknown', not: ['guard'] })).toEqual([]);
  expect(faults('content.counted', { kit: 'test-kit', item: 'lamp', count: 2 })).toEqual([]);
  expect(faults('plug.joined', { kit: 'test-kit', connection: 'joint' })).toEqual([]);
  expect(faults('job.assigned', { person: 'fern' })).toEqual([]);
});

test('a fact, value, kit, item, joint, step, test, lamp, gap, sensor, supply, plug or pin that is not there is named with its path', () => {
  expect(faults('fact.recorded', { fact: 'colour', certainty: 'known', value: 'plain' })).toEqual(['events[2].payload.fact unknown-id']);
  expect(faults('fact.recorded', { fact: 'trim', certainty: 'known', value: 'Plain' })).toEqual(['events[2].payload.value choice']);
  expect(faults('fact.recorded', { fact: 'trim', certainty: 'unknown', not: ['guard', 'gold'] })).toEqual(['events[2].payload.not[1] choice']);
  expect(faults('match.confirmed', { kit: 'other' })).toEqual(['events[2].payload.kit unknown-id']);
  expect(faults('option.chosen', { kit: 'test-kit', option: 'lens', choice: 'clear' })).toEqual(['events[2].payload.option unknown-id']);
  expect(faults('content.counted', { kit: 'test-kit', item: 'bolt', count: 1 })).toEqual(['events[2].payload.item unknown-id']);
  expect(faults('bench.done', { kit: 'test-kit', task: 'paint' })).toEqual(['events[2].payload.task unknown-id']);
  expect(faults('plug.joined', { kit: 'test-kit', connection: 'other' })).toEqual(['events[2].payload.connection unknown-id']);
  expect(faults('step.passed', { kit: 'test-kit', step: 'glue', pass: 'start' })).toEqual(['events[2].payload.step unknown-id']);
  expect(faults('test.tried', { kit: 'test-kit', test: 'rain', passed: true })).toEqual(['events[2].payload.test unknown-id']);
  expect(faults('baseline.tried', { lamp: 'beacon', result: 'works' })).toEqual(['events[2].payload.lamp unknown-id']);
  expect(faults('gap.measured', { gap: 'door', moment: 'before', widthMm: 4 })).toEqual(['events[2].payload.gap unknown-id']);
  expect(faults('sensor.unplugged', { sensor: 'camera' })).toEqual(['events[2].payload.sensor unknown-id']);
  expect(faults('supply.set', { supply: 'low', is: 'dead' })).toEqual(['events[2].payload.supply unknown-id']);
  expect(faults('reading.taken', { plug: 'tail-plug', pin: '1' })).toEqual(['events[2].payload.plug unknown-id']);
  expect(faults('reading.taken', { plug: 'fog-plug', pin: '3' })).toEqual(['events[2].payload.pin unknown-id']);
});

test('a piece, its fastener, its way, a circuit and a rule of aim are of this vehicle', () => {
  expect(faults('piece.moved', { piece: 'grille', level: 'off', way: 'front', fasteners: [] })).toEqual([]);
  expect(faults('piece.moved', { piece: 'roof', level: 'off', fasteners: [] })).toEqual(['events[2].payload.piece unknown-id']);
  expect(faults('fastener.broken', { piece: 'grille', group: 'bolts', count: 1 })).toEqual([]);
  expect(faults('fastener.broken', { piece: 'grille', group: 'clips', count: 1 })).toEqual(['events[2].payload.group unknown-id']);
  expect(faults('fastener.found', { piece: 'roof', group: 'bolts', count: 1 })).toEqual(['events[2].payload.piece unknown-id']);
  const said = { piece: 'grille', level: 'off' as const, fasteners: [] };
  expect([
    faults('piece.moved', { ...said, without: ['old-lamp'], needed: ['old-lamp'] }),
    faults('piece.moved', { ...said, without: ['old-lamp', 'roof'], needed: ['sill'] }),
  ]).toEqual([[], ['events[2].payload.without[1] unknown-id', 'events[2].payload.needed[0] unknown-id']]);
  expect(faults('way.chosen', { place: 'place', way: 'w' })).toEqual([]);
  expect(faults('way.chosen', { place: 'place' })).toEqual([]);
  expect(faults('way.chosen', { place: 'place', way: 'roof' })).toEqual(['events[2].payload.way unknown-id']);
  expect(faults('way.blocked', { place: 'old-lamp', level: 'off', way: 'w', why: 'bull bar' })).toEqual([]);
  expect(faults('way.blocked', { place: 'old-lamp', level: 'folded', way: 'w', why: 'bull bar' })).toEqual(['events[2].payload.way unknown-id']);
  expect(faults('way.blocked', { place: 'roof', way: 'w', why: 'bull bar' })).toEqual(['events[2].payload.place unknown-id']);
  expect([
    faults('piece.tried', { piece: 'grille', level: 'off' }),
    faults('piece.tried', { piece: 'grille', level: 'hung' }),
    faults('piece.tried', { piece: 'roof', level: 'off' }),
  ]).toEqual([[], ['events[2].payload.level unknown-id'], ['events[2].payload.piece unknown-id']]);
  const judged = (piece: string, enough: 'fitted' | 'folded' | 'needed' | 'off') =>
    faults('opening.judged', {
      pieces: [
        { piece: 'grille', enough: 'needed' },
        { piece, enough },
      ],
    });
  expect([judged('old-lamp', 'fitted'), judged('old-lamp', 'off'), judged('old-lamp', 'folded'), judged('roof', 'needed')]).toEqual([
    [],
    [],
    ['events[2].payload.pieces[1].enough unknown-id'],
    ['events[2].payload.pieces[1].piece unknown-id'],
  ]);
  expect(faults('load.accepted', { kit: 'test-kit', circuit: 'main' })).toEqual(['events[2].payload.circuit unknown-id']);
  expect(faults('wall.set', { rule: 'dipped', distanceMm: 5000 })).toEqual(['events[2].payload.rule unknown-id']);
});

test('a feed that a kit lays is a circuit by kit and feed; a fuse and a lamp channel are of this vehicle', () => {
  const feeds = [{ id: 'laid', name: 'Feed', fuseA: 15, batteryToFuseMm: 150, wire: { areaMm2: 2.5, lengthM: 5, permittedA: 22 }, plugPermittedA: 20 }];
  const channel = { id: 'tail', name: 'Tail', kind: 'steady' as const, thresholdW: 4, flashes: false, flasherChangeable: false, codable: false, leastV: 11, mostV: 14 };
  const laying = idCheck({ ...documents, profile: { ...VAN, channels: [channel] }, kits: [{ ...PAIR, feeds }] });
  const found = (type: Happened['type'], payload: object) => laying(event({ type, payload } as Happened), 'events[2]').map((fault) => `${fault.path} ${fault.code}`);
  expect(found('load.accepted', { kit: 'test-kit', circuit: 'test-kit.laid' })).toEqual([]);
  expect(found('fuse.seen', { circuit: 'test-kit.laid', ratedA: 15 })).toEqual([]);
  expect(found('fuse.seen', { circuit: 'laid', ratedA: 15 })).toEqual(['events[2].payload.circuit unknown-id']);
  expect(found('outage.accepted', { channel: 'tail', afterW: 2 })).toEqual([]);
  expect(faults('outage.accepted', { channel: 'tail', afterW: 2 })).toEqual(['events[2].payload.channel unknown-id']);
});

test('an accessory is a piece once it was found, in this batch or before', () => {
  const moved = event({ type: 'piece.moved', payload: { piece: 'winch', level: 'off', fasteners: [] } });
  const found = event({
    type: 'accessory.found',
    payload: { accessory: 'winch', name: 'Winch', side: 'centre', zone: 'front', holds: ['grille'], openMin: 5, closeMin: 5, people: 1, drive: 'hex', size: '13 mm', count: 4 },
  });
  expect(idCheck(documents, { accessories: ['winch'] })(moved, 'events[0]')).toEqual([]);
  const later = idCheck(documents);
  expect(later(moved, 'events[0]')).toMatchObject([{ path: 'events[0].payload.piece', code: 'unknown-id' }]);
  expect(later(found, 'events[1]')).toEqual([]);
  expect(later(moved, 'events[2]')).toEqual([]);
});

const POWERED = {
  ...documents,
  profile: {
    ...VAN,
    supplies: [{ id: 'low' as const, name: 'Battery', piece: 'grille', level: 'off' as const, waitMin: 1, liveMin: 0, by: 'anyone' as const, before: [], forgets: [] }],
  },
};
const LENS = { id: 'lens', label: 'Lens', choices: [{ id: 'clear', label: 'Clear', consequence: 'x' }], default: 'clear' };
const OPTIONED = { ...documents, kits: [{ ...PAIR, options: [LENS] }] };

/** What each fault says of itself: the field, the id that is not there, and what it should have been. */
test.each<[Happened['type'], object, [string, string, string][]]>([
  ['fact.recorded', { fact: 'colour', certainty: 'known', value: 'plain' }, [['fact', 'colour', 'fact']]],
  ['match.confirmed', { kit: 'other' }, [['kit', 'other', 'kit']]],
  ['content.counted', { kit: 'other', item: 'bolt', count: 1 }, [['kit', 'other', 'kit']]],
  ['content.counted', { kit: 'test-kit', item: 'bolt', count: 1 }, [['item', 'bolt', 'item']]],
  ['bench.done', { kit: 'test-kit', task: 'paint' }, [['task', 'paint', 'task']]],
  ['plug.joined', { kit: 'test-kit', connection: 'other' }, [['connection', 'other', 'connection']]],
  ['step.passed', { kit: 'test-kit', step: 'glue', pass: 'start' }, [['step', 'glue', 'step']]],
  ['test.tried', { kit: 'test-kit', test: 'rain', passed: true }, [['test', 'rain', 'test']]],
  ['final.tried', { lamp: 'beacon', result: 'works' }, [['lamp', 'beacon', 'lamp function']]],
  ['lens.graded', { lamp: 'beacon', moment: 'before', grade: 'clear' }, [['lamp', 'beacon', 'lamp function']]],
  ['gap.measured', { gap: 'door', moment: 'before', widthMm: 4 }, [['gap', 'door', 'gap']]],
  ['sensor.unplugged', { sensor: 'camera' }, [['sensor', 'camera', 'sensor']]],
  ['sensor.reconnected', { sensor: 'camera' }, [['sensor', 'camera', 'sensor']]],
  ['sensor.moved', { sensor: 'camera', yawDeg: 0, pitchDeg: 0 }, [['sensor', 'camera', 'sensor']]],
  ['sensor.calibrated', { sensor: 'camera', how: 'done here', note: 'x' }, [['sensor', 'camera', 'sensor']]],
  ['supply.set', { supply: 'high', is: 'dead' }, [['supply', 'high', 'supply']]],
  ['setting.restored', { supply: 'high', setting: 'Clock' }, [['supply', 'high', 'supply']]],
  ['reading.taken', { plug: 'tail-plug', pin: '1' }, [['plug', 'tail-plug', 'plug']]],
  ['reading.taken', { plug: 'fog-plug', pin: '3' }, [['pin', '3', 'pin']]],
  ['piece.moved', { piece: 'roof', level: 'off', fasteners: [] }, [['piece', 'roof', 'piece']]],
  ['part.bagged', { piece: 'roof', where: 'x' }, [['piece', 'roof', 'piece']]],
  ['fastener.seized', { piece: 'grille', group: 'clips', count: 1, addMin: 2 }, [['group', 'clips', 'fastener group']]],
  ['fastener.dropped', { piece: 'roof', group: 'clips', count: 1 }, [['piece', 'roof', 'piece']]],
  ['way.blocked', { place: 'roof', way: 'w', why: 'x' }, [['place', 'roof', 'place']]],
  ['way.chosen', { place: 'grille', level: 'off', way: 'roof' }, [['way', 'roof', 'way']]],
  ['way.chosen', { place: 'old-lamp', level: 'off', way: 'front' }, [['way', 'front', 'way']]],
  [
    'load.accepted',
    { kit: 'other', circuit: 'main' },
    [
      ['kit', 'other', 'kit'],
      ['circuit', 'main', 'circuit'],
    ],
  ],
  ['wall.set', { rule: 'dipped', distanceMm: 5000 }, [['rule', 'dipped', 'rule of aim']]],
])('%s of %j names %j', (type, payload, expected) => {
  const found = idCheck(POWERED)(event({ type, payload } as Happened), 'events[2]');
  expect(found).toEqual(expected.map(([field, id, what]) => ({ path: `events[2].payload.${field}`, code: 'unknown-id', data: { id, what } })));
});

test('an option has its choices, a fact its values, and what is there passes', () => {
  const one = (type: Happened['type'], payload: object, held = OPTIONED) => idCheck(held)(event({ type, payload } as Happened), 'e');
  expect(one('option.chosen', { kit: 'test-kit', option: 'lens', choice: 'clear' })).toEqual([]);
  expect(one('option.chosen', { kit: 'test-kit', option: 'lens', choice: 'amber' })).toEqual([
    { path: 'e.payload.choice', code: 'unknown-id', data: { id: 'amber', what: 'choice' } },
  ]);
  expect(one('option.chosen', { kit: 'test-kit', option: 'rim', choice: 'clear' })).toEqual([
    { path: 'e.payload.option', code: 'unknown-id', data: { id: 'rim', what: 'option' } },
  ]);
  expect(one('option.chosen', { kit: 'other', option: 'lens', choice: 'clear' })).toEqual([{ path: 'e.payload.kit', code: 'unknown-id', data: { id: 'other', what: 'kit' } }]);
  expect(one('fact.recorded', { fact: 'trim', certainty: 'known', value: 'gold' })).toEqual([
    { path: 'e.payload.value', code: 'choice', data: { value: 'gold', choices: 'plain, guard' } },
  ]);
  const there: [Happened['type'], object][] = [
    ['supply.set', { supply: 'low', is: 'dead' }],
    ['way.chosen', { place: 'grille', level: 'off', way: 'front' }],
    ['fastener.found', { piece: 'grille', group: 'bolts', count: 1 }],
    ['load.accepted', { kit: 'test-kit', circuit: 'fog' }],
    ['wall.set', { rule: 'fog', distanceMm: 5000 }],
    ['reading.taken', { plug: 'fog-plug', pin: '2' }],
    ['sensor.moved', { sensor: 'radar', yawDeg: 0, pitchDeg: 0 }],
  ];
  for (const [type, payload] of there) expect([type, one(type, payload, POWERED as typeof OPTIONED)]).toEqual([type, []]);
  // An accessory has ways and fasteners that nobody described.
  const held = idCheck(documents, { accessories: ['winch'] });
  expect(held(event({ type: 'fastener.broken', payload: { piece: 'winch', group: 'fixings', count: 1 } }), 'e')).toEqual([]);
  expect(held(event({ type: 'way.blocked', payload: { place: 'winch', way: 'w', why: 'x' } }), 'e')).toEqual([]);
});

test('a plug that was found has pins of its own in places of their own, and counts from then on; one that the profile has learned since is the same one', () => {
  const payload = { plug: 'found-lead', name: 'Lead', where: 'behind', side: 'left' as const, may: [], rows: 1, columns: 2, pins: [{ id: '1', row: 1, column: 1 }] };
  const faults = (pins: typeof payload.pins) => idCheck(documents)(event({ type: 'plug.found', payload: { ...payload, pins } }), 'e').map(({ path, code }) => `${path} ${code}`);
  expect(faults(payload.pins)).toEqual([]);
  expect(faults([...payload.pins, { id: '1', row: 1, column: 2 }])).toEqual(['e.payload.pins[1].id duplicate-id']);
  expect(faults([...payload.pins, { id: '2', row: 1, column: 1 }])).toEqual(['e.payload.pins[1] pin-place-twice']);
  expect(faults([...payload.pins, { id: '2', row: 2, column: 1 }])).toEqual(['e.payload.pins[1] pin-outside-face']);
  const reading = event({ type: 'reading.taken', payload: { plug: 'found-lead', pin: '1', state: 'key off', lowV: 0, highV: 0 } });
  const held = idCheck(documents);
  expect(held(reading, 'e')).toHaveLength(1);
  expect(held(event({ type: 'plug.found', payload: { ...payload, pins: [...payload.pins, { id: '2', row: 3, column: 1 }] } }), 'e')).toHaveLength(1);
  expect(held(reading, 'e')).toHaveLength(1);
  expect(held(event({ type: 'plug.found', payload }), 'e')).toEqual([]);
  expect(held(reading, 'e')).toEqual([]);
  expect(idCheck(documents, { plugs: [payload] })(event({ type: 'wire.opened', payload: { plug: 'found-lead', pin: '9', how: 'bared' } }), 'e')).toHaveLength(1);
  const [first] = VAN.plugs;
  const learned = { ...documents, profile: { ...VAN, plugs: [...VAN.plugs, { ...first!, id: 'found-lead' }] } };
  expect(idCheck(learned)(event({ type: 'plug.found', payload }), 'e')).toEqual([]);
});

test('a photo is of something of this vehicle or of a kit of the job, and of nothing else', () => {
  const of = (about: string) => faults('photo.taken', { hash: 'a'.repeat(64), thumb: 'b'.repeat(64), widthPx: 3, heightPx: 2, about });
  const known = [
    'arrival',
    'leaving',
    'damage:1',
    'piece:grille/off',
    'sensor:radar',
    'face:fog-plug',
    'wire:fog-plug/1',
    'joint:test-kit/joint',
    'fit:test-kit/screw',
    'aim:test-kit/lamp',
    'paper:test-kit/wiring',
  ];
  expect(known.flatMap(of)).toEqual([]);
  const unknown = [
    'piece:roof/off',
    'sensor:camera',
    'face:tail',
    'wire:tail/1',
    'wire:fog-plug/9',
    'joint:other/joint',
    'joint:test-kit/x',
    'leg:test-kit/x',
    'fit:test-kit/x',
    'aim:test-kit/x',
    'paper:test-kit/novel',
    'paper:other/wiring',
  ];
  expect(unknown.map(of)).toEqual(unknown.map(() => ['events[2].payload.about unknown-id']));
  expect(['supply:low/dead', 'grille', 'log'].map(of)).toEqual([0, 1, 2].map(() => ['events[2].payload.about choice']));
  const found = { plug: 'found', name: 'Found', where: 'sill', side: 'left' as const, may: [], rows: 1, columns: 1, pins: [{ id: '7', row: 1, column: 1 }] };
  const wider = idCheck(documents, { accessories: ['winch'], plugs: [found] });
  const taken = (about: string) => wider(event({ type: 'photo.taken', payload: { hash: '', thumb: '', widthPx: 3, heightPx: 2, about } }), 'events[0]');
  expect(['piece:winch/off', 'face:found', 'wire:found/7'].flatMap(taken)).toEqual([]);
  expect(taken('wire:found/8')).toHaveLength(1);
  // Bolts of a kit that an earlier job fitted are held again, and may be photographed.
  const again = idCheck({ ...documents, kits: [], fitted: [PAIR] });
  expect(again(event({ type: 'photo.taken', payload: { hash: '', thumb: '', widthPx: 3, heightPx: 2, about: 'fit:test-kit/screw' } }), 'events[0]')).toEqual([]);
});

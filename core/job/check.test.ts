import { idCheck, type Happened, type JobEvent } from './index.ts';
import { PAIR, RULES, VAN } from './test/log.ts';

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
  expect(faults('way.chosen', { place: 'place', way: 'w' })).toEqual([]);
  expect(faults('way.chosen', { place: 'place' })).toEqual([]);
  expect(faults('way.chosen', { place: 'place', way: 'roof' })).toEqual(['events[2].payload.way unknown-id']);
  expect(faults('way.blocked', { place: 'old-lamp', level: 'off', way: 'w', why: 'bull bar' })).toEqual([]);
  expect(faults('way.blocked', { place: 'old-lamp', level: 'folded', way: 'w', why: 'bull bar' })).toEqual(['events[2].payload.way unknown-id']);
  expect(faults('way.blocked', { place: 'roof', way: 'w', why: 'bull bar' })).toEqual(['events[2].payload.place unknown-id']);
  expect(faults('load.accepted', { kit: 'test-kit', circuit: 'main' })).toEqual(['events[2].payload.circuit unknown-id']);
  expect(faults('wall.set', { rule: 'dipped', distanceMm: 5000 })).toEqual(['events[2].payload.rule unknown-id']);
});

test('an accessory is a piece once it was found, in this batch or before', () => {
  const moved = event({ type: 'piece.moved', payload: { piece: 'winch', level: 'off', fasteners: [] } });
  const found = event({
    type: 'accessory.found',
    payload: { accessory: 'winch', name: 'Winch', side: 'centre', zone: 'front', holds: ['grille'], openMin: 5, closeMin: 5, people: 1, drive: 'hex', size: '13 mm', count: 4 },
  });
  expect(idCheck(documents, ['winch'])(moved, 'events[0]')).toEqual([]);
  const later = idCheck(documents);
  expect(later(moved, 'events[0]')).toMatchObject([{ path: 'events[0].payload.piece', code: 'unknown-id' }]);
  expect(later(found, 'events[1]')).toEqual([]);
  expect(later(moved, 'events[2]')).toEqual([]);
});

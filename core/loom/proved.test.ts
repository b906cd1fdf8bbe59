import type { VehicleState } from '../states/index.ts';
import type { VehiclePlug, VehicleProfile } from '../vehicle/index.ts';
import { jobContext, type JobContext } from '../job/index.ts';
import { mappedPins, probeOf, probeRunOf, withProved } from './index.ts';
import { contextOf, openedLog, VAN, type TestLog } from '../job/test/log.ts';

const [fogPlug] = VAN.plugs;
const [fogCircuit] = VAN.circuits;
if (!fogPlug || !fogCircuit) throw new Error('the van has a fog plug');
/** A rear plug that is described with tail and stop the wrong way round. */
const REAR: VehiclePlug = {
  ...fogPlug,
  id: 'rear',
  name: 'Rear plug',
  columns: 4,
  pins: [
    { id: '1', row: 1, column: 1, carries: 'ground' },
    { id: '2', row: 1, column: 2, carries: 'parking', circuit: 'tail', channel: 'tail-channel', colour: 'grey' },
    { id: '3', row: 1, column: 3, carries: 'stop pedal', circuit: 'stop' },
    { id: '4', row: 1, column: 4, carries: 'reverse', circuit: 'back' },
  ],
};
const PROFILE: VehicleProfile = {
  ...VAN,
  circuits: [
    ...VAN.circuits,
    { ...fogCircuit, id: 'tail', liveIn: ['parking'] },
    { ...fogCircuit, id: 'stop', liveIn: ['stop pedal'] },
    { ...fogCircuit, id: 'back', liveIn: ['reverse'] },
  ],
  plugs: [fogPlug, REAR],
};
const on = (log: TestLog, profile = PROFILE): JobContext => jobContext(log.state, { ...contextOf(log), profile });
const LIVE: Record<string, VehicleState> = { 2: 'stop pedal', 3: 'parking' };
/** Each wire read twice in each state: what is said to be tail is stop, and the other way round. */
function crossed(plug = 'rear', pins = ['2', '3']): TestLog {
  const log = openedLog();
  log.add('reference.checked', { groundV: 0, feedV: 12.6 });
  if (plug !== 'rear')
    log.add('plug.found', {
      plug,
      name: 'Found plug',
      where: 'behind the lamp',
      side: 'left',
      may: ['tail', 'stop pedal'],
      rows: 1,
      columns: 4,
      pins: ['1', '2', '3', '4'].map((id, index) => ({ id, row: 1, column: index + 1 })),
    });
  for (const state of ['key off', 'parking', 'stop pedal'] as const)
    for (const pin of pins)
      for (let time = 0; time < 2; time++) log.add('reading.taken', { plug, pin, state, lowV: LIVE[pin] === state ? 12.4 : 0.01, highV: LIVE[pin] === state ? 12.4 : 0.01 });
  log.add('continuity.measured', { plug, pin: '1', ohm: 0.3 });
  return log;
}

test('what was proved otherwise than it is said changes places in the profile, with the circuits; the newest profile keeps all else', () => {
  const newest = { ...PROFILE, name: 'Newer', plugs: [fogPlug, { ...REAR, whereToLook: 'behind the newer cover' }] };
  const { profile, learned, left } = withProved(on(crossed()), newest as VehicleProfile, '2026-03-05');
  expect(learned).toEqual([
    { plug: 'rear', plugName: 'Rear plug', pin: '1', was: 'ground', is: 'ground', readings: 1 },
    { plug: 'rear', plugName: 'Rear plug', pin: '2', was: 'parking', is: 'stop pedal', readings: 6 },
    { plug: 'rear', plugName: 'Rear plug', pin: '3', was: 'stop pedal', is: 'parking', readings: 6 },
  ]);
  const proved = { on: '2026-03-05', readings: 6 };
  expect(profile.plugs).toEqual([
    fogPlug,
    {
      ...REAR,
      whereToLook: 'behind the newer cover',
      pins: [
        { ...REAR.pins[0], proved: { on: '2026-03-05', readings: 1 } },
        { id: '2', row: 1, column: 2, carries: 'stop pedal', circuit: 'stop', colour: 'grey', proved },
        { id: '3', row: 1, column: 3, carries: 'parking', circuit: 'tail', channel: 'tail-channel', proved },
        REAR.pins[3],
      ],
    },
  ]);
  expect([left, { ...profile, plugs: [] }]).toEqual([[], { ...newest, plugs: [] }]);
});

test('a plug that was found is taken in with what is proved of it, the rest as not known, and its place is not made up', () => {
  const log = crossed('found-plug');
  const { profile, learned } = withProved(on(log), PROFILE, '2026-03-05');
  expect(profile.plugs.at(-1)).toMatchObject({
    id: 'found-plug',
    whereToLook: 'behind the lamp',
    pins: [{ carries: 'ground' }, { carries: 'stop pedal' }, { carries: 'parking' }, { carries: 'unknown' }],
  });
  expect([profile.plugs.at(-1)?.at, profile.plugs.at(-1)?.pins[3]?.proved, learned.map(({ was }) => was)]).toEqual([undefined, undefined, [undefined, undefined, undefined]]);
  expect(profile.plugs).toHaveLength(3);
  // Taken in before: its pins are written into the one there is.
  expect(withProved(on(log), profile, '2026-03-06').profile.plugs).toHaveLength(3);
});

test('colours that were seen on this vehicle go in with what is proved, others stay as they were', () => {
  const log = crossed();
  log.add('colour.noted', { plug: 'rear', pin: '2', on: 'beyond', colour: 'blue' });
  log.add('colour.noted', { plug: 'rear', pin: '3', on: 'this side', colour: 'red' });
  log.add('colour.noted', { plug: 'rear', pin: '4', on: 'this side', colour: 'white' });
  const pins = withProved(on(log), PROFILE, '2026-03-05').profile.plugs[1]?.pins;
  expect(pins?.map(({ colour, beyond }) => [colour, beyond])).toEqual([
    [undefined, undefined],
    ['grey', 'blue'],
    ['red', undefined],
    // Nothing is proved of it.
    [undefined, undefined],
  ]);
});

test('nothing is taken in that is only likely, nor a pin that the newest profile does not have', () => {
  const log = openedLog();
  log.add('reference.checked', { groundV: 0, feedV: 12.6 });
  log.add('reading.taken', { plug: 'rear', pin: '2', state: 'parking', lowV: 12.4, highV: 12.4 });
  expect(withProved(on(log), PROFILE, '2026-03-05')).toEqual({ profile: PROFILE, learned: [], left: [] });
  const without = { ...PROFILE, plugs: [fogPlug, { ...REAR, pins: REAR.pins.filter(({ id }) => id !== '3') }] };
  const { learned, left } = withProved(on(crossed()), without, '2026-03-05');
  expect([learned.map(({ pin }) => pin), left]).toEqual([['1', '2'], [{ plug: 'rear', plugName: 'Rear plug', pin: '3', why: 'no such pin' }]]);
});

test('a pin that was proved on another vehicle is likelier than one that is only described, and is none proved here', () => {
  const proved = { ...PROFILE, plugs: [fogPlug, { ...REAR, pins: REAR.pins.map((pin) => (pin.id === '4' ? { ...pin, proved: { on: '2026-02-01', readings: 4 } } : pin)) }] };
  const hints = (profile: VehicleProfile) => probeRunOf(on(openedLog(), profile), profile.plugs[1]!).pins.map(({ hint }) => hint?.times);
  expect([hints(PROFILE), hints(proved)]).toEqual([
    [20, 20, 20, 20],
    [20, 20, 20, 100],
  ]);
  expect(probeOf(on(openedLog(), proved), proved.plugs[1]!).found.pins.some(({ status }) => status.code === 'proved')).toBe(false);
});

test('every pin of a plug that was read stands in the map, with its readings; a plug that was not read does not', () => {
  expect(mappedPins(on(crossed())).map(({ plug, pin, status, readings }) => [plug.id, pin.id, status?.code, readings])).toEqual([
    ['rear', '1', 'proved', 1],
    ['rear', '2', 'proved', 6],
    ['rear', '3', 'proved', 6],
    ['rear', '4', 'open', 0],
  ]);
  expect(mappedPins(on(openedLog()))).toEqual([]);
});

test('a wire of both turn signals is nothing that one pin of a profile carries', () => {
  const log = openedLog();
  log.add('reference.checked', { groundV: 0, feedV: 12.6 });
  log.add('plug.found', { plug: 'lead', name: 'Lead', where: 'behind', side: 'centre', may: ['hazard', 'tail'], rows: 1, columns: 1, pins: [{ id: '1', row: 1, column: 1 }] });
  for (const state of ['turn left', 'hazard', 'key off', 'parking'] as const)
    for (let time = 0; time < 3; time++) {
      const flashes = state === 'turn left' || state === 'hazard';
      log.add('reading.taken', { plug: 'lead', pin: '1', state, lowV: flashes ? 0.02 : 0.01, highV: flashes ? 12.4 : 0.01 });
    }
  expect(mappedPins(on(log)).map(({ status }) => status)).toEqual([{ code: 'proved', functions: ['hazard'] }]);
  expect(withProved(on(log), PROFILE, '2026-03-05')).toEqual({ profile: PROFILE, learned: [], left: [{ plug: 'lead', plugName: 'Lead', pin: '1', why: 'no one place' }] });
});

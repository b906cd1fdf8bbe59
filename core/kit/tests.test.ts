import { bareFitment, bareKit, bareLamp } from '../test/bare-kit.ts';
import { faceOf } from '../test/electrics.ts';
import type { PinFunction } from '../states/index.ts';
import { checkKit, testsThatFollow, type Connection, type Fitment, type Kit, type KitTest } from './index.ts';

const load = { powerW: 5, atV: 13.2, kind: 'driven LED' as const, standbyMa: 0 };
const lamp = (id: string, side: 'left' | 'right', carries: PinFunction[]) => bareLamp(id, { side, functions: carries.map((what) => ({ carries: what, load })) });
const plug = (id: string, carries: PinFunction[]) => ({ ...faceOf('pins', carries), id });
const joint = (id: string, lamps: string[], part: Partial<Connection> = {}): Connection => ({ id, kitPlug: id, vehiclePlug: id, feed: { circuit: 'feed' }, lamps, ...part });
const written = (id: string, state: KitTest['state'], lamps: string[]): KitTest => ({ id, name: id, side: 'left', state, helper: 'on', lamps, gate: true });
const profile = {
  plugs: [],
  circuits: [
    { id: 'feed', name: 'Feed', fuse: { slot: 'F1', ratedA: 5 }, wire: { areaMm2: 1, lengthM: 3, permittedA: 13 }, plugPermittedA: 10, loads: [], liveIn: ['ignition' as const] },
  ],
};
const kit: Kit = bareKit({
  lamps: [lamp('one', 'left', ['parking', 'main', 'switched supply']), lamp('two', 'right', ['parking', 'switched supply'])],
  plugs: [plug('left', ['ground', 'parking', 'main']), plug('right', ['ground', 'parking']), plug('day', ['ground', 'switched supply'])],
});
const connections = [joint('left', ['one']), joint('right', ['two']), joint('day', ['one', 'two'])];
const follow = (tests: KitTest[], part: Partial<Fitment> = {}) =>
  testsThatFollow(kit, profile, { connections, ...part, tests }).map(({ id, state, side, lamps }) => [id, state, side, lamps.join()]);

test('each function that a joint feeds is tried: those that the kit tries itself are left, a supply is tried when its circuit is live', () => {
  expect(follow([written('a', 'parking', ['one'])])).toEqual([
    ['left.main', 'main', 'left', 'one'],
    ['right.parking', 'parking', 'right', 'two'],
    ['day.switched-supply', 'ignition', 'centre', 'one,two'],
  ]);
  // One of two lamps was tried: the other one is left.
  expect(follow([written('a', 'parking', ['one', 'two']), written('b', 'main', ['one']), written('c', 'ignition', ['one'])])).toEqual([
    ['day.switched-supply', 'ignition', 'right', 'two'],
  ]);
  // Joints that do not feed it, and a relay's trigger, light nothing.
  expect(follow([], { connections: [joint('right', ['two'], { trigger: { circuit: 'feed', relay: 'r' } })] })).toEqual([]);
  expect(follow([], { connections: [joint('right', ['two'], { tap: { pin: '2' } })] })).toEqual([]);
  expect(follow([], { connections: [joint('right', ['two'])] })).toEqual([['right.parking', 'parking', 'right', 'two']]);
});

test('every position of a control is tried, off too, and a remote is paired first', () => {
  const positions = ['full', 'low', 'off'].map((id) => ({ id, name: id, lights: id === 'off' ? [] : ['one'] }));
  const controls = [
    { id: 'remote', name: 'Remote', kind: 'remote' as const, positions: positions.slice(0, 1), state: 'ignition' as const },
    { id: 'switch', name: 'Switch', kind: 'switch' as const, positions, state: 'parking' as const },
  ];
  const tests = [{ ...written('full', 'parking', ['one']), tries: { control: 'switch', position: 'full' } }];
  expect(testsThatFollow({ ...kit, controls }, profile, { connections: [], tests }).map(({ id, state, lamps, gate }) => [id, state, lamps, gate])).toEqual([
    ['remote.pairing', 'ignition', [], false],
    ['remote.full', 'ignition', ['one'], false],
    ['switch.low', 'parking', ['one'], false],
    ['switch.off', 'parking', [], false],
  ]);
});

test('a control that lights no lamp of the kit, a test that tries none of its positions, are named with their path', () => {
  const controls = [{ id: 'switch', name: 'Switch', kind: 'switch' as const, positions: [{ id: 'on', name: 'on', lights: ['one', 'none'] }], state: 'ignition' as const }];
  const tests = [
    { ...written('a', 'parking', ['one']), tries: { control: 'switch', position: 'half' } },
    { ...written('b', 'parking', ['one']), tries: { control: 'knob', position: 'on' } },
  ];
  const faults = checkKit({ ...kit, controls, fitments: [bareFitment({ tests })] }, new Map()).map(({ path, code }) => `${path} ${code}`);
  expect(faults).toContain('controls[0].positions[0].lights[1] unknown-id');
});

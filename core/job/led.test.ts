import { isRefused, probe, wire } from '../stations/index.ts';
import type { Kit, KitPlug } from '../kit/index.ts';
import type { PinFunction, VehicleState } from '../states/index.ts';
import type { Circuit, VehicleProfile } from '../vehicle/index.ts';
import { shopRelay } from '../wiring/index.ts';
import { gatesOf, jobContext, planOpening } from './index.ts';
import { circuitLoads, feedOptions, jointList, kitsOnVehicle, ledParts, leftoverPlugs, testsOf, wireJoints, wirePicture, type JobContext, type LedTo } from './index.ts';
import { idCheck } from './check.ts';
import { contextOf, openedLog, PAIR, RULES, VAN, type TestLog } from './test/log.ts';

const AT = '2026-03-05T10:00:00Z';
const [fogPlug] = VAN.plugs;
const [fogCircuit] = VAN.circuits;
const [lampPlug] = PAIR.plugs;
const [fitment] = PAIR.fitments;
if (!fogPlug || !fogCircuit || !lampPlug || !fitment) throw new Error('the van has a fog plug');

const circuit = (id: string, liveIn: VehicleState[], part: Partial<Circuit> = {}): Circuit => ({ ...fogCircuit, id, name: id, fuse: { slot: id, ratedA: 10 }, liveIn, ...part });
const plug = (id: string, carries: PinFunction, fed: string, part: Partial<VehicleProfile['plugs'][number]> = {}): VehicleProfile['plugs'][number] => ({
  ...fogPlug,
  id,
  name: id,
  side: 'right',
  pins: [
    { id: '1', row: 1, column: 1, carries: 'ground' },
    { id: '7', row: 1, column: 2, carries, circuit: fed },
  ],
  ...part,
});

/** A van with a second wire that is live with fog, one with parking, and a switch of its own. */
const RICH: VehicleProfile = {
  ...VAN,
  circuits: [
    ...VAN.circuits,
    circuit('fog-two', ['front fog']),
    circuit('parking', ['parking']),
    circuit('spare', ['output 2'], { wire: { areaMm2: 1, lengthM: 4, permittedA: 16 } }),
  ],
  plugs: [
    ...VAN.plugs,
    plug('second', 'front fog', 'fog-two', { reach: [{ id: 'w', needs: [{ piece: 'grille', level: 'off' }], extraMin: 0 }] }),
    plug('tail', 'parking', 'parking'),
    plug('switched', 'switched supply', 'spare'),
  ],
};
const work: Kit = { ...PAIR, lamps: PAIR.lamps.map((lamp) => ({ ...lamp, optics: { ...lamp.optics, beam: 'work' as const } })) };

const on = (profile: VehicleProfile, kit: Kit = PAIR, log: TestLog = openedLog()): JobContext => jobContext(log.state, { ...contextOf(log), profile, kits: [kit] });
const jointOf = (context: JobContext) => {
  const [joint] = wireJoints(context);
  if (!joint) throw new Error('no joint');
  return joint;
};
const led = (to: LedTo, pin = '2'): TestLog => {
  const log = openedLog();
  log.add('source.chosen', { kit: 'test-kit', connection: 'joint', pin, to });
  return log;
};
const SECOND: LedTo = { at: 'wire', plug: 'second', pin: '7', areaMm2: 2.5, lengthMm: 2000 };
const named = (options: ReturnType<typeof feedOptions>) => options.map(({ source, bars }) => [source.kind, source.id, bars.length]);

describe('where a supply could be led to', () => {
  test('other wires of the vehicle and the battery over a relay, not the wire that it has; what is live otherwise is barred for a lamp of the road, not for a work lamp', () => {
    const context = on(RICH);
    expect(named(feedOptions(context, jointOf(context), '2', 1000))).toEqual([
      ['lamp circuit', 'fog-two', 0],
      ['battery with relay', 'fog', 0],
      ['switch output', 'spare', 1],
      ['lamp circuit', 'parking', 1],
    ]);
    expect(wire.chooseSource(context, 'test-kit', 'joint', '2', { kind: 'lamp circuit', id: 'parking' }, 1000)).toEqual({
      refused: [{ code: 'no-source', because: ['behaves otherwise'] }],
    });
    const lit = on(RICH, work);
    expect(named(feedOptions(lit, jointOf(lit), '2', 1000)).every(([, , bars]) => bars === 0)).toBe(true);
    expect(feedOptions(context, jointOf(context), '1', 1000)).toEqual([]);
  });

  test('the new wire is sized by the fuse in front of it, and left out where there is none', () => {
    const context = on(RICH);
    const wires = (lengthMm: number) => feedOptions(context, jointOf(context), '2', lengthMm).find(({ source }) => source.id === 'fog-two')?.to;
    // What a fuse of 10 A lets through is carried by 0.5 mm² (11 A by the table). Over 30 m 1.565 A may lose 0.414 V: 1.96 mm² at least. Without length nothing is laid.
    const two = wires(2000);
    expect(two).toMatchObject({ at: 'wire', plug: 'second', pin: '7', lengthMm: 2000 });
    expect([two?.areaMm2, wires(30_000)?.areaMm2]).toEqual([0.5, 2.5]);
    expect(wires(0)).toEqual({ at: 'wire', plug: 'second', pin: '7' });
    // A feed of its own: 2 A of 80 % of a fuse of 3 A; the drop over 1 m is small.
    const own = feedOptions(context, jointOf(context), '2', 1000).find(({ source }) => source.kind === 'battery with relay');
    expect(own?.to).toMatchObject({ at: 'battery', plug: 'fog-plug', pin: '2', fuseA: 3, lengthMm: 1000 });
    // A lamp of 300 W at 10.8 V takes 27.8 A: its fuse of 35 A is above what the relay's contact carries.
    const bright = { ...PAIR, lamps: PAIR.lamps.map((lamp) => ({ ...lamp, load: { ...lamp.load, powerW: 300 } })) };
    const hot = on(RICH, bright);
    expect(feedOptions(hot, jointOf(hot), '2', 1000).find(({ source }) => source.kind === 'battery with relay')?.bars).toEqual(['no size']);
  });

  test('a slot that was measured is tapped with a fuse of its own; one not measured in the states that tell is measured before it is joined', () => {
    const log = openedLog();
    const read = (state: VehicleState, volts: number) => log.add('slot.measured', { slot: 'F9', ratedA: 10, state, lowV: volts, highV: volts });
    read('front fog', 12.3);
    const context = on(RICH, PAIR, log);
    const option = feedOptions(context, jointOf(context), '2', 1500).find(({ source }) => source.kind === 'fuse tap');
    expect(option?.to).toMatchObject({ at: 'slot', slot: 'F9', fuseA: 3, lengthMm: 1500 });
    log.add('source.chosen', { kit: 'test-kit', connection: 'joint', pin: '2', to: option?.to });
    expect(wire.join(on(RICH, PAIR, log), 'test-kit', 'joint', AT)).toEqual({
      refused: [{ code: 'measure-first', slot: 'F9', states: ['key off', 'ignition', 'parking', 'dipped', 'main'] }],
    });
    for (const state of ['key off', 'ignition', 'parking', 'dipped', 'main'] as const) read(state, 0.02);
    expect(isRefused(wire.join(on(RICH, PAIR, log), 'test-kit', 'joint', AT))).toBe(false);
    expect(circuitLoads(on(RICH, PAIR, log)).map(({ circuit: { id, name, fuse, liveIn } }) => [id, name, fuse, liveIn])).toEqual([
      ['test-kit.joint.2', 'F9', { slot: 'F9', ratedA: 3 }, ['front fog']],
    ]);
    read('main', 12.1);
    expect(wire.join(on(RICH, PAIR, log), 'test-kit', 'joint', AT)).toMatchObject({ refused: [{ code: 'no-source' }] });
  });
});

describe('a wire led to another wire of the vehicle', () => {
  test('its load hangs there, its contact leaves the plug, the ground still meets', () => {
    const before = on(RICH);
    expect(circuitLoads(before).map(({ circuit: { id }, check }) => [id, check.addedA])).toEqual([['fog', 2]]);
    const context = on(RICH, PAIR, led(SECOND));
    expect(circuitLoads(context).map(({ circuit: { id }, check }) => [id, check.addedA])).toEqual([['fog-two', 2]]);
    const joint = jointOf(context);
    expect(joint.kitPlug.pins.map(({ carries }) => carries)).toEqual(['ground', 'empty']);
    expect([joint.plugless, joint.mate.value, joint.connection.feed.circuit]).toEqual([false, 'mates', 'fog-two']);
    expect(wirePicture(context).map(({ load, branches }) => [load.circuit.id, branches.map(({ pin }) => pin?.id)])).toEqual([['fog-two', ['7']]]);
    // 2 m of 2.5 mm² in front of a leg of 0.3 m of 1 mm² lose as much as 0.8 m of its own.
    const legged: Kit = { ...PAIR, legs: [{ id: 'leg', lamp: 'lamp', lengthMm: 300, wire: { areaMm2: 1, ground: 'at lamp' } }] };
    expect(circuitLoads(on(RICH, legged, led(SECOND)))[0]?.legs[0]?.conductor?.lengthM).toBeCloseTo(0.3 + 0.8, 9);
  });

  test('that wire is proved first, its plug reached, and covered only when it is joined', () => {
    const log = led(SECOND);
    const context = on(RICH, PAIR, log);
    expect(probe.wiresToProve(context).map(({ plug: { id }, pin, state }) => [id, pin.id, state])).toEqual([['second', '7', 'front fog']]);
    expect(wire.join(context, 'test-kit', 'joint', AT)).toMatchObject({ refused: [{ code: 'wire-first', plug: 'second', pin: '7' }, { code: 'open-first' }] });
    expect(planOpening(context).targetWays).toContainEqual({ target: 'wire:second/7', way: 'w' });
    log.add('piece.moved', { piece: 'grille', level: 'off', fasteners: [] });
    log.add('reference.checked', { groundV: 0, feedV: 12.6 });
    log.add('reading.taken', { plug: 'second', pin: '7', state: 'front fog', lowV: 12.4, highV: 12.4 });
    log.add('reading.taken', { plug: 'second', pin: '7', state: 'key off', lowV: 0, highV: 0 });
    const open = on(RICH, PAIR, log);
    expect(gatesOf(open, undefined).find(({ subject }) => subject.kind === 'joint')?.coveredBy).toContainEqual({ piece: 'grille', level: 'off' });
    expect(wire.join(open, 'test-kit', 'joint', AT)).toEqual({
      events: [{ type: 'plug.joined', payload: { kit: 'test-kit', connection: 'joint', checked: ['lock closed', 'fits both wires', 'pull', 'sealed'] } }],
    });
  });

  test('the list names the tap there, the crimp to new wire and the ground in the plug; what is brought is counted', () => {
    const context = on(RICH, PAIR, led(SECOND));
    expect(jointList(context).map(({ place, method, bared }) => [place.at === 'plug' ? place.plug : place.at, method, bared])).toEqual([
      ['fog-plug', 'plug', false],
      ['second', 'tap', true],
      ['lead', 'crimp', false],
    ]);
    expect(ledParts(wireJoints(context))).toEqual({ wires: [{ areaMm2: 2.5, lengthMm: 2000 }], taps: [], mainFuses: [], relays: 0, closed: 1 });
  });

  test('the choice goes back to the kit, and not while it is joined', () => {
    const log = led(SECOND);
    expect(wire.chooseSource(on(RICH, PAIR, log), 'test-kit', 'joint', '2')).toEqual({
      events: [{ type: 'source.chosen', payload: { kit: 'test-kit', connection: 'joint', pin: '2' } }],
    });
    log.add('source.chosen', { kit: 'test-kit', connection: 'joint', pin: '2' });
    expect(circuitLoads(on(RICH, PAIR, log)).map(({ circuit: { id } }) => id)).toEqual(['fog']);
    expect(wire.chooseSource(on(RICH, PAIR, log), 'test-kit', 'joint', '2')).toEqual({ refused: [{ code: 'already' }] });
    log.add('plug.joined', { kit: 'test-kit', connection: 'joint' });
    expect(wire.chooseSource(on(RICH, PAIR, log), 'test-kit', 'joint', '2', { kind: 'lamp circuit', id: 'fog-two' })).toEqual({ refused: [{ code: 'is-joined' }] });
  });

  test('tests are tried in a state in which it is live now', () => {
    const states = (context: JobContext) => kitsOnVehicle(context).flatMap((kit) => testsOf(kit).map(({ id, state, follows }) => [id, state, follows?.from]));
    const tested: Kit = {
      ...work,
      fitments: [{ ...fitment, tests: [{ id: 'lit', name: 'Lit', side: 'left', state: 'front fog', helper: 'Fog on.', lamps: ['lamp'], gate: true }] }],
    };
    expect(states(on(RICH, tested))).toEqual([['lit', 'front fog', undefined]]);
    expect(states(on(RICH, tested, led(SECOND)))).toEqual([['lit', 'front fog', undefined]]);
    expect(states(on(RICH, tested, led({ at: 'wire', plug: 'switched', pin: '7' })))).toEqual([['lit', 'output 2', 'source']]);
    // Parking lamps are on with front fog: the test stays as it is.
    expect(states(on(RICH, tested, led({ at: 'wire', plug: 'tail', pin: '7' })))).toEqual([['lit', 'front fog', undefined]]);
  });
});

test('over a relay the wire that fed it closes the coil, and the lamp hangs on a feed of its own from the battery', () => {
  const to: LedTo = { at: 'battery', plug: 'fog-plug', pin: '2', fuseA: 3, areaMm2: 1, lengthMm: 1000 };
  const context = on(RICH, PAIR, led(to));
  const { coilOhm } = shopRelay(12);
  const loads = circuitLoads(context);
  expect(loads.map(({ circuit: { id }, added }) => [id, added.map(({ powerW }) => Math.round(powerW * 100) / 100)])).toEqual([
    ['test-kit.joint.2', [21.6]],
    ['fog', [Math.round((13.8 ** 2 / coilOhm) * 100) / 100]],
  ]);
  expect(loads[0]?.circuit).toMatchObject({ fuse: { slot: 'main', ratedA: 3 }, switchPermittedA: 30, liveIn: ['front fog'], wire: { areaMm2: 1, lengthM: 1 } });
  const joint = jointOf(context);
  expect([joint.mate.value, joint.trigger?.circuit, joint.kitPlug.pins.map(({ carries }) => carries)]).toEqual(['mates', 'fog', ['ground', 'front fog']]);
  expect(wirePicture(context).map(({ source, branches }) => [source, branches.map(({ ends }) => ends)])).toEqual([
    ['battery', ['lamps']],
    ['vehicle', ['coil']],
  ]);
  expect(joint.connection.asks).toEqual([{ supply: 'low', is: 'dead' }]);
  expect(jointList(context).map(({ place, method }) => [place.at, method])).toEqual([
    ['plug', 'plug'],
    ['plug', 'plug'],
    ['lead', 'crimp'],
    ['battery', 'ring terminal'],
    ['ground', 'ring terminal'],
  ]);
  expect(ledParts(wireJoints(context))).toMatchObject({ mainFuses: [3], relays: 1, closed: 0 });
});

describe('a plug that does not go in', () => {
  const strange: KitPlug = { ...lampPlug, family: 'XX-2' };
  const odd: Kit = { ...PAIR, plugs: [strange] };

  test('is joined wire by wire: each supply proved, the plug of the vehicle left over', () => {
    const context = on(RICH, odd);
    expect(jointOf(context).verdict?.value).toBe('no plug');
    expect(wire.floorSteps(context, AT).find(({ kind }) => kind === 'wires')).toMatchObject({ by: 'the same plug' });
    const act = wire.joinByWires(context, 'test-kit', 'joint');
    expect(act).toEqual({
      events: ['1', '2'].map((pin) => ({ type: 'source.chosen', payload: { kit: 'test-kit', connection: 'joint', pin, to: { at: 'wire', plug: 'fog-plug', pin } } })),
    });
    const log = openedLog();
    for (const pin of ['1', '2']) log.add('source.chosen', { kit: 'test-kit', connection: 'joint', pin, to: { at: 'wire', plug: 'fog-plug', pin } });
    const made = on(RICH, odd, log);
    expect([jointOf(made).plugless, jointOf(made).mate.value]).toEqual([true, 'mates']);
    expect(circuitLoads(made).map(({ circuit: { id }, check }) => [id, check.addedA])).toEqual([['fog', 2]]);
    expect(wire.join(made, 'test-kit', 'joint', AT)).toMatchObject({ refused: [{ code: 'wire-first', plug: 'fog-plug', pin: '2' }] });
    expect(jointList(made).map(({ method, atMm }) => [method, atMm])).toEqual([
      ['tap', 60],
      ['tap', 100],
    ]);
    expect(leftoverPlugs(made)).toEqual([]);
    expect(wire.joinByWires(made, 'test-kit', 'joint')).toEqual({ refused: [{ code: 'nothing' }] });
  });

  test('what the plug of the vehicle has not got is grounded at the body or fed from elsewhere', () => {
    const bare = {
      ...RICH,
      plugs: RICH.plugs.map((entry) => (entry.id === 'fog-plug' ? { ...entry, pins: [{ id: '9', row: 1, column: 1, carries: 'stop pedal' as const }] } : entry)),
    };
    expect(wire.joinByWires(on(bare, odd), 'test-kit', 'joint')).toEqual({
      events: [{ type: 'source.chosen', payload: { kit: 'test-kit', connection: 'joint', pin: '1', to: { at: 'ground' } } }],
    });
    const log = led({ at: 'ground' }, '1');
    const half = on(bare, odd, log);
    expect(wire.floorSteps(half, AT).find(({ kind }) => kind === 'wires')).toMatchObject({ by: 'another source' });
    expect(wire.join(half, 'test-kit', 'joint', AT)).toMatchObject({ refused: [{ code: 'does-not-mate' }] });
    log.add('source.chosen', { kit: 'test-kit', connection: 'joint', pin: '2', to: SECOND });
    const whole = on(bare, odd, log);
    expect([jointOf(whole).plugless, circuitLoads(whole).map(({ circuit: { id } }) => id)]).toEqual([true, ['fog-two']]);
    expect(leftoverPlugs(whole).map(({ plug: { id } }) => id)).not.toContain('second');
  });

  test('contacts that sit crosswise are moved, each to a cavity of its own, and then the plugs meet', () => {
    const crossed: KitPlug = {
      ...lampPlug,
      pins: [
        { id: '1', row: 1, column: 2, carries: 'ground' },
        { id: '2', row: 1, column: 1, carries: 'front fog' },
      ],
    };
    const kit: Kit = { ...PAIR, plugs: [crossed] };
    const context = on(RICH, kit);
    expect(jointOf(context).verdict).toMatchObject({ value: 're-pin' });
    expect(wire.floorSteps(context, AT).some(({ kind }) => kind === 'repin')).toBe(true);
    const moves = [
      { pin: '1', row: 1, column: 1 },
      { pin: '2', row: 1, column: 2 },
    ];
    expect(wire.movePins(context, 'test-kit', 'joint')).toEqual({ events: [{ type: 'contacts.moved', payload: { kit: 'test-kit', plug: 'lamp-plug', moves } }] });
    const log = openedLog();
    log.add('contacts.moved', { kit: 'test-kit', plug: 'lamp-plug', moves });
    const moved = on(RICH, kit, log);
    expect([jointOf(moved).verdict?.value, jointOf(moved).mate.value]).toEqual(['works', 'mates']);
    expect(jointList(moved).map(({ method }) => method)).toEqual(['moved contact', 'moved contact']);
    expect(wire.movePins(moved, 'test-kit', 'joint')).toEqual({ refused: [{ code: 'nothing' }] });
  });
});

test('events that name what is not there, or leave out what they must say, are refused with the path', () => {
  const check = idCheck({ profile: RICH, kits: [PAIR], rules: RULES });
  const paths = (type: 'source.chosen' | 'contacts.moved', payload: object) =>
    check({ id: 'x', type, v: 1, at: AT, payload } as Parameters<typeof check>[0], 'e').map(({ path, code }) => `${path} ${code}`);
  const chosen = (to: object, part: object = {}) => paths('source.chosen', { kit: 'test-kit', connection: 'joint', pin: '2', to, ...part });
  expect(chosen(SECOND)).toEqual([]);
  expect(chosen({ at: 'wire', plug: 'second', pin: '8' })).toEqual(['e.payload.to.pin unknown-id']);
  expect(chosen({ at: 'wire' })).toEqual(['e.payload.to.plug missing', 'e.payload.to.pin missing']);
  expect(chosen({ at: 'slot', slot: 'F9' })).toEqual(['e.payload.to.fuseA missing', 'e.payload.to.areaMm2 missing', 'e.payload.to.lengthMm missing']);
  expect(chosen(SECOND, { pin: '5' })).toEqual(['e.payload.pin unknown-id']);
  expect(chosen(SECOND, { connection: 'other' })).toEqual(['e.payload.connection unknown-id']);
  expect(paths('contacts.moved', { kit: 'test-kit', plug: 'lamp-plug', moves: [{ pin: '1', row: 2, column: 1 }] })).toEqual(['e.payload.moves[0].row pin-outside-face']);
  const twice = [
    { pin: '1', row: 1, column: 2 },
    { pin: '2', row: 1, column: 2 },
  ];
  expect(paths('contacts.moved', { kit: 'test-kit', plug: 'lamp-plug', moves: twice })).toEqual(['e.payload.moves[1] pin-place-twice']);
});

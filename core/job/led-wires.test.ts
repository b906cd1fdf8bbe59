import { isRefused, probe, wire } from '../stations/index.ts';
import type { Kit, KitPlug } from '../kit/index.ts';
import type { PinFunction, VehicleState } from '../states/index.ts';
import type { Circuit, VehicleProfile } from '../vehicle/index.ts';
import { shopRelay, type PlugFamily, type PlugLibrary } from '../wiring/index.ts';
import { gatesOf, planOpening } from '../plan/index.ts';
import { jobContext, kitsOnVehicle, ownCircuit, plugsOf, testsOf, type JobContext } from './index.ts';
import { circuitLoads, feedOptions, groundsAsked, jointList, ledParts, leftoverPlugs, legRoutes, pinLoads, wireJoints, wirePicture } from '../loom/index.ts';
import type { LedTo } from '../events/index.ts';
import { idCheck } from '../log/index.ts';
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
    // A wire of the vehicle that is joined to is bared, whatever it hangs on.
    expect(feedOptions(context, jointOf(context), '2', 0).map(({ to, source }) => [to.at, source.reversible])).toContainEqual(['wire', false]);
    expect(feedOptions(context, jointOf(context), '2', 0).some(({ to, source }) => to.at === 'wire' && source.reversible)).toBe(false);
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

test('of a body with several functions only the one that is led moves, and only its own test', () => {
  const load = (powerW: number) => ({ powerW, atV: 12, kind: 'driven LED' as const, standbyMa: 0 });
  const pins = [
    { id: '1', row: 1, column: 1, carries: 'ground' as const },
    { id: '2', row: 1, column: 2, carries: 'front fog' as const },
    { id: '3', row: 1, column: 3, carries: 'stop pedal' as const },
  ];
  const fed = pins.map((pin) => ({ ...pin, ...(pin.carries === 'front fog' ? { circuit: 'fog' } : pin.carries === 'stop pedal' ? { circuit: 'stop' } : {}) }));
  const profile: VehicleProfile = {
    ...RICH,
    circuits: [...RICH.circuits, circuit('stop', ['stop pedal'])],
    plugs: RICH.plugs.map((entry) => (entry.id === 'fog-plug' ? { ...entry, columns: 3, pins: fed } : entry)),
  };
  const test = (id: string, state: VehicleState) => ({ id, name: id, side: 'left' as const, state, helper: 'On.', lamps: [`${id}-lamp`], gate: true });
  const lamp = (id: string, ...functions: [PinFunction, number][]) => ({
    ...PAIR.lamps[0]!,
    id,
    optics: { ...PAIR.lamps[0]!.optics, beam: 'work' as const },
    functions: functions.map(([carries, powerW]) => ({ carries, load: load(powerW) })),
  });
  const joint = { ...fitment.connections[0]!, lamps: ['fog-lamp', 'stop-lamp'] };
  const kit: Kit = {
    ...PAIR,
    lamps: [lamp('fog-lamp', ['front fog', 21.6]), lamp('stop-lamp', ['stop pedal', 10.8])],
    plugs: [{ ...lampPlug, columns: 3, pins }],
    fitments: [{ ...fitment, mounts: [], connections: [joint], tests: [test('fog', 'front fog'), test('stop', 'stop pedal'), test('far', 'front fog')] }],
  };
  const added = (context: JobContext) => Object.fromEntries(circuitLoads(context).map(({ circuit: { id }, check }) => [id, Math.round(check.addedA * 100) / 100]));
  expect(added(on(profile, kit))).toEqual({ fog: 2, stop: 1 });
  const away = on(profile, kit, led({ at: 'wire', plug: 'switched', pin: '7' }));
  expect(added(away)).toEqual({ spare: 2, stop: 1 });
  expect(kitsOnVehicle(away).flatMap((entry) => testsOf(entry).map(({ id, state }) => [id, state]))).toEqual([
    ['fog', 'output 2'],
    ['stop', 'stop pedal'],
    ['far', 'front fog'],
  ]);
  // The other supply stays where it is, and a relay is only offered where there is one.
  const other = on(profile, kit, led({ at: 'wire', plug: 'switched', pin: '7' }, '3'));
  expect(added(other)).toEqual({ fog: 2, spare: 1 });
  expect(jointOf(other).connection.feed.circuit).toBe('fog');
  expect(feedOptions(other, jointOf(other), '2', 0).map(({ source }) => source.kind)).not.toContain('battery with relay');
});

const measured = (log: TestLog, state: VehicleState, lowV: number, highV = lowV) => log.add('slot.measured', { slot: 'F9', ratedA: 10, state, lowV, highV });
const SLOT: LedTo = { at: 'slot', slot: 'F9', fuseA: 3, areaMm2: 1, lengthMm: 1000 };
const RELAYED: LedTo = { at: 'battery', plug: 'fog-plug', pin: '2', fuseA: 3, areaMm2: 1, lengthMm: 1000 };

describe('what follows from where a wire is led', () => {
  test('a slot is live where it was seen so, flashing too; one that nobody measured feeds nothing', () => {
    expect(circuitLoads(on(RICH, PAIR, led(SLOT))).map(({ circuit: { id } }) => id)).toEqual(['fog']);
    const log = led(SLOT);
    measured(log, 'hazard', 0.01, 12.4);
    measured(log, 'parking', 0.01);
    const [load] = circuitLoads(on(RICH, PAIR, log));
    expect(load?.circuit).toMatchObject({ liveIn: ['hazard'], plugPermittedA: load?.circuit.wire?.permittedA });
    // A work lamp may be lit at another time than its kit has it; a lamp of the road not.
    for (const state of ['front fog', 'key off', 'ignition', 'parking', 'dipped', 'main'] as const) measured(log, state, 12.4);
    expect(isRefused(wire.join(on(RICH, work, log), 'test-kit', 'joint', AT))).toBe(false);
    expect(isRefused(wire.join(on(RICH, PAIR, log), 'test-kit', 'joint', AT))).toBe(true);
  });

  test('the main fuse sits as near as the rules ask, and grounds at the body are measured', () => {
    expect(circuitLoads(on(RICH, PAIR, led(RELAYED)))[0]?.circuit.batteryToFuseMm).toBe(RULES.electrics.mainFuseWithinMm);
    expect([groundsAsked(on(RICH)), groundsAsked(on(RICH, PAIR, led(RELAYED))), groundsAsked(on(RICH, PAIR, led({ at: 'ground' }, '1')))]).toEqual([false, true, true]);
  });

  test('a contact is made for the wire before it, where several carry the same', () => {
    const three = { columns: 3, pins: [...fogPlug.pins, { id: '3', row: 1, column: 3, carries: 'front fog' as const, circuit: 'fog-two' }] };
    const profile = { ...RICH, plugs: RICH.plugs.map((entry) => (entry.id === 'fog-plug' ? { ...entry, ...three } : entry)) };
    const own = { id: 'x', row: 1, column: 3, carries: 'front fog' as const };
    expect(ownCircuit({ profile }, fitment.connections[0]!, own)).toBe('fog-two');
    expect(ownCircuit({ profile }, fitment.connections[0]!, { ...own, column: 1 })).toBe('fog');
  });

  test('hands work at the plugs that the wires go to; the plug that nothing is joined to any more is left over', () => {
    const log = led({ at: 'wire', plug: 'second', pin: '7' });
    const plugs = (context: JobContext) => kitsOnVehicle(context).flatMap((entry) => (entry.fitment?.connections ?? []).map((connection) => plugsOf(entry, connection)));
    const functions = VAN.functions.map((lamp) => ({ ...lamp, side: 'left' as const }));
    const lost: Kit = { ...PAIR, fitments: [{ ...fitment, losesFunctions: ['old-fog'] }] };
    const leftover = (context: JobContext) => leftoverPlugs(context).map(({ plug: { id } }) => id);
    expect(plugs(on(RICH, PAIR, log))).toEqual([['fog-plug', 'second']]);
    expect(leftover(on({ ...RICH, functions }, lost, log))).toEqual([]);
    log.add('source.chosen', { kit: 'test-kit', connection: 'joint', pin: '1', to: { at: 'wire', plug: 'second', pin: '1' } });
    expect(plugs(on(RICH, PAIR, log))).toEqual([['second']]);
    expect(leftover(on({ ...RICH, functions }, lost, log))).toEqual(['fog-plug']);
  });

  test('its test is covered by what hides the plug that feeds it', () => {
    const profile = { ...RICH, plugs: RICH.plugs.map((entry) => (entry.id === 'second' ? { ...entry, hiddenBy: [{ piece: 'old-lamp', level: 'off' as const }] } : entry)) };
    const log = led(SECOND);
    for (const piece of ['grille', 'old-lamp']) log.add('piece.moved', { piece, level: 'off', fasteners: [] });
    const gate = gatesOf(on(profile, PAIR, log), undefined).find(({ subject }) => subject.kind === 'test');
    expect(gate?.coveredBy).toContainEqual({ piece: 'old-lamp', level: 'off' });
  });

  test('the contact that it left carries nothing of it, the ground all', () => {
    const family = { id: fogPlug.family, pinA: 8 } as PlugFamily;
    const shelf = { families: [family], adapters: [] } as unknown as PlugLibrary;
    const loads = (log: TestLog) => {
      const context = { ...on(RICH, PAIR, log), plugs: shelf };
      const [joint] = wireJoints(context);
      return joint && pinLoads(context, joint).map(({ carries, ampere }) => [carries, ampere]);
    };
    expect(loads(openedLog())).toEqual([
      ['front fog', 2],
      ['ground', 2],
    ]);
    expect(loads(led(SECOND))).toEqual([['ground', 2]]);
  });

  test('a leg begins where its wire is led to: at that plug, at the relay', () => {
    const place = (id: string, part: object) => ({ id, name: id, at: { xMm: 0, yMm: 0, zMm: 0 }, ...part });
    const segment = (id: string, from: string) => ({ id, name: id, from, to: 'lamp', lengthMm: 500, hazards: [], needs: [], layMin: 1 });
    const places = [place('plug', { plugs: ['fog-plug'] }), place('other', { plugs: ['second'] }), place('relay', { role: 'relay' }), place('lamp', { mounts: ['place'] })];
    const cableWays = { places, segments: [segment('a', 'plug'), segment('b', 'other'), segment('c', 'relay')] } as unknown as NonNullable<VehicleProfile['cableWays']>;
    const kit: Kit = { ...PAIR, legs: [{ id: 'leg', lamp: 'lamp', lengthMm: 900 }] };
    const way = (log: TestLog) => legRoutes(on({ ...RICH, cableWays }, kit, log))?.map(({ path }) => path?.segments);
    expect([way(openedLog()), way(led(SECOND)), way(led(RELAYED))]).toEqual([[['a']], [['b']], [['c']]]);
  });

  test('a thin wire in front of a leg is what it may carry', () => {
    const kit: Kit = { ...PAIR, legs: [{ id: 'leg', lamp: 'lamp', lengthMm: 300, wire: { areaMm2: 2.5, ground: 'at lamp' } }] };
    const most = (to: LedTo) => circuitLoads(on(RICH, kit, led(to)))[0]?.legs[0]?.conductor?.permittedA;
    expect([most({ at: 'wire', plug: 'second', pin: '7' }), most({ ...SECOND, areaMm2: 0.35 })]).toEqual([31, 8]);
  });
});

describe('an offer', () => {
  const offered = (context: JobContext, kind: string, id: string) =>
    feedOptions(context, jointOf(context), '2', 1000).find(({ source }) => source.kind === kind && source.id === id);

  test('counts what hangs there already, and not itself twice', () => {
    const second: Kit = { ...PAIR, slug: 'other', fitments: [{ ...fitment, connections: [{ ...fitment.connections[0]!, vehiclePlug: 'second', feed: { circuit: 'fog-two' } }] }] };
    const both = jobContext(openedLog().state, { ...contextOf(openedLog()), profile: RICH, kits: [PAIR, second] });
    expect(offered(both, 'lamp circuit', 'fog-two')?.source.check).toMatchObject({ beforeA: 2, afterA: 4 });
    const there = offered(on(RICH, PAIR, led(SECOND)), 'lamp circuit', 'fog-two');
    expect([there?.source.check?.afterA, there?.chosen]).toEqual([2, true]);
    expect(offered(on(RICH), 'lamp circuit', 'fog-two')?.chosen).toBe(false);
  });

  test('takes the wire on its own side, the fuse that bears the surge, the wire that closes the relay now', () => {
    const near = plug('near', 'front fog', 'fog-two', { side: 'left' });
    expect(offered(on({ ...RICH, plugs: [...RICH.plugs, near] }), 'lamp circuit', 'fog-two')?.to.plug).toBe('near');
    // 30 A for 0.3 s: a fuse bears half as much again as its rating for so long.
    const surging = { ...PAIR, lamps: PAIR.lamps.map((lamp) => ({ ...lamp, load: { ...lamp.load, surge: { ampere: 30, forMs: 300 } } })) };
    expect(offered(on(RICH, surging), 'battery with relay', 'fog')?.to.fuseA).toBe(20);
    const output = circuit('out', ['front fog'], { fuse: undefined, output: { slot: 'O2', limitA: 12, surge: { ampere: 20, forMs: 50 }, standbyMostMa: 5 } });
    const better = on({ ...RICH, circuits: [...RICH.circuits, output] });
    expect(offered(better, 'battery with relay', 'out')?.at).toMatchObject({ plug: { id: 'fog-plug' }, pin: { id: '2' } });
  });
});

test('contacts go to cavities of their own, over an empty one too', () => {
  const pin = (id: string, column: number, carries: PinFunction) => ({ id, row: 1, column, carries });
  const vehicle = (...pins: PinFunction[]) => ({
    ...RICH,
    plugs: RICH.plugs.map((entry) => (entry.id === 'fog-plug' ? { ...entry, columns: 3, pins: pins.map((carries, at) => pin(String(at), at + 1, carries)) } : entry)),
  });
  const kit = (...pins: PinFunction[]): Kit => ({ ...PAIR, plugs: [{ ...lampPlug, columns: 3, pins: pins.map((carries, at) => pin(String(at + 1), at + 1, carries)) }] });
  const crossed = on(vehicle('front fog', 'ground', 'ground'), kit('ground', 'ground', 'front fog'));
  const { verdict } = jointOf(crossed);
  expect(verdict?.value === 're-pin' && verdict.moves.map(({ pin: own, to }) => [own, to.column])).toEqual([
    ['1', 3],
    ['3', 1],
  ]);
  const log = openedLog();
  log.add('contacts.moved', { kit: 'test-kit', plug: 'lamp-plug', moves: [{ pin: '2', row: 1, column: 3 }] });
  const moved = jointOf(on(vehicle('ground', 'empty', 'front fog'), kit('ground', 'front fog', 'empty'), log));
  expect(moved.kitPlug.pins.map(({ id, column }) => [id, column])).toEqual([
    ['1', 1],
    ['2', 3],
  ]);
  expect(moved.mate.value).toBe('mates');
});

test('the coil of a kit’s own relay is closed by another wire, its feed stays', () => {
  const kit: Kit = {
    ...PAIR,
    relays: [{ id: 'relay', name: 'Relay', coilOhm: 100, contactA: 30, pullInV: 8 }],
    feeds: [{ id: 'feed', name: 'Feed', fuseA: 5, batteryToFuseMm: 150, wire: { areaMm2: 1, lengthM: 2, permittedA: 15 }, plugPermittedA: 15, relay: 'relay' }],
    fitments: [{ ...fitment, connections: [{ ...fitment.connections[0]!, feed: { circuit: 'feed' }, trigger: { circuit: 'fog', relay: 'relay' } }] }],
  };
  const context = on(RICH, kit, led({ at: 'wire', plug: 'second', pin: '7' }));
  // 21.6 W at 10.8 V on the kit's own feed; the coil takes 13.8 V / 100 Ω, most at 14.4 V.
  expect(circuitLoads(context).map(({ circuit: { id, liveIn }, check }) => [id, liveIn, Math.round(check.addedA * 1000) / 1000])).toEqual([
    ['test-kit.feed', ['front fog'], 2],
    ['fog-two', ['front fog'], 0.144],
  ]);
  const slot = led(SLOT);
  measured(slot, 'parking', 12.3);
  expect(circuitLoads(on(RICH, kit, slot)).map(({ circuit: { id, liveIn } }) => [id, liveIn])).toEqual([
    ['test-kit.feed', ['parking']],
    ['test-kit.joint.2', ['parking']],
  ]);
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

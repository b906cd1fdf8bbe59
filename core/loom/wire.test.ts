import type { PinFunction, VehicleState } from '../states/index.ts';
import { bareKit, bareLamp } from '../test/bare-kit.ts';
import { contextOf, openedLog, PAIR, RULES, VAN, type TestLog } from '../job/test/log.ts';
import { wire } from '../stations/index.ts';
import { circuitLoads, readingVoltage, standingOfVehicle, wireJoints } from './index.ts';

const jointOf = (log: TestLog) => {
  const [joint] = wireJoints(contextOf(log));
  if (!joint) throw new Error('no joint');
  return joint;
};
const read = (log: TestLog, state: VehicleState, volts: number) => log.add('reading.taken', { plug: 'fog-plug', pin: '2', state, lowV: volts, highV: volts });

test('the fog plug mates pin by pin; its switched pin wants proof, its ground does not', () => {
  const joint = jointOf(openedLog());
  expect([joint.mate.value, joint.joined]).toEqual(['mates', false]);
  expect(joint.toProve.map(({ pin, proof }) => [pin.id, proof.code])).toEqual([['2', 'no-reading']]);
});

test('joined is what the log says, of this kit and connection only', () => {
  const log = openedLog();
  log.add('plug.joined', { kit: 'other', connection: 'joint' });
  expect(jointOf(log).joined).toBe(false);
  log.add('plug.joined', { kit: 'test-kit', connection: 'joint' });
  expect(jointOf(log).joined).toBe(true);
});

test('on with its state and off without it proves the wire; on in both contradicts', () => {
  const log = openedLog();
  log.add('reference.checked', { groundV: 0.02, feedV: 12.6 });
  read(log, 'front fog', 12.4);
  expect(jointOf(log).toProve[0]?.proof).toMatchObject({ code: 'needs-off' });
  read(log, 'key off', 0.01);
  expect(jointOf(log).toProve[0]?.proof).toMatchObject({ code: 'proved' });
  const wrong = openedLog();
  read(wrong, 'front fog', 12.4);
  read(wrong, 'key off', 12.4);
  expect(jointOf(wrong).toProve[0]?.proof).toMatchObject({ code: 'contradictory' });
});

test('readings are held against the feed proved, else the battery at rest, else 13.8 V', () => {
  const log = openedLog();
  expect(readingVoltage(contextOf(log))).toBe(13.8);
  log.add('battery.measured', { restV: 12.4 });
  expect(readingVoltage(contextOf(log))).toBe(12.4);
  log.add('reference.checked', { groundV: 0, feedV: 12.7 });
  expect(readingVoltage(contextOf(log))).toBe(12.7);
});

test('a lamp of 21.6 W takes 2 A at 10.8 V: a fifth of the fuse of 10 A', () => {
  const [load] = circuitLoads(contextOf(openedLog()));
  expect(load).toMatchObject({ accepted: false, check: { addedA: 2, weakest: 'fuse', limitA: 10, shareAfter: 0.2, verdict: 'carries' } });
});

test('two kits on one circuit are added up, and accepting names the circuit', () => {
  const [fitment] = PAIR.fitments;
  if (!fitment) throw new Error('no fitment');
  const second = bareKit({ ...PAIR, slug: 'second', lamps: [bareLamp('lamp', { load: { powerW: 97.2, atV: 13.2, kind: 'driven LED', standbyMa: 0 } })], fitments: [fitment] });
  const log = openedLog();
  log.add('load.accepted', { kit: 'test-kit', circuit: 'fog' });
  const loads = circuitLoads({ ...contextOf(log), kits: [PAIR, second] });
  // 21.6 W and 97.2 W at 10.8 V: 2 A and 9 A on a fuse of 10 A.
  expect(loads).toHaveLength(1);
  expect(loads[0]).toMatchObject({ accepted: true, check: { afterA: 11, verdict: 'refuse' } });
  expect(loads[0]?.check.shareAfter).toBeCloseTo(1.1, 9);
});

test('an acceptance holds for the load that was accepted, and is withdrawn where it is another', () => {
  const log = openedLog();
  log.add('load.accepted', { kit: 'test-kit', circuit: 'fog', afterA: 2 });
  expect(circuitLoads(contextOf(log))[0]).toMatchObject({ accepted: true });
  expect(circuitLoads(contextOf(log))[0]?.acceptedA).toBeUndefined();
  const brighter = { ...PAIR, lamps: [bareLamp('lamp', { load: { powerW: 32.4, atV: 13.2, kind: 'driven LED', standbyMa: 0 } })] };
  const changed = { ...contextOf(log), kits: [brighter] };
  expect(circuitLoads(changed)[0]).toMatchObject({ accepted: false, acceptedA: 2, check: { afterA: expect.closeTo(3, 9) as number } });
  expect(wire.asked(changed)).toContainEqual(expect.objectContaining({ code: 'load-to-accept' }));
  expect(wire.acceptLoad(changed, 'fog')).toEqual({ events: [{ type: 'load.accepted', payload: { kit: 'test-kit', circuit: 'fog', afterA: 3, fuseA: 10 } }] });
  log.add('load.accepted', { kit: 'test-kit', circuit: 'fog', afterA: 3 });
  expect(circuitLoads({ ...contextOf(log), kits: [brighter] })[0]).toMatchObject({ accepted: true });
});

test('a lamp that may be joined by one adapter or another, which is not yet known, is a load once', () => {
  const two = { ...PAIR, fitments: PAIR.fitments.map((fitment) => ({ ...fitment, connections: fitment.connections.flatMap((c) => [c, { ...c, id: `${c.id}-b` }]) })) };
  const context = { ...contextOf(openedLog()), kits: [two] };
  expect(wireJoints(context)).toHaveLength(2);
  expect(circuitLoads(context)[0]).toMatchObject({ added: [{ powerW: 21.6 }], check: { afterA: expect.closeTo(2, 9) as number } });
});

test('what feeds only lamps that are not of the road may lose the wider share', () => {
  const [fitment] = PAIR.fitments;
  if (!fitment) throw new Error('no fitment');
  const limit = (beam: 'work' | 'driving' | 'front fog', factory?: string) => {
    const [lamp] = PAIR.lamps;
    if (!lamp) throw new Error('no lamp');
    const kit = { ...PAIR, lamps: [{ ...lamp, optics: { ...lamp.optics, beam } }] };
    const loads = factory ? [{ name: 'Old', powerW: 5, atV: 13.2, kind: 'filament' as const, function: factory }] : [];
    const profile = { ...VAN, circuits: VAN.circuits.map((circuit) => ({ ...circuit, loads })) };
    return circuitLoads({ ...contextOf(openedLog()), profile, kits: [kit] })[0]?.check.dropLimitShare;
  };
  expect([limit('work'), limit('driving'), limit('front fog'), limit('work', 'plate')]).toEqual([0.05, 0.05, 0.03, 0.03]);
});

test('what the kits draw while the vehicle stands shortens the time until it may not start', () => {
  const standing = (standbyMa: number | undefined, usableShare?: number) => {
    const kit = { ...PAIR, lamps: PAIR.lamps.map((lamp) => ({ ...lamp, load: { ...lamp.load, standbyMa } })) };
    const profile = { ...VAN, battery: { capacityAh: 70, standbyMa: 25 } };
    const rules = { ...RULES, electrics: { ...RULES.electrics, ...(usableShare === undefined ? {} : { usableShare }) } };
    const context = { ...contextOf(openedLog()), profile, rules, kits: [kit] };
    const { battery: _none, ...undescribed } = profile;
    return [standingOfVehicle(context), standingOfVehicle({ ...context, profile: undescribed })];
  };
  expect(standing(0)).toEqual([undefined, undefined]);
  // Of a lamp that nobody measured it is not known how long the battery lasts, however little the others draw.
  expect(standing(undefined)).toEqual([
    { addedMa: 0, unmeasured: 1 },
    { addedMa: 0, unmeasured: 1 },
  ]);
  // A battery that nobody described lasts as long as it does: only what is added is known.
  expect(standing(10)).toEqual([{ addedMa: 10, lasts: { beforeMa: 25, afterMa: 35, hoursBefore: 700, hoursAfter: 500, capacityAh: 70, usableShare: 0.25 } }, { addedMa: 10 }]);
  expect(standing(10, 0.2)[0]?.lasts).toMatchObject({ hoursAfter: 400, usableShare: 0.2 });
});

test('a circuit that the rules never use is refused whatever it carries', () => {
  const [load] = circuitLoads({ ...contextOf(openedLog()), rules: { ...RULES, neverUseCircuits: ['fog'] } });
  expect(load?.check.verdict).toBe('never');
});

test('a connection that this vehicle does not ask for is not there; one whose plug is gone is left out', () => {
  const connections = (part: object) => ({ ...PAIR, fitments: PAIR.fitments.map((fitment) => ({ ...fitment, connections: fitment.connections.map((c) => ({ ...c, ...part })) })) });
  const log = openedLog();
  log.add('fact.recorded', { fact: 'trim', certainty: 'known', value: 'plain' });
  const context = { ...contextOf(log), profile: VAN };
  expect(wireJoints({ ...context, kits: [connections({ when: { fact: 'trim', is: 'guard' } })] })).toEqual([]);
  const plain = wireJoints({ ...context, kits: [connections({ when: { fact: 'trim', is: 'plain' } })] });
  expect([plain.length, plain[0]?.onlyWhere]).toEqual([1, undefined]);
  const open = wireJoints({ ...contextOf(openedLog()), profile: VAN, kits: [connections({ when: { fact: 'trim', is: 'guard' } })] });
  expect(open[0]?.onlyWhere).toMatchObject({ value: 'unknown', condition: { fact: 'trim', is: 'guard' } });
  expect(wireJoints({ ...context, kits: [connections({ vehiclePlug: 'gone' })] })).toEqual([]);
});

describe('a rear cluster with tail and stop lamp on one plug', () => {
  const load = (powerW: number) => ({ powerW, atV: 13.2, kind: 'driven LED' as const, standbyMa: 0 });
  const pin = (id: string, column: number, carries: PinFunction, circuit?: string) => ({ id, row: 1, column, carries, ...(circuit ? { circuit } : {}) });
  const face = { family: 'CL-3', keying: 'A', rows: 1, columns: 3, lock: 'tab' };
  const circuit = (id: 'parking' | 'stop pedal', ratedA: number, powerW: number) => ({
    id,
    name: id,
    fuse: { slot: id, ratedA },
    wire: { areaMm2: 1, lengthM: 4, permittedA: 13 },
    plugPermittedA: 12,
    loads: [
      { name: 'left bulb', powerW, atV: 12, kind: 'resistive' as const, function: `${id}-left` },
      { name: 'right bulb', powerW, atV: 12, kind: 'resistive' as const },
    ],
    liveIn: [id],
  });
  const profile = {
    ...VAN,
    circuits: [circuit('parking', 5, 6), { ...circuit('stop pedal', 10, 24), id: 'stop' }],
    plugs: [
      {
        ...VAN.plugs[0],
        id: 'cluster',
        name: 'Cluster plug',
        gender: 'sockets' as const,
        ...face,
        pins: [pin('1', 1, 'ground'), pin('2', 2, 'parking', 'parking'), pin('3', 3, 'stop pedal', 'stop')],
        side: 'left' as const,
        at: { xMm: 0, yMm: 0, zMm: 0 },
        whereToLook: 'behind it',
        reach: [],
        hiddenBy: [],
      },
    ],
  };
  const [fitment] = PAIR.fitments;
  if (!fitment) throw new Error('no fitment');
  const cluster = bareLamp('lamp', {
    load: load(24),
    functions: [
      { carries: 'parking', load: load(4) },
      { carries: 'stop pedal', load: load(20) },
    ],
  });
  const kitOf = (pins: object[], losesFunctions: string[] = []) => ({
    ...PAIR,
    lamps: [cluster],
    plugs: [{ id: 'lamp-plug', name: 'Lamp plug', gender: 'pins' as const, ...face, pins: pins as never, lamp: 'lamp' }],
    fitments: [{ ...fitment, losesFunctions, connections: [{ id: 'joint', kitPlug: 'lamp-plug', vehiclePlug: 'cluster', feed: { circuit: 'parking' }, lamps: ['lamp'] }] }],
  });
  const all = [pin('1', 1, 'ground'), pin('2', 2, 'parking'), pin('3', 3, 'stop pedal')];
  const loadsOf = (kit: ReturnType<typeof kitOf>) =>
    Object.fromEntries(
      circuitLoads({ ...contextOf(openedLog()), profile, kits: [kit] }).map((entry) => [
        entry.circuit.id,
        [entry.check.beforeA, entry.check.addedA].map((amps) => Number(amps.toFixed(3))),
      ]),
    );

  test('each function loads the circuit of its own wire, and both wires want proof', () => {
    // 4 W and 20 W at 10.8 V. Two bulbs of 6 W at 12 V are 1 A, 1.2 A at 14.4 V; of 24 W 4.8 A.
    expect(loadsOf(kitOf(all))).toEqual({ parking: [1.2, 0.37], stop: [4.8, 1.852] });
    const [joint] = wireJoints({ ...contextOf(openedLog()), profile, kits: [kitOf(all)] });
    expect(joint?.toProve.map(({ state }) => state)).toEqual(['parking', 'stop pedal']);
  });

  test('a wire that the kit leaves alone is neither loaded nor proved', () => {
    expect(loadsOf(kitOf([pin('1', 1, 'ground'), pin('2', 2, 'parking'), pin('3', 3, 'empty')]))).toEqual({ parking: [1.2, 0.37] });
  });

  test('a factory lamp whose function the kit takes away no longer loads its circuit', () => {
    expect(loadsOf(kitOf(all, ['parking-left']))).toEqual({ parking: [0.6, 0.37], stop: [4.8, 1.852] });
  });
});

describe('pins and what feeds them', () => {
  const [plug] = VAN.plugs;
  const [kitPlug] = PAIR.plugs;
  const [circuit] = VAN.circuits;
  const [fitment] = PAIR.fitments;
  if (!plug || !kitPlug || !circuit || !fitment) throw new Error('no plug');
  const pin = (id: string, column: number, carries: PinFunction, of?: string) => ({ id, row: 1, column, carries, ...(of ? { circuit: of } : {}) });
  const circuits = [
    circuit,
    { ...circuit, id: 'turn', name: 'Turn', liveIn: ['turn left', 'hazard', 'dipped'] as VehicleState[] },
    { ...circuit, id: 'feed', name: 'Feed', liveIn: ['ignition', 'accessory'] as VehicleState[] },
  ];
  const documents = (pins: ReturnType<typeof pin>[], used = pins, lamps = PAIR.lamps) => ({
    ...contextOf(openedLog()),
    profile: { ...VAN, circuits, plugs: [{ ...plug, columns: 4, pins }] },
    kits: [{ ...PAIR, lamps, plugs: [{ ...kitPlug, columns: 4, pins: used.map(({ circuit: _, ...entry }) => entry) }] }],
  });
  const proving = (...args: Parameters<typeof documents>) => wireJoints(documents(...args))[0]?.toProve.map((entry) => [entry.pin.id, entry.state, entry.liveIn]);

  test('a pin is live in the state of its lamp first, a turn signal also with both, then in those of its circuit that go with it', () => {
    expect(proving([pin('1', 1, 'ground'), pin('2', 2, 'turn left', 'turn')])).toEqual([['2', 'turn left', ['turn left', 'dipped', 'hazard']]]);
    expect(proving([pin('2', 2, 'turn right', 'turn')])?.[0]?.[2]).toContain('hazard');
    expect(proving([pin('2', 2, 'front fog', 'fog')])).toEqual([['2', 'front fog', ['front fog']]]);
    // What is no state of a lamp is live in those of its circuit; without any there is nothing to prove.
    expect(proving([pin('1', 1, 'switched supply', 'feed')])).toEqual([['1', 'ignition', ['ignition', 'accessory']]]);
    expect(proving([pin('1', 1, 'switched supply', 'gone')])).toEqual([]);
  });

  test('only pins that the kit takes up, and that are not empty there, are fed', () => {
    const own = [pin('1', 1, 'front fog', 'fog'), pin('2', 2, 'turn left', 'turn'), pin('3', 3, 'switched supply', 'feed')];
    const joint = (used: ReturnType<typeof pin>[]) => wireJoints(documents(own, used))[0];
    expect(joint(own.slice(0, 2))?.circuits.map((entry) => entry.id)).toEqual(['fog', 'turn']);
    expect(joint([pin('1', 1, 'front fog'), pin('2', 2, 'empty'), { ...pin('3', 3, 'switched supply'), row: 2 }])?.circuits.map((entry) => entry.id)).toEqual(['fog']);
    // The connection's own circuit stands first, also where no pin of the vehicle names it.
    expect(joint([own[1] ?? pin('2', 2, 'empty')])?.circuits.map((entry) => entry.id)).toEqual(['fog', 'turn']);
  });

  test('a body of several functions loads each circuit with what its wires carry, any other its own circuit alone', () => {
    const load = { powerW: 27, atV: 13.5, kind: 'driven LED' as const, standbyMa: 0 };
    const body = bareLamp('lamp', {
      load,
      functions: [
        { carries: 'front fog', load: { ...load, powerW: 20 } },
        { carries: 'turn left', load: { ...load, powerW: 7 } },
      ],
    });
    const own = [pin('1', 1, 'front fog', 'fog'), pin('2', 2, 'turn left', 'turn')];
    const added = (lamps: typeof PAIR.lamps) => circuitLoads(documents(own, own, lamps)).map((entry) => [entry.circuit.id, entry.added.map(({ name, powerW }) => [name, powerW])]);
    expect(added([body])).toEqual([
      ['fog', [['lamp, front fog', 20]]],
      ['turn', [['lamp, turn left', 7]]],
    ]);
    expect(added([bareLamp('lamp', { load }), bareLamp('other', { load })])).toEqual([
      ['fog', [['lamp', 27]]],
      ['turn', []],
    ]);
  });

  test('a factory load whose function a kit takes away is gone, others stay; a circuit never used keeps its own reason', () => {
    const factory = (name: string, of?: string) => ({ name, powerW: 10, atV: 13.5, kind: 'filament' as const, ...(of ? { function: of } : {}) });
    const profile = { ...VAN, circuits: [{ ...circuit, loads: [factory('old', 'old-fog'), factory('dipped', 'dipped'), factory('socket')] }] };
    const context = { ...contextOf(openedLog()), profile };
    expect(circuitLoads(context)[0]?.circuit.loads.map((entry) => entry.name)).toEqual(['dipped', 'socket']);
    const never = (circuitPart: object) =>
      circuitLoads({ ...context, profile: { ...VAN, circuits: [{ ...circuit, ...circuitPart }] }, rules: { ...RULES, neverUseCircuits: ['fog'] } })[0]?.circuit.neverUse;
    expect([never({}), never({ neverUse: 'by its maker' }), circuitLoads(context)[0]?.circuit.neverUse]).toEqual(['Front fog', 'by its maker', undefined]);
  });

  test('readings are those of this plug and pin', () => {
    const log = openedLog();
    log.add('reading.taken', { plug: 'other', pin: '2', state: 'front fog', lowV: 12, highV: 12 });
    log.add('reading.taken', { plug: 'fog-plug', pin: '1', state: 'front fog', lowV: 12, highV: 12 });
    expect(jointOf(log).toProve[0]?.proof.code).toBe('no-reading');
  });
});

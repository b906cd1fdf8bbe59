import { bareKit, bareLamp } from '../test/bare-kit.ts';
import type { Kit, KitLeg } from '../kit/index.ts';
import { DEFAULT_WIRES } from '../rules/index.ts';
import { isRefused, wire } from '../stations/index.ts';
import { contextOf, openedLog, PAIR, VAN, type TestLog } from '../job/test/log.ts';
import { circuitLoads, wireJoints, wirePicture } from './index.ts';
import type { JobContext } from '../job/index.ts';

const [fitment] = PAIR.fitments;
const [joint] = fitment?.connections ?? [];
if (!fitment || !joint) throw new Error('no joint');

/** A bar of 118 W on a feed that the kit lays from the battery, switched by a relay that the fog wire triggers. */
const BAR: Kit = bareKit({
  ...PAIR,
  lamps: [bareLamp('lamp', { name: 'Bar', optics: { ...bareLamp('x').optics, beam: 'driving' }, load: { powerW: 118, atV: 13.2, kind: 'driven LED', standbyMa: 2 } })],
  relays: [{ id: 'relay', name: 'Bar relay', coilOhm: 85, contactA: 30, pullInV: 8 }],
  feeds: [{ id: 'laid', name: 'Feed of the bar', fuseA: 15, batteryToFuseMm: 150, wire: { areaMm2: 2.5, lengthM: 5.6, permittedA: 22 }, plugPermittedA: 20, relay: 'relay' }],
  fitments: [{ ...fitment, connections: [{ ...joint, feed: { circuit: 'laid' }, trigger: { circuit: 'fog', relay: 'relay' } }] }],
});
const on = (kit: Kit, log: TestLog = openedLog()): JobContext => ({ ...contextOf(log), kits: [kit] });

test('trigger and feed are two loads on two circuits: the coil alone on the wire of the vehicle, the bar on what the kit lays', () => {
  const loads = Object.fromEntries(circuitLoads(on(BAR)).map(({ circuit, added, check }) => [circuit.id, { check, names: added.map(({ name }) => name) }]));
  // 13.8 V on 85 Ω are 0.162 A, 0.169 A at 14.4 V; 118 W at 10.8 V are 10.926 A.
  expect(loads.fog).toMatchObject({ names: ['Bar relay'], check: { afterA: expect.closeTo(0.1694, 4) as number, neededV: 8, dropLimitShare: 0.05, verdict: 'carries' } });
  expect(loads['test-kit.laid']).toMatchObject({
    names: ['Bar'],
    check: { afterA: expect.closeTo(10.9259, 4) as number, weakest: 'fuse', limitA: 15, dropLimitShare: 0.05, verdict: 'carries' },
  });
  // 8.5507 A over 0.038618 Ω of wire, 5 mΩ of body and four contacts.
  expect(loads['test-kit.laid']?.check.dropV).toBeCloseTo(8.5507 * (0.038618 + 0.013), 3);
  const slow = { ...BAR, relays: BAR.relays.map((relay) => ({ ...relay, pullInV: 10.8 })) };
  expect(circuitLoads(on(slow)).find(({ circuit }) => circuit.id === 'fog')?.check).toMatchObject({ troubles: ['least voltage'], verdict: 'warn' });
});

test('the legs of a kit are conductors of its circuit: by the table of the rule set, with as many wires beside them as the plug has', () => {
  const wired = (wire: KitLeg['wire'], rules = {}): JobContext => {
    const context = on({ ...BAR, legs: [{ id: 'main', lamp: 'lamp', lengthMm: 3000, ...(wire ? { wire } : {}) }] });
    return { ...context, rules: { ...context.rules, electrics: { ...context.rules.electrics, ...rules } } };
  };
  const laid = (context: JobContext) => circuitLoads(context).find(({ circuit }) => circuit.id === 'test-kit.laid');
  const thick = laid(wired({ areaMm2: 2.5, ground: 'in leg' }));
  // 31 A, less the share of two wires in one bundle; 8.5507 A over 6 m of 2.5 mm².
  expect(thick?.check).toMatchObject({
    fullestLeg: { permittedA: expect.closeTo(26.35, 4) as number, ampere: expect.closeTo(10.9259, 4) as number },
    troubles: ['drop'],
    verdict: 'warn',
  });
  expect(thick?.check.longestLeg?.dropV).toBeCloseTo(8.5507 * 0.041376, 4);
  // Its own ground where it stands: one wire, one way.
  const short = laid(wired({ areaMm2: 2.5, ground: 'at lamp' }))?.check;
  expect([short?.fullestLeg?.permittedA, short?.longestLeg?.dropV]).toEqual([31, expect.closeTo(8.5507 * 0.020688, 4)]);
  // 14 A · 0.85 at 30 °C are less than the fuse of 15 A; hotter still less, √(35 / 75).
  expect(laid(wired({ areaMm2: 0.75, ground: 'in leg' }))?.check).toMatchObject({
    fuseMostA: expect.closeTo(11.9, 5) as number,
    troubles: ['fuse above', 'leg share', 'drop'],
    verdict: 'refuse',
  });
  expect(laid(wired({ areaMm2: 0.75, ground: 'in leg', temperatureC: 70 }))?.check.fuseMostA).toBeCloseTo(8.1294, 3);
  expect(laid(wired({ areaMm2: 0.75, ground: 'in leg', permittedA: 16 }))?.check.fuseMostA).toBeUndefined();
  const wires = { ...DEFAULT_WIRES, permitted: [{ areaMm2: 2.5, ampere: 12 }], bundle: [] };
  expect(laid(wired({ areaMm2: 2.5, ground: 'in leg' }, { wires }))?.check).toMatchObject({ fuseMostA: 12, troubles: ['fuse above', 'leg share', 'drop'] });
  // Of a leg of which nothing is said nothing is counted, and it is told.
  const unknown = laid(wired(undefined));
  expect([unknown?.check.fullestLeg, unknown?.legs.map(({ leg, conductor }) => [leg.id, conductor])]).toEqual([undefined, [['main', undefined]]]);
  // The coil is not at the end of the leg.
  expect(circuitLoads(wired({ areaMm2: 2.5, ground: 'in leg' })).find(({ circuit }) => circuit.id === 'fog')?.legs).toEqual([]);
});

test('a leg leads to the lamps of its joint that have none of their own, each other one to its own lamp', () => {
  const lamps = ['lamp', 'second', 'third'].map((id, index) => bareLamp(id, { load: { powerW: 13.8 * (index + 1), atV: 13.8, kind: 'driven LED', standbyMa: 0 } }));
  const wire = { areaMm2: 1.724, ground: 'at lamp' as const };
  const legs = [
    { id: 'one', lamp: 'lamp', lengthMm: 1000, wire },
    { id: 'two', lamp: 'second', lengthMm: 1000, wire },
  ];
  const kit: Kit = { ...PAIR, lamps, legs, fitments: [{ ...fitment, connections: [{ ...joint, lamps: ['lamp', 'second', 'third'] }] }] };
  const conductors = circuitLoads(on(kit))[0]?.legs.map(({ leg, conductor }) => [leg.id, conductor?.loads.map(({ powerW }) => Math.round(powerW * 10) / 10)]);
  expect(conductors).toEqual([
    ['one', [13.8, 41.4]],
    ['two', [27.6]],
  ]);
});

test('a leg of a body with several functions: each wire its own, its ground what can be on at one time', () => {
  const functions = (['parking', 'main', 'daytime'] as const).map((carries, index) => ({
    carries,
    load: { powerW: 13.8 * (index + 1), atV: 13.8, kind: 'driven LED' as const, standbyMa: 0 },
  }));
  const pins = (['ground', 'parking', 'main', 'daytime'] as const).map((carries, index) => ({ id: String(index + 1), row: 1, column: index + 1, carries }));
  const circuits = VAN.circuits.flatMap((circuit) => (circuit.id === 'fog' ? ['parking', 'main', 'daytime'].map((id) => ({ ...circuit, id, loads: [] })) : []));
  const van = {
    ...VAN,
    circuits,
    plugs: VAN.plugs.map((plug) => ({ ...plug, columns: 4, pins: pins.map((pin) => (pin.carries === 'ground' ? pin : { ...pin, circuit: pin.carries })) })),
  };
  const kit: Kit = {
    ...PAIR,
    lamps: PAIR.lamps.map((lamp) => (lamp.id === 'lamp' ? { ...lamp, functions } : lamp)),
    plugs: PAIR.plugs.map((plug) => ({ ...plug, columns: 4, pins })),
    legs: [{ id: 'main', lamp: 'lamp', lengthMm: 1000, wire: { areaMm2: 1, ground: 'in leg' } }],
    fitments: [{ ...fitment, connections: [{ ...joint, feed: { circuit: 'parking' } }] }],
  };
  const legs = Object.fromEntries(circuitLoads({ ...on(kit), profile: van }).map(({ circuit, check }) => [circuit.id, check.longestLeg?.dropV]));
  // 17.24 mΩ each way. Out 1, 2, 3 A; back parking with main 3 A, daytime alone 3 A.
  expect(legs).toEqual({ parking: expect.closeTo(0.01724 * 4, 6), main: expect.closeTo(0.01724 * 5, 6), daytime: expect.closeTo(0.01724 * 6, 6) });
});

test('a lamp of the road holds its own feed to the tighter share; the coil that it hangs on is none', () => {
  const road = { ...BAR, lamps: BAR.lamps.map((lamp) => ({ ...lamp, optics: { ...lamp.optics, beam: 'front fog' as const } })) };
  const limits = Object.fromEntries(circuitLoads(on(road)).map(({ circuit, check }) => [circuit.id, check.dropLimitShare]));
  expect(limits).toEqual({ 'test-kit.laid': 0.03, fog: 0.05 });
});

test('a contact that carries less than the fuse lets through, and a fuse too far from the battery, are refused', () => {
  const verdict = (part: Partial<Kit>) => circuitLoads(on({ ...BAR, ...part })).find(({ circuit }) => circuit.id === 'test-kit.laid')?.check;
  expect(verdict({ relays: BAR.relays.map((relay) => ({ ...relay, contactA: 12 })) })).toMatchObject({
    weakest: 'switch',
    fuseMostA: 12,
    troubles: ['fuse above', 'share'],
    verdict: 'refuse',
  });
  expect(verdict({ feeds: BAR.feeds.map((feed) => ({ ...feed, batteryToFuseMm: 240 })) })).toMatchObject({ troubles: ['fuse far'], verdict: 'refuse' });
});

test('the picture has a lane for each source: the trigger ends in the coil, the feed passes the contact and ends in the bar', () => {
  const lanes = wirePicture(on(BAR)).map(({ load, source, contact, branches }) => ({
    circuit: load.circuit.id,
    source,
    contact: contact?.id,
    branches: branches.map(({ joint: at, pin, ends, loads }) => [at?.connection.id, pin?.id, ends, loads.map(({ name }) => name).join()]),
  }));
  expect(lanes).toEqual([
    { circuit: 'test-kit.laid', source: 'battery', contact: 'relay', branches: [[undefined, undefined, 'lamps', 'Bar']] },
    { circuit: 'fog', source: 'vehicle', contact: undefined, branches: [['joint', '2', 'coil', 'Bar relay']] },
  ]);
  expect(wirePicture(on(PAIR)).map(({ source, branches }) => [source, branches.map(({ joint: at, ends }) => [at?.connection.id, ends])])).toEqual([
    ['vehicle', [['joint', 'lamps']]],
  ]);
});

test('of a body with several functions each wire on a circuit has a branch of its own, which ends in its own load', () => {
  const pins = (['ground', 'front fog', 'parking'] as const).map((carries, index) => ({ id: String(index + 1), row: 1, column: index + 1, carries }));
  const van = {
    ...VAN,
    plugs: VAN.plugs.map((plug) => ({ ...plug, columns: 3, pins: pins.map((pin) => (pin.carries === 'ground' ? pin : { ...pin, circuit: 'fog' })) })),
  };
  const load = (powerW: number) => ({ powerW, atV: 13.2, kind: 'driven LED' as const, standbyMa: 0 });
  const kit = {
    ...PAIR,
    plugs: PAIR.plugs.map((plug) => ({ ...plug, columns: 3, pins })),
    lamps: [
      bareLamp('lamp', {
        load: load(25),
        functions: [
          { carries: 'front fog' as const, load: load(21) },
          { carries: 'parking' as const, load: load(4) },
        ],
      }),
    ],
  };
  const [lane] = wirePicture({ ...contextOf(openedLog()), profile: van, kits: [kit] });
  expect(lane?.branches.map(({ pin, loads }) => [pin?.id, loads.map(({ powerW }) => powerW)])).toEqual([
    ['2', [21]],
    ['3', [4]],
  ]);
});

const LEAD = { id: 'lead', name: 'Trigger lead', family: 'bare lead', gender: 'pins' as const, keying: 'none', rows: 1, columns: 1, lock: 'none', lamp: 'lamp' };
const tapping = (carries: 'front fog' | 'main'): Kit => ({
  ...BAR,
  plugs: [{ ...LEAD, pins: [{ id: '1', row: 1, column: 1, carries }] }],
  fitments: [{ ...fitment, connections: [{ ...joint, kitPlug: 'lead', feed: { circuit: 'laid' }, trigger: { circuit: 'fog', relay: 'relay' }, tap: { pin: '2' } }] }],
});

test('a wire is tapped only where it carries what the lead wants, and only once it is proved', () => {
  const log = openedLog();
  const tap = () => wire.join(on(tapping('front fog'), log), 'test-kit', 'joint', '2026-03-05T09:00:00Z');
  expect(wireJoints(on(tapping('front fog')))[0]).toMatchObject({ tapped: { id: '2' }, mate: { value: 'mates' }, toProve: [{ pin: { id: '2' }, state: 'front fog' }] });
  expect(tap()).toEqual({ refused: [{ code: 'wire-first', plug: 'fog-plug', pin: '2' }] });
  log.add('reading.taken', { plug: 'fog-plug', pin: '2', state: 'front fog', lowV: 13.6, highV: 13.6 });
  expect(isRefused(tap())).toBe(true);
  log.add('reading.taken', { plug: 'fog-plug', pin: '2', state: 'key off', lowV: 0.02, highV: 0.02 });
  expect(tap()).toEqual({ events: [{ type: 'plug.joined', payload: { kit: 'test-kit', connection: 'joint', checked: ['fits both wires', 'pull', 'sealed'] } }] });
  expect(wireJoints(on(tapping('main')))[0]?.mate.value).toBe('mates with pins wrong');
});

test('a fuse that was seen stands in place of the documented one: a larger one is refused, and an acceptance holds for its fuse alone', () => {
  const log = openedLog();
  const fog = () => circuitLoads(contextOf(log))[0];
  expect(fog()).toMatchObject({ circuit: { fuse: { ratedA: 10 } } });
  expect(fog()?.documentedA).toBeUndefined();
  log.add('load.accepted', { kit: 'test-kit', circuit: 'fog', afterA: 2, fuseA: 10 });
  expect(fog()?.accepted).toBe(true);
  expect(wire.seeFuse(contextOf(log), 'fog', 15)).toEqual({ events: [{ type: 'fuse.seen', payload: { circuit: 'fog', ratedA: 15 } }] });
  log.add('fuse.seen', { circuit: 'fog', ratedA: 15 });
  // The plug behind it carries 12 A.
  expect(fog()).toMatchObject({ documentedA: 10, accepted: false, check: { fuseMostA: 12, verdict: 'refuse', troubles: ['fuse above'] } });
  expect(wire.asked(contextOf(log))[0]).toMatchObject({ code: 'load-refused', kind: 'block', data: { circuit: 'fog', trouble: 'fuse above' } });
  expect(wire.acceptLoad(contextOf(log), 'fog')).toEqual({ refused: [{ code: 'load-refused', circuit: 'fog' }] });
  expect(wire.seeFuse(contextOf(log), 'fog', 15)).toEqual({ refused: [{ code: 'already' }] });
  // It is the fuse that is another, not the load.
  expect(fog()?.acceptedA).toBeUndefined();
  log.add('fuse.seen', { circuit: 'fog', ratedA: 10 });
  expect(fog()).toMatchObject({ accepted: true, check: { verdict: 'carries' } });
  expect(fog()?.documentedA).toBeUndefined();
  const [load] = circuitLoads(contextOf(openedLog()));
  // From half to twice what is documented.
  expect(load && wire.fusesToSee(load)).toEqual([5, 7.5, 10, 15, 20]);
});

test('an acceptance that does not say its fuse is of the documented one', () => {
  const log = openedLog();
  log.add('load.accepted', { kit: 'test-kit', circuit: 'fog', afterA: 2 });
  expect(circuitLoads(contextOf(log))[0]?.accepted).toBe(true);
  log.add('fuse.seen', { circuit: 'fog', ratedA: 7.5 });
  expect(circuitLoads(contextOf(log))[0]?.accepted).toBe(false);
});

test('a plug that goes in turned loads and proves the wires that it then meets; a lamp that works either way round mates', () => {
  const round = { ...VAN, plugs: VAN.plugs.map((plug) => ({ ...plug, keying: 'none' })) };
  const [ground, fog] = PAIR.plugs[0]?.pins ?? [];
  if (!ground || !fog) throw new Error('no pins');
  const swapped = [
    { ...fog, column: 1 },
    { ...ground, column: 2 },
  ];
  const kit = (keying: string, part: object = {}) => ({ ...PAIR, plugs: PAIR.plugs.map((plug) => ({ ...plug, keying, pins: swapped, ...part })) });
  const [at] = wireJoints({ ...contextOf(openedLog()), profile: round, kits: [kit('none')] });
  expect(at).toMatchObject({ verdict: { value: 'turn it' }, mate: { value: 'mates' }, toProve: [{ pin: { id: '2' } }] });
  const either = { ...contextOf(openedLog()), kits: [kit(VAN.plugs[0]?.keying ?? '', { eitherWay: true })] };
  expect(wireJoints(either)[0]).toMatchObject({ verdict: { value: 'works either way' }, mate: { value: 'mates' } });
  expect(circuitLoads(either)[0]?.check.addedA).toBeCloseTo(2, 9);
  expect(wireJoints({ ...either, kits: [kit(VAN.plugs[0]?.keying ?? '')] })[0]).toMatchObject({ verdict: { value: 're-pin' }, mate: { value: 'mates with pins wrong' } });
});

test('a load of the kit’s own feed can be accepted, and its log is of what there is', () => {
  expect(wire.acceptLoad(on(BAR), 'test-kit.laid')).toEqual({
    events: [{ type: 'load.accepted', payload: { kit: 'test-kit', circuit: 'test-kit.laid', afterA: 10.93, fuseA: 15 } }],
  });
  expect(wire.wantsAnswer(on(BAR))).toEqual(['circuit:test-kit.laid', 'circuit:fog', 'joint:test-kit/joint']);
  expect(wire.acceptLoad(on(BAR), 'gone')).toEqual({ refused: [{ code: 'unknown', what: 'circuit', id: 'gone' }] });
  expect(VAN.circuits.map(({ id }) => id)).toEqual(['fog']);
});

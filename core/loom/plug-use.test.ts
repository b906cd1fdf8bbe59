import type { Kit, KitPlug } from '../kit/index.ts';
import { bareLamp } from '../test/bare-kit.ts';
import { isRefused, standingOf, wire } from '../stations/index.ts';
import type { VehiclePlug, VehicleProfile } from '../vehicle/index.ts';
import type { PlugLibrary } from '../wiring/index.ts';
import { contextOf, openedLog, PAIR, VAN, type TestLog } from '../job/test/log.ts';
import { circuitLoads, dormantPlugs, emptyCavities, jointList, leadsToBring, leftoverPlugs, pinLoads, wireJoints } from './index.ts';
import { gatesOf, planOpening } from '../plan/index.ts';
import { jobContext, type JobContext } from '../job/index.ts';
import { priceOf } from '../paper/index.ts';

const [fitment] = PAIR.fitments;
const [joint] = fitment?.connections ?? [];
const [fogPlug] = VAN.plugs;
const [lampPlug] = PAIR.plugs;
if (!fitment || !joint || !fogPlug || !lampPlug) throw new Error('no joint');

const at = (column: number) => ({ row: 1, column });
const lead = (id: string, from: string, to: string, priceCents: number) => ({
  id,
  name: `Lead ${id}`,
  priceCents,
  vehicleEnd: { family: from, gender: 'pins' as const, keying: 'A', rows: 1, columns: 2 },
  lampEnd: { family: to, gender: 'sockets' as const, keying: 'A', rows: 1, columns: 2 },
  pins: [
    { from: at(1), to: at(1) },
    { from: at(2), to: at(2) },
  ],
});
const family = (id: string, pinA: number) => ({
  id,
  keyings: ['A'],
  grids: [{ rows: 1, columns: 2 }],
  sealed: true,
  lock: 'tab',
  closing: id === 'NR-2' ? ('ring' as const) : ('tab' as const),
  pinA,
  terminals: [
    { id: 'thin', name: 'Thin contact', gender: 'sockets' as const, areaMm2: [0.35, 0.75] as [number, number], barb: 'up' },
    { id: 'thick', name: 'Thick contact', gender: 'sockets' as const, areaMm2: [1, 2.5] as [number, number], barb: 'up' },
    { id: 'pin', name: 'Pin contact', gender: 'pins' as const, areaMm2: [1, 2.5] as [number, number], barb: 'up' },
  ],
});
const SHELF: PlugLibrary = {
  format: 'jade-plugs/1',
  slug: 'shelf',
  name: 'Shelf',
  families: [family('SL-2', 14), family('NR-2', 6)],
  adapters: [lead('round', 'NR-2', 'SL-2', 900), lead('one', 'NR-2', 'MK-2', 300), lead('two', 'MK-2', 'SL-2', 400)],
};
const AT = '2026-03-05T08:30:00Z';
const withPlug = (part: Partial<VehiclePlug>, more: VehiclePlug[] = []): VehicleProfile => ({ ...VAN, plugs: [{ ...fogPlug, ...part }, ...more] });
const round = withPlug({ family: 'NR-2', lock: 'notch and ring' });
const on = (profile: VehicleProfile, kit: Kit = PAIR, log: TestLog = openedLog()): JobContext => jobContext(log.state, { ...contextOf(log), profile, kits: [kit], plugs: SHELF });
const holds = (context: JobContext) => standingOf(context, undefined).stations.flatMap(({ station, holds: all }) => (station === 'wire' ? all.map(({ code }) => code) : []));

test('plugs that do not meet are joined by the cheapest leads of the shelf, and the record says which', () => {
  expect(wireJoints(jobContext(openedLog().state, { ...contextOf(openedLog()), profile: round }))[0]).toMatchObject({
    mate: { value: 'does not mate' },
    verdict: { value: 'no plug' },
  });
  const context = on(round);
  const [made] = wireJoints(context);
  expect(made).toMatchObject({ mate: { value: 'mates' }, between: { plug: { family: 'NR-2' }, chain: { priceCents: 700 } }, vehiclePlug: { id: 'fog-plug', family: 'SL-2' } });
  // What hangs on its circuit, and which wire is to be proved, is as without them.
  expect(made?.toProve.map(({ pin }) => pin.id)).toEqual(['2']);
  expect(circuitLoads(context).map(({ circuit, added }) => [circuit.id, added.length])).toEqual([['fog', 1]]);
  expect(wire.join(context, 'test-kit', 'joint', AT)).toEqual({
    events: [
      {
        type: 'plug.joined',
        payload: { kit: 'test-kit', connection: 'joint', adapters: ['one', 'two'], checked: ['seal', 'notch to notch', 'ring home', 'lock closed', 'click', 'pull'] },
      },
    ],
  });
  expect(jointList(context).map(({ method, between }) => [method, between])).toEqual([
    ['adapter', ['one', 'two']],
    ['adapter', ['one', 'two']],
  ]);
  expect(leadsToBring(context).map(({ adapter, count }) => [adapter.id, count])).toEqual([
    ['one', 1],
    ['two', 1],
  ]);
  // Both sides alike: twice the lead, twice the price.
  const both: Kit = { ...PAIR, fitments: [{ ...fitment, connections: [joint, { ...joint, id: 'other' }] }] };
  expect(leadsToBring(on(round, both)).map(({ count, priceCents }) => [count, priceCents])).toEqual([
    [2, 600],
    [2, 800],
  ]);
  // They are paid for with the kit, of 1 000, and the labour: 6 min of opening, 2 on the bench and 3 of fitting at 60 an hour are 1 100.
  const priced = on(round, both);
  expect(priceOf(priced, { ...planOpening(priced), personMin: 6 }, 6000)).toMatchObject({ leadsCents: 1400, labourCents: 1100, totalCents: 3500 });
  // A cheaper lead that came later is not what was put in.
  const log = openedLog();
  log.add('plug.joined', { kit: 'test-kit', connection: 'joint', adapters: ['round'] });
  expect(wireJoints(on(round, PAIR, log))[0]?.between?.chain).toMatchObject({ priceCents: 900, adapters: [{ id: 'round' }] });
});

describe('what a contact carries', () => {
  // 54 W at 10.8 V are 5 A.
  const heavy = (powerW: number, functions?: Kit['lamps'][number]['functions']): Kit => ({
    ...PAIR,
    lamps: [bareLamp('lamp', { load: { powerW, atV: 13.2, kind: 'driven LED', standbyMa: 0 }, ...(functions ? { functions } : {}) })],
  });

  test('is held against the least of the families that meet there, over the leads between', () => {
    const loads = (profile: VehicleProfile, powerW: number) => {
      const context = on(profile, heavy(powerW));
      const [made] = wireJoints(context);
      return made ? pinLoads(context, made).map(({ pin, ampere, permittedA }) => [pin, ampere, permittedA]) : [];
    };
    expect(loads(VAN, 54)).toEqual([
      ['2', expect.closeTo(5, 6), 14],
      ['1', expect.closeTo(5, 6), 14],
    ]);
    expect(loads(round, 54)).toEqual([
      ['2', expect.closeTo(5, 6), 6],
      ['1', expect.closeTo(5, 6), 6],
    ]);
    expect(loads(withPlug({ family: 'XX-2' }), 54)).toEqual([]);
  });

  test('over what it may it is not joined, equality is', () => {
    const join = (powerW: number) => wire.join(on(round, heavy(powerW)), 'test-kit', 'joint', AT);
    expect(isRefused(join(64.8))).toBe(false);
    expect(join(65.9)).toEqual({
      refused: [
        { code: 'pin-over', plug: 'fog-plug', pin: '2' },
        { code: 'pin-over', plug: 'fog-plug', pin: '1' },
      ],
    });
    expect(holds(on(round, heavy(65.9)))).toContain('pin-over');
  });

  test('a ground carries what can be on at one time', () => {
    const load = (powerW: number) => ({ powerW, atV: 13.2, kind: 'driven LED' as const, standbyMa: 0 });
    const carried = ['ground', 'parking', 'main', 'daytime'] as const;
    const pins = carried.map((carries, index) => ({ id: String(index + 1), row: 1, column: index + 1, carries }));
    const profile = withPlug({ columns: 4, pins: pins.map((pin) => (pin.carries === 'ground' ? pin : { ...pin, circuit: 'fog' })) });
    const functions = [
      { carries: 'parking' as const, load: load(10.8) },
      { carries: 'main' as const, load: load(32.4) },
      { carries: 'daytime' as const, load: load(21.6) },
    ];
    const kit = { ...heavy(65, functions), plugs: [{ ...lampPlug, columns: 4, pins }] };
    const context = on(profile, kit);
    const [made] = wireJoints(context);
    // 1, 3 and 2 A; parking goes with main, daytime with neither.
    expect(made && pinLoads(context, made).map(({ carries, ampere }) => [carries, Math.round(ampere * 1000) / 1000])).toEqual([
      ['parking', 1],
      ['main', 3],
      ['daytime', 2],
      ['ground', 4],
    ]);
    // Two grounds share it.
    const five = [...pins, { id: '5', row: 1, column: 5, carries: 'ground' as const }];
    const shared = on(withPlug({ columns: 5, pins: five.map((pin) => (pin.carries === 'ground' ? pin : { ...pin, circuit: 'fog' })) }), {
      ...heavy(65, functions),
      plugs: [{ ...lampPlug, columns: 5, pins: five }],
    });
    const [both] = wireJoints(shared);
    expect(both && pinLoads(shared, both).flatMap(({ carries, ampere }) => (carries === 'ground' ? [Math.round(ampere * 1000) / 1000] : []))).toEqual([2, 2]);
  });
});

describe('plugs left over', () => {
  const spare: KitPlug = { ...lampPlug, id: 'spare-plug', name: 'Spare plug' };
  const two: Kit = { ...PAIR, plugs: [lampPlug, spare] };

  test('a plug of the kit that no joint takes is capped, and recorded so', () => {
    const context = on(VAN, two);
    expect(leftoverPlugs(context).map(({ plug, kit, capped }) => [plug.id, kit?.slug, capped])).toEqual([['spare-plug', 'test-kit', false]]);
    expect(holds(context)).toContain('plug-to-cap');
    expect(wire.cap(context, 'spare-plug', 'test-kit')).toEqual({ events: [{ type: 'plug.capped', payload: { plug: 'spare-plug', kit: 'test-kit' } }] });
    expect(isRefused(wire.cap(context, 'lamp-plug', 'test-kit'))).toBe(true);
    const log = openedLog();
    log.add('plug.capped', { plug: 'spare-plug', kit: 'test-kit' });
    expect(leftoverPlugs(on(VAN, two, log)).map(({ capped }) => capped)).toEqual([true]);
    expect(holds(on(VAN, two, log))).not.toContain('plug-to-cap');
    expect(wire.cap(on(VAN, two, log), 'spare-plug', 'test-kit')).toEqual({ refused: [{ code: 'already' }] });
  });

  test('what belongs to an adapter that stays in the box, or to a lamp that is not fitted, is not left over', () => {
    const boxed = { ...two, fitments: [{ ...fitment, connections: [joint, { ...joint, id: 'other', kitPlug: 'spare-plug', adapter: 'x', when: { fact: 'trim', is: 'guard' } }] }] };
    const plain = openedLog();
    plain.add('fact.recorded', { fact: 'trim', certainty: 'known', value: 'plain' });
    expect(leftoverPlugs(on(VAN, boxed, plain))).toEqual([]);
    expect(leftoverPlugs(on(VAN, { ...two, plugs: [lampPlug, { ...spare, lamp: 'other' }] }))).toEqual([]);
    // Both lamps go into an adapter that is joined in their place.
    const split = { ...two, fitments: [{ ...fitment, connections: [{ ...joint, adapter: 'splitter' }] }] };
    expect(leftoverPlugs(on(VAN, split))).toEqual([]);
  });

  const behind: VehiclePlug = { ...fogPlug, id: 'second', name: 'Second', reach: [{ id: 'w', needs: [{ piece: 'grille', level: 'off' }], extraMin: 0 }] };

  test('a plug of the vehicle whose lamp goes is reached, capped, and capped before it is covered; others are dormant', () => {
    const parking = { ...behind, id: 'parking', pins: [{ id: '1', row: 1, column: 1, carries: 'parking' as const }] };
    const right = { ...behind, id: 'right', side: 'right' as const };
    const context = on(withPlug({}, [behind, parking, right]));
    expect(leftoverPlugs(context).map(({ plug }) => plug.id)).toEqual(['second']);
    expect(dormantPlugs(context).map(({ id }) => id)).toEqual(['parking', 'right']);
    expect(planOpening(context).targetWays).toContainEqual({ target: 'cap:second', way: 'w' });
    expect(wire.cap(context, 'second')).toMatchObject({ refused: [{ code: 'open-first', pieces: ['grille'] }] });
    const open = openedLog();
    open.add('piece.moved', { piece: 'grille', level: 'off', fasteners: [] });
    const opened = on(withPlug({}, [behind]), PAIR, open);
    expect(isRefused(wire.cap(opened, 'second'))).toBe(false);
    const gate = () => gatesOf(opened, undefined).find(({ subject }) => subject.kind === 'cap');
    expect(gate()).toMatchObject({ passed: false, coveredBy: [{ piece: 'grille', level: 'off' }] });
    open.add('plug.capped', { plug: 'second' });
    open.add('piece.moved', { piece: 'grille', level: 'fitted', fasteners: [] });
    expect(planOpening(on(withPlug({}, [behind]), PAIR, open)).targetWays.map(({ target }) => target)).not.toContain('cap:second');
    expect(gatesOf(on(withPlug({}, [behind]), PAIR, open), undefined).find(({ subject }) => subject.kind === 'cap')?.passed).toBe(true);
  });

  test('one that this vehicle does not have, or may not have, is none', () => {
    const when = { fact: 'trim', is: 'guard' };
    expect(leftoverPlugs(on(withPlug({}, [{ ...behind, when }])))).toEqual([]);
    const plain = openedLog();
    plain.add('fact.recorded', { fact: 'trim', certainty: 'known', value: 'plain' });
    expect(dormantPlugs(on(withPlug({}, [{ ...behind, when }]), PAIR, plain))).toEqual([]);
    const guard = openedLog();
    guard.add('fact.recorded', { fact: 'trim', certainty: 'known', value: 'guard' });
    expect(leftoverPlugs(on(withPlug({}, [{ ...behind, when }]), PAIR, guard)).map(({ plug }) => plug.id)).toEqual(['second']);
  });
});

describe('an empty cavity', () => {
  const [ground] = fogPlug.pins;
  /** As an author writes a cavity without a contact. */
  const said = withPlug({ pins: [ground!, { id: '2', row: 1, column: 2, carries: 'empty' }] });
  const empty = withPlug({ pins: [ground!] });
  const wired = (areaMm2: number): Kit => ({ ...PAIR, legs: [{ id: 'leg', lamp: 'lamp', lengthMm: 300, wire: { areaMm2, ground: 'in leg' } }] });

  test('gets a contact of its family that takes the wire, fed from a circuit that is live when it is wanted', () => {
    const context = on(empty, wired(1.5));
    const [made] = wireJoints(context);
    const [cavity] = made ? emptyCavities(context, made) : [];
    expect(cavity).toMatchObject({ row: 1, column: 2, carries: 'front fog', terminals: [{ id: 'thick' }], feeds: [{ id: 'fog' }] });
    expect(wire.populate(context, 'test-kit', 'joint', 'front fog', undefined)).toMatchObject({ refused: [{ code: 'unknown' }] });
    expect(wire.populate(context, 'test-kit', 'joint', 'front fog', 'fog')).toEqual({
      events: [{ type: 'cavity.populated', payload: { plug: 'fog-plug', row: 1, column: 2, carries: 'front fog', circuit: 'fog', terminal: 'thick' } }],
    });
    expect(wire.populate(on(empty, wired(4)), 'test-kit', 'joint', 'front fog', 'fog')).toEqual({ refused: [{ code: 'no-terminal', plug: 'fog-plug' }] });
  });

  test('once it is populated the plugs meet, its load hangs on the circuit, and the list says how', () => {
    const log = openedLog();
    log.add('cavity.populated', { plug: 'fog-plug', row: 1, column: 2, carries: 'front fog', circuit: 'fog', terminal: 'thick' });
    const context = on(empty, wired(1.5), log);
    const [made] = wireJoints(context);
    expect([made?.verdict?.value, made?.mate.value]).toEqual(['works', 'mates']);
    expect(wireJoints(on(said, wired(1.5), log))[0]?.vehiclePlug.pins.map(({ id, carries }) => [id, carries])).toEqual([
      ['1', 'ground'],
      ['put-1-2', 'front fog'],
    ]);
    expect(circuitLoads(context).map(({ circuit, added }) => [circuit.id, added.length])).toEqual([['fog', 1]]);
    expect(made?.toProve.map(({ pin }) => pin.id)).toEqual(['put-1-2']);
    expect(jointList(context).map(({ method, stripMm }) => [method, stripMm])).toEqual([
      ['plug', 0],
      ['cavity', 5],
    ]);
  });
});

test('a joint that hangs on a fact which is not known is not made', () => {
  const kit: Kit = { ...PAIR, fitments: [{ ...fitment, connections: [{ ...joint, when: { fact: 'trim', is: 'plain' } }] }] };
  expect(wire.join(on(VAN, kit), 'test-kit', 'joint', AT)).toEqual({ refused: [{ code: 'facts-first', facts: ['trim'] }] });
  const plain = openedLog();
  plain.add('fact.recorded', { fact: 'trim', certainty: 'known', value: 'plain' });
  expect(isRefused(wire.join(on(VAN, kit, plain), 'test-kit', 'joint', AT))).toBe(false);
});

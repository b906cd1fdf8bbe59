import { circuitLoads, jointList, wireJoints } from '../../loom/index.ts';
import { idCheck } from '../../log/index.ts';
import { jobContext, type JobContext } from '../../job/index.ts';
import { planOpening } from '../../plan/index.ts';
import type { Happened, JobEvent } from '../../events/index.ts';
import { openedLog, RULES, type TestLog } from '../../job/test/log.ts';
import { newKit, type Kit } from '../../kit/index.ts';
import type { VehicleState } from '../../states/index.ts';
import { barePiece } from '../../test/bare-profile.ts';
import { NEW_BAR } from '../../test/new-bar.ts';
import { NEW_HERON } from '../../test/new-heron.ts';
import { newKind, type VehiclePlug, type VehicleProfile } from '../../vehicle/index.ts';
import { gather, isRefused, probe, standingOf, wire, type Act } from '../index.ts';

const HERON = newKind(NEW_HERON);
const BAR = newKit(NEW_BAR);
const AT = '2026-03-05T08:30:00Z';
const ID = 'trigger-lead-q4t7';
const PLUG = 'found-headlamp-plug';

function perform(log: TestLog, act: Act): void {
  if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
  for (const { type, payload } of act.events as Happened[]) log.add(type, payload as never);
}
const contextAt = (log: TestLog, profile: VehicleProfile = HERON, kit: Kit = BAR): JobContext =>
  jobContext(log.state, { profile, kits: [kit], rules: { ...RULES, neverUseCircuits: [] }, year: 2022 });

const READ: gather.LampRead = { powerW: 96, atV: 13.2, kind: 'driven LED', widthMm: 560, heightMm: 72, depthMm: 81, marking: 'none found' };
const FACE: probe.NewFace = {
  name: 'Headlamp plug',
  where: 'Behind the left lamp',
  side: 'left',
  may: ['dipped', 'main'],
  rows: 1,
  columns: 3,
  without: [],
  colours: { '1/3': 'white' },
};

/** What lies on each of the three wires in these states, in volts. */
const VOLTS: Readonly<Partial<Record<VehicleState, readonly [number, number, number]>>> = {
  'key off': [0.01, 0.02, 0.02],
  dipped: [0.01, 12.4, 0.03],
  main: [0.01, 12.4, 12.3],
};

/** Main beam twice: with one reading in a hundred wrong, once proves nothing. */
const ENOUGH: readonly VehicleState[] = ['key off', 'dipped', 'main', 'main'];

function read(log: TestLog, ...states: VehicleState[]): void {
  for (const state of states) (VOLTS[state] ?? []).forEach((volts, index) => log.add('reading.taken', { plug: PLUG, pin: String(index + 1), state, lowV: volts, highV: volts }));
}

/** A job on which the bar's lamp is read, and a plug of the pickup is in hand. */
function found(face: probe.NewFace = FACE): TestLog {
  const log = openedLog();
  perform(log, gather.lampsRead(contextAt(log), BAR.slug, gather.lampsOffered(contextAt(log), BAR.slug), READ));
  perform(log, gather.noMoreOfKit(contextAt(log), BAR.slug, 'lamps'));
  log.add('reference.checked', { groundV: 0.01, feedV: 12.6 });
  perform(log, probe.findPlug(contextAt(log), face, face.may, `found-${face.name.toLowerCase().replaceAll(' ', '-')}`));
  return log;
}

const made = (part: Partial<wire.JointMade> = {}): wire.JointMade => ({
  by: 'wire',
  plug: PLUG,
  pin: '3',
  name: ' Trigger lead ',
  lamps: ['light-bar'],
  slot: ' F21 ',
  ratedA: 10,
  feeds: 'relay',
  fuseA: 15,
  batteryToFuseMm: 140,
  contactA: 30,
  ...part,
});
const make = (log: TestLog, part: Partial<wire.JointMade> = {}, id = ID) => wire.jointMade(contextAt(log), BAR.slug, made(part), id, AT);
const codes = (act: Act) => (isRefused(act) ? act.refused.map(({ code }) => code) : []);

test('a wire is bared only once it is proved', () => {
  const log = found();
  expect(make(log)).toEqual({ refused: [{ code: 'wire-first', plug: PLUG, pin: '3' }] });
  read(log, 'key off', 'main');
  // On with main beam and off with the key off: dipped could still be the wire.
  expect(codes(make(log))).toEqual(['wire-first']);
  read(log, 'dipped', 'main');
  expect(isRefused(make(log))).toBe(false);
});

test('a lead on a wire that switches a relay: the plug as it is proved, what guards it, the feed from the battery, and that they met', () => {
  const log = found();
  read(log, ...ENOUGH);
  const act = make(log);
  if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
  expect(act.events.map(({ type }) => type)).toEqual(['kind.described', 'kit.described', 'fuse.seen', 'fuse.seen', 'plug.joined']);
  const [kind, kit, own, fed, joined] = act.events.map(({ payload }) => payload);
  expect(kind).toMatchObject({
    plugs: [
      {
        id: PLUG,
        side: 'left',
        whereToLook: 'Behind the left lamp',
        reach: [{ needs: [] }],
        pins: [
          { id: '1', carries: 'unknown' },
          { id: '2', carries: 'dipped', proved: { on: '2026-03-05', readings: 4 } },
          { id: '3', carries: 'main', circuit: 'slot-f21', colour: 'white', proved: { on: '2026-03-05', readings: 4 } },
        ],
      },
    ],
    circuits: [{ id: 'slot-f21', name: 'Headlamp plug, pin 3', fuse: { slot: 'F21', ratedA: 10 }, loads: [], undescribed: ['loads'], liveIn: ['main'] }],
  });
  // Only the wire that was joined is said to hang on that fuse, and only what is proved is said to be.
  const [first, second] = (kind as { plugs: { pins: object[] }[] }).plugs[0]?.pins ?? [];
  expect(second).not.toHaveProperty('circuit');
  expect(first).not.toHaveProperty('proved');
  expect(kit).toEqual({
    kit: BAR.slug,
    plugs: [
      {
        id: ID,
        name: 'Trigger lead',
        family: 'bare lead',
        gender: 'pins',
        keying: 'none',
        rows: 1,
        columns: 1,
        lock: 'none',
        pins: [{ id: '1', row: 1, column: 1, carries: 'main' }],
      },
    ],
    feeds: [{ id: `${ID}-feed`, name: 'From the battery', fuseA: 15, batteryToFuseMm: 140, relay: `${ID}-relay` }],
    relays: [{ id: `${ID}-relay`, name: 'Relay', contactA: 30 }],
    connections: [
      {
        id: ID,
        kitPlug: ID,
        vehiclePlug: PLUG,
        feed: { circuit: `${ID}-feed` },
        trigger: { circuit: 'slot-f21', relay: `${ID}-relay` },
        tap: { pin: '3' },
        lamps: ['light-bar'],
      },
    ],
  });
  // What was read from a fuse was seen on this vehicle.
  expect([own, fed]).toEqual([
    { circuit: 'slot-f21', ratedA: 10 },
    { circuit: `${BAR.slug}.${ID}-feed`, ratedA: 15 },
  ]);
  expect(joined).toEqual({ kit: BAR.slug, connection: ID, checked: ['fits both wires', 'pull', 'sealed'] });
  // Sound as the server holds it against what the job pins.
  const check = idCheck({ profile: HERON, kits: [BAR], rules: RULES });
  const all = [...log.events.map(({ type, payload }) => ({ type, payload })), ...act.events] as JobEvent[];
  expect(all.flatMap((event, index) => check(event, `events[${index}]`))).toEqual([]);
});

test('what was joined is planned like any joint: the bar on its own feed, the coil on the wire, neither said to carry', () => {
  const log = found();
  read(log, ...ENOUGH);
  perform(log, make(log));
  const context = contextAt(log);
  expect(wireJoints(context).map(({ connection, joined, mate, toProve }) => [connection.id, joined, mate.value, toProve.map(({ proof }) => proof.code)])).toEqual([
    [ID, true, 'mates', ['proved']],
  ]);
  const loads = circuitLoads(context).map(({ circuit, check }) => [circuit.id, check.verdict, check.unknown, Math.round(check.afterA * 100) / 100]);
  // 96 W at 10.8 V are 8.89 A of 15 A.
  expect(loads).toEqual([
    [`${BAR.slug}.${ID}-feed`, 'not known', ['wire', 'contacts'], 8.89],
    ['slot-f21', 'not known', ['loads', 'wire', 'contacts', 'coil'], 0],
  ]);
  expect(jointList(context).map(({ method, place }) => [method, place.at])).toEqual([
    ['tap', 'plug'],
    ['ring terminal', 'battery'],
    ['ring terminal', 'ground'],
  ]);
  expect(
    standingOf(context, planOpening(context))
      .stations.find(({ station }) => station === 'wire')
      ?.holds.map(({ code }) => code),
  ).toEqual(['wiring-undescribed', 'load-to-accept', 'load-to-accept']);
});

test('a load of which not all is known says so where it waits for an answer', () => {
  const log = found();
  read(log, ...ENOUGH);
  perform(log, make(log));
  const asked = wire.asked(contextAt(log)).filter(({ code }) => code === 'load-to-accept');
  expect(asked.map(({ data }) => data.open)).toEqual([2, 4]);
});

test('that all is joined is said once each lamp is fed; then nothing is asked of its wiring any more', () => {
  const log = found();
  expect(codes(wire.allWired(contextAt(log), BAR.slug))).toEqual(['nothing']);
  expect(wire.kitsToWire(contextAt(log)).map(({ kit }) => kit.slug)).toEqual([BAR.slug]);
  read(log, ...ENOUGH);
  perform(log, make(log));
  log.add('kit.described', { kit: BAR.slug, lamps: [{ ...lampOf(log), id: 'second', name: 'Second bar' }] });
  const levels = [{ level: 'off' as const, openMin: 4, closeMin: 4, people: 1, ways: [] }];
  log.add('kind.described', { pieces: [{ ...barePiece('grille'), levels }] });
  log.add('piece.moved', { piece: 'grille', level: 'off', fasteners: [] });
  expect(wire.allWired(contextAt(log), BAR.slug)).toEqual({ refused: [{ code: 'feed-first', kit: BAR.slug, lamps: ['second'] }] });
  perform(log, make(log, { feeds: 'lamps', lamps: ['second'], pin: '2', slot: 'F22', name: 'Feed lead' }, 'feed-lead-a2b3'));
  perform(log, wire.allWired(contextAt(log), BAR.slug));
  expect(wire.kitsToWire(contextAt(log))).toEqual([]);
  expect(codes(make(log, {}, 'another-lead-c3d4'))).toEqual(['already']);
  // The second joint says the plug anew: the first stays joined to what it was, and what led there first is enough.
  expect(log.state.described.plugs[PLUG]).toMatchObject({ reach: [{ needs: [] }], hiddenBy: [] });
  expect(wireJoints(contextAt(log)).map(({ connection, tapped, circuits }) => [connection.id, tapped?.circuit, circuits.map(({ id }) => id)])).toEqual([
    [ID, 'slot-f21', [`${BAR.slug}.${ID}-feed`, 'slot-f21']],
    ['feed-lead-a2b3', 'slot-f22', ['slot-f22']],
  ]);
});
const lampOf = (log: TestLog) => {
  const [lamp] = contextAt(log).kits[0]?.lamps ?? [];
  if (!lamp) throw new Error('no lamp is read');
  return lamp;
};

test('a plug onto a plug: each wire of it is known, one of them is switched, and the kit’s end meets it contact for contact', () => {
  const log = found({ ...FACE, columns: 2, may: ['main'] });
  const plain = { by: 'plug' as const, feeds: 'lamps' as const };
  expect(make(log, plain)).toEqual({ refused: ['1', '2'].map((pin) => ({ code: 'wire-first', plug: PLUG, pin })) });
  for (const [state, volts] of [
    ['key off', 0.02],
    ['main', 12.4],
    ['main', 12.4],
    ['dipped', 0.03],
  ] as const)
    log.add('reading.taken', { plug: PLUG, pin: '2', state, lowV: volts, highV: volts });
  expect(make(log, plain)).toEqual({ refused: [{ code: 'wire-first', plug: PLUG, pin: '1' }] });
  log.add('continuity.measured', { plug: PLUG, pin: '1', ohm: 0.3 });
  perform(log, make(log, plain));
  const [joint] = wireJoints(contextAt(log));
  expect(joint).toMatchObject({
    joined: true,
    mate: { value: 'mates' },
    kitPlug: {
      gender: 'pins',
      pins: [
        { id: '1', row: 1, column: 1, carries: 'ground' },
        { id: '2', row: 1, column: 2, carries: 'main' },
      ],
    },
    connection: { feed: { circuit: 'slot-f21' } },
  });
  expect(log.events.at(-1)).toMatchObject({ type: 'plug.joined', payload: { checked: ['lock closed', 'pull'] } });
  expect(circuitLoads(contextAt(log)).map(({ circuit, check }) => [circuit.id, Math.round(check.shareAfter * 1000) / 1000])).toEqual([['slot-f21', 0.889]]);
});

test('a wire that is only said to carry something is no more proved than another', () => {
  const log = found();
  const plug = hangsOn(contextAt(log));
  const known = { ...HERON, plugs: [{ ...plug, pins: plug.pins.map((pin) => (pin.id === '3' ? { ...pin, circuit: undefined } : { ...pin, carries: 'ground' as const })) }] };
  const joined = (by: wire.JoinedBy) => wire.jointMade(contextAt(log, known), BAR.slug, made({ by, feeds: 'lamps' }), ID, AT);
  expect([joined('plug'), joined('wire')]).toEqual([1, 2].map(() => ({ refused: [{ code: 'wire-first', plug: PLUG, pin: '3' }] })));
  expect(wire.pinsKnown(contextAt(log, known), plug).map(({ carries, proved }) => [carries, proved])).toEqual([
    ['unknown', false],
    ['unknown', false],
    ['main', false],
  ]);
  // Once it is proved the profile's own plug stays as the profile says it: nothing of it is described anew.
  for (const state of ENOUGH) log.add('reading.taken', { plug: PLUG, pin: '3', state, lowV: VOLTS[state]?.[2] ?? 0, highV: VOLTS[state]?.[2] ?? 0 });
  const act = joined('plug');
  expect('events' in act && act.events[0]).toMatchObject({ type: 'kind.described', payload: { circuits: [{ id: 'slot-f21' }] } });
  expect('events' in act && act.events[0]?.payload).not.toHaveProperty('plugs');
});

test('of a plug with several functions it is not said which lamp hangs on which', () => {
  const log = found();
  read(log, ...ENOUGH);
  log.add('continuity.measured', { plug: PLUG, pin: '1', ohm: 0.3 });
  expect(make(log, { by: 'plug', feeds: 'lamps' })).toEqual({ refused: [{ code: 'several-functions', plug: PLUG }] });
  // A ground feeds nothing.
  expect(make(log, { pin: '1' })).toEqual({ refused: [{ code: 'feeds-nothing', plug: PLUG }] });
});

test('a fuse that is known is that one; another rating printed there is a question, and one that is never used is refused', () => {
  const circuits = [
    {
      id: 'main',
      name: 'Main beam',
      fuse: { slot: 'f21', ratedA: 15 },
      wire: { areaMm2: 1.5, lengthM: 3, permittedA: 16 },
      plugPermittedA: 12,
      loads: [],
      liveIn: ['main' as const],
    },
  ];
  const log = found();
  read(log, ...ENOUGH);
  const known = { ...HERON, circuits };
  const act = wire.jointMade(contextAt(log, known), BAR.slug, made(), ID, AT);
  if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
  expect(act.events.map(({ type }) => type)).toEqual(['kind.described', 'kit.described', 'fuse.seen', 'fuse.seen', 'plug.joined']);
  expect(act.events[0]?.payload).not.toHaveProperty('circuits');
  expect(act.events[2]?.payload).toEqual({ circuit: 'main', ratedA: 10 });
  const same = wire.jointMade(contextAt(log, known), BAR.slug, made({ ratedA: 15 }), ID, AT);
  expect('events' in same && same.events.map(({ type }) => type)).toEqual(['kind.described', 'kit.described', 'fuse.seen', 'plug.joined']);
  const never = { ...HERON, circuits: circuits.map((circuit) => ({ ...circuit, neverUse: 'brakes' })) };
  expect(wire.jointMade(contextAt(log, never), BAR.slug, made(), ID, AT)).toEqual({ refused: [{ code: 'never-slot', slot: 'F21', circuit: 'main' }] });
  // What is offered: the one that the wire hangs on first, then others, then slots that were measured with a fuse in them; none that is never used.
  expect(wire.fusesKnown(contextAt(log, never), {})).toEqual([]);
  const two = { ...known, circuits: [{ ...circuits[0], id: 'dip', fuse: { slot: 'F2', ratedA: 5 } }, ...circuits] as typeof circuits, plugs: [hangsOn(contextAt(log))] };
  log.add('slot.measured', { slot: 'F7', ratedA: 7.5, state: 'main', lowV: 12.3, highV: 12.3 });
  log.add('slot.measured', { slot: 'F8', state: 'main', lowV: 12.3, highV: 12.3 });
  log.add('slot.measured', { slot: 'F21', ratedA: 20, state: 'main', lowV: 12.3, highV: 12.3 });
  const offered = (pin?: string) => wire.fusesKnown(contextAt(log, two), { plug: PLUG, pin }).map(({ slot, ratedA }) => `${slot} ${ratedA}`);
  expect([offered('3'), offered('2'), offered()]).toEqual([
    ['f21 15', 'F2 5', 'F7 7.5'],
    ['F2 5', 'f21 15', 'F7 7.5'],
    ['f21 15', 'F2 5', 'F7 7.5'],
  ]);
});

/** The plug as a profile has it whose third wire hangs on the main beam. */
function hangsOn(context: JobContext): VehiclePlug {
  const plug = context.profile.plugs.find(({ id }) => id === PLUG);
  if (!plug) throw new Error('no plug');
  return { ...plug, pins: plug.pins.map((pin) => (pin.id === '3' ? { ...pin, carries: 'main', circuit: 'main' } : pin)) };
}

test('what is not said, cannot be, or is not there is refused by name, and nothing is kept', () => {
  const log = found();
  read(log, ...ENOUGH);
  const refusals = (part: Partial<wire.JointMade>) => {
    const act = make(log, part);
    return isRefused(act) ? act.refused : [];
  };
  expect(refusals({ by: undefined, name: ' ', lamps: [], slot: '', ratedA: 0 })).toEqual([{ code: 'missing', count: 5 }]);
  expect(refusals({ pin: undefined, feeds: undefined })).toEqual([{ code: 'missing', count: 2 }]);
  expect(refusals({ fuseA: undefined, batteryToFuseMm: -1, contactA: 0 })).toEqual([{ code: 'missing', count: 3 }]);
  // A feed from the battery is asked for nothing where the wire feeds the lamps itself.
  expect(refusals({ feeds: 'lamps', fuseA: undefined, batteryToFuseMm: undefined, contactA: undefined })).toEqual([]);
  expect(refusals({ fuseA: 40, contactA: 30 })).toEqual([{ code: 'fuse-above', fuseA: 40, mostA: 30 }]);
  expect(refusals({ fuseA: 30, contactA: 30 })).toEqual([]);
  expect(refusals({ slot: 'x'.repeat(21) })).toEqual([{ code: 'too-long', over: 1, most: 20 }]);
  expect(refusals({ plug: 'nothing' })).toEqual([{ code: 'unknown', what: 'plug', id: 'nothing' }]);
  expect(refusals({ pin: '9' })).toEqual([{ code: 'unknown', what: 'pin', id: '9' }]);
  expect(refusals({ lamps: ['light-bar', 'nothing'] })).toEqual([{ code: 'unknown', what: 'lamp', id: 'nothing' }]);
});

test('a wire that flashes is live in that state; one that carries two things is nothing that can be said', () => {
  const face = { ...FACE, name: 'Rear plug', columns: 2, may: ['turn left', 'stop pedal'] as const };
  const at = (volts: Partial<Record<VehicleState, readonly [number, number]>>) => {
    const log = found(face);
    const states = ['key off', 'turn left', 'turn left', 'turn right', 'stop pedal', 'stop pedal', 'parking'] as const;
    for (const state of states) {
      const [lowV, highV] = volts[state] ?? [0.02, 0.02];
      log.add('reading.taken', { plug: 'found-rear-plug', pin: '2', state, lowV, highV });
    }
    return make(log, { plug: 'found-rear-plug', pin: '2' });
  };
  const act = at({ 'turn left': [0.05, 12.4] });
  expect('events' in act && act.events[0]?.payload).toMatchObject({ circuits: [{ liveIn: ['turn left'] }] });
  expect(at({ 'turn left': [0.05, 12.4], 'stop pedal': [12.4, 12.4] })).toEqual({ refused: [{ code: 'wire-first', plug: 'found-rear-plug', pin: '2' }] });
});

test('what stands against any joint stands against this one: no hand gets to the plug', () => {
  const log = found();
  const plug = hangsOn(contextAt(log));
  const grille = { ...barePiece('grille'), levels: [{ level: 'off' as const, openMin: 4, closeMin: 4, people: 1, ways: [{ id: 'seen', needs: [], extraMin: 0 }] }] };
  const known = { ...HERON, pieces: [grille], plugs: [{ ...plug, reach: [{ id: 'seen', needs: [{ piece: 'grille', level: 'off' as const }], extraMin: 0 }] }] };
  const circuits = [{ id: 'main', name: 'Main', fuse: { slot: 'F1', ratedA: 15 }, loads: [], liveIn: ['main' as const] }];
  read(log, ...ENOUGH);
  const join = () => wire.jointMade(contextAt(log, { ...known, circuits }), BAR.slug, made(), ID, AT);
  expect(join()).toEqual({ refused: [{ code: 'open-first', pieces: ['grille'] }] });
  log.add('piece.moved', { piece: 'grille', level: 'off', fasteners: [] });
  expect(isRefused(join())).toBe(false);
  // Two slots of which the ids would be alike are two circuits.
  const other = [{ ...circuits[0], id: 'slot-f21', fuse: { slot: 'F/21', ratedA: 5 } }, ...circuits] as typeof circuits;
  const act = wire.jointMade(contextAt(log, { ...known, circuits: other }), BAR.slug, made(), ID, AT);
  expect('events' in act && act.events[0]?.payload).toMatchObject({ circuits: [{ id: 'slot-f21-q4t7', fuse: { slot: 'F21', ratedA: 10 } }] });
});

test('that all is joined waits for the lamps: one that nobody has read may want a joint', () => {
  const log = openedLog();
  perform(log, gather.lampsRead(contextAt(log), BAR.slug, gather.lampsOffered(contextAt(log), BAR.slug), READ));
  log.add('reference.checked', { groundV: 0.01, feedV: 12.6 });
  perform(log, probe.findPlug(contextAt(log), FACE, FACE.may, PLUG));
  read(log, ...ENOUGH);
  perform(log, make(log));
  expect(codes(wire.allWired(contextAt(log), BAR.slug))).toEqual(['lamps-first']);
});

test('a main fuse too far from the battery is refused at its load, whatever else is not known', () => {
  const log = found();
  read(log, ...ENOUGH);
  perform(log, make(log, { batteryToFuseMm: 400 }));
  const feed = circuitLoads(contextAt(log))[0];
  expect(feed?.check).toMatchObject({ verdict: 'refuse', troubles: ['fuse far'] });
  expect(codes(wire.acceptLoad(contextAt(log), feed?.circuit.id ?? ''))).toEqual(['load-refused']);
});

test('what a joint names has to be there: the fault stands at its field', () => {
  const faults = (payload: object, type: 'kind.described' | 'kit.described' = 'kit.described') =>
    idCheck({ profile: HERON, kits: [BAR], rules: RULES })({ type, payload } as JobEvent, 'events[0]').map(({ path, code }) => [path.replace('events[0].payload.', ''), code]);
  const log = found();
  read(log, ...ENOUGH);
  const act = make(log);
  if (isRefused(act)) throw new Error(JSON.stringify(act.refused));
  const [kind, kit] = act.events.map(({ payload }) => payload) as [{ plugs: object[]; circuits: object[] }, { connections: object[]; feeds: object[]; plugs: object[] }];
  expect(faults({ plugs: kind.plugs }, 'kind.described')).toEqual([['plugs[0].pins[2].circuit', 'unknown-id']]);
  expect(faults({ circuits: kind.circuits.map((circuit) => ({ ...circuit, fuse: undefined })) }, 'kind.described')).toEqual([['circuits[0]', 'circuit-unprotected']]);
  expect(faults({ plugs: kind.plugs.map((plug) => ({ ...plug, columns: 2 })), circuits: kind.circuits }, 'kind.described')).toEqual([['plugs[0].pins[2]', 'pin-outside-face']]);
  // Neither the plug of the vehicle nor the fuse, nor what the kit lays, is known yet.
  expect(faults({ kit: BAR.slug, connections: kit.connections })).toEqual([
    ['connections[0].kitPlug', 'unknown-id'],
    ['connections[0].vehiclePlug', 'unknown-id'],
    ['connections[0].feed.circuit', 'unknown-id'],
    ['connections[0].tap.pin', 'unknown-id'],
    ['connections[0].trigger.circuit', 'unknown-id'],
    ['connections[0].trigger.relay', 'not-its-relay'],
    ['connections[0].lamps[0]', 'unknown-id'],
  ]);
  expect(faults({ kit: BAR.slug, feeds: kit.feeds })).toEqual([['feeds[0].relay', 'unknown-id']]);
  expect(faults({ kit: BAR.slug, plugs: [kit.plugs[0], kit.plugs[0]] })).toEqual([['plugs[1].id', 'duplicate-id']]);
});

test('a lead that was measured loses what its wire loses; what nobody measured of it is not known, and half of it is asked for', () => {
  const plain = { by: 'wire' as const, feeds: 'lamps' as const };
  const joined = (lead?: wire.LeadMade) => {
    const log = found();
    read(log, ...ENOUGH);
    perform(log, make(log, { ...plain, ...(lead ? { lead } : {}) }));
    return log;
  };
  const legsOf = (log: TestLog) => contextAt(log).kits[0]?.legs;
  const checkOf = (log: TestLog) => circuitLoads(contextAt(log)).find(({ circuit }) => circuit.id === 'slot-f21')?.check;
  const [bare, long, wired] = [joined(), joined({ lengthMm: 3200 }), joined({ lengthMm: 3200, areaMm2: 0.75, ground: 'in leg' })];
  expect([legsOf(bare), legsOf(long)]).toEqual([[], [{ id: `${ID}-lead`, lamp: 'light-bar', lengthMm: 3200 }]]);
  expect(legsOf(wired)).toEqual([{ id: `${ID}-lead`, lamp: 'light-bar', lengthMm: 3200, wire: { areaMm2: 0.75, ground: 'in leg' } }]);
  expect([checkOf(bare)?.longestLeg, checkOf(long)?.longestLeg]).toEqual([undefined, undefined]);
  // A driver draws 96 W at 13.8 V running: 6.957 A, over 3.2 m there and back of 0.75 mm² at 0.01724 Ω mm²/m: 0.1471 Ω.
  const [before, after] = [checkOf(bare), checkOf(wired)];
  expect(after?.longestLeg?.dropV).toBeCloseTo(1.0234, 4);
  expect((after?.dropV ?? 0) - (before?.dropV ?? 0)).toBeCloseTo(1.0234, 4);
  const home = checkOf(joined({ lengthMm: 3200, areaMm2: 0.75, ground: 'at lamp' }));
  expect(home?.longestLeg?.dropV).toBeCloseTo(0.5117, 4);
  const log = found();
  read(log, ...ENOUGH);
  const asked = (lead: wire.LeadMade) => {
    const act = make(log, { ...plain, lead });
    return isRefused(act) ? act.refused : [];
  };
  expect([
    asked({ lengthMm: 0 }),
    asked({ areaMm2: 1.5, ground: 'in leg' }),
    asked({ lengthMm: 900, areaMm2: 1.5 }),
    asked({ lengthMm: 900, ground: 'in leg' }),
    asked({}),
  ]).toEqual([[{ code: 'missing', count: 1 }], [{ code: 'missing', count: 1 }], [{ code: 'missing', count: 1 }], [{ code: 'missing', count: 1 }], []]);
  expect(wire.areasKnown(contextAt(log))).toContain(0.75);
  // The lamp has its lead: a second joint of it says none.
  perform(wired, make(wired, { ...plain, pin: '2', slot: 'F22', name: 'Feed lead', lead: { lengthMm: 500 } }, 'feed-lead-a2b3'));
  expect(legsOf(wired)?.map(({ lengthMm }) => lengthMm)).toEqual([3200]);
});

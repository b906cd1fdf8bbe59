import { bareFitment, bareKit, bareLamp } from '../test/bare-kit.ts';
import { PAIR, VAN } from '../job/test/log.ts';
import type { Fitment, Kit } from './index.ts';
import { checkKit } from './index.ts';

const profiles = new Map([[VAN.slug, VAN]]);
const faults = (kit: Kit) => checkKit(kit, profiles).map((fault) => `${fault.path} ${fault.code}`);
const fitted = (part: Partial<Fitment>): Kit => ({ ...PAIR, fitments: PAIR.fitments.map((fitment) => ({ ...fitment, ...part })) });
const [fitment = bareFitment()] = PAIR.fitments;

test('a kit whose ids all exist has no faults', () => {
  expect(faults(PAIR)).toEqual([]);
  expect(faults(bareKit())).toEqual([]);
});

test('a vehicle that is not in the library is named', () => {
  expect(faults(bareKit({ fitments: [bareFitment({ vehicle: 'nowhere' })] }))).toEqual(['fitments[0].vehicle unknown-id']);
});

test.each<[string, Partial<Fitment>, string]>([
  ['lamp of a mount', { mounts: [{ lamp: 'gone', mount: 'place' }] }, 'fitments[0].mounts[0].lamp unknown-id'],
  ['mount position', { mounts: [{ lamp: 'lamp', mount: 'gone' }] }, 'fitments[0].mounts[0].mount unknown-id'],
  ['kit plug', { connections: fitment.connections.map((c) => ({ ...c, kitPlug: 'gone' })) }, 'fitments[0].connections[0].kitPlug unknown-id'],
  ['vehicle plug', { connections: fitment.connections.map((c) => ({ ...c, vehiclePlug: 'gone' })) }, 'fitments[0].connections[0].vehiclePlug unknown-id'],
  ['circuit', { connections: fitment.connections.map((c) => ({ ...c, feed: { circuit: 'gone' } })) }, 'fitments[0].connections[0].feed.circuit unknown-id'],
  ['adapter', { connections: fitment.connections.map((c) => ({ ...c, adapter: 'gone' })) }, 'fitments[0].connections[0].adapter unknown-id'],
  ['lamp of a connection', { connections: fitment.connections.map((c) => ({ ...c, lamps: ['lamp', 'gone'] })) }, 'fitments[0].connections[0].lamps[1] unknown-id'],
  ['piece replaced', { replaces: ['gone'] }, 'fitments[0].replaces[0] unknown-id'],
  ['function lost', { losesFunctions: ['gone'] }, 'fitments[0].losesFunctions[0] unknown-id'],
  [
    'piece a step needs',
    { fitSteps: fitment.fitSteps.map((s) => ({ ...s, needs: [{ piece: 'gone', level: 'off' as const }] })) },
    'fitments[0].fitSteps[0].needs[0].piece unknown-id',
  ],
  ['piece that must be back before a test', { tests: fitment.tests.map((t) => ({ ...t, after: ['gone'] })) }, 'fitments[0].tests[0].after[0] unknown-id'],
  ['piece over a part', { fitSteps: fitment.fitSteps.map((s) => ({ ...s, under: { piece: 'gone', group: 'bolts' } })) }, 'fitments[0].fitSteps[0].under.piece unknown-id'],
  ['bolt over a part', { fitSteps: fitment.fitSteps.map((s) => ({ ...s, under: { piece: 'grille', group: 'gone' } })) }, 'fitments[0].fitSteps[0].under.group unknown-id'],
  [
    'piece that a step takes the place of',
    { fitSteps: fitment.fitSteps.map((s) => ({ ...s, inPlaceOf: ['old-lamp', 'grille'] })) },
    'fitments[0].fitSteps[0].inPlaceOf[1] unknown-id',
  ],
  ['lamp of a test', { tests: fitment.tests.map((t) => ({ ...t, lamps: ['lamp', 'gone'] })) }, 'fitments[0].tests[0].lamps[1] unknown-id'],
  ['fact of the condition', { condition: { fact: 'gone', is: 'x' } }, 'fitments[0].condition.fact unknown-id'],
  ['value of a fact', { condition: { not: { fact: 'trim', is: 'gold' } } }, 'fitments[0].condition.not.is choice'],
])('an unknown %s is named with its path', (_, part, expected) => {
  expect(faults(fitted(part))).toEqual([expected]);
});

test('ids that stand twice are named at the second place', () => {
  expect(faults({ ...PAIR, lamps: [bareLamp('lamp'), bareLamp('lamp')] })).toEqual(['lamps[1].id duplicate-id']);
  expect(faults(fitted({ tests: [...fitment.tests, ...fitment.tests] }))).toEqual(['fitments[0].tests[1].id duplicate-id']);
});

test('contents may ask for a fact of the vehicle or an option of the kit, and for nothing else', () => {
  const contents = (when: Kit['contents'][number]['when']) => ({ ...PAIR, contents: PAIR.contents.map((item) => ({ ...item, when })) });
  const lens = { id: 'lens', label: 'Lens', choices: [{ id: 'clear', label: 'Clear', consequence: 'none' }], default: 'clear' };
  expect(faults(contents({ fact: 'trim', is: 'guard' }))).toEqual([]);
  expect(faults({ ...contents({ fact: 'option.lens', is: 'clear' }), options: [lens] })).toEqual([]);
  expect(faults(contents({ fact: 'option.lens', is: 'clear' }))).toEqual(['contents[0].when.fact unknown-id']);
});

const choice = (id: string) => ({ id, label: id, consequence: 'none' });

test('a choice that changes nothing against the usual one is refused, unless it is a matter of looks', () => {
  const option = { id: 'trigger', label: 'Trigger', choices: [choice('switch'), choice('main'), choice('tail')], default: 'switch' };
  const nothing = ['options[0].choices[1] option-changes-nothing', 'options[0].choices[2] option-changes-nothing'];
  expect(faults({ ...PAIR, options: [option] })).toEqual(nothing);
  expect(faults({ ...PAIR, options: [{ ...option, looks: true }] })).toEqual([]);
  const when = { fact: 'option.trigger', is: 'main' };
  expect(faults({ ...PAIR, options: [option], contents: PAIR.contents.map((item) => ({ ...item, when })) })).toEqual(nothing.slice(1));
  const hangs = fitted({ tests: fitment.tests.map((test) => ({ ...test, when: { not: when } })) });
  expect(faults({ ...hangs, options: [option] })).toEqual(nothing.slice(1));
  // What hangs on the usual choice changes with each other one.
  const usual = fitted({ connections: fitment.connections.map((connection) => ({ ...connection, when: { fact: 'option.trigger', is: 'switch' } })) });
  expect(faults({ ...usual, options: [option] })).toEqual([]);
});

const RELAY = { id: 'relay', name: 'Relay', coilOhm: 90, contactA: 30, pullInV: 8 };
const FEED = { id: 'laid', name: 'Feed', fuseA: 15, batteryToFuseMm: 150, wire: { areaMm2: 2.5, lengthM: 5, permittedA: 22 }, plugPermittedA: 20, relay: 'relay' };

test('a feed of the kit: its relay is there, and no part behind its fuse carries less', () => {
  const feed = (part: Partial<typeof FEED>, relays = [RELAY]) => faults({ ...PAIR, relays, feeds: [{ ...FEED, ...part }] });
  expect(feed({})).toEqual([]);
  expect(feed({}, [])).toEqual(['feeds[0].relay unknown-id']);
  expect(feed({ plugPermittedA: 14 })).toEqual(['feeds[0].fuseA fuse-above']);
  expect(feed({ fuseA: 25 })).toEqual(['feeds[0].fuseA fuse-above', 'feeds[0].fuseA fuse-above']);
  expect(feed({ fuseA: 15 }, [{ ...RELAY, contactA: 10 }])).toEqual(['feeds[0].fuseA fuse-above']);
});

test('a trigger closes the relay that switches its feed, on a circuit that may be used; a tap names a pin, and is never made dead', () => {
  const joined = (part: Partial<Fitment['connections'][number]>, van = VAN) =>
    checkKit(
      { ...fitted({ connections: fitment.connections.map((entry) => ({ ...entry, ...part })) }), relays: [RELAY, { ...RELAY, id: 'other' }], feeds: [FEED] },
      new Map([[van.slug, van]]),
    ).map(({ path, code }) => `${path.replace('fitments[0].connections[0].', '')} ${code}`);
  const feed = { circuit: 'laid' };
  expect(joined({ feed, trigger: { circuit: 'fog', relay: 'relay' } })).toEqual([]);
  expect(joined({ feed, trigger: { circuit: 'fog', relay: 'other' } })).toEqual(['trigger.relay not-its-relay']);
  expect(joined({ trigger: { circuit: 'fog', relay: 'relay' } })).toEqual(['trigger.relay not-its-relay']);
  expect(joined({ feed, trigger: { circuit: 'laid', relay: 'relay' } })).toEqual(['trigger.circuit unknown-id']);
  const guarded = { ...VAN, circuits: VAN.circuits.map((circuit) => ({ ...circuit, neverUse: 'restraint system' })) };
  expect(joined({}, guarded)).toEqual(['feed.circuit never-used']);
  expect(joined({ feed, trigger: { circuit: 'fog', relay: 'relay' } }, guarded)).toEqual(['trigger.circuit never-used']);
  expect(joined({ tap: { pin: '2' } })).toEqual([]);
  expect(joined({ tap: { pin: '9' } })).toEqual(['tap.pin unknown-id']);
  const supplied = {
    ...VAN,
    supplies: [{ id: 'low' as const, name: 'Battery', piece: 'grille', level: 'off' as const, waitMin: 0, liveMin: 0, by: 'anyone' as const, before: [], forgets: [] }],
  };
  const asking = (is: 'dead' | 'live') => joined({ tap: { pin: '2' }, asks: [{ supply: 'low', is }] }, supplied);
  expect([asking('live'), asking('dead')]).toEqual([[], ['asks tap-dead']]);
});

test('a resistor says its ohms and what heat it bears; another cure needs neither', () => {
  const brought = (cure: Kit['contents'][number]['cure']) => faults({ ...PAIR, contents: PAIR.contents.map((item) => ({ ...item, cure })) });
  expect(brought({ by: 'decoder' })).toEqual([]);
  expect(brought({ by: 'resistor', ohm: 8 })).toEqual(['contents[0].cure.ratingW missing']);
  expect(brought({ by: 'resistor', ratingW: 50 })).toEqual(['contents[0].cure.ohm missing']);
});

test('a lamp for 24 V is refused on 12 V, and a filament for 12 V on 24 V; a driven lamp that bears both is not', () => {
  const on = (systemVoltageV: 12 | 24, load: Partial<Kit['lamps'][number]['load']>) =>
    checkKit({ ...PAIR, lamps: PAIR.lamps.map((lamp) => ({ ...lamp, load: { ...lamp.load, ...load } })) }, new Map([[VAN.slug, { ...VAN, systemVoltageV }]])).map(
      ({ path, code }) => `${path} ${code}`,
    );
  expect(on(12, { atV: 26.4 })).toEqual(['lamps[0].load.atV voltage-impossible']);
  expect(on(24, { atV: 13.2 })).toEqual([]);
  expect(on(24, { atV: 13.2, kind: 'filament' })).toEqual(['lamps[0].load.atV voltage-impossible']);
  expect(on(12, { leastV: 19 })).toEqual(['lamps[0].load.leastV voltage-impossible']);
});

test('the default of an option is one of its choices', () => {
  const lens = { id: 'lens', label: 'Lens', looks: true, choices: [choice('clear')], default: 'amber' };
  expect(faults({ ...PAIR, options: [lens] })).toEqual(['options[0].default choice']);
});

test('a lamp that stands where a piece goes back must replace that piece', () => {
  const taken = new Map([[VAN.slug, { ...VAN, mounts: VAN.mounts.map((mount) => ({ ...mount, inPlaceOf: ['old-lamp', 'grille'] })) }]]);
  const found = (kit: Kit) => checkKit(kit, taken).map((fault) => `${fault.path} ${fault.code} ${String(fault.data.piece)}`);
  expect(found(PAIR)).toEqual(['fitments[0].mounts[0].mount place-taken grille']);
  expect(found(fitted({ replaces: ['old-lamp', 'grille'] }))).toEqual([]);
});

test('what a kit replaces can come off', () => {
  const levels = (piece: (typeof VAN.pieces)[number]) => piece.levels.map((level) => ({ ...level, level: 'hung' as const }));
  const hung = new Map([[VAN.slug, { ...VAN, pieces: VAN.pieces.map((piece) => (piece.id === 'old-lamp' ? { ...piece, levels: levels(piece) } : piece)) }]]);
  expect(checkKit(fitted({ replaces: ['grille', 'old-lamp'] }), hung).map((fault) => `${fault.path} ${fault.code}`)).toEqual(['fitments[0].replaces[1] replaced-not-off']);
});

test('the years of a fitment rise', () => {
  expect(faults(fitted({ years: { from: 2024, to: 2019 } }))).toEqual(['fitments[0].years.to span-order']);
  expect(faults(fitted({ years: { from: 2024, to: 2024 } }))).toEqual([]);
});

test('a supply that a step or a joint asks for is one of the vehicle', () => {
  const asks = [{ supply: 'low' as const, is: 'dead' as const }];
  expect(faults(fitted({ connections: fitment.connections.map((joint) => ({ ...joint, asks })) }))).toEqual(['fitments[0].connections[0].asks[0].supply mark-without-supply']);
  expect(faults(fitted({ fitSteps: fitment.fitSteps.map((step) => ({ ...step, asks })) }))).toEqual(['fitments[0].fitSteps[0].asks[0].supply mark-without-supply']);
});

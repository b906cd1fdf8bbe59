import type { EventType } from '@jade/core/events';
import { PAYLOADS } from '@jade/contract/events';
import { getMetadataStorage } from 'class-validator';
import { checkEvent } from './index.ts';

const ID = '019500d0-0000-7000-8000-000000000001';
const pin = { slug: 'a', version: 1 };

/** One well-formed payload of every type, with every optional field. */
const WHOLE: Record<EventType, Record<string, unknown>> = {
  'job.opened': {
    vehicle: 'v',
    profile: pin,
    kits: [pin],
    rules: pin,
    promisedAt: '2026-03-05T16:00:00Z',
    bay: 'Yard',
    follows: { job: 'j', why: 'recheck' },
    fitted: [{ ...pin, options: [{ option: 'lens', choice: 'clear' }] }],
  },
  'job.repinned': { profile: pin, kits: [pin], rules: pin, lost: ['pieces/grille'] },
  'job.assigned': { person: 'fern' },
  'promise.made': { at: '2026-03-05T16:00:00Z', why: 'as agreed' },
  'bay.taken': { bay: 'Yard' },
  'wish.written': { wish: 'Seen from further' },
  'note.written': { station: 'fit', note: 'Tight behind the beam' },
  'photo.taken': { hash: 'a1'.repeat(32), thumb: 'b2'.repeat(32), widthPx: 1600, heightPx: 900, about: 'piece:grille/off' },
  'photo.marked': { photo: ID, ring: { x: 250, y: 700, r: 80 } },
  'photo.captioned': { photo: ID, note: 'Clip under the edge' },
  'photo.chosen': { photo: ID, onSheet: true },
  'kit.added': { kit: pin },
  'kit.dropped': { kit: 'k', why: 'too dear' },
  'job.cancelled': { why: 'sold' },
  'plug.parted': { kit: 'k', connection: 'c' },
  'leg.lifted': { kit: 'k', leg: 'l' },
  'contact.pulled': { plug: 'p', row: 1, column: 2 },
  'step.undone': { kit: 'k', step: 's', lamps: ['l'] },
  'step.rechecked': { kit: 'k', step: 's' },
  'work.paused': {},
  'work.resumed': {},
  'night.left': { seen: ['battery', 'cover'], where: 'rack 2' },
  'night.over': { asLeft: false, note: 'the cover lay on the floor' },
  'number.recorded': { number: '11111111111111111' },
  'fact.recorded': { fact: 'trim', certainty: 'known', value: 'plain', not: ['gold'], seenAt: '2026-03-05T16:00:00Z' },
  'baseline.tried': { lamp: 'dipped', result: 'works' },
  'battery.measured': { restV: 12.6, why: 'cold night' },
  'code.recorded': { moment: 'before', code: 'C12', note: 'old' },
  'codes.read': { moment: 'before', count: 0 },
  'warnings.read': { moment: 'before', lit: ['engine', 'airbag'], why: 'known to the owner' },
  'lens.graded': { lamp: 'dipped', moment: 'after', grade: 'light haze', why: 'new on this side' },
  'gap.measured': { gap: 'wing', moment: 'after', widthMm: 5, why: 'bent wing' },
  'damage.noted': { place: 'door', note: 'scratch' },
  'option.chosen': { kit: 'k', option: 'lens', choice: 'clear' },
  'match.confirmed': { kit: 'k' },
  'content.counted': { kit: 'k', item: 'lamp', count: 1 },
  'bench.done': { kit: 'k', task: 't' },
  'piece.moved': { piece: 'grille', level: 'off', way: 'front', fasteners: [{ group: 'bolts', count: 2 }], without: ['lamp'], needed: ['skin'] },
  'position.set': { kind: 'wheels', place: 'left' },
  'supply.set': { supply: 'low', is: 'dead', by: 'Slate, by the maker’s procedure' },
  'setting.restored': { supply: 'low', setting: 'Clock' },
  'kit.described': {
    kit: 'tarn-prow-bar',
    lamps: [
      {
        id: 'light-bar',
        name: 'Light bar',
        side: 'centre',
        optics: { beam: 'driving', basis: 'claimed' },
        load: { powerW: 60, atV: 12, kind: 'driven LED' },
        box: { widthMm: 560, heightMm: 70, depthMm: 80 },
        marking: 'none found',
      },
    ],
    contents: [{ id: 'harness', name: 'Harness', kind: 'harness', count: 1, spareAllowed: false }],
    mounts: [{ lamp: 'light-bar', mount: 'behind-the-grille-x7k2' }],
    fitSteps: [
      {
        id: 'feet-x7k2',
        name: 'Feet on the crossmember',
        side: 'centre',
        needs: [],
        at: 'behind-the-grille-x7k2',
        passes: ['start', 'align', 'tighten'],
        minutes: 9,
        tool: '13 mm hex',
        tighten: 'snug',
      },
    ],
    tests: [{ id: 'light-bar-main', name: 'Light bar lights', side: 'centre', state: 'main', helper: 'Main beam on. Hold.', lamps: ['light-bar'], gate: true }],
    plugs: [
      {
        id: 'trigger-lead-x7k2',
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
    relays: [{ id: 'relay-x7k2', name: 'Relay', contactA: 30 }],
    feeds: [{ id: 'feed-x7k2', name: 'From the battery', fuseA: 15, batteryToFuseMm: 140, relay: 'relay-x7k2' }],
    legs: [{ id: 'lead-x7k2', lamp: 'light-bar', lengthMm: 1200, wire: { areaMm2: 1.5, ground: 'in leg' } }],
    connections: [
      {
        id: 'trigger-lead-x7k2',
        kitPlug: 'trigger-lead-x7k2',
        vehiclePlug: 'found-headlamp-plug',
        feed: { circuit: 'feed-x7k2' },
        trigger: { circuit: 'slot-f21', relay: 'relay-x7k2' },
        tap: { pin: '3' },
        lamps: ['light-bar'],
      },
    ],
    replaces: ['grille-x7k2'],
    whole: ['contents', 'fitSteps'],
  },
  'kind.described': {
    pieces: [
      {
        id: 'grille-x7k2',
        name: 'Grille',
        side: 'centre',
        zone: 'front',
        box: { xMm: [700, 800], yMm: [-400, 400], zMm: [600, 900] },
        levels: [{ level: 'off', openMin: 3, closeMin: 4, people: 1, ways: [] }],
        fasteners: [],
        cautions: [],
      },
    ],
    refitRules: [{ id: 'r', first: 'grille', then: 'skin', why: 'hooks in' }],
    held: [{ piece: 'grille', fasteners: [] }],
    functions: [{ id: 'plate', name: 'Plate lamp', side: 'centre', state: 'parking', at: { xMm: -4300, yMm: 0, zMm: 800 } }],
    plugs: [
      {
        id: 'found-headlamp-plug',
        name: 'Headlamp plug',
        family: 'not described',
        gender: 'sockets',
        keying: 'not described',
        rows: 1,
        columns: 1,
        lock: 'not described',
        side: 'left',
        whereToLook: 'Behind the left lamp',
        reach: [],
        hiddenBy: [],
        pins: [{ id: '1', row: 1, column: 1, carries: 'main', circuit: 'slot-f21', proved: { on: '2026-03-05', readings: 4 } }],
      },
    ],
    gaps: [{ id: 'bonnet-to-wing-x7k2', name: 'Bonnet to wing', side: 'left', at: { xMm: 500, yMm: 800, zMm: 900 } }],
    without: ['tow-eye-cover'],
    measures: { trackMm: 1510, bonnetHeightMm: 1020 },
    same: [{ piece: 'grille-z9k4', is: 'grille-x7k2' }],
    apart: [{ piece: 'duct-z9k4', from: 'grille-x7k2' }],
    samePlaces: [{ place: 'radar-z9k4', is: 'radar-x7k2' }],
    apartPlaces: [{ place: 'bonnet-gap-z9k4', from: 'bonnet-gap-x7k2' }],
    facts: [
      {
        id: 'skid-plate-x7k2',
        label: 'Skid plate',
        choices: ['fitted', 'none'],
        howToSee: 'Look under the bumper.',
        lookMin: 1,
        tells: [{ piece: 'grille-x7k2', when: { not: { fact: 'skid-plate-x7k2', is: 'none' } } }],
      },
    ],
    circuits: [{ id: 'slot-f21', name: 'F21', fuse: { slot: 'F21', ratedA: 10 }, loads: [], undescribed: ['loads'], liveIn: ['main'] }],
    supplies: [
      {
        id: 'low',
        name: '12 V battery',
        piece: 'battery-negative-x7k2',
        level: 'off',
        waitMin: 3,
        by: 'anyone',
        before: ['Keys out of the vehicle'],
        forgets: ['Clock'],
      },
    ],
    sensors: [
      {
        id: 'radar-x7k2',
        name: 'Radar',
        kind: 'radar',
        on: 'grille-x7k2',
        lock: 'tab',
        pose: { xMm: 900, yMm: 0, zMm: 600, yawDeg: 0, pitchDeg: 0 },
        calibration: 'required',
        procedure: 'by its maker',
      },
    ],
    whole: ['functions'],
  },
  'piece.wanted': { piece: 'grille', level: 'off' },
  'opening.enough': { kits: ['test-pair'] },
  'accessory.found': {
    accessory: 'winch',
    name: 'Winch plate',
    side: 'centre',
    zone: 'front',
    holds: ['grille'],
    openMin: 6,
    closeMin: 8,
    people: 2,
    drive: 'hex',
    size: '16 mm',
    count: 4,
    why: 'six bolts and a frame',
  },
  'piece.found': { piece: 'undertray', level: 'off' },
  'piece.tried': { piece: 'grille', level: 'off' },
  'opening.judged': {
    pieces: [
      { piece: 'grille', enough: 'fitted' },
      { piece: 'skin', enough: 'needed' },
    ],
  },
  'moves.ordered': { first: ID, then: ID },
  'way.blocked': { place: 'grille', level: 'off', way: 'front', why: 'bent' },
  'way.chosen': { place: 'fog-left', level: 'off', way: 'arch' },
  'order.chosen': { school: 'prove one side first', people: 2, side: 'left' },
  'opening.left': { why: 'kit went back' },
  'opening.resumed': { why: 'kit came' },
  'fastener.seized': { piece: 'grille', group: 'bolts', count: 1, addMin: 6, why: 'heat' },
  'fastener.broken': { piece: 'grille', group: 'bolts', count: 1 },
  'fastener.dropped': { piece: 'grille', group: 'bolts', count: 1 },
  'fastener.found': { piece: 'grille', group: 'bolts', count: 1 },
  'fastener.renewed': { piece: 'grille', group: 'bolts', count: 2 },
  'plug.joined': { kit: 'k', connection: 'c', adapters: ['short-lead'], checked: ['click', 'pull'] },
  'cavity.populated': { plug: 'p', row: 1, column: 2, carries: 'stop pedal', circuit: 'stop', terminal: 'small' },
  'contacts.moved': { kit: 'k', plug: 'p', moves: [{ pin: '1', row: 1, column: 2 }] },
  'source.chosen': { kit: 'k', connection: 'c', pin: '2', to: { at: 'battery', plug: 'p', pin: '3', fuseA: 15, areaMm2: 2.5, lengthMm: 1400 } },
  'plug.capped': { plug: 'p', kit: 'k' },
  'ground.measured': { ground: 'g', dropMv: 30, ampere: 2.5 },
  'leg.laid': { kit: 'k', leg: 'l', path: ['sill', 'pillar'] },
  'route.chosen': { kit: 'k', leg: 'l', path: ['sill'] },
  'drill.agreed': { segment: 's', by: 'the owner', behind: 'nothing' },
  'load.accepted': { kit: 'k', circuit: 'c', afterA: 4.2, fuseA: 7.5 },
  'fuse.seen': { circuit: 'c', ratedA: 7.5 },
  'slot.measured': { slot: 'F9', ratedA: 7.5, state: 'parking', lowV: 0, highV: 12.1 },
  'outage.accepted': { channel: 'c', afterW: 1.5 },
  'battery.watched': { volts: 12.3 },
  'ignition.set': { on: false },
  'charger.set': { on: true },
  'lamp.powered': { kit: 'k', plug: 'p', pin: '1', volts: 12.6, ampere: 0.5, lit: 'nothing' },
  'reference.checked': { groundV: 0, feedV: 12.5 },
  'reading.taken': { plug: 'p', pin: '1', state: 'off', lowV: 0, highV: 0.1, underLamp: 'holds' },
  'continuity.measured': { plug: 'p', pin: '1', ohm: 0.4 },
  'drop.measured': { plug: 'p', pin: '1', dropV: 0.08 },
  'plug.found': { plug: 'p', name: 'n', where: 'w', side: 'left', may: ['tail'], lock: 'a tab', rows: 1, columns: 2, pins: [{ id: '1', row: 1, column: 1 }] },
  'probe.wanted': { plug: 'p', functions: ['reverse'] },
  'wire.opened': { plug: 'p', pin: '1', how: 'pierced' },
  'wire.sealed': { plug: 'p', pin: '1' },
  'colour.noted': { plug: 'p', pin: '1', on: 'beyond', colour: 'grey' },
  'sensor.unplugged': { sensor: 's' },
  'sensor.reconnected': { sensor: 's' },
  'sensor.moved': { sensor: 's', xMm: 0, yMm: 0, zMm: 0, yawDeg: 0.5, pitchDeg: 0 },
  'sensor.calibrated': { sensor: 's', how: 'by others', note: 'dealer', by: 'the radar bench', dueOn: '2026-03-09' },
  'step.passed': { kit: 'k', step: 's', pass: 'start' },
  'test.tried': { kit: 'k', test: 't', passed: true, note: 'ok' },
  'wall.set': { rule: 'r', distanceMm: 5000, floorAtWallMm: 0 },
  'aim.prepared': { tyres: true, load: true, levelling: true },
  'aim.measured': { lamp: 'k/l', moment: 'after', heightMm: 300, referenceMm: 430 },
  'aim.referenced': { lamp: 'k/l', referenceMm: 640 },
  'aim.by-others': { lamp: 'k/l', by: 'test lane' },
  'final.tried': { lamp: 'dipped', result: 'works' },
  'final.tested': { kit: 'k', test: 't', passed: false, note: 'dark' },
  'consent.given': { about: 'fit:k/s', by: 'the owner' },
  'customer.signed': { strokes: [{ points: [10, 20, 30, 25] }] },
  'part.bagged': { piece: 'grille', where: 'shelf' },
  'exception.named': { about: 'a', note: 'b' },
  'job.signed': { atSeq: 4 },
  'job.reopened': { why: 'rattle' },
  undone: { event: ID },
};
/** What a form says may be left out; that it says so where its type does is held by the compiler. */
const mayBeLeftOut = (type: EventType, field: string) =>
  getMetadataStorage()
    .getTargetValidationMetadatas(PAYLOADS[type], '', false, false)
    .some(({ propertyName, context }) => propertyName === field && (context as { optional?: boolean } | undefined)?.optional === true);
const TYPES = Object.keys(WHOLE) as EventType[];
const event = (type: string, payload: unknown, part: Record<string, unknown> = {}) => ({ id: ID, type, v: 1, at: '2026-03-05T08:30:00Z', payload, ...part });
const pathsOf = (value: unknown) => {
  const checked = checkEvent(value);
  return 'faults' in checked ? checked.faults.map((fault) => `${fault.path} ${fault.code}`) : [];
};
/** A value of a type that the field cannot have. */
const wrong = (value: unknown): unknown => (typeof value === 'number' || typeof value === 'boolean' ? 'much' : typeof value === 'string' ? 7 : 'flat');

test('every type of event stands here', () => {
  expect(TYPES.sort()).toEqual((Object.keys(PAYLOADS) as EventType[]).sort());
});

test.each(TYPES)('%s is taken whole, and refused with the path for each field of a wrong type', (type) => {
  const payload = WHOLE[type];
  expect(pathsOf(event(type, payload))).toEqual([]);
  for (const [field, value] of Object.entries(payload)) {
    const faults = pathsOf(event(type, { ...payload, [field]: wrong(value) }));
    expect(faults).toHaveLength(1);
    expect(faults[0]).toMatch(new RegExp(`^payload\\.${field}(\\[\\d+\\])? (type|choice|range)$`));
    const { [field]: _left, ...rest } = payload;
    expect(pathsOf(event(type, rest))).toEqual(type === 'undone' ? ['payload one-of'] : mayBeLeftOut(type, field) ? [] : [`payload.${field} missing`]);
    expect(pathsOf(event(type, { ...payload, [field]: null }))).toHaveLength(1);
  }
  expect(pathsOf(event(type, { ...payload, extra: 1 }))).toEqual(['payload.extra unknown-field']);
});

test('a field in another unit is named with the unit wanted', () => {
  const checked = checkEvent(event('gap.measured', { gap: 'wing', moment: 'after', widthIn: 0.2 }));
  expect(checked).toEqual({ faults: [{ path: 'payload.widthIn', code: 'unit', data: { expected: 'widthMm' } }] });
});

test.each([
  ['no object', 'tea', '(document) type'],
  ['id of another kind', event('undone', { event: ID }, { id: '1' }), 'id type'],
  ['a time without a zone', event('undone', { event: ID }, { at: '2026-03-05T08:30:00' }), 'at type'],
  ['a type that is not known', event('tea.made', {}), 'type unknown-event'],
  ['a type from the prototype', event('constructor', {}), 'type unknown-event'],
  ['a later schema version', event('undone', { event: ID }, { v: 2 }), 'v choice'],
  ['a payload that is a list', event('undone', [ID]), 'payload type'],
  ['a field beside the envelope', event('undone', { event: ID }, { person: 'slate' }), 'person unknown-field'],
])('an envelope with %s is refused', (_, value, fault) => {
  expect(pathsOf(value)).toEqual([fault]);
});

test('what is taken back is an event or an act, and not both', () => {
  expect([event('undone', { act: ID }), event('undone', { event: ID, act: ID }), event('undone', { act: 'x' })].map(pathsOf)).toEqual([
    [],
    ['payload one-of'],
    ['payload.act type'],
  ]);
});

test('numbers beyond their limits, not numbers and infinity are refused', () => {
  for (const restV of [-1, 61, Number.NaN, Number.POSITIVE_INFINITY]) expect(pathsOf(event('battery.measured', { restV }))).toHaveLength(1);
  expect(pathsOf(event('content.counted', { kit: 'k', item: 'i', count: 1.5 }))).toEqual(['payload.count type']);
});

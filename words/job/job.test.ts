import type { EventType, LoggedEvent } from '@jade/core/events';
import type { Hold, HoldCode } from '@jade/core/stations';
import type { Kit } from '@jade/core/kit';
import type { VehicleProfile } from '@jade/core/vehicle';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { sayHold } from '../stations/index.ts';
import { sayEvent } from '@jade/words/events';
import { sayContradiction, sayLogLine, sayHome, sayQuestion } from './index.ts';
import { namesOf, sayGroup } from '@jade/words/names';

const read = (path: string): unknown => JSON.parse(readFileSync(join(import.meta.dirname, '../../docs/formats/examples', path), 'utf8'));
const profile = read('vehicle-profile.json') as VehicleProfile;
const kit = read('kit.json') as Kit;
const names = namesOf({ profile, kits: [kit] });
const GAP = '\u202f';

const hold = (code: HoldCode, data: Hold['data'] = {}): Hold => ({ code, data, kind: 'to do', station: 'check-in' });
const event = (type: EventType, payload: object) => ({ id: '1', type, v: 1, at: '', payload }) as LoggedEvent;

test('names are looked up in the documents; what is not found stands for itself', () => {
  expect(names.kit('example-fog')).toBe('Cairn Example fog lamp');
  expect(names.group('grille', 'grille-screws')).toBe(`T20 six-lobe × 16${GAP}mm`);
  const without = namesOf({ profile: { ...profile, pieces: [] }, absent: profile.pieces, kits: [kit] });
  expect([without.piece('grille'), without.place('grille')]).toEqual([names.piece('grille'), names.place('grille')]);
  expect([names.piece('gone'), names.kit('gone'), names.item('gone', 'x'), names.group('gone', 'y')]).toEqual(['gone', 'gone', 'x', 'y']);
});

test('a fastener group is said with drive, size and length as far as it has them', () => {
  expect(sayGroup({ drive: 'hex', size: '13 mm', lengthMm: 30 })).toBe(`13 mm hex × 30${GAP}mm`);
  expect(sayGroup({ drive: 'push-pin' })).toBe('push-pin');
  expect([sayGroup({ drive: 'none' }), sayGroup({ drive: 'none', release: 'turn' }), sayGroup({ drive: 'none', release: 'pull out' })]).toEqual(['tape', 'knob', 'tape']);
  expect(sayGroup({ drive: 'none', release: 'pull out', singleUse: false })).toBe('stud');
  expect(sayGroup(undefined)).toBeUndefined();
});

test.each<[Parameters<typeof sayHome>[0], string]>([
  [{ release: 'unscrew', tighten: { torqueNm: 8, source: 'profile author' } }, `8${GAP}Nm (profile author)`],
  [{ release: 'unscrew', tighten: { torqueNm: 2.5 } }, `2.5${GAP}Nm (no source)`],
  [{ release: 'unscrew', tighten: { snug: 'sheet metal' } }, 'snug, in sheet metal'],
  [{ release: 'unscrew', tighten: {} }, 'snug, by hand'],
  [{ release: 'squeeze tabs', tighten: { snug: 'plastic' } }, 'in until it clicks'],
  [{ release: 'push centre', tighten: { snug: 'plastic' } }, 'pressed home, centre flush'],
])('only what is screwed is tightened: %j goes back %s', (group, expected) => {
  expect(sayHome(group)).toBe(expected);
});

test.each<[HoldCode, Hold['data'], string]>([
  ['baseline-missing', { count: 1, of: 8 }, 'Try 1 factory lamp of 8'],
  ['gaps-before-missing', { count: 2 }, 'Measure 2 panel gaps'],
  ['fact-unknown', { fact: 'headlamp', count: 1 }, 'Look at headlamp technology'],
  ['fact-unknown', { fact: 'headlamp', count: 3 }, 'Look at headlamp technology and 2 more facts'],
  ['kit-does-not-fit', { kit: 'example-fog' }, 'Cairn Example fog lamp does not fit this vehicle'],
  ['kit-undecided', { kit: 'example-fog', fact: 'headlamp' }, 'Cairn Example fog lamp: look at headlamp technology to settle the match'],
  ['kit-undecided', { kit: 'example-fog', fact: '' }, 'Cairn Example fog lamp: the model year is not known'],
  ['content-short', { kit: 'example-fog', item: 'screws', count: 2 }, 'Screw M6 × 16: 2 missing from Cairn Example fog lamp'],
  ['pieces-to-open', { count: 2, piece: 'grille' }, '2 steps to open, next: Grille'],
  ['pieces-to-open', { count: 0, piece: '' }, 'The way in is being worked out'],
  ['piece-unreachable', { piece: 'grille' }, 'Grille is replaced, and no way in the profile takes it off'],
  ['target-unreachable', { target: 'fog-left' }, 'Fog place, left cannot be reached by any way in the profile'],
  ['plug-to-join', { plug: 'fog-plug-left' }, 'Join fog plug, left'],
  ['load-refused', { circuit: 'front-fog', share: 1.2 }, `Front fog would carry 120${GAP}% of its weakest part`],
  ['wire-unproved', { plug: 'fog-plug-left', pin: '2', carries: 'front fog' }, 'Fog plug, left, pin 2: prove front fog on and off'],
  ['fasteners-out', { piece: 'grille', group: 'grille-screws', count: 1 }, `1 × T20 six-lobe × 16${GAP}mm of grille still in the tray`],
  ['fastener-dropped', { piece: 'grille', group: 'grille-screws', count: 1 }, `1 × T20 six-lobe × 16${GAP}mm of grille dropped and not found`],
  ['covered-untested', { kit: 'example-fog', test: 'lights-left', piece: 'grille' }, 'Grille went back before “The left fog lamp lights” had passed'],
  ['aim-out', { kit: 'example-fog', lamp: 'lamp-left', errorMm: 12 }, `Fog lamp, left lands 12${GAP}mm too high`],
  ['aim-out', { kit: 'example-fog', lamp: 'lamp-left', errorMm: -12 }, `Fog lamp, left lands 12${GAP}mm too low`],
  ['function-worse', { lamp: 'dipped-left', result: 'dead' }, 'Dipped beam, left is dead, and was better on arrival'],
  ['log-question', { count: 1 }, '1 entry in the log does not fit what came before'],
])('%s with %j reads “%s”', (code, data, sentence) => {
  expect(sayHold(hold(code, data), names)).toBe(sentence);
});

test.each<[EventType, object, string]>([
  ['fact.recorded', { fact: 'headlamp', certainty: 'known', value: 'led' }, 'Headlamp technology: led'],
  ['fact.recorded', { fact: 'headlamp', certainty: 'assumed', value: 'led' }, 'Headlamp technology: led, assumed'],
  ['fact.recorded', { fact: 'headlamp', certainty: 'unknown' }, 'Headlamp technology: not known'],
  ['fact.recorded', { fact: 'headlamp', certainty: 'unknown', not: ['led', 'filament'] }, 'Headlamp technology: not known, surely not led or filament'],
  ['codes.read', { moment: 'before', count: 0 }, 'Fault codes read before: none'],
  ['warnings.read', { moment: 'before', lit: [] }, 'Warning lamps, before: none lit'],
  ['warnings.read', { moment: 'after', lit: ['airbag', 'engine'], why: 'known' }, 'Warning lamps, after: airbag, engine, known'],
  ['lens.graded', { lamp: 'dipped-left', moment: 'before', grade: 'light haze', why: 'sea air' }, 'Lens of dipped beam, left, before: light haze, sea air'],
  ['gap.measured', { gap: 'bonnet-left', moment: 'after', widthMm: 4.5 }, `Bonnet to wing, left, after: 4.5${GAP}mm`],
  ['content.counted', { kit: 'example-fog', item: 'screws', count: 3 }, 'Screw M6 × 16: 3 counted'],
  ['piece.moved', { piece: 'bumper-skin', level: 'off', fasteners: [] }, 'Bumper skin off'],
  [
    'piece.moved',
    { piece: 'bumper-skin', level: 'off', fasteners: [], without: ['grille'], needed: ['arch-liner-left'] },
    'Bumper skin off; would have come with grille on; not before arch liner, left',
  ],
  ['position.set', { kind: 'raised', place: 'front' }, 'Front raised, on stands'],
  ['position.set', { kind: 'raised' }, 'On its wheels'],
  ['position.set', { kind: 'wheels', place: 'left' }, 'Wheels turned left'],
  ['position.set', { kind: 'wheels' }, 'Wheels straight'],
  ['position.set', { kind: 'boot' }, 'Boot as it comes'],
  ['fastener.broken', { piece: 'bumper-skin', group: 'skin-clips', count: 2 }, '2 × push-pin of bumper skin broken'],
  ['reading.taken', { plug: 'fog-plug-left', pin: '2', state: 'front fog', lowV: 0, highV: 12.4 }, `Fog plug, left pin 2, front fog: 0.00${GAP}V to 12.40${GAP}V`],
  ['reading.taken', { plug: 'fog-plug-left', pin: '2', state: 'off', lowV: 0, highV: 0 }, `Fog plug, left pin 2, off: 0.00${GAP}V`],
  ['step.passed', { kit: 'example-fog', step: 'screw-left', pass: 'start' }, 'Screw the lamp to its carrier: all started'],
  ['test.tried', { kit: 'example-fog', test: 'lights-left', passed: false }, 'The left fog lamp lights: failed'],
  ['wall.set', { rule: 'dipped', distanceMm: 7620, floorAtWallMm: 0 }, `Wall at 7.62${GAP}m, dipped`],
  [
    'job.repinned',
    { profile: { slug: 'a', version: 3 }, kits: [], rules: { slug: 'r', version: 1 }, lost: ['pieces/grille'] },
    'Newer documents taken over, profile version 3; lost: pieces/grille',
  ],
  ['aim.measured', { lamp: 'example-fog/lamp-left', moment: 'after', heightMm: 240, referenceMm: 374 }, `Aim after, fog lamp, left: 240${GAP}mm`],
  ['aim.referenced', { lamp: 'example-fog/lamp-left', referenceMm: 374 }, `Height of fog lamp, left above the floor: 374${GAP}mm`],
  ['aim.by-others', { lamp: 'example-fog/lamp-left', by: 'the test lane' }, 'Aim by others, fog lamp, left: the test lane'],
  ['baseline.tried', { lamp: 'dipped-left', result: 'dim' }, 'Dipped beam, left, on arrival: dim'],
  ['fastener.renewed', { piece: 'bumper-skin', group: 'skin-clips', count: 3 }, '3 × push-pin of bumper skin put in new'],
  ['final.tested', { kit: 'example-fog', test: 'lights-left', passed: true }, 'The left fog lamp lights, everything closed: works'],
  ['consent.given', { about: 'fit:example-fog/screw-left', by: 'the owner' }, 'Agreed to by the owner: screw the lamp to its carrier'],
  ['exception.named', { about: 'code:C12', note: 'known' }, 'Exception, fault code C12: known'],
  ['undone', { event: 'x' }, 'Taken back'],
])('%s %j reads “%s”', (type, payload, sentence) => {
  expect(sayEvent(event(type, payload), names)).toBe(sentence);
});

test('a line of the log names who made it; two that contradict each other stand together', () => {
  const lamp = (result: string, person?: string) => ({ ...event('baseline.tried', { lamp: 'dipped-left', result }), ...(person ? { person } : {}) });
  const called = (id: string) => ({ fern: 'Fern', copper: 'Copper' })[id] ?? id;
  expect(sayLogLine(lamp('dim', 'fern'), names, called)).toBe('Fern: Dipped beam, left, on arrival: dim');
  expect(sayLogLine(lamp('dim'), names, called)).toBe('Dipped beam, left, on arrival: dim');
  expect(sayLogLine({ ...event('job.assigned', { person: 'copper' }), person: 'fern' }, names, called)).toBe('Fern: Given to Copper');
  expect(sayContradiction([lamp('works', 'copper'), lamp('dim', 'fern')], names, called)).toBe(
    'Copper: Dipped beam, left, on arrival: works. Fern: Dipped beam, left, on arrival: dim. Within a minute: look again together, and say it once more.',
  );
});

test('questions of the log are said', () => {
  expect(sayQuestion({ code: 'more-back-than-out', event: 'x', piece: 'grille', group: 'grille-screws' }, names)).toBe(
    `Grille: more T20 six-lobe × 16${GAP}mm went back than came out.`,
  );
  expect(sayQuestion({ code: 'late-event', event: 'x' }, names)).toBe('An entry came after the job was signed.');
});

test('what was described of a kit is said in a line: what it has, what lies in its box, how it was fitted and tried, and what is all of it', () => {
  const lamp = { name: 'Light bar' };
  const said = (payload: object) => sayEvent(event('kit.described', { kit: 'example-fog', ...payload }), names);
  expect(said({ lamps: [lamp] })).toBe('Cairn Example fog lamp has: light bar');
  expect(said({ contents: [{ name: 'Bolts' }, { name: 'Harness' }] })).toBe('Cairn Example fog lamp, in the box: bolts; harness');
  expect(said({ mounts: [{}], fitSteps: [{ name: 'Feet on the crossmember' }] })).toBe('Cairn Example fog lamp, fitted: feet on the crossmember');
  expect(said({ tests: [{ name: 'Light bar lights' }] })).toBe('Cairn Example fog lamp is tried by: light bar lights');
  expect(said({ whole: ['lamps', 'contents'] })).toBe('Cairn Example fog lamp: it has no other lamp, nothing else is in its box');
  expect(said({ whole: ['mounts', 'fitSteps', 'tests'] })).toBe('Cairn Example fog lamp: it sits nowhere else, that is all that is fitted, that is all that is tried');
  expect(sayEvent(event('kind.described', { mounts: [{ name: 'Behind the grille' }] }), names)).toBe('A place of the vehicle: behind the grille');
  expect(said({ replaces: ['grille'] })).toBe('Cairn Example fog lamp takes the place of: grille');
  const clamp = { id: 'clamp-a1', name: 'Battery negative' };
  expect(sayEvent(event('kind.described', { pieces: [clamp], supplies: [{ name: '12 V battery', piece: 'clamp-a1', waitMin: 3 }] }), names)).toBe(
    'Described: Battery negative. 12 V battery: isolated by battery negative, dead after 3\u202fmin',
  );
  expect(sayEvent(event('kind.described', { sensors: [{ name: 'Radar', on: 'grille' }] }), names)).toBe('A sensor: radar on grille');
  const lead = { id: 'lead', name: 'Trigger lead' };
  expect(said({ plugs: [lead], feeds: [{ fuseA: 15, batteryToFuseMm: 140 }], connections: [{ kitPlug: 'lead', vehiclePlug: 'found-plug', tap: { pin: '3' } }] })).toBe(
    `Cairn Example fog lamp, joined: trigger lead to pin 3 of found-plug. Cairn Example fog lamp, fed from the battery: main fuse 15${GAP}A, 140${GAP}mm from it`,
  );
  expect(said({ legs: [{ lengthMm: 1850, wire: { areaMm2: 1.5 } }, { lengthMm: 900 }] })).toBe(
    `Cairn Example fog lamp, its lead: 1850${GAP}mm of 1.5${GAP}mm². Cairn Example fog lamp, its lead: 900${GAP}mm`,
  );
  expect(said({ plugs: [lead], connections: [{ kitPlug: 'lead', vehiclePlug: 'found-plug' }] })).toBe('Cairn Example fog lamp, joined: trigger lead to found-plug');
  const pins = [
    { id: '1', carries: 'unknown' },
    { id: '3', carries: 'main', proved: { on: '2026-03-05', readings: 4 } },
  ];
  expect(sayEvent(event('kind.described', { gaps: [{ name: 'Bonnet to wing' }] }), names)).toBe('A panel gap: bonnet to wing');
  expect(sayEvent(event('kind.described', { facts: [{ label: 'Skid plate', choices: ['fitted', 'none'] }] }), names)).toBe(
    'Vehicles of this kind differ, skid plate: fitted or none',
  );
  expect(sayEvent(event('kind.described', { refitRules: [{ id: 'r', first: 'grille', then: 'undertray', why: 'hooks' }] }), names)).toBe(
    `Grille goes back before ${names.piece('undertray').toLowerCase()}: hooks`,
  );
  const holding = (fasteners: object[]) => sayEvent(event('kind.described', { held: [{ piece: 'grille', fasteners }] }), names);
  expect([
    holding([
      { drive: 'hex', size: '8 mm', count: 4 },
      { drive: 'hook', count: 2 },
    ]),
    holding([]),
  ]).toEqual(['Grille is held by 4 × 8 mm hex; 2 × hook', 'Grille is held by nothing']);
  expect(sayEvent(event('kind.described', { without: ['grille'] }), names)).toBe(`This kind has no ${names.piece('grille').toLowerCase()}`);
  expect(sayEvent(event('kind.described', { same: [{ piece: 'grille', is: 'undertray' }], apart: [{ piece: 'undertray', from: 'grille' }] }), names)).toBe(
    `${names.piece('grille')} and ${names.piece('undertray').toLowerCase()} are one piece, described twice. ${names.piece('undertray')} and ${names.piece('grille').toLowerCase()} are two pieces`,
  );
  expect(sayEvent(event('kind.described', { pieces: [{ name: 'Liner, left' }, { name: 'Lamp, right', assumed: 'the other side' }] }), names)).toBe(
    'Described: Liner, left. Assumed, as on the other side: lamp, right',
  );
  const [[mount], [other]] = [profile.mounts, profile.plugs];
  expect(sayEvent(event('kind.described', { samePlaces: [{ place: 'lug-z9k4', is: mount?.id }], apartPlaces: [{ place: other?.id, from: mount?.id }] }), names)).toBe(
    `${mount?.name} was described twice: it is one. ${other?.name} and ${(mount?.name ?? '').toLowerCase()} are two`,
  );
  expect(sayEvent(event('kind.described', { measures: { trackMm: 1512, frontOverhangMm: 905 } }), names)).toBe(`Measured: front overhang 905${GAP}mm, track 1512${GAP}mm`);
  const circuit = { name: 'F21', fuse: { slot: 'F21', ratedA: 10 }, liveIn: ['main'] };
  expect(sayEvent(event('kind.described', { plugs: [{ name: 'Headlamp plug', pins }], circuits: [circuit] }), names)).toBe(
    `A plug of the vehicle: headlamp plug, pin 3 main. A circuit: fuse F21, 10${GAP}A, live in main`,
  );
  expect(['off', 'hung'].map((level) => sayEvent(event('piece.found', { piece: 'grille', level }), names))).toEqual([
    'Grille was not there when it came',
    'Grille was hung when it came',
  ]);
});

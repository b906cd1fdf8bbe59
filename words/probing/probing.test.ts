import type { PinFound, PinStatus, SlotFound } from '@jade/core/probing';
import type { LampWire } from '@jade/core/loom';
import type { VehiclePlug } from '@jade/core/vehicle';
import {
  sayClaim,
  sayFunctions,
  sayKeptPractice,
  sayProbeStep,
  sayScore,
  sayWaste,
  sayWasted,
  sayHeld,
  sayLampWire,
  sayLearned,
  sayLeft,
  sayMapped,
  sayNotLearned,
  sayPinFound,
  sayPlace,
  sayPowered,
  sayProof,
  sayReading,
  saySlot,
  saySlotWanted,
  sayStateCaution,
  saySupply,
  sayWatch,
  sayWhy,
} from './index.ts';

test('proofs say what is still missing, and what else it could be', () => {
  expect(sayProof({ code: 'rivals', state: 'parking' })).toBe('Likely. Something else could still read like this: now with parking.');
  expect(sayProof({ code: 'rivals' })).toContain('something else could still read like this');
  expect(sayProof({ code: 'needs-load' })).toMatch(/holds under it/);
  expect(sayProof({ code: 'otherwise', functions: ['stop pedal'] })).toBe('Proved to be stop, not what it is said to be.');
  expect(sayProof({ code: 'alike', among: [['tail'], ['plate']], by: ['which lamp lights'] })).toBe(
    'tail or plate: no state parts them; unplug one lamp after the other and see which goes dark.',
  );
});

test('why a reading is taken, by the wire that it is about', () => {
  expect(sayWhy({ why: 'shows it off' }, 'stop pedal')).toBe('If this is stop, it is off now: on alone is no proof.');
  expect(sayWhy({ why: 'shows it on' }, 'tail')).toBe('If this is tail, it is on now.');
  expect(sayWhy({ why: 'read again', vague: true }, 'tail')).toMatch(/lowest and the highest/);
  expect(sayWhy({ why: 'read again' }, 'tail')).toMatch(/^Once more/);
  expect(sayWhy({ why: 'parts what it may be' }, 'tail')).toMatch(/may be/);
});

test('minutes of probing and of a wire, and which is less', () => {
  expect(sayLeft({ leftMin: 0.3, go: 'probe' })).toMatch(/^About 1.min of probing left on this plug\.$/);
  expect(sayLeft({ leftMin: 6, wireMin: 14, go: 'probe' })).toMatch(/; a wire from the lamp about 14.min\.$/);
  expect(sayLeft({ leftMin: 20, wireMin: 14, go: 'run a wire' })).toMatch(/about 14.min: run the wire\.$/);
});

test('a state that can hurt says so, also one that needs it', () => {
  expect(sayStateCaution('reverse')).toMatch(/parking brake set, wheels chocked.*stop lamps/);
  expect(sayStateCaution('engine')).toMatch(/extraction/);
  expect(sayStateCaution('parking')).toBeUndefined();
});

test('a pin in few words, several functions on one wire together', () => {
  const pin = (status: PinStatus): PinFound => ({ pin: '1', status, chances: [{ functions: ['tail'], chance: 0.84 }] });
  expect(sayPinFound(pin({ code: 'proved', functions: ['tail', 'stop pedal'] }))).toBe('tail and stop, proved');
  expect(sayPinFound(pin({ code: 'by elimination', functions: ['hazard'] }))).toBe('both turn signals, by elimination');
  expect(sayPinFound(pin({ code: 'open', functions: ['tail'] }))).toMatch(/^tail, 84.%$/);
  expect(sayPinFound(pin({ code: 'indistinguishable', among: [['tail'], ['plate']], by: [] }))).toBe('tail or plate');
  expect(sayPinFound(pin({ code: 'contradictory', readings: [] }))).toBe('contradictory');
  expect(sayFunctions(['empty'])).toBe('nothing');
});

test('a fuse slot against what is wanted: what was otherwise, what is still to be measured, what would be taken over', () => {
  const slot: Omit<SlotFound, 'value'> = { slot: 'F9', ratedA: 10, conflicts: [], untested: [], inherits: [] };
  expect(saySlot({ ...slot, value: 'as wanted', inherits: ['flashing'] })).toMatch(/^F9, fuse 10.A: behaves as wanted\. What hangs there takes over its flashing\.$/);
  expect(saySlot({ ...slot, value: 'not yet measured', untested: ['key off', 'main'] })).toMatch(/nothing against it; still to be measured with key off, main\.$/);
  expect(saySlot({ ...slot, value: 'otherwise', conflicts: [{ state: 'key off', wanted: 'off', found: 'on' }] })).toMatch(/not as wanted, on with key off where off is wanted\.$/);
  expect(saySlotWanted({ on: ['parking'], off: ['key off'] })).toBe('Wanted: live with parking, dead with key off.');
  expect(saySlotWanted({ on: [], off: [] })).toBe('Wanted: live with no state that is known.');
});

test('what a meter held, and where one wire may be: the colour of this side of the plug, and what is known there', () => {
  expect([sayReading({ lowV: 12.3, highV: 12.3 }), sayReading({ lowV: 0.05, highV: 12.3 })].map((text) => text.replaceAll('\u202f', ' '))).toEqual([
    '12.30 V',
    '0.05 V to 12.30 V',
  ]);
  expect(sayHeld({ n: 1, held: 'continuity', ohm: 0.4 })).toMatch(/^0\.4.Ω to the body$/);
  const plug = { name: 'Rear plug', side: 'left' as const, whereToLook: 'Behind the lamp' } as VehiclePlug;
  const pin = { id: '4', row: 1, column: 1, carries: 'reverse' as const, colour: 'grey' };
  expect(sayPlace({ plug, pin })).toBe('Rear plug, left: pin 4, grey on this side of the plug; said to be, not proved here. Behind the lamp.');
  expect(sayPlace({ plug, pin: { ...pin, beyond: 'blue', proved: { on: '2026-02-01', readings: 4 } } })).toBe(
    'Rear plug, left: pin 4, grey on this side of the plug, blue beyond it; said to be, proved on another on 2026-02-01, not proved here. Behind the lamp.',
  );
  expect(sayPlace({ plug: { ...plug, side: 'centre', whereToLook: 'At the sill.' }, pin: { ...pin, colour: undefined }, status: { code: 'proved', functions: ['reverse'] } })).toBe(
    'Rear plug, in the middle: pin 4, no colour noted; proved on this vehicle. At the sill.',
  );
  expect(sayPlace({ plug })).toBe('Rear plug, left: it may be there, no pin is said to have it. Behind the lamp.');
});

test('a pin of the map says what it is, how sure that is, and nothing of what was not read', () => {
  const plug = { name: 'Rear plug', whereToLook: 'behind' } as VehiclePlug;
  const pin = { id: '2', row: 1, column: 2, carries: 'unknown' as const };
  const row = (entry: Partial<Parameters<typeof sayMapped>[0]>) => {
    const said = sayMapped({ plug, pin, readings: 2, ...entry });
    return [said['What it is'], said['How sure'].replaceAll('\u202f', ' '), said['Said to carry']];
  };
  expect(row({ status: { code: 'proved', functions: ['tail'] } })).toEqual(['tail', 'proved', 'not described']);
  expect(row({ status: { code: 'open', functions: ['tail'] }, chance: 0.84 })).toEqual(['tail', 'likely only, 84 %', 'not described']);
  expect(row({ status: { code: 'open', functions: ['tail'] }, chance: 0.84, readings: 0, pin: { ...pin, carries: 'parking' } })).toEqual(['not read', '—', 'parking']);
  expect(row({ status: { code: 'by elimination', functions: ['empty'] }, readings: 0 })).toEqual(['nothing', 'by elimination, not proved', 'not described']);
  expect(row({ status: { code: 'contradictory', readings: [] } })).toEqual(['not known', 'the readings contradict', 'not described']);
  expect(row({ status: { code: 'indistinguishable', among: [['tail'], ['plate']], by: [] } })[0]).toBe('tail or plate');
  expect(row({})).toEqual(['not read', '—', 'not described']);
});

test('what a profile would learn is said with what it was before, what is left with why', () => {
  const learned = { plug: 'p', plugName: 'Rear plug', pin: '2', readings: 3 };
  expect(sayLearned({ ...learned, was: 'stop pedal', is: 'parking' })).toBe('Rear plug, pin 2: parking, before stop pedal, proved by 3 readings');
  expect(sayLearned({ ...learned, was: 'parking', is: 'parking', readings: 1 })).toBe('Rear plug, pin 2: parking, proved by 1 reading');
  expect(sayLearned({ ...learned, was: 'unknown', is: 'parking' })).toBe('Rear plug, pin 2: parking, before not described, proved by 3 readings');
  expect(sayNotLearned({ plug: 'p', plugName: 'Rear plug', pin: '2', why: 'no such pin' })).toBe('Rear plug, pin 2 stays as it is: the newest profile has no such pin');
});

test('the battery in long work: minutes, what was measured, and what is to be done', () => {
  const watch = { minutes: 16.6, charger: false, leastV: 12.2, is: 'look' as const };
  const said = (part: Partial<Parameters<typeof sayWatch>[0]>) => sayWatch({ ...watch, ...part }).replaceAll('\u202f', ' ');
  expect(said({})).toBe('Ignition asked for 17 min ago and not yet said to be off, no charger. Measure the battery, or put a charger on.');
  expect(said({ charger: true, is: 'fine' })).toBe('Ignition asked for 17 min ago and not yet said to be off, charger on.');
  expect(said({ volts: 12, is: 'charge' })).toBe(
    'Ignition asked for 17 min ago and not yet said to be off, no charger, battery 12.00 V. Below 12.20 V: key off, or a charger on, before it goes on; readings against a sagging battery mislead.',
  );
});

test('a lamp on the bench: how the supply is set, what is stated, and what came of it', () => {
  const load = { name: 'Fen lamp left', powerW: 12, atV: 12, kind: 'resistive' as const };
  const wire = { pin: { id: '2', row: 1, column: 2, carries: 'front fog' as const, colour: 'red' }, loads: [load] } as LampWire;
  const plain = (text: string) => text.replaceAll('\u202f', ' ');
  expect(sayLampWire(wire, 'Fen plug')).toBe('Fen plug, pin 2, red: Fen lamp left');
  expect(sayLampWire({ ...wire, loads: [load, load] }, 'Fen plug')).toBe('Fen plug, pin 2, red: front fog, 2 lamps');
  expect(plain(saySupply(wire, { volts: 12, limitA: 1.5 }))).toBe('Supply at 12 V, limited to 1.5 A. About 1.00 A is stated at that voltage.');
  expect([sayPowered(wire), sayPowered({ ...wire, onVehicle: 'joined' })]).toEqual(['not tried', 'not tried; joined']);
  const tried = { volts: 12, ampere: 0.5, lit: 'nothing' as const, faults: ['lights nothing' as const, 'draws too little' as const], statedA: 1 };
  expect(plain(sayPowered({ ...wire, tried }))).toBe('nothing lit; it drew too little (0.50 A of 1.00 A)');
  expect(plain(sayPowered({ ...wire, tried: { ...tried, ampere: 1.1, faults: [] } }))).toBe('as the kit says, 1.10 A of 1.00 A');
});

test('practice: why a reading was not worth it, what came of a word, and the whole in a sentence', () => {
  const plain = (text: string) => text.replaceAll('\u202f', ' ');
  expect(sayWaste('read before')).toBe('Not worth its time: it was read before and told nothing new.');
  const reading = { pin: '2', state: 'parking' as const, lowV: 0, highV: 0, found: 'off' as const, minutes: 0.55 };
  expect([plain(sayWasted({ ...reading, waste: 'tells little' })), plain(sayWasted(reading))]).toEqual([
    'Pin 2 with parking, 0.6 min: whatever it showed, little would have followed.',
    'Pin 2 with parking, 0.6 min: worth its time.',
  ]);
  const claim = { pin: '2', function: 'tail' as const, premature: false, doubt: 0, wrongIn: [] };
  expect(sayClaim(claim)).toBe('Pin 2 is tail, and it was proved.');
  expect(plain(sayClaim({ ...claim, premature: true, doubt: 0.3 }))).toMatch(/^Pin 2 is tail, but it was not proved: by the readings it was something else in 30 % of cases\./);
  expect(sayClaim({ ...claim, premature: true, isReally: 'stop pedal', wrongIn: ['parking', 'stop pedal'] })).toBe(
    'Pin 2 is stop, not tail: a lamp fed from it would have been wrong with parking, stop pedal.',
  );
  expect(sayClaim({ ...claim, isReally: 'empty', wrongIn: [] })).toMatch(/is nothing, not tail: .* with a load on it\.$/);
  const score = { minutes: 6.04, bestMin: 4, readings: 13, bestReadings: 9, wastedMin: 1.2, premature: 1, wrong: 2, score: 20 };
  expect(plain(sayScore(score))).toBe('6 min and 13 readings; the readings that are worth most take 4 min and 9 readings. 1.2 min went into readings that were not worth them.');
  expect(plain(sayScore({ ...score, wastedMin: 0 }))).not.toContain('went into');
  expect(plain(sayKeptPractice(score))).toBe('20 of 100, 6 min, 1 said too early, 2 wrong');
  expect(plain(sayKeptPractice({ ...score, premature: 0, wrong: 0 }))).toBe('20 of 100, 6 min');
});

test('what is to be done at Probe, in few words', () => {
  const named = (plug: string) => `the ${plug}`;
  expect(sayProbeStep({ kind: 'seal', plug: 'rear plug', pin: '3', how: 'pierced' }, named)).toBe('Seal the pierced wire of pin 3, the rear plug');
  expect(sayProbeStep({ kind: 'stuck', open: 2 }, named)).toBe('2 wires not proved: these states tell no more');
  expect([sayProbeStep({ kind: 'reference' }, named), sayProbeStep({ kind: 'done' }, named)]).toEqual(['Reference first', 'Everything at Probe is done']);
});

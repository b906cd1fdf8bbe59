import type { PinFound, PinStatus, SlotFound } from '@jade/core/probing';
import { sayFunctions, sayLeft, sayPinFound, sayProof, saySlot, saySlotWanted, sayStateCaution, sayWhy } from './index.ts';

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

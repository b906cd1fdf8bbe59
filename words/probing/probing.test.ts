import type { PinFound, PinStatus } from '@jade/core/probing';
import { sayFunctions, sayLeft, sayPinFound, sayProof, sayStateCaution, sayWhy } from './index.ts';

test('proofs say what is still missing, and what else it could be', () => {
  expect(sayProof({ code: 'rivals', state: 'parking' })).toBe('Likely. Something else could still read like this: now with parking.');
  expect(sayProof({ code: 'rivals' })).toContain('something else could still read like this');
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
  expect(sayStateCaution('reverse')).toMatch(/brake held, wheels chocked/);
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

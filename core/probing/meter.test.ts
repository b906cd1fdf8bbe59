import { afterHello, METER_PROTOCOL, readMeterLine, withHeld, withoutHeld, type MeterMemory } from './index.ts';

test('lines of a bridge are read as they stand', () => {
  expect(readMeterLine('{"hello":"jade-meter/1","name":"Bench meter","run":"r1"}')).toEqual({ hello: METER_PROTOCOL, name: 'Bench meter', run: 'r1' });
  expect(readMeterLine('{"shows":"voltage","volts":12.31}')).toEqual({ shows: 'voltage', volts: 12.31 });
  expect(readMeterLine('{"shows":"continuity","ohm":0.4}')).toEqual({ shows: 'continuity', ohm: 0.4 });
  expect(readMeterLine('{"n":3,"held":"voltage","lowV":-0.02,"highV":12.4}')).toEqual({ n: 3, held: 'voltage', lowV: -0.02, highV: 12.4 });
  expect(readMeterLine('{"n":3,"held":"voltage","lowV":1,"highV":1,"again":true}')).toEqual({ n: 3, held: 'voltage', lowV: 1, highV: 1, again: true });
  expect(readMeterLine('{"n":4,"held":"continuity","ohm":0}')).toEqual({ n: 4, held: 'continuity', ohm: 0 });
});

test.each([
  ['12.3', 'not a line of the protocol'],
  ['volts 12', 'not JSON'],
  ['{"hello":"jade-meter/2","name":"x","run":"r"}', 'another protocol'],
  ['{"hello":"jade-meter/1","name":"","run":"r"}', 'not a line of the protocol'],
  ['{"shows":"voltage","volts":"12,3"}', 'no number'],
  ['{"shows":"voltage","volts":null}', 'no number'],
  ['{"shows":"voltage","volts":60.1}', 'outside what a meter shows'],
  ['{"shows":"voltage","volts":-30.1}', 'outside what a meter shows'],
  ['{"shows":"continuity","ohm":-1}', 'outside what a meter shows'],
  ['{"held":"voltage","lowV":1,"highV":2}', 'no number'],
  ['{"n":0,"held":"voltage","lowV":1,"highV":2}', 'no number'],
  ['{"n":1.5,"held":"continuity","ohm":2}', 'no number'],
  ['{"n":1,"held":"voltage","lowV":1}', 'no number'],
  ['{"n":1,"held":"continuity","ohm":"OL"}', 'no number'],
  ['{"n":1,"held":"amperes","ampere":2}', 'not a line of the protocol'],
  ['{"tea":true}', 'not a line of the protocol'],
  ['[]', 'not a line of the protocol'],
])('%s is not guessed: %s', (line, fault) => {
  expect(readMeterLine(line)).toEqual({ fault });
});

test('what was held is heard once, waits until it is taken, and outlives another run of the bridge', () => {
  const start: MeterMemory = { run: 'r1', heard: 0, waiting: [] };
  const [one, two] = [
    { n: 1, held: 'voltage' as const, lowV: 12.3, highV: 12.3 },
    { n: 2, held: 'continuity' as const, ohm: 0.4 },
  ];
  const first = withHeld(start, one);
  expect(first).toEqual({ isNew: true, memory: { run: 'r1', heard: 1, waiting: [one] } });
  expect(withHeld(first.memory, { ...one })).toEqual({ isNew: false, memory: first.memory });
  const both = withHeld(first.memory, two).memory;
  expect(afterHello(both, 'r1')).toBe(both);
  expect(afterHello(both, 'r2')).toEqual({ run: 'r2', heard: 0, waiting: [one, two] });
  expect(afterHello(undefined, 'r2')).toEqual({ run: 'r2', heard: 0, waiting: [] });
  expect(withoutHeld(both, one).waiting).toEqual([two]);
  // Taken, and told again by a bridge that did not hear so: not new.
  expect(withHeld(withoutHeld(both, one), one).isNew).toBe(false);
});

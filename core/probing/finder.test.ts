import type { VehicleState } from '../states/index.ts';
import { findFuse, type SlotToFind } from './index.ts';

const rules = { offBelow: 0.05, onFrom: 0.85, groundMaxV: 0.2, groundMaxOhm: 1 };
const slot = (name: string, readings: [VehicleState, number, number?][], part: Partial<SlotToFind> = {}): SlotToFind => ({
  slot: name,
  readings: readings.map(([state, lowV, highV = lowV]) => ({ state, lowV, highV })),
  ...part,
});
const PARKING = { 'key off': 'off', ignition: 'off', parking: 'on' } as const;

test('slots that behave as wanted come first, then those not yet measured, then those that do not; what is never used is refused before', () => {
  const finding = findFuse(
    [
      slot('F1', [
        ['key off', 0],
        ['ignition', 12.2],
        ['parking', 12.2],
      ]),
      slot('F2', [['parking', 12.2]]),
      slot(
        'F3',
        [
          ['key off', 0],
          ['ignition', 0],
          ['parking', 12.2],
        ],
        { ratedA: 10 },
      ),
      slot('F4', [], { neverUse: 'restraint system' }),
      slot('F5', []),
    ],
    PARKING,
    12.6,
    rules,
    ['F5'],
  );
  expect(finding.slots.map((entry) => [entry.slot, entry.value, entry.untested])).toEqual([
    ['F3', 'as wanted', []],
    ['F2', 'not yet measured', ['key off', 'ignition']],
    ['F1', 'otherwise', []],
  ]);
  expect(finding.slots[2]?.conflicts).toEqual([{ state: 'ignition', wanted: 'off', found: 'on' }]);
  expect(finding.refused).toEqual([
    { slot: 'F4', why: 'restraint system' },
    { slot: 'F5', why: 'the shop never uses it' },
  ]);
  // One does already: nothing more has to be measured.
  expect(finding.next).toBeUndefined();
});

test('the next slot is the one with least left to measure; a state that does not matter is not asked', () => {
  const finding = findFuse([slot('F1', []), slot('F2', [['parking', 12.2]])], { ...PARKING, main: 'any' }, 12.6, rules);
  expect(finding.next).toEqual({ slot: 'F2', state: 'key off' });
  expect(finding.slots[1]?.untested).toEqual(['key off', 'ignition', 'parking']);
});

test('what flashes or is dimmed is told, a leak is neither on nor off', () => {
  const read = (lowV: number, highV: number, underLamp?: 'holds' | 'collapses') => {
    const one: SlotToFind = { slot: 'F1', readings: [{ state: 'parking', lowV, highV, ...(underLamp ? { underLamp } : {}) }] };
    const [found] = findFuse([one], { parking: 'on' }, 12.6, rules).slots;
    return [found?.value, found?.inherits];
  };
  expect(read(0, 12.4)).toEqual(['as wanted', ['flashing']]);
  expect(read(6, 6, 'holds')).toEqual(['as wanted', ['dimming']]);
  expect(read(6, 6, 'collapses')).toEqual(['otherwise', []]);
  expect(read(6, 6)).toEqual(['otherwise', []]);
});

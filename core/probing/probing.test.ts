import type { VehicleState } from '../states/index.ts';
import { checkReference, classifyReading, proveSwitched } from './index.ts';

const rules = { offBelow: 0.05, onFrom: 0.85, groundMaxV: 0.2, groundMaxOhm: 1 };
const at = (state: VehicleState, volts: number) => ({ state, lowV: volts, highV: volts });

test('classes at 12 V: below 0.6 V off, from 10.2 V on, in between unknown until a test lamp speaks', () => {
  const classes = [0.59, 0.6, 10.19, 10.2].map((volts) => classifyReading(at('parking', volts), 12, rules));
  expect(classes).toEqual(['off', 'in between', 'in between', 'on']);
  expect(classifyReading({ ...at('parking', 6), underLamp: 'collapses' }, 12, rules)).toBe('leak');
  expect(classifyReading({ ...at('parking', 6), underLamp: 'holds' }, 12, rules)).toBe('dimmed or modulated');
  expect(classifyReading({ state: 'turn left', lowV: 0, highV: 12.4 }, 12, rules)).toBe('flashing');
});

test('on with its state is not proof; off without it completes it', () => {
  expect(proveSwitched([at('front fog', 12.5)], ['front fog'], 12.6, rules)).toEqual({ code: 'needs-off', state: 'front fog' });
  expect(proveSwitched([at('key off', 0)], ['front fog'], 12.6, rules)).toEqual({ code: 'needs-on', state: 'front fog' });
  expect(proveSwitched([at('front fog', 12.5), at('key off', 0.01)], ['front fog'], 12.6, rules)).toEqual({ code: 'proved' });
});

test('on in another state contradicts, a reading in between proves nothing', () => {
  expect(proveSwitched([at('front fog', 12.5), at('parking', 12.5)], ['front fog'], 12.6, rules)).toEqual({ code: 'contradictory', state: 'parking', found: 'on' });
  expect(proveSwitched([at('front fog', 6)], ['front fog'], 12.6, rules)).toEqual({ code: 'unclear', state: 'front fog', found: 'in between' });
});

test('a parking wire is live with dipped beam too: on there is as it should be, off there contradicts', () => {
  const parking = (...readings: [VehicleState, number][]) =>
    proveSwitched(
      readings.map(([state, volts]) => at(state, volts)),
      ['parking'],
      12.6,
      rules,
    );
  expect(parking(['parking', 12.5], ['dipped', 12.5], ['key off', 0])).toEqual({ code: 'proved' });
  expect(parking(['parking', 12.5], ['dipped', 0])).toEqual({ code: 'contradictory', state: 'dipped', found: 'off' });
  expect(parking(['dipped', 12.5], ['stop pedal', 0])).toEqual({ code: 'proved' });
});

test('the reference is proved first', () => {
  expect(checkReference(0.05, 12.5, 12.6, rules).code).toBe('good');
  expect(checkReference(0.4, 12.5, 12.6, rules)).toEqual({ code: 'ground-high', volts: 0.4, mostV: 0.2 });
  expect(checkReference(0.05, 9, 12, rules)).toEqual({ code: 'feed-low', volts: 9, leastV: 10.2 });
});

import { liftEvent, newestVersion } from './index.ts';

const reading = (v: number, state: unknown) => ({ type: 'reading.taken', v, payload: { plug: 'p', pin: '1', state, lowV: 1, highV: 2 } });

test('a reading of old says its state in the words of the list; one that nobody knows stays as it was', () => {
  expect(liftEvent(reading(1, 'All off'))).toEqual(reading(2, 'key off'));
  expect(liftEvent(reading(1, 'front fog'))).toEqual(reading(2, 'front fog'));
  expect(liftEvent(reading(1, 'beacon'))).toEqual(reading(2, 'beacon'));
  expect(liftEvent(reading(1, 7))).toEqual(reading(2, 7));
});

test('what is new, and what never changed, is given back as it is', () => {
  const now = reading(2, 'all off');
  expect(liftEvent(now)).toBe(now);
  const other = { type: 'battery.measured', v: 1, payload: { restV: 12 } };
  expect(liftEvent(other)).toBe(other);
  expect([newestVersion('reading.taken'), newestVersion('battery.measured')]).toEqual([2, 1]);
});

import { degToPercent, hundredthsToMinutes, inchesToMm, minutesEach, minutesToHundredths, mmToInches, percentToDeg } from './index.ts';

test('minutes keep their hundredths exactly', () => {
  expect(minutesToHundredths(1.1) + minutesToHundredths(2.2)).toBe(330);
  expect(hundredthsToMinutes(330)).toBe(3.3);
});

test.each([
  [3.31, 3, 0, 1.1],
  [3.31, 3, 3.31, 1.11],
  [3.33, 2, 3.34, 1.67],
  [4, 2, 3.34, 2],
])('%d person-minutes of %d, of no less than %d, are %d for each', (personMin, people, least, each) => {
  expect(minutesEach(personMin, people, least)).toBe(each);
});

test('25 feet are 300 inches are 7620 mm', () => {
  expect(inchesToMm(300)).toBeCloseTo(7620, 9);
  expect(mmToInches(7620)).toBeCloseTo(300, 9);
});

test('0.573 degrees are about one percent', () => {
  expect(degToPercent(0.573)).toBeCloseTo(1, 3);
  expect(percentToDeg(1)).toBeCloseTo(0.573, 3);
});

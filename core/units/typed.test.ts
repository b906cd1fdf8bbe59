import { typedCents, typedMeasure } from './typed.ts';

test.each([
  ['0.18 in', 4.572],
  ['4,5', 4.5],
  ['4 1/2 in', 114.3],
  ['1/4"', 6.35],
  ['-3', -3],
  ['−3', -3],
  ['- 3 mm', -3],
  ['+12', 12],
  ['.5', 0.5],
  ['12.', 12],
  ['10 m', 10_000],
  ['1.5cm', 15],
  ['25 ft', 7620],
  [' 374 ', 374],
])('“%s” in millimetres is %d', (text, value) => {
  expect(typedMeasure(text, 'mm')).toEqual({ value });
});

test.each([
  ['12.6 V', 'V', 12.6],
  ['1.4', 'm', 1.4],
  ['4 ft', 'm', 1.219],
  ['12600 mV', 'V', 12.6],
  ['1,5h', 'min', 90],
  ['0.4 ohm', 'Ω', 0.4],
  ['−0,5°', '°', -0.5],
] as const)('“%s” in %s is %d', (text, unit, value) => {
  expect(typedMeasure(text, unit)).toEqual({ value });
});

test.each([
  ['', 'mm', { fault: 'not a number' }],
  ['tea', 'mm', { fault: 'not a number' }],
  ['1/0 in', 'mm', { fault: 'not a number' }],
  ['4 V', 'mm', { fault: 'unit', unit: 'v' }],
  ['4 in', 'V', { fault: 'unit', unit: 'in' }],
  ['4.5.6', 'mm', { fault: 'unit', unit: '.6' }],
] as const)('“%s” in %s is refused: %j', (text, unit, fault) => {
  expect(typedMeasure(text, unit)).toEqual(fault);
});

test('money is read as whole smallest coins, and what is none is not read', () => {
  expect(['329', ' 329,5', '329.50', '0', '12.05', '9999999'].map(typedCents)).toEqual([32_900, 32_950, 32_950, 0, 1205, 999_999_900]);
  expect(['', '-3', '3.', '3.505', '3 crowns', '12345678', '1,000.00'].map(typedCents)).toEqual(Array(7).fill(undefined));
});

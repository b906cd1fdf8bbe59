import { amount, bothLengths, minutes, percent, personMinutes, plural, sayTooLong } from './index.ts';

test('a number always has its unit and a true minus', () => {
  expect(amount(-3.25, 'mm', 1)).toBe('\u22123.3\u202fmm');
  expect(amount(-0.04, 'mm', 1)).toBe('0.0\u202fmm');
  expect(percent(0.805)).toBe('81\u202f%');
});

test('minutes turn into hours where they are many', () => {
  expect(minutes(4.5)).toBe('4.5\u202fmin');
  expect(minutes(59.6)).toBe('1\u202fh');
  expect(minutes(95.4)).toBe('1\u202fh 35\u202fmin');
  expect(personMinutes(57.7)).toBe('58\u202fperson-min');
});

test('millimetres and inches stand side by side', () => {
  expect(bothLengths(254)).toBe('254\u202fmm (10.0\u202fin)');
});

test('plurals', () => {
  expect([plural(1, 'screw'), plural(0, 'screw'), plural(2, 'box', 'boxes')]).toEqual(['1 screw', '0 screws', '2 boxes']);
});

test('a text that is too long', () => {
  expect([sayTooLong(1, 40), sayTooLong(12, 300)]).toEqual(['1 character too many: 40 at most.', '12 characters too many: 300 at most.']);
});

import { checkVehicleNumber } from './index.ts';

test('seventeen ones is valid: the weights sum to 89 = 8·11 + 1', () => {
  expect(checkVehicleNumber('11111111111111111', true)).toEqual({ number: '11111111111111111', remarks: [], years: [2001, 2031] });
});

test('a wrong check digit warns and names the right one', () => {
  expect(checkVehicleNumber('11111111211111111', true).remarks).toEqual([{ code: 'number-check-digit', expected: '1', found: '2' }]);
});

test('no check digit is asked for where the market has none', () => {
  expect(checkVehicleNumber('11111111211111111', false).remarks).toEqual([]);
});

test('spaces are dropped, wrong letters and length are named', () => {
  expect(checkVehicleNumber('1111 1111 1111', true).remarks).toEqual([{ code: 'number-length', length: 12 }]);
  expect(checkVehicleNumber('1111111111111111O', true).remarks).toEqual([{ code: 'number-letters', letters: 'O' }]);
});

test('year code A is 1980 or 2010', () => {
  expect(checkVehicleNumber('111111111A1111111', false).years).toEqual([1980, 2010]);
});

test('remainder ten is written X', () => {
  // 16 zeros and a 1 at place 8 (weight 10) sum to 10.
  expect(checkVehicleNumber('00000001X00000000', true).remarks).toEqual([]);
});

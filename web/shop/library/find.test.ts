import { finder } from './find.ts';

const find = finder([
  { id: 'skin', text: 'Bumper skin' },
  { id: 'step', text: 'Bumper step cover' },
  { id: 'liner', text: 'Wheel arch liner, left' },
  { id: 'grille', text: 'Grille' },
  { id: 'fog', text: 'Fog blank, left' },
]);

test('nothing asked for finds all in their order', () => {
  expect(find('  ')).toEqual(['skin', 'step', 'liner', 'grille', 'fog']);
});

test('a word is found by its beginning, in any case, and every word asked for is wanted', () => {
  expect(find('bump').sort()).toEqual(['skin', 'step']);
  expect(find('BUMPER sk')).toEqual(['skin']);
  expect(find('left').sort()).toEqual(['fog', 'liner']);
  expect(find('left gril')).toEqual([]);
});

test.each([
  ['gille', 'grille'],
  ['grlile', 'grille'],
  ['bumber skin', 'skin'],
  ['wheel arhc', 'liner'],
  ['fig blnak', 'fog'],
  ['fog blan', 'fog'],
])('%s is taken for what was meant', (typed, meant) => {
  expect(find(typed)[0]).toBe(meant);
});

test('what is not there is not found', () => {
  expect(find('radiator')).toEqual([]);
  // Three letters wrong are another word; two letters are taken as they are.
  expect(find('grosse')).toEqual([]);
  expect(find('gx')).toEqual([]);
});

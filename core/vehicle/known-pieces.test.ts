import { bareGroup, barePiece } from '../test/bare-profile.ts';
import { fastenerKinds, knownPieces } from './index.ts';

test('pieces of all kinds are known by name and side, those of most kinds first, with all that held them', () => {
  const clip = bareGroup('clips', { drive: 'push-pin', size: '8 mm', release: 'push centre', count: 6 });
  const profiles = [
    { pieces: [barePiece('liner', { name: 'Arch liner, left', side: 'left', fasteners: [clip] }), barePiece('grille', { name: 'Grille', fasteners: [bareGroup('bolts')] })] },
    {
      pieces: [
        barePiece('front', { name: 'grille', zone: 'rear', fasteners: [clip, bareGroup('others', { count: 4 })] }),
        barePiece('liner-r', { name: 'Arch liner, left', side: 'right' }),
      ],
    },
  ];
  expect(knownPieces(profiles).map(({ name, side, zone, fasteners }) => [name, side, zone, fasteners.map(({ drive }) => drive)])).toEqual([
    ['Grille', 'centre', 'front', ['hex', 'push-pin']],
    ['Arch liner, left', 'left', 'front', ['push-pin']],
    ['Arch liner, left', 'right', 'front', []],
  ]);
  expect(knownPieces([])).toEqual([]);
});

test('fasteners that look the same are one, whatever their place and number; a length or a single use makes another', () => {
  const groups = [
    bareGroup('a', { lengthMm: 20 }),
    bareGroup('b', { lengthMm: 20, count: 9, place: 'below' }),
    bareGroup('c', { lengthMm: 35 }),
    bareGroup('d', { lengthMm: 35, singleUse: true }),
  ];
  expect(fastenerKinds(groups)).toEqual([
    { drive: 'hex', size: '10 mm', lengthMm: 20, release: 'unscrew', singleUse: false },
    { drive: 'hex', size: '10 mm', lengthMm: 35, release: 'unscrew', singleUse: false },
    { drive: 'hex', size: '10 mm', lengthMm: 35, release: 'unscrew', singleUse: true },
  ]);
});

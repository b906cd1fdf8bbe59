import type { Names } from '@jade/words/names';
import { sayPhoto, sayPictured, sayTake } from './index.ts';

const names = { piece: (id: string) => `Piece ${id}`, plug: (id: string) => `Plug ${id}` } as Names;

test('a photo of a piece names the piece and says of no level that it was reached', () => {
  expect(sayPictured('piece:grille/off', names)).toBe('Piece grille');
  expect(sayTake({ kind: 'piece', piece: 'grille', level: 'off' }, names)).toBe('Photo: piece grille');
  expect([sayPictured('wire:fog/2', names), sayPictured('arrival', names)]).toEqual(['Plug fog, pin 2', 'vehicle on arrival']);
});

test('its word comes first, and of damage stands what was noted', () => {
  expect(sayPhoto({ about: 'piece:grille/off', note: 'Clip' }, names)).toBe('Clip (piece grille)');
  expect(sayPhoto({ about: 'damage:e' }, names, { place: 'Rear door', note: 'scratch' })).toBe('Damage, rear door: scratch');
});

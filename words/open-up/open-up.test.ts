import { barePiece } from '../../core/test/bare-profile.ts';
import { OPEN_UP, PLACE_TWINS, sayNewKits, sayOpen, sayPlace, sayProved, saySetUp, sayWork, STEP } from './index.ts';

const plain = (text: string) => text.replace(/\u202f/g, ' ');
const names = { piece: (id: string) => ({ bonnet: 'Bonnet', plug: 'Fog plug, left', liner: 'Wheel arch liner, left' })[id] ?? id };
const lock = {
  id: 'lock',
  drive: 'plug lock' as const,
  count: 1,
  place: 'at the plug',
  side: 'left' as const,
  singleUse: false,
  release: 'squeeze tabs' as const,
  tighten: {},
  atLevel: 'off' as const,
};
const way = { id: 'w', needs: [], extraMin: 0 };

test('a step is said as an installer says it: in the profile’s words, unplugged where it is a plug, else by what happens to the piece', () => {
  const bonnet = barePiece('bonnet', { levels: [{ level: 'folded', say: 'Open the bonnet, prop it', openMin: 1, closeMin: 1, people: 1, ways: [way] }] });
  expect(sayOpen({ level: 'folded' }, bonnet, names)).toBe('Open the bonnet, prop it');
  // Said of that level alone.
  expect(sayOpen({ level: 'off' }, bonnet, names)).toBe('Take off: bonnet');
  expect(sayOpen({ level: 'off' }, barePiece('plug', { fasteners: [lock] }), names)).toBe('Unplug fog plug, left');
  expect(sayOpen({ level: 'loosened' }, barePiece('plug', { fasteners: [lock] }), names)).toBe('Loosen: fog plug, left');
  expect(sayOpen({ level: 'folded' }, barePiece('liner'), names)).toBe('Fold back: wheel arch liner, left');
  expect(sayOpen({ level: 'hung' }, undefined, names, 'liner')).toBe('Hang: wheel arch liner, left');
});

test('a side stands once: in the name of the piece, in its place, or before it', () => {
  expect(sayPlace({ side: 'left', zone: 'front' }, 'Wheel arch liner, left')).toBe('front');
  expect(sayPlace({ side: 'right', zone: 'front' }, 'Wheel arch liner')).toBe('right side, front');
  expect(sayPlace({ side: 'left', zone: 'left-side' }, 'Skirt')).toBe('left side');
  expect(sayPlace({ side: 'centre', zone: 'underneath' }, 'Undertray')).toBe('middle, underneath');
});

test('work is minutes, and what is not known to be least says by how much', () => {
  expect(plain(sayWork(37.2))).toBe('37 min of work');
  expect(sayProved(true, 0)).toBe('in and back, no shorter way is known');
  expect(plain(sayProved(false, 2.4))).toMatch(/^in and back, at most 2.4 person-min above the least$/);
  expect(plain(saySetUp(6.7, 0, undefined))).toBe('set-up 6.7 min');
  expect(plain(saySetUp(6.7, 10, { elapsedMin: 22, proved: false }))).toBe('set-up 6.7 min, waiting 10 min, both done after 22 min, not proved soonest');
});

test('kits that are new to the shop are named', () => {
  expect(sayNewKits(['Cairn Fen pair'])).toBe('Cairn Fen pair is new to the shop: one side is proved first.');
  expect(sayNewKits(['Cairn Fen pair', 'Tarn Gantry 1100'])).toBe('Cairn Fen pair and Tarn Gantry 1100 are new to the shop: one side is proved first.');
  expect(STEP.then('unplug fog plug', 2)).toBe('Then: unplug fog plug, 2 people.');
});

test('pieces that nobody said had to be open are named, or counted where they are many', () => {
  expect(OPEN_UP.onlySeen(['grille'])).toBe('Nobody has said that grille had to be open: it was. Less may be enough; Close up asks.');
  expect(OPEN_UP.onlySeen(['a', 'b'])).toBe('Nobody has said that a; b had to be open: they were. Less may be enough; Close up asks.');
  expect(OPEN_UP.onlySeen(['a', 'b', 'c', 'd', 'e'])).toBe('Nobody has said that 5 pieces had to be open: they were. Less may be enough; Close up asks.');
});

test('two that look like one are named with where each is, as far as that is known', () => {
  const [foot, lug] = [
    { id: 'foot', name: 'Bar foot', side: 'left' as const },
    { id: 'lug', name: 'Lug', side: 'left' as const },
  ];
  const where = (id: string) => ({ foot: 'Behind the grille', lug: undefined })[id];
  const asked = (place: typeof foot, is: typeof foot, named: boolean) => PLACE_TWINS.asked({ place, is, named }, where);
  expect([asked(lug, foot, false), asked(foot, lug, false), asked(lug, lug, true), asked(foot, foot, true)]).toEqual([
    'Bar foot (behind the grille), and lug',
    'Lug, and bar foot (behind the grille)',
    'Lug, and again',
    'Bar foot (behind the grille), and again: behind the grille',
  ]);
  expect([PLACE_TWINS.same('plugs'), PLACE_TWINS.two('mounts'), PLACE_TWINS.twoTitle('gaps')]).toEqual(['One plug', 'Two places', 'Two gaps of one name']);
});

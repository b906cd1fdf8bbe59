import { TYPICAL_MEASURES, lightOf, shinesIn } from './index.ts';

// 4 120 long, 1 800 wide, nose 820 ahead of the front axle: its middle lies at -1 240.
const m = TYPICAL_MEASURES.crossover;
const at = (xMm: number, yMm: number) => ({ xMm, yMm, zMm: 700 });

test.each([
  ['turn left', at(680, 740), 'amber'],
  ['turn right', at(-3290, -700), 'amber'],
  ['stop pedal', at(-3050, 0), 'red'],
  ['rear fog', at(-3300, 300), 'red'],
  ['reverse', at(-3300, 0), 'white'],
  ['dipped', at(730, 640), 'white'],
  ['main', at(740, -560), 'white'],
  ['daytime', at(760, 680), 'white'],
  ['front fog', at(760, 600), 'white'],
  ['plate', at(-3290, 0), 'white'],
  ['parking', at(760, 690), 'white'],
  ['parking', at(-1239, 690), 'white'],
  ['parking', at(-1241, 690), 'red'],
  ['parking', at(-3300, -720), 'red'],
  // In the middle of the rear: a tail lamp, or the light of the plate.
  ['parking', at(-3290, 0), undefined],
  // On the flank: 861 of 900 out, well between the ends; 859 is not, nor is what lies within 300 of an end.
  ['parking', at(-1000, 861), 'amber'],
  ['parking', at(-1000, 859), 'white'],
  ['parking', at(521, -880), 'white'],
  ['parking', at(519, -880), 'amber'],
  ['ignition', at(680, 0), undefined],
  ['output 3', at(-3290, 0), undefined],
] as const)('%s at %j shines %s', (state, place, colour) => {
  expect(lightOf({ state, at: place }, m)).toBe(colour);
});

test('only the lamps of the state that is tried shine: main beam leaves the parking lamps as they are drawn', () => {
  const main = { state: 'main' as const, at: at(740, 560) };
  const parking = { state: 'parking' as const, at: at(760, 690) };
  expect([shinesIn(main, 'main', m), shinesIn(parking, 'main', m), shinesIn(parking, 'parking', m), shinesIn(main, undefined, m)]).toEqual([
    'white',
    undefined,
    'white',
    undefined,
  ]);
});

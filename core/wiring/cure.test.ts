import { judgeCure, type OutageCase } from './index.ts';

/** A turn signal of 21 W that is told of below 15 W, with 4 W on it now. */
const turn: OutageCase = {
  kind: 'steady',
  thresholdW: 15,
  lampW: 4,
  flashes: true,
  flasherChangeable: true,
  codable: false,
  leastV: 11,
  mostV: 14.4,
  series: 'E12',
  tolerance: 0.05,
};

test('a resistor takes what is wanting at the lowest voltage, and bears four times its average heat', () => {
  // 11 W at 11 V with 5 %: at most 10.476 Ω. 10 Ω give 20.736 W at 14.4 V, half of it on average: 41.472 W.
  expect(judgeCure(turn, { by: 'resistor', ohm: 10, ratingW: 42 })).toBeUndefined();
  expect(judgeCure(turn, { by: 'resistor', ohm: 10, ratingW: 41 })).toEqual({ code: 'too little rating', ratingW: 41, neededW: expect.closeTo(41.472, 3) as number });
  expect(judgeCure(turn, { by: 'resistor', ohm: 11, ratingW: 100 })).toEqual({ code: 'too many ohms', ohm: 11, mostOhm: expect.closeTo(10.476, 3) as number });
  // Of a smaller one the heat is its own: 6.8 Ω give 30.494 W, on a lamp that stays on all the time.
  expect(judgeCure({ ...turn, flashes: false }, { by: 'resistor', ohm: 6.8, ratingW: 100 })).toEqual({
    code: 'too little rating',
    ratingW: 100,
    neededW: expect.closeTo(121.976, 3) as number,
  });
});

test('a part is of no use where the vehicle watches otherwise: a resistor on a chopped supply, a decoder or a flasher where it cannot work', () => {
  expect(judgeCure({ ...turn, kind: 'modulated' }, { by: 'resistor', ohm: 10, ratingW: 50 })).toEqual({ code: 'of no use' });
  expect(judgeCure({ ...turn, kind: 'modulated' }, { by: 'decoder' })).toBeUndefined();
  expect(judgeCure(turn, { by: 'decoder' })).toEqual({ code: 'of no use' });
  expect(judgeCure(turn, { by: 'flasher' })).toBeUndefined();
  expect(judgeCure({ ...turn, flasherChangeable: false }, { by: 'flasher' })).toEqual({ code: 'of no use' });
});

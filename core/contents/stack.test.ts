import type { BoltStack } from '../kit/index.ts';
import { checkStack } from './index.ts';

const bolt = (part: Partial<BoltStack> = {}): BoltStack => ({ boltMm: 25, threadMm: 6, partsMm: [3, 2, 1.6], into: 'steel', ...part });

test('25 mm through 3 + 2 + 1.6 mm leaves 18.4 mm, 6 are wanted into steel', () => {
  expect(checkStack(bolt())).toMatchObject({ wantedMm: 6, value: 'enough', lengthMm: 16 });
  expect(checkStack(bolt()).stackMm).toBeCloseTo(6.6, 9);
  expect(checkStack(bolt()).engagementMm).toBeCloseTo(18.4, 9);
});

test('one diameter into steel or a nut is enough to the tenth, 1.5 into aluminium is wanted', () => {
  expect(checkStack(bolt({ boltMm: 12, partsMm: [6] })).value).toBe('enough');
  expect(checkStack(bolt({ boltMm: 12, partsMm: [6.1] })).value).toBe('too short');
  expect(checkStack(bolt({ boltMm: 12, partsMm: [6], into: 'nut' })).value).toBe('enough');
  expect(checkStack(bolt({ boltMm: 16, partsMm: [8], into: 'aluminium' }))).toMatchObject({ wantedMm: 9, value: 'too short', lengthMm: 20 });
});

test('into plastic only the maker knows; what the maker says wins elsewhere too', () => {
  const plastic = checkStack(bolt({ into: 'plastic' }));
  expect([plastic.value, plastic.wantedMm, plastic.lengthMm]).toEqual(['ask the maker', undefined, undefined]);
  expect(checkStack(bolt({ into: 'plastic', wantedMm: 10 }))).toMatchObject({ value: 'enough', lengthMm: 20 });
  expect(checkStack(bolt({ boltMm: 12, partsMm: [6], wantedMm: 8 })).value).toBe('too short');
});

test('a bolt that does not reach the thread is too short, one longer than its room comes through', () => {
  expect(checkStack(bolt({ boltMm: 6, into: 'plastic' })).value).toBe('too short');
  expect(checkStack(bolt({ roomMm: 18 })).value).toBe('comes through');
  expect(checkStack(bolt({ roomMm: 18.4 })).value).toBe('enough');
  expect(checkStack(bolt({ partsMm: [200] })).lengthMm).toBeUndefined();
});

test('a washer of 20 mm lies 7 mm over a slot of 12 by 5, and not over one of 16 by 12', () => {
  expect(checkStack(bolt({ washerMm: 20, holeMm: [12, 5] }))).toMatchObject({ washerOverMm: 7, washerHolds: true });
  expect(checkStack(bolt({ washerMm: 20, holeMm: [16, 12] }))).toMatchObject({ washerOverMm: 0, washerHolds: false });
  expect(checkStack(bolt({ washerMm: 20 })).washerHolds).toBeUndefined();
});

test('12 mm through 0.2 + 4.9 + 0.9 mm engages 6 and is enough, whatever the sum of the parts is to the last bit', () => {
  expect(checkStack(bolt({ boltMm: 12, partsMm: [0.2, 4.9, 0.9] }))).toMatchObject({ value: 'enough', lengthMm: 12 });
  expect(checkStack(bolt({ boltMm: 12, partsMm: [0.2, 4.9, 0.9], roomMm: 6 })).value).toBe('enough');
  expect(checkStack(bolt({ boltMm: 12, partsMm: [0.2, 4.9, 0.91] }))).toMatchObject({ value: 'too short', lengthMm: 16 });
});

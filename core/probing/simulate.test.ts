import { drawPlug, probeByWorth, probeInOrder, readHidden, seeded } from './index.ts';

const rules = { offBelow: 0.05, onFrom: 0.85, groundMaxV: 0.2, groundMaxOhm: 1 };

test('a seed gives the same plug each time, from 0 to below 1', () => {
  const numbers = Array.from({ length: 1000 }, seeded(7));
  expect(numbers.every((number) => number >= 0 && number < 1)).toBe(true);
  expect(drawPlug(seeded(5))).toEqual(drawPlug(seeded(5)));
  const { hidden, run } = drawPlug(seeded(5));
  expect(hidden.pins.length).toBeGreaterThanOrEqual(6);
  expect(run.wanted?.every((name) => hidden.pins.some((pin) => pin.function === name))).toBe(true);
});

test('a hidden plug shows what its pins do: a leak collapses, what flashes is sometimes averaged, and not when it is looked at closely', () => {
  const hidden = {
    pins: [
      { id: '1', function: 'turn left' as const },
      { id: '2', function: 'reverse' as const },
    ],
    leak: { pin: '2', state: 'parking' as const },
    errorChance: 0,
    systemV: 12,
  };
  const random = seeded(3);
  const shown = (pin: string, state: 'turn left' | 'parking' | 'reverse', closely = false) => Array.from({ length: 60 }, () => readHidden(hidden, pin, state, random, closely));
  expect(shown('2', 'parking').every(({ underLamp }) => underLamp === 'collapses')).toBe(true);
  expect(shown('2', 'reverse').every(({ lowV }) => lowV > 11)).toBe(true);
  const flashing = shown('1', 'turn left').map(({ lowV }) => lowV > 5);
  expect([flashing.includes(true), flashing.includes(false)]).toEqual([true, true]);
  expect(shown('1', 'turn left', true).every(({ lowV, highV }) => lowV < 0.6 && highV > 11)).toBe(true);
});

test('drawn plugs with noise and a leak are settled without a wrong proof, by fewer readings than pin by pin', () => {
  const plugs = Array.from({ length: 40 }, (_, index) => {
    const { hidden, run } = drawPlug(seeded(index * 7919 + 3));
    return { ours: probeByWorth(run, hidden, rules, seeded(index + 11)), order: probeInOrder(run, hidden, rules, seeded(index + 11)) };
  });
  const median = (list: number[]) => list.sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? 0;
  expect(plugs.filter(({ ours }) => ours.settled).length).toBeGreaterThanOrEqual(39);
  expect(plugs.reduce((sum, { ours }) => sum + ours.wrong, 0)).toBe(0);
  expect(median(plugs.map(({ ours }) => ours.readings))).toBeLessThanOrEqual(0.65 * median(plugs.map(({ order }) => order.readings)));
});

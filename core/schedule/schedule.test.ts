import fc from 'fast-check';
import { estimateStep, estimateTotal, sumTaken } from './index.ts';

const prior = (...medians: number[]) => medians.map((median) => estimateStep(median));

test('before anything is learned the median is the profile’s, the 80 % point exp(0.8416·0.35) = 1.3425 times it', () => {
  const estimate = estimateStep(10);
  expect(estimate.medianMin).toBeCloseTo(10, 9);
  expect(estimate.p80Min).toBeCloseTo(13.425, 3);
  expect(estimate.taken).toBe(0);
});

test('three times of 20 against a prior of 10 count alike: the median is √200', () => {
  const estimate = estimateStep(10, sumTaken([20, 20, 20]));
  expect(estimate.medianMin).toBeCloseTo(Math.sqrt(200), 9);
  // Spread: (3·0.35² + 3·(ln 20 − ln √200)²)/6 = (0.3675 + 3·0.1201)/6 = 0.1213.
  expect(estimate.sigma ** 2).toBeCloseTo(0.1213, 4);
  expect(estimate.taken).toBe(3);
});

test('the spread from the sums is that from the times one by one', () => {
  const times = fc.array(fc.double({ min: 0.1, max: 200, noNaN: true }), { maxLength: 20 });
  fc.assert(
    fc.property(fc.double({ min: 0.1, max: 200, noNaN: true }), times, (priorMin, takenMin) => {
      const { medianMin, sigma } = estimateStep(priorMin, sumTaken(takenMin));
      const squares = takenMin.reduce((sum, time) => sum + (Math.log(time) - Math.log(medianMin)) ** 2, 0);
      expect(sigma ** 2).toBeCloseTo((3 * 0.35 ** 2 + squares) / (3 + takenMin.length), 6);
    }),
  );
});

test('a step that takes no time, and times of zero, are left out', () => {
  expect(estimateStep(0)).toEqual({ medianMin: 0, p80Min: 0, sigma: 0, taken: 0 });
  expect(estimateStep(10, sumTaken([0])).medianMin).toBeCloseTo(10, 9);
  expect(estimateTotal([])).toEqual({ medianMin: 0, p80Min: 0, sigma: 0, taken: 0 });
});

test('the total of one step is the step, learned or not', () => {
  const step = estimateStep(10, sumTaken([14, 9, 15]));
  const total = estimateTotal([step]);
  for (const key of ['medianMin', 'p80Min', 'sigma', 'taken'] as const) expect(total[key]).toBeCloseTo(step[key], 9);
});

test('four steps of ten: mean 42.53, σ 0.179, median 41.85, and an 80 % point well below four times that of one', () => {
  const total = estimateTotal(prior(10, 10, 10, 10));
  // mean = 40·exp(0.06125) = 42.527; variance = 400·exp(0.1225)·(exp(0.1225) − 1) = 58.92; ln(1 + 58.92/42.527²) = 0.03206.
  expect(total.sigma).toBeCloseTo(0.179, 3);
  expect(total.medianMin).toBeCloseTo(41.85, 2);
  expect(total.p80Min).toBeLessThan(4 * estimateStep(10).p80Min);
});

test('set-up adds to the mean and does not spread', () => {
  const [without, with_] = [estimateTotal(prior(10, 10)), estimateTotal(prior(10, 10), 5)];
  expect(with_.medianMin).toBeGreaterThan(without.medianMin + 4.9);
  expect(with_.sigma).toBeLessThan(without.sigma);
});

import { estimateStep, estimateTotal } from './index.ts';

test('before anything is learned the median is the profile’s, the 80 % point exp(0.8416·0.35) = 1.3425 times it', () => {
  const estimate = estimateStep(10);
  expect(estimate.medianMin).toBeCloseTo(10, 9);
  expect(estimate.p80Min).toBeCloseTo(13.425, 3);
});

test('three times of 20 against a prior of 10 count alike: the median is √200', () => {
  const estimate = estimateStep(10, [20, 20, 20]);
  expect(estimate.medianMin).toBeCloseTo(Math.sqrt(200), 9);
  // Spread: (3·0.35² + 3·(ln 20 − ln √200)²)/6 = (0.3675 + 3·0.1201)/6 = 0.1213.
  expect(estimate.sigma ** 2).toBeCloseTo(0.1213, 4);
});

test('a step that takes no time, and times of zero, are left out', () => {
  expect(estimateStep(0)).toEqual({ medianMin: 0, p80Min: 0, sigma: 0 });
  expect(estimateStep(10, [0]).medianMin).toBeCloseTo(10, 9);
  expect(estimateTotal([])).toEqual({ medianMin: 0, p80Min: 0, sigma: 0 });
});

test('the total of one step is the step', () => {
  expect(estimateTotal([10]).medianMin).toBeCloseTo(10, 9);
  expect(estimateTotal([10]).p80Min).toBeCloseTo(estimateStep(10).p80Min, 9);
});

test('four steps of ten: mean 42.53, σ 0.179, median 41.85, and an 80 % point well below four times that of one', () => {
  const total = estimateTotal([10, 10, 10, 10]);
  // mean = 40·exp(0.06125) = 42.527; variance = 400·exp(0.1225)·(exp(0.1225) − 1) = 58.92; ln(1 + 58.92/42.527²) = 0.03206.
  expect(total.sigma).toBeCloseTo(0.179, 3);
  expect(total.medianMin).toBeCloseTo(41.85, 2);
  expect(total.p80Min).toBeLessThan(4 * estimateStep(10).p80Min);
});

test('set-up adds to the mean and does not spread', () => {
  const [without, with_] = [estimateTotal([10, 10]), estimateTotal([10, 10], 5)];
  expect(with_.medianMin).toBeGreaterThan(without.medianMin + 4.9);
  expect(with_.sigma).toBeLessThan(without.sigma);
});

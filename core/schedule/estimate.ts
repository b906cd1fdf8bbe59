/** A time that is log-normal: half of the times it is done within the median, eight of ten within the 80 % point; minutes. */
export interface Estimate {
  medianMin: number;
  p80Min: number;
  /** Spread of the logarithm. */
  sigma: number;
  /** How many times taken at this shop it rests on. */
  taken: number;
}

/** Times taken for one step, as far as an estimate needs them: how many, and the sums of their logarithms and of the squares of those. */
export interface TakenTimes {
  count: number;
  sumLn: number;
  sumLnSquared: number;
}

/** Times taken so far at this shop, by the name of the step. */
export type TakenBySteps = Readonly<Record<string, TakenTimes>>;

/** Spread of a step's time before anything is learned of it. */
export const PRIOR_SIGMA = 0.35;
/** A profile's prior counts as so many times done. */
const PRIOR_WEIGHT = 3;
/** Standard normal deviate of the 80 % point. */
const Z80 = 0.8416;

const NOTHING_TAKEN: TakenTimes = { count: 0, sumLn: 0, sumLnSquared: 0 };
const NO_TIME: Estimate = { medianMin: 0, p80Min: 0, sigma: 0, taken: 0 };

const fromMu = (mu: number, sigma: number, taken: number): Estimate => ({ medianMin: Math.exp(mu), p80Min: Math.exp(mu + Z80 * sigma), sigma, taken });

/** Times taken, in minutes, as an estimate needs them; those of zero and below are left out. */
export function sumTaken(takenMin: readonly number[]): TakenTimes {
  const logs = takenMin.filter((value) => value > 0).map(Math.log);
  return { count: logs.length, sumLn: logs.reduce((sum, value) => sum + value, 0), sumLnSquared: logs.reduce((sum, value) => sum + value ** 2, 0) };
}

/**
 * Estimate of one step: the shop's mean of logarithms shrunk to the profile's prior with the weight of three jobs,
 * μ = (3·ln prior + Σ ln t)/(3 + n), the spread likewise from a prior σ of 0.35.
 * @param priorMin what the profile says, above zero; a step that takes no time stays so
 * @param taken times taken so far
 */
export function estimateStep(priorMin: number, { count, sumLn, sumLnSquared }: TakenTimes = NOTHING_TAKEN): Estimate {
  if (priorMin <= 0) return NO_TIME;
  const weight = PRIOR_WEIGHT + count;
  const mu = (PRIOR_WEIGHT * Math.log(priorMin) + sumLn) / weight;
  const spread = Math.max(0, sumLnSquared - 2 * mu * sumLn + count * mu ** 2);
  return fromMu(mu, Math.sqrt((PRIOR_WEIGHT * PRIOR_SIGMA ** 2 + spread) / weight), count);
}

/**
 * Estimate of a sum of steps by matching its mean and variance to a log-normal time (L. F. Fenton, 1960), not by adding 80 %
 * points. Steps count as independent.
 * @param fixedMin time that does not spread, such as set-up; may be negative where work runs side by side
 */
export function estimateTotal(steps: readonly Pick<Estimate, 'medianMin' | 'sigma' | 'taken'>[], fixedMin = 0): Estimate {
  let mean = fixedMin;
  let variance = 0;
  for (const { medianMin, sigma } of steps) {
    mean += medianMin * Math.exp(sigma ** 2 / 2);
    variance += medianMin ** 2 * Math.exp(sigma ** 2) * (Math.exp(sigma ** 2) - 1);
  }
  if (mean <= 0) return NO_TIME;
  const total = Math.log(1 + variance / mean ** 2);
  return fromMu(
    Math.log(mean) - total / 2,
    Math.sqrt(total),
    steps.reduce((sum, { taken }) => sum + taken, 0),
  );
}

/** A time that is log-normal: half of the times it is done within the median, eight of ten within the 80 % point; minutes. */
export interface Estimate {
  medianMin: number;
  p80Min: number;
  /** Spread of the logarithm. */
  sigma: number;
}

/** Spread of a step's time before anything is learned of it. */
export const PRIOR_SIGMA = 0.35;
/** A profile's prior counts as so many times done. */
const PRIOR_WEIGHT = 3;
/** Standard normal deviate of the 80 % point. */
const Z80 = 0.8416;

const fromMu = (mu: number, sigma: number): Estimate => ({ medianMin: Math.exp(mu), p80Min: Math.exp(mu + Z80 * sigma), sigma });

/**
 * Estimate of one step: the shop's mean of logarithms shrunk to the profile's prior with the weight of three jobs,
 * μ = (3·ln prior + Σ ln t)/(3 + n), the spread likewise from a prior σ of 0.35.
 * @param priorMin what the profile says, above zero
 * @param takenMin times taken so far, above zero
 */
export function estimateStep(priorMin: number, takenMin: readonly number[] = []): Estimate {
  if (priorMin <= 0) return { medianMin: 0, p80Min: 0, sigma: 0 };
  const logs = takenMin.filter((value) => value > 0).map(Math.log);
  const weight = PRIOR_WEIGHT + logs.length;
  const mu = (PRIOR_WEIGHT * Math.log(priorMin) + logs.reduce((sum, value) => sum + value, 0)) / weight;
  const spread = logs.reduce((sum, value) => sum + (value - mu) ** 2, 0);
  return fromMu(mu, Math.sqrt((PRIOR_WEIGHT * PRIOR_SIGMA ** 2 + spread) / weight));
}

/**
 * Estimate of a sum of steps by matching its mean and variance to a log-normal time (L. F. Fenton, 1960), not by adding 80 %
 * points. Steps count as independent.
 * @param fixedMin time that does not spread, such as set-up; may be negative where work runs side by side
 */
export function estimateTotal(mediansMin: readonly number[], fixedMin = 0, sigma = PRIOR_SIGMA): Estimate {
  const means = mediansMin.map((median) => median * Math.exp(sigma ** 2 / 2));
  const spread = mediansMin.reduce((sum, median) => sum + median ** 2 * Math.exp(sigma ** 2) * (Math.exp(sigma ** 2) - 1), 0);
  const mean = means.reduce((sum, value) => sum + value, 0) + fixedMin;
  if (mean <= 0) return { medianMin: 0, p80Min: 0, sigma: 0 };
  const total = Math.log(1 + spread / mean ** 2);
  return fromMu(Math.log(mean) - total / 2, Math.sqrt(total));
}

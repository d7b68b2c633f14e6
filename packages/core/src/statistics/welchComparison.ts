import { requireReadings } from '../errors/guards.ts';
import { mean, standardDeviation } from './describe.ts';
import { studentTQuantile, studentTTwoSided } from './studentT.ts';

export interface WelchComparison {
  /** mean(b) − mean(a) */
  difference: number;
  degreesOfFreedom: number;
  standardError: number;
  low: number;
  high: number;
  probability: number;
  isSignificant: boolean;
}

/**
 * Difference of two means whose spreads need not be equal, with its 95 % interval.
 *
 *   ν = (va + vb)² / (va²/(na−1) + vb²/(nb−1)),  v = s²/n
 *
 * Two groups without any spread differ for certain or not at all: the interval then has no width.
 *
 * @param a - at least 2 repeats
 * @param b - at least 2 repeats, same unit
 * @throws {NotEnoughReadingsError} with fewer than two values on either side
 * @see B. L. Welch, Biometrika 34 (1947)
 * @example welchComparison([1, 2, 3], [4, 5, 6]).difference // => 3
 */
export function welchComparison(a: readonly number[], b: readonly number[]): WelchComparison {
  requireReadings('a', a, 2);
  requireReadings('b', b, 2);
  const difference = mean(b) - mean(a);
  const va = standardDeviation(a) ** 2 / a.length;
  const vb = standardDeviation(b) ** 2 / b.length;
  const standardError = Math.sqrt(va + vb);
  if (standardError === 0) {
    const isSignificant = difference !== 0;
    const degreesOfFreedom = a.length + b.length - 2;
    return {
      difference,
      degreesOfFreedom,
      standardError,
      low: difference,
      high: difference,
      probability: isSignificant ? 0 : 1,
      isSignificant,
    };
  }
  // Shares of the variance, so that neither tiny nor huge spreads leave the numbers.
  const share = va / (va + vb);
  const degreesOfFreedom = 1 / (share ** 2 / (a.length - 1) + (1 - share) ** 2 / (b.length - 1));
  const half = studentTQuantile(0.975, degreesOfFreedom) * standardError;
  const probability = studentTTwoSided(difference / standardError, degreesOfFreedom);
  return {
    difference,
    degreesOfFreedom,
    standardError,
    low: difference - half,
    high: difference + half,
    probability,
    isSignificant: probability < 0.05,
  };
}

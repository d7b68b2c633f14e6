import { OutOfRangeError } from '../errors/coreError.ts';
import { requireReadings } from '../errors/guards.ts';
import { mean, standardDeviation } from './describe.ts';
import { studentTQuantile } from './studentT.ts';

export interface TInterval {
  mean: number;
  standardDeviation: number;
  /** The mean is known to ± this much. */
  halfWidth: number;
  /** Standard deviation over mean; NaN-free: null when the mean is 0. */
  variationRatio: number | null;
}

/**
 * Confidence interval of a mean from its own repeats.
 *
 *   half width = t_{(1+c)/2, n−1} · s/√n
 *
 * Two repeats alone give t = 12.7: pool the spread over the campaign (`pooledSpread`) before trusting it.
 *
 * @param values - at least 2 repeats, any unit
 * @param confidence - strictly between 0 and 1
 * @throws {NotEnoughReadingsError} with fewer than two values
 * @throws {OutOfRangeError} if a value is not finite or the confidence is not between 0 and 1
 * @example tInterval([9, 11], 0.95).halfWidth // => 12.706…
 */
export function tInterval(values: readonly number[], confidence: number): TInterval {
  requireReadings('values', values, 2);
  if (!(confidence > 0 && confidence < 1)) throw new OutOfRangeError('confidence', confidence, '> 0 and < 1');
  const centre = mean(values);
  const spread = standardDeviation(values);
  const t = studentTQuantile((1 + confidence) / 2, values.length - 1);
  return {
    mean: centre,
    standardDeviation: spread,
    halfWidth: (t * spread) / Math.sqrt(values.length),
    variationRatio: centre === 0 ? null : spread / centre,
  };
}

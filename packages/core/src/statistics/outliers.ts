import { requireReadings } from '../errors/guards.ts';
import { mean, median, standardDeviation } from './describe.ts';
import { studentTQuantile } from './studentT.ts';

export interface GrubbsResult {
  /** Largest distance from the mean in standard deviations. */
  distance: number;
  critical: number;
  /** Index of the value that stands furthest off. */
  index: number;
  isOutlier: boolean;
}

/**
 * Grubbs' two-sided test for one outlier, α = 0.05.
 *
 *   G = max|x − x̄|/s,  critical = (n−1)/√n · √(t²/(n−2+t²)),  t = t_{1−α/(2n), n−2}
 *
 * @param values - at least 3 repeats
 * @returns index of the furthest value; without any spread nothing is an outlier and the distance is 0
 * @throws {NotEnoughReadingsError} with fewer than three values
 * @see F. E. Grubbs, Technometrics 11 (1969)
 * @example grubbsOutlier([1, 1.1, 0.9, 1, 5]).isOutlier // => true
 */
export function grubbsOutlier(values: readonly number[]): GrubbsResult {
  requireReadings('values', values, 3);
  const n = values.length;
  const centre = mean(values);
  const spread = standardDeviation(values);
  const distances = values.map((v) => Math.abs(v - centre));
  const index = distances.indexOf(Math.max(...distances));
  const distance = spread === 0 ? 0 : distances[index]! / spread;
  const t = studentTQuantile(1 - 0.05 / (2 * n), n - 2);
  const critical = ((n - 1) / Math.sqrt(n)) * Math.sqrt(t ** 2 / (n - 2 + t ** 2));
  return { distance, critical, index, isOutlier: distance > critical };
}

export interface MedianOutliers {
  median: number;
  /** Median absolute deviation from the median. */
  deviation: number;
  /** Modified z-scores; absent when the deviation is 0. */
  scores: number[] | null;
  isOutlier: boolean[];
}

/**
 * Outliers by the median absolute deviation: stays honest when several values are off, where Grubbs finds one at most.
 *
 *   z = 0.6745·(x − median)/MAD, flagged where |z| > 3.5
 *
 * @param values - at least 1 value
 * @returns no score and no flag when more than half of the values are equal (MAD = 0)
 * @see B. Iglewicz, D. Hoaglin: How to Detect and Handle Outliers, 1993
 * @example medianOutliers([1, 1.1, 0.9, 1, 5]).isOutlier // => [false, false, false, false, true]
 */
export function medianOutliers(values: readonly number[]): MedianOutliers {
  const centre = median(values);
  const deviation = median(values.map((v) => Math.abs(v - centre)));
  if (deviation === 0) return { median: centre, deviation, scores: null, isOutlier: values.map(() => false) };
  const scores = values.map((v) => (0.6745 * (v - centre)) / deviation);
  return { median: centre, deviation, scores, isOutlier: scores.map((z) => Math.abs(z) > 3.5) };
}

import { requireReadings } from '../errors/guards.ts';

/** Arithmetic mean of at least one finite value. */
export function mean(values: readonly number[]): number {
  requireReadings('values', values, 1);
  return values.reduce((sum, v) => sum + v, 0) / values.length;
}

/** Sample standard deviation (n − 1) of at least two finite values. */
export function standardDeviation(values: readonly number[]): number {
  requireReadings('values', values, 2);
  const centre = mean(values);
  return Math.sqrt(values.reduce((sum, v) => sum + (v - centre) ** 2, 0) / (values.length - 1));
}

/** Middle value of at least one finite value; the mean of the two middle ones when their count is even. */
export function median(values: readonly number[]): number {
  requireReadings('values', values, 1);
  const sorted = [...values].sort((a, b) => a - b);
  const half = sorted.length >> 1;
  return sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2;
}

import { requireWithin } from '../errors/guards.ts';

const MOST_TRIALS = 1000;

/**
 * How likely chance alone gives a split of votes at least this uneven, two-sided.
 *
 *   p = Σ over k with P(k) ≤ P(wins) of C(n, k)/2ⁿ
 *
 * @param wins - 0 to count, whole
 * @param count - votes, 1 to 1000
 * @throws {OutOfRangeError} outside those ranges
 * @example signTest(8, 10) // => 0.109…
 */
export function signTest(wins: number, count: number): number {
  requireWithin('count', count, 1, MOST_TRIALS);
  requireWithin('wins', wins, 0, count);
  const fewer = Math.min(wins, count - wins);
  let term = Math.exp(-count * Math.LN2);
  let sum = 0;
  for (let k = 0; k <= fewer; k++) {
    sum += term;
    term *= (count - k) / (k + 1);
  }
  return Math.min(1, 2 * sum);
}

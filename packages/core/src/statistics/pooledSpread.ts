import { requireFinite } from '../errors/guards.ts';
import { mean } from './describe.ts';
import { studentTQuantile } from './studentT.ts';

export interface PooledSpread {
  /** Relative standard deviation of one repeat. */
  spreadRatio: number;
  degreesOfFreedom: number;
  /** Half width of the 95 % interval of one repeat, t_{0.975, ν} · s: taken once, the quantile is what takes time. */
  halfWidthRatio: number;
}

/**
 * Relative spread of one repeat, pooled over groups that share an instrument but not a mean.
 *
 *   s² = Σ(ni − 1)·(si/x̄i)² / Σ(ni − 1)
 *
 * Seven props with two runs each are seven degrees of freedom; one prop's two runs alone are one.
 *
 * @param groups - repeats of each prop, any count; a group of one adds nothing; group means must not be 0
 * @returns null when no group has two repeats
 * @throws {OutOfRangeError} if a value is not finite
 * @example pooledSpread([[10, 10.2], [20, 20.2]])?.degreesOfFreedom // => 2
 */
export function pooledSpread(groups: readonly (readonly number[])[]): PooledSpread | null {
  let sum = 0;
  let degreesOfFreedom = 0;
  for (const group of groups) {
    for (const value of group) requireFinite('value', value);
    if (group.length < 2) continue;
    const centre = mean(group);
    if (centre === 0) continue;
    for (const value of group) sum += ((value - centre) / centre) ** 2;
    degreesOfFreedom += group.length - 1;
  }
  if (degreesOfFreedom === 0) return null;
  const spreadRatio = Math.sqrt(sum / degreesOfFreedom);
  return { spreadRatio, degreesOfFreedom, halfWidthRatio: studentTQuantile(0.975, degreesOfFreedom) * spreadRatio };
}

/**
 * Half width of the 95 % interval of a mean of `count` repeats under a pooled spread, relative to the mean.
 *
 *   t_{0.975, ν} · s / √n
 */
export function pooledHalfWidthRatio(spread: PooledSpread, count: number): number {
  return spread.halfWidthRatio / Math.sqrt(count);
}

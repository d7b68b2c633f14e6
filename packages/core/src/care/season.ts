import { requirePositive, requireWithin } from '../errors/guards.ts';

/** What the log tells of one craft and one model. */
export interface SeasonLog {
  /** Days that the log covers. */
  daysCount: number;
  /** Pieces of each hand that were used up in that time. */
  usedUpCount: number;
  /** Pieces in hand that can fly now. */
  onRackCount: number;
}

export interface SeasonSpares {
  /** Pieces that the season uses up on average. */
  expectedCount: number;
  /** Pieces that are enough in nineteen seasons of twenty. */
  safeCount: number;
  toBuyCount: number;
  /** True where the log is too short or too empty to say much. */
  isThin: boolean;
}

const ENOUGH = 0.95;
const THIN_DAYS = 30;
const THIN_COUNT = 3;
const MOST = 500;

/**
 * How many pieces of one hand a season will take, from how many the log used up.
 *
 * Losses are counted as a Poisson stream whose rate the log estimates; one loss more than was seen is added so that an
 * empty log does not promise an eternal prop.
 *
 *   λ = (n + 1)·season/log; least k with P(N ≤ k) ≥ 0.95
 *
 * @param seasonDays - length of the season, 1 to 730
 * @throws {OutOfRangeError} if a count is negative or a time makes no sense
 */
export function seasonSpares({ daysCount, usedUpCount, onRackCount }: SeasonLog, seasonDays: number): SeasonSpares {
  requirePositive('daysCount', daysCount);
  requireWithin('usedUpCount', usedUpCount, 0, 100_000);
  requireWithin('onRackCount', onRackCount, 0, 100_000);
  requireWithin('seasonDays', seasonDays, 1, 730);
  const expectedCount = ((usedUpCount + 1) * seasonDays) / Math.max(daysCount, 1);
  const safeCount = poissonQuantile(Math.min(expectedCount, MOST), ENOUGH);
  return { expectedCount, safeCount, toBuyCount: Math.max(0, safeCount - onRackCount), isThin: daysCount < THIN_DAYS || usedUpCount < THIN_COUNT };
}

/** Least k for which a Poisson number with this mean stays at or under k with the given probability. */
function poissonQuantile(mean: number, probability: number): number {
  let term = Math.exp(-mean);
  let sum = term;
  let k = 0;
  while (sum < probability && k < 4 * MOST) {
    k++;
    term *= mean / k;
    sum += term;
  }
  return k;
}

import { requirePositive, requireWithin } from '../errors/guards.ts';

/** What the log tells of one craft and one model. */
export interface SeasonLog {
  /** Days that the log covers, and flights in it. */
  daysCount: number;
  flightCount: number;
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
  /** True where hardly a piece was used up yet. */
  isThin: boolean;
}

const ENOUGH = 0.95;
/** A log shorter than this tells no season. */
export const LEAST_LOG = { days: 30, flights: 10 } as const;
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
 * @returns null where not enough was flown to say
 * @throws {OutOfRangeError} if a count is negative or a time makes no sense
 */
export function seasonSpares(
  { daysCount, flightCount, usedUpCount, onRackCount }: SeasonLog,
  seasonDays: number,
): SeasonSpares | null {
  requirePositive('daysCount', daysCount);
  requireWithin('usedUpCount', usedUpCount, 0, 100_000);
  requireWithin('onRackCount', onRackCount, 0, 100_000);
  requireWithin('flightCount', flightCount, 0, 1_000_000);
  requireWithin('seasonDays', seasonDays, 1, 730);
  if (daysCount < LEAST_LOG.days || flightCount < LEAST_LOG.flights) return null;
  const expectedCount = ((usedUpCount + 1) * seasonDays) / daysCount;
  const safeCount = poissonQuantile(Math.min(expectedCount, MOST), ENOUGH);
  return {
    expectedCount,
    safeCount,
    toBuyCount: Math.max(0, safeCount - onRackCount),
    isThin: usedUpCount < THIN_COUNT,
  };
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

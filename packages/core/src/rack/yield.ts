import { requireWithin } from '../errors/guards.ts';

/** What became of the pieces of a model or a maker. */
export interface YieldCounts {
  goodFromBagCount: number;
  goodCorrectedCount: number;
  rejectedCount: number;
}

export interface YieldResult extends YieldCounts {
  pieceCount: number;
  /** Share that is usable in the end, with its 95 % interval; null without a piece. */
  usable: { ratio: number; lowRatio: number; highRatio: number } | null;
}

const Z = 1.959964;

/**
 * Share of usable pieces with Wilson's interval, which stays inside 0 to 1 and honest for a handful of pieces.
 *
 *   centre = (p + z²/2n)/(1 + z²/n), half = z·√(p(1 − p)/n + z²/4n²)/(1 + z²/n)
 *
 * @throws {OutOfRangeError} if a count is negative
 * @see E. B. Wilson, Probable inference, the law of succession, and statistical inference, 1927
 * @example yieldOf({ goodFromBagCount: 6, goodCorrectedCount: 2, rejectedCount: 2 }).usable // => 0.8, 0.490…, 0.943…
 */
export function yieldOf(counts: YieldCounts): YieldResult {
  for (const [what, value] of Object.entries(counts)) requireWithin(what, value as number, 0, 1e9);
  const good = counts.goodFromBagCount + counts.goodCorrectedCount;
  const n = good + counts.rejectedCount;
  if (n === 0) return { ...counts, pieceCount: 0, usable: null };
  const p = good / n;
  const base = 1 + Z ** 2 / n;
  const centre = (p + Z ** 2 / (2 * n)) / base;
  const half = (Z * Math.sqrt((p * (1 - p)) / n + Z ** 2 / (4 * n ** 2))) / base;
  return { ...counts, pieceCount: n, usable: { ratio: p, lowRatio: Math.max(0, centre - half), highRatio: p === 1 ? 1 : Math.min(1, centre + half) } };
}

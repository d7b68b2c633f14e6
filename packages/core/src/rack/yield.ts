import { requireWithin } from '../errors/guards.ts';
import { Z_95 } from '../statistics/normal.ts';

/** What the record knows of how a piece turned out. */
export interface PieceFate {
  isCheckedIn: boolean;
  /** Its look at check-in says that it never flies. */
  isUnsound: boolean;
  isRetired: boolean;
  /** It was on a craft. */
  hasFlown: boolean;
  isTrued: boolean;
  isCorrected: boolean;
  /** The newest word of the shaft is that no tape mends it. */
  isSentBack: boolean;
}

export type PieceJudgement = 'goodFromBag' | 'goodCorrected' | 'rejected' | 'notJudged';

/**
 * How a piece turned out: what flew or was balanced is good, what goes back, cracked or was thrown out unflown is not;
 * of the others nobody knows yet.
 */
export function judgeFate({
  isCheckedIn,
  isUnsound,
  isRetired,
  hasFlown,
  isTrued,
  isCorrected,
  isSentBack,
}: PieceFate): PieceJudgement {
  if (!hasFlown && (isRetired || isUnsound || isSentBack)) return 'rejected';
  if (!hasFlown && !(isCheckedIn && isTrued)) return 'notJudged';
  return isCorrected ? 'goodCorrected' : 'goodFromBag';
}

/** What became of the pieces of a model, a maker or a delivery. */
export interface YieldCounts {
  goodFromBagCount: number;
  goodCorrectedCount: number;
  rejectedCount: number;
  notJudgedCount: number;
}

export interface YieldResult extends YieldCounts {
  /** Pieces that were judged. */
  pieceCount: number;
  /** Share that is usable in the end, with its 95 % interval; null without a piece. */
  usable: { ratio: number; lowRatio: number; highRatio: number } | null;
}

/**
 * Share of usable pieces with Wilson's interval, which stays inside 0 to 1 and honest for a handful of pieces.
 *
 *   centre = (p + z²/2n)/(1 + z²/n), half = z·√(p(1 − p)/n + z²/4n²)/(1 + z²/n)
 *
 * @throws {OutOfRangeError} if a count is negative
 * @see E. B. Wilson, Probable inference, the law of succession, and statistical inference, 1927
 * @example yieldOf({ goodFromBagCount: 6, goodCorrectedCount: 2, rejectedCount: 2, notJudgedCount: 0 }).usable // => 0.8, 0.490…, 0.943…
 */
export function yieldOf(counts: YieldCounts): YieldResult {
  for (const [what, value] of Object.entries(counts)) requireWithin(what, value as number, 0, 1e9);
  const good = counts.goodFromBagCount + counts.goodCorrectedCount;
  const n = good + counts.rejectedCount;
  if (n === 0) return { ...counts, pieceCount: 0, usable: null };
  const p = good / n;
  const base = 1 + Z_95 ** 2 / n;
  const centre = (p + Z_95 ** 2 / (2 * n)) / base;
  const half = (Z_95 * Math.sqrt((p * (1 - p)) / n + Z_95 ** 2 / (4 * n ** 2))) / base;
  return {
    ...counts,
    pieceCount: n,
    usable: { ratio: p, lowRatio: Math.max(0, centre - half), highRatio: p === 1 ? 1 : Math.min(1, centre + half) },
  };
}

/** With fewer pieces nobody blames or praises a supplier. */
export const FEWEST_JUDGED = 4;

/** Whether most of what was judged fails: time for another supplier. */
export function doesMostFail({
  rejectedCount,
  pieceCount,
}: Pick<YieldResult, 'rejectedCount' | 'pieceCount'>): boolean {
  return pieceCount >= FEWEST_JUDGED && 2 * rejectedCount > pieceCount;
}

/** Adds up counts of many kinds. */
export function sumOfYields(counts: readonly YieldCounts[]): YieldCounts {
  const sum = (of: keyof YieldCounts): number => counts.reduce((total, c) => total + c[of], 0);
  return {
    goodFromBagCount: sum('goodFromBagCount'),
    goodCorrectedCount: sum('goodCorrectedCount'),
    rejectedCount: sum('rejectedCount'),
    notJudgedCount: sum('notJudgedCount'),
  };
}

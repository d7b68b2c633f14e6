import { stopAt, type LineStop } from '../line/lineStop.ts';

export interface BalanceStopFacts {
  /** Pieces on the craft, and those of them that are balanced. */
  fittedCount: number;
  truedCount: number;
}

/** Whether the pieces on a craft are balanced. */
export function balanceStop({ fittedCount, truedCount }: BalanceStopFacts): LineStop {
  const stop = stopAt('balance');
  if (fittedCount === 0) return stop('empty', 'balance.nothingFitted');
  if (truedCount < fittedCount)
    return stop(truedCount === 0 ? 'notched' : 'half', 'balance.unbalanced', {
      count: fittedCount - truedCount,
      of: fittedCount,
    });
  return stop('full', 'balance.allBalanced', { count: fittedCount });
}

import { stopAt, type LineStop } from '../line/lineStop.ts';

export interface JudgeStopFacts {
  /** Verdicts that were frozen, and whether the newest named a winner. */
  frozenCount: number;
  isNamed: boolean;
}

/** Whether somebody decided. */
export function judgeStop({ frozenCount, isNamed }: JudgeStopFacts): LineStop {
  const stop = stopAt('judge');
  if (frozenCount === 0) return stop('empty', 'judge.stop.none');
  return isNamed
    ? stop('full', 'judge.stop.frozen', { count: frozenCount })
    : stop('half', 'judge.stop.open', { count: frozenCount });
}

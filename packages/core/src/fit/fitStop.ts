import { stopAt, type LineStop } from '../line/lineStop.ts';

export interface FitStopFacts {
  armCount: number;
  unknownCount: number;
  wrongCount: number;
  unseenCount: number;
  /** Whether it would not take off right, for whatever reason. */
  isWrong: boolean;
  /** Whether nobody signed since an arm last changed. */
  isUnsigned: boolean;
}

/** Whether spins and pieces of a craft are right, seen and signed for. */
export function fitStop({
  armCount,
  unknownCount,
  wrongCount,
  unseenCount,
  isWrong,
  isUnsigned,
}: FitStopFacts): LineStop {
  const stop = stopAt('fit');
  const of = armCount;
  if (wrongCount > 0) return stop('notched', 'fit.stop.wrong', { count: wrongCount, of });
  if (isWrong) return stop('notched', 'fit.stop.wrong', { count: armCount, of });
  if (unknownCount > 0)
    return stop(unknownCount === armCount ? 'empty' : 'half', 'fit.stop.unknown', { count: unknownCount, of });
  if (unseenCount > 0) return stop('half', 'fit.stop.unseen', { count: unseenCount, of });
  return isUnsigned
    ? stop('half', 'fit.stop.unsigned', { count: armCount, of })
    : stop('full', 'fit.stop.right', { count: armCount, of });
}

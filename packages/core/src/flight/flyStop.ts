import { stopAt, type LineStop } from '../line/lineStop.ts';

export interface FlyStopFacts {
  /** Cards that count, those that must be flown again, and props that flew twice or more. */
  countingCount: number;
  reflyCount: number;
  repeatedPropCount: number;
}

/** Whether a craft was flown by protocol. */
export function flyStop({ countingCount, reflyCount, repeatedPropCount }: FlyStopFacts): LineStop {
  const stop = stopAt('fly');
  if (countingCount === 0)
    return reflyCount === 0 ? stop('empty', 'fly.stop.none') : stop('half', 'fly.stop.refly', { count: reflyCount });
  return repeatedPropCount === 0
    ? stop('half', 'fly.stop.once', { count: countingCount })
    : stop('full', 'fly.stop.flown', { count: countingCount, props: repeatedPropCount });
}

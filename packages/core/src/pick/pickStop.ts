import { stopAt, type LineStop } from '../line/lineStop.ts';

export interface PickStopFacts {
  /** Diameter of the prop in hand, or of the reference [m]; null without one. */
  diameterM: number | null;
  /** Largest disc that has room [m]; null where nothing stands in its way. */
  largestDiscM: number | null;
  /** Kept runs of that prop on this craft. */
  runCount: number;
}

/** Whether a prop was chosen, has room, and was measured. */
export function pickStop({ diameterM, largestDiscM, runCount }: PickStopFacts): LineStop {
  const stop = stopAt('pick');
  if (diameterM === null) return stop('empty', 'pick.noReference');
  if (largestDiscM !== null && diameterM > largestDiscM)
    return stop('notched', 'pick.discsMeet', { diameterM, limitM: largestDiscM });
  return runCount === 0 ? stop('half', 'pick.predicted') : stop('full', 'pick.measured', { count: runCount });
}

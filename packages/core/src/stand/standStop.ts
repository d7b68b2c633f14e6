import { stopAt, type LineStop } from '../line/lineStop.ts';

/** Kept runs on one craft. */
export interface StandStopFacts {
  nowMs: number;
  keptRunCount: number;
  /** Of the prop in hand; of all props when none is in hand. */
  inHandRunCount: number;
  referenceRunCount: number;
  lastKeptAtMs: number | null;
  /** A run of the prop in hand went over a limit of the craft. */
  hasBreach: boolean;
}

const DAY_MS = 86_400_000;
/** Stand figures age: packs, bearings and blades change. */
const STAND_FRESH_DAYS = 180;
/** One run alone cannot show its own spread. */
const RUNS_NEEDED = 2;

/** Whether a craft was measured, lately and often enough. */
export function standStop({
  nowMs,
  keptRunCount,
  inHandRunCount,
  referenceRunCount,
  lastKeptAtMs,
  hasBreach,
}: StandStopFacts): LineStop {
  const stop = stopAt('stand');
  if (keptRunCount === 0 || lastKeptAtMs === null) return stop('empty', 'stand.noRuns');
  if (hasBreach) return stop('notched', 'stand.breach');
  const ageDays = (nowMs - lastKeptAtMs) / DAY_MS;
  if (ageDays > STAND_FRESH_DAYS) return stop('half', 'stand.stale', { days: Math.floor(ageDays) });
  if (referenceRunCount === 0) return stop('half', 'stand.noReference');
  if (inHandRunCount < RUNS_NEEDED)
    return stop('half', 'stand.fewRuns', { count: inHandRunCount, needed: RUNS_NEEDED });
  return stop('full', 'stand.measured', { count: keptRunCount });
}

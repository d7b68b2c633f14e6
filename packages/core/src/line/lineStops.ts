/** Stations that the line runs through; a station joins when it exists. */
export const lineStations = ['pick', 'true', 'fit', 'stand'] as const;
export type LineStation = (typeof lineStations)[number];

/** Empty: nothing yet. Half: partial or stale. Full: measured and in date. Notched: something is wrong. */
export type StopState = 'empty' | 'half' | 'full' | 'notched';

export interface LineStop {
  station: LineStation;
  state: StopState;
  /** Code of the sentence that says why. */
  code: string;
  values: Readonly<Record<string, number>>;
}

/** Dated facts about one craft, and about the prop in hand where one is in hand. */
export interface LineFacts {
  nowMs: number;
  pick: {
    /** Diameter of the prop in hand, or of the reference; null without one. */
    diameterM: number | null;
    /** Largest disc that has room; null where nothing stands in its way. */
    largestDiscM: number | null;
  };
  true: {
    /** Pieces on the craft, and those of them that are trued. */
    fittedCount: number;
    truedCount: number;
  };
  fit: {
    armCount: number;
    unknownCount: number;
    wrongCount: number;
    unseenCount: number;
    /** Whether it would not take off right, for whatever reason; whether nobody signed since an arm last changed. */
    isWrong: boolean;
    isUnsigned: boolean;
  };
  stand: {
    keptRunCount: number;
    /** Kept runs of the prop in hand; of all props when none is in hand. */
    inHandRunCount: number;
    referenceRunCount: number;
    lastKeptAtMs: number | null;
    hasBreach: boolean;
  };
}

const DAY_MS = 86_400_000;
/** Stand figures age: packs, bearings and blades change. */
const STAND_FRESH_DAYS = 180;
/** One run alone cannot show its own spread. */
const RUNS_NEEDED = 2;

/**
 * Where the work on a craft stands, stop by stop, from dated facts alone.
 *
 * @param facts - counts, dates [ms since 1970] and findings; no clock of its own
 */
export function lineStops(facts: LineFacts): LineStop[] {
  return [pickStop(facts), trueStop(facts), fitStop(facts), standStop(facts)];
}

function pickStop({ pick, stand }: LineFacts): LineStop {
  const stop = (state: StopState, code: string, values: Record<string, number> = {}): LineStop => ({ station: 'pick', state, code, values });
  const { diameterM, largestDiscM } = pick;
  if (diameterM === null) return stop('empty', 'pick.noReference');
  if (largestDiscM !== null && diameterM > largestDiscM) return stop('notched', 'pick.discsMeet', { diameterM, limitM: largestDiscM });
  return stand.inHandRunCount === 0 ? stop('half', 'pick.predicted') : stop('full', 'pick.measured', { count: stand.inHandRunCount });
}

function trueStop({ true: { fittedCount, truedCount } }: LineFacts): LineStop {
  const stop = (state: StopState, code: string, values: Record<string, number> = {}): LineStop => ({ station: 'true', state, code, values });
  if (fittedCount === 0) return stop('empty', 'true.nothingFitted');
  return truedCount < fittedCount ? stop(truedCount === 0 ? 'notched' : 'half', 'true.untrued', { count: fittedCount - truedCount, of: fittedCount }) : stop('full', 'true.allTrued', { count: fittedCount });
}

function fitStop({ fit: { armCount, unknownCount, wrongCount, unseenCount, isWrong, isUnsigned } }: LineFacts): LineStop {
  const stop = (state: StopState, code: string, count: number): LineStop => ({ station: 'fit', state, code, values: { count, of: armCount } });
  if (wrongCount > 0) return stop('notched', 'fit.stop.wrong', wrongCount);
  if (isWrong) return stop('notched', 'fit.stop.wrong', armCount);
  if (unknownCount > 0) return stop(unknownCount === armCount ? 'empty' : 'half', 'fit.stop.unknown', unknownCount);
  if (unseenCount > 0) return stop('half', 'fit.stop.unseen', unseenCount);
  return isUnsigned ? stop('half', 'fit.stop.unsigned', armCount) : stop('full', 'fit.stop.right', armCount);
}

function standStop({ nowMs, stand }: LineFacts): LineStop {
  const stop = (state: StopState, code: string, values: Record<string, number> = {}): LineStop => ({ station: 'stand', state, code, values });
  if (stand.keptRunCount === 0 || stand.lastKeptAtMs === null) return stop('empty', 'stand.noRuns');
  if (stand.hasBreach) return stop('notched', 'stand.breach');
  const ageDays = (nowMs - stand.lastKeptAtMs) / DAY_MS;
  if (ageDays > STAND_FRESH_DAYS) return stop('half', 'stand.stale', { days: Math.floor(ageDays) });
  if (stand.referenceRunCount === 0) return stop('half', 'stand.noReference');
  if (stand.inHandRunCount < RUNS_NEEDED) return stop('half', 'stand.fewRuns', { count: stand.inHandRunCount, needed: RUNS_NEEDED });
  return stop('full', 'stand.measured', { count: stand.keptRunCount });
}

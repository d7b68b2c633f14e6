/** A fact as it is stored: what happened, with everything that its projection needs. */
export type StoredFact =
  | { kind: 'stockCounted'; propModelId: string; cwCount: number; ccwCount: number }
  | { kind: 'runKept'; runId: string; craftId: string; propModelId: string; maxCurrentA: number | null; maxSpeedRpm: number | null; replacesRunId: string | null }
  | { kind: 'runRemoved'; runId: string }
  | { kind: 'runRestored'; runId: string };

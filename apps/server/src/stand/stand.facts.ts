declare module '../event/facts.ts' {
  interface Facts {
    runKept: {
      runId: string;
      craftId: string;
      propModelId: string;
      maxCurrentA: number | null;
      maxSpeedRpm: number | null;
      replacesRunId: string | null;
    };
    runRemoved: { runId: string };
    runRestored: { runId: string };
  }
}

export {};

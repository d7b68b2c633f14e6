declare module '../event/facts.ts' {
  interface Facts {
    runKept: {
      runId: string;
      craftId: string;
      propModelId: string;
      maxCurrentA: number | null;
      maxSpeedRpm: number | null;
      replacesRunId: string | null;
      /** It ran on other motors than the craft is described with: it says nothing of the line. */
      isOtherMotor?: boolean;
    };
    runRemoved: { runId: string };
    runRestored: { runId: string };
  }
}

export {};

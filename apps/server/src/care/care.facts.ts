import type { CareOutcome, CauseName, GainAxis, StrikeSeverity, StruckThing } from '@zivvo/core';

declare module '../event/facts.ts' {
  interface Facts {
    walkedRound: {
      craftId: string;
      walkaroundId: string;
      outcome: CareOutcome;
      durationS: number;
      propCount: number;
      findingCount: number;
    };
    flown: { craftId: string; flightId: string; durationS: number };
    flightRemoved: { craftId: string; flightId: string };
    flightRestored: { craftId: string; flightId: string };
    struck: {
      craftId: string;
      strikeId: string;
      thing: StruckThing;
      throttleRatio: number;
      severity: StrikeSeverity;
      isCrash: boolean;
    };
    alertRaised: { propModelId: string; alertId: string; reason: string };
    alertReleased: { propModelId: string; alertId: string; reason: string };
    gainsFlown: {
      craftId: string;
      sheetId: string;
      axis: GainAxis;
      percent: number;
      doesFlutter: boolean;
      doesReturn: boolean | null;
    };
    gainSheetOpened: { craftId: string; sheetId: string; propModelId: string };
    ticketOpened: { craftId: string; ticketId: string; complaint: string };
    ticketClosed: { craftId: string; ticketId: string; minutes: number | null };
    faultFound: { craftId: string; caseId: string; cause: CauseName };
  }
}

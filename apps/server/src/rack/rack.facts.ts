import type {
  BoreFit,
  CareOutcome,
  Finding,
  Look,
  PieceHand,
  Retirement,
  RotorPlace,
  StrikeSeverity,
  StruckThing,
} from '@zivvo/core';

interface Measures {
  massKg: number | null;
  diameterM: number | null;
  boreFit: BoreFit | null;
  look: Look | null;
}

/** What moves a piece along its life. */
export interface PieceActionFacts {
  pieceCheckedIn: { pieceId: string; reason: string | null };
  pieceTrued: { pieceId: string; isDynamic: boolean; isCorrected: boolean; reason: string | null };
  pieceFitted: { pieceId: string; craftId: string; place: RotorPlace; level: number; reason: string | null };
  /** `markSha256`: photo of its mark, where that stood in for reading it. */
  pieceRemoved: { pieceId: string; reason: string | null; markSha256?: string | null };
  pieceDressed: { pieceId: string; reason: string | null };
  pieceRetired: { pieceId: string; as: Retirement; reason: string | null };
  pieceUnretired: { pieceId: string; reason: string | null };
  pieceMoved: { pieceId: string; location: string };
  pieceJoinedSet: { pieceId: string; setId: string };
  pieceLeftSet: { pieceId: string };
}

declare module '../event/facts.ts' {
  interface Facts extends PieceActionFacts {
    stockCounted: { propModelId: string; cwCount: number; ccwCount: number };
    pieceAdded: { pieceId: string; location: string | null };
    pieceMeasured: { pieceId: string } & Measures;
    pieceDescribed: {
      pieceId: string;
      hand: PieceHand;
      hubThicknessM: number | null;
      droopM: number | null;
      colour: string | null;
      note: string | null;
      photoSha256: string | null;
    } & Measures;
    /** Somebody looked at it on its craft, and this is what is to be done. */
    pieceLooked: {
      pieceId: string;
      craftId: string;
      outcome: CareOutcome;
      isTruingVoid: boolean;
      hasNick: boolean;
      findings: Finding[];
    };
    pieceStruck: { pieceId: string; craftId: string; thing: StruckThing; severity: StrikeSeverity };
    /** The shaft says that no tape mends it. */
    pieceSentBack: { pieceId: string; reason: string | null };
    partChanged: {
      part: 'motor' | 'pack' | 'spare';
      partId: string;
      change: 'added' | 'changed' | 'removed' | 'restored';
      values: Record<string, string | number | null>;
    };
  }
}

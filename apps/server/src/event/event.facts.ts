import type { BoreFit, CareOutcome, CauseName, Finding, GainAxis, Look, PieceHand, Reason, Retirement, RotorPlace, StrikeSeverity, StruckThing } from '@zivvo/core';

/** A fact as it is stored: what happened, with everything that its projection needs. */
export type StoredFact =
  | { kind: 'stockCounted'; propModelId: string; cwCount: number; ccwCount: number }
  | { kind: 'runKept'; runId: string; craftId: string; propModelId: string; maxCurrentA: number | null; maxSpeedRpm: number | null; replacesRunId: string | null }
  | { kind: 'runRemoved'; runId: string }
  | { kind: 'runRestored'; runId: string }
  | { kind: 'pieceAdded'; pieceId: string; location: string | null }
  | ({ kind: 'pieceMeasured'; pieceId: string } & Measures)
  | ({ kind: 'pieceDescribed'; pieceId: string; hand: PieceHand; hubThicknessM: number | null; droopM: number | null; colour: string | null; note: string | null; photoSha256: string | null } & Measures)
  | PieceActionFact
  | CareFact
  /** An arm is not as it was: its piece, the hand or face of an untagged one, the motor's spin, its place in the controller's table. */
  | { kind: 'armChanged'; craftId: string; place: RotorPlace; level: number; what: ArmChange }
  /** `missing`: what kept the craft down beside its signature; older facts do not tell. */
  | { kind: 'fittingConfirmed'; craftId: string; verdict: string; note: string | null; missing?: Reason[] }
  | { kind: 'partChanged'; part: 'motor' | 'pack' | 'spare'; partId: string; change: 'added' | 'changed' | 'removed' | 'restored'; values: Record<string, string | number | null> };

export type ArmChange = 'piece' | 'hand' | 'face' | 'spin' | 'table';

interface Measures {
  massKg: number | null;
  diameterM: number | null;
  boreFit: BoreFit | null;
  look: Look | null;
}

/** What moves a piece along its life. */
export type PieceActionFact =
  | { kind: 'pieceCheckedIn'; pieceId: string; reason: string | null }
  | { kind: 'pieceTrued'; pieceId: string; isDynamic: boolean; isCorrected: boolean; reason: string | null }
  | { kind: 'pieceFitted'; pieceId: string; craftId: string; place: RotorPlace; level: number; reason: string | null }
  | { kind: 'pieceRemoved'; pieceId: string; reason: string | null; /** Photo of its mark, where that stood in for reading it. */ markSha256?: string | null }
  | { kind: 'pieceDressed'; pieceId: string; reason: string | null }
  | { kind: 'pieceRetired'; pieceId: string; as: Retirement; reason: string | null }
  | { kind: 'pieceUnretired'; pieceId: string; reason: string | null }
  | { kind: 'pieceMoved'; pieceId: string; location: string }
  | { kind: 'pieceJoinedSet'; pieceId: string; setId: string }
  | { kind: 'pieceLeftSet'; pieceId: string };

/** What happens to a piece beside its life, and in the care of a craft; none of it moves a projection but the moment a piece was last touched. */
export type CareFact =
  /** The shaft says that no tape mends it. */
  | { kind: 'pieceSentBack'; pieceId: string; reason: string | null }
  | { kind: 'walkedRound'; craftId: string; walkaroundId: string; outcome: CareOutcome; durationS: number; propCount: number; findingCount: number }
  | { kind: 'pieceLooked'; pieceId: string; craftId: string; outcome: CareOutcome; isTruingVoid: boolean; hasNick: boolean; findings: Finding[] }
  | { kind: 'flown'; craftId: string; flightId: string; durationS: number }
  | { kind: 'flightRemoved'; craftId: string; flightId: string }
  | { kind: 'flightRestored'; craftId: string; flightId: string }
  | { kind: 'struck'; craftId: string; strikeId: string; thing: StruckThing; throttleRatio: number; severity: StrikeSeverity; isCrash: boolean }
  | { kind: 'pieceStruck'; pieceId: string; craftId: string; thing: StruckThing; severity: StrikeSeverity }
  | { kind: 'alertRaised'; propModelId: string; alertId: string; reason: string }
  | { kind: 'alertReleased'; propModelId: string; alertId: string; reason: string }
  | { kind: 'gainsFlown'; craftId: string; sheetId: string; axis: GainAxis; percent: number; doesFlutter: boolean; doesReturn: boolean | null }
  | { kind: 'gainSheetOpened'; craftId: string; sheetId: string; propModelId: string }
  | { kind: 'ticketOpened'; craftId: string; ticketId: string; complaint: string }
  | { kind: 'ticketClosed'; craftId: string; ticketId: string; minutes: number | null }
  | { kind: 'faultFound'; craftId: string; caseId: string; cause: CauseName };

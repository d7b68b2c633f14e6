import type { BoreFit, Look, PieceHand, Retirement, RotorPlace } from '@zivvo/core';

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
  | { kind: 'fittingConfirmed'; craftId: string; verdict: string; note: string | null }
  | { kind: 'partChanged'; part: 'motor' | 'pack' | 'spare'; partId: string; change: 'added' | 'changed' | 'removed' | 'restored'; values: Record<string, string | number | null> };

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
  | { kind: 'pieceRemoved'; pieceId: string; reason: string | null }
  | { kind: 'pieceRetired'; pieceId: string; as: Retirement; reason: string | null }
  | { kind: 'pieceUnretired'; pieceId: string; reason: string | null }
  | { kind: 'pieceMoved'; pieceId: string; location: string }
  | { kind: 'pieceJoinedSet'; pieceId: string; setId: string }
  | { kind: 'pieceLeftSet'; pieceId: string };

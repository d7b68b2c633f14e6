import type { ListView } from '../shared/listView.ts';
import type { CareVerdict, CheckInFinding, PieceLife, SetState, YieldResult } from '@zivvo/core';
import type { RowView } from '../shared/rowView.ts';
import type { DescribePieceDto, MotorPieceDto, PieceActionDto, PieceSetDto, SparePartDto } from './piece.dto.ts';

/** One physical propeller. */
export interface PieceView extends RowView, Omit<DescribePieceDto, never>, Omit<PieceLife, 'stateBefore'> {
  tag: string;
  propModelId: string;
  batchId: string | null;
  /** When something last happened to it. */
  touchedAt: string;
}

export interface PieceListView extends ListView<PieceView> {
  /** Pieces in each state, over everything the other filters leave. */
  states: Partial<Record<PieceLife['state'], number>>;
}

/** One entry of a piece's history. */
export interface PieceEventView {
  sequence: number;
  at: string;
  personId: string | null;
  personName: string | null;
  action: PieceActionDto['action'] | 'added' | 'measured' | 'described' | 'looked' | 'struck' | 'sendBack';
  values: Record<string, string | number | boolean | null>;
}

export interface PieceDetailView extends PieceView {
  /** What becomes of it from all that is known, and why. */
  condition: CareVerdict;
  history: PieceEventView[];
}

export interface BatchView extends RowView {
  propModelId: string;
  resolutionKg: number;
  supplierName: string | null;
  location: string | null;
  note: string | null;
  pieceCount: number;
  checkedInCount: number;
}

export interface BatchDetailView extends BatchView {
  pieces: PieceView[];
  findings: CheckInFinding[];
}

export interface PieceSetView extends RowView, Omit<PieceSetDto, never> {
  pieces: PieceView[];
  /** Since when it rests; null while it may fly. */
  restedAt: string | null;
  /** What it lacks for its craft; null without a craft. */
  needs: SetState | null;
}

export interface YieldView {
  models: (YieldResult & { propModelId: string })[];
  makers: (YieldResult & { makerName: string })[];
  /** Deliveries, the newest first. */
  deliveries: (YieldResult & {
    batchId: string;
    propModelId: string;
    cameAt: string;
    supplierName: string | null;
    location: string | null;
  })[];
}

export interface MotorPieceView extends RowView, Omit<MotorPieceDto, never> {}
export interface SparePartView extends RowView, Omit<SparePartDto, never> {}

/** One entry in the history of a motor, a pack or a small part. */
export interface PartEventView {
  sequence: number;
  at: string;
  personName: string | null;
  change: 'added' | 'changed' | 'removed' | 'restored';
  values: Record<string, string | number | null>;
}

/** Pieces of one model that could be fitted now: checked in, not retired, on no craft. */
export interface AvailableView {
  propModelId: string;
  cwCount: number;
  ccwCount: number;
  eitherCount: number;
}

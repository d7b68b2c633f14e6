import type { SingleBladeState, BalanceJobState, VibrationState } from '@zivvo/core';
import type { PieceView } from '../rack/piece.view.ts';
import type { balanceJobStates } from './limits.ts';
import type { RowView } from '../shared/rowView.ts';
import type { RigDto, BalanceJobDto } from './balance.dto.ts';

export interface RigView extends RowView, Omit<RigDto, never> {}

export interface BalanceJobView extends RowView, Omit<BalanceJobDto, never> {
  pieceId: string;
  rigId: string;
  craftId: string;
  state: (typeof balanceJobStates)[number];
  hoverSpeedRpm: number;
  finishedAt: string | null;
  /** Where the job stands; null where what was entered cannot be worked out, with why. */
  result: BalanceJobState | null;
  vibration: VibrationState | null;
  /** Of a prop with one blade, once it was weighed. */
  single: SingleBladeState | null;
  problem: { what: string; allowed: string } | null;
}

/** Pieces by what is to be done about their balance. */
export interface TraysView {
  toDo: PieceView[];
  good: PieceView[];
  back: PieceView[];
  /** Pieces that the policy leaves alone. */
  notNeeded: PieceView[];
  /** Pieces of other models that wait: nothing to do is ever hidden. */
  elsewhereCount: number;
  /** True where there are more pieces than are sorted; the newest are. */
  isCut: boolean;
}

import type { CheckedRotor, FixPlan, TakeOff, ThreadAdvice } from '@zivvo/core';
import type { PieceView } from '../piece/piece.view.ts';
import type { ArmStateDto } from './fit.dto.ts';

/** One arm with everything that is known of it. */
export interface ArmView extends CheckedRotor {
  piece: PieceView | null;
  seenSpin: ArmStateDto['seenSpin'];
  /** Hand that this arm needs, seen from the label. */
  neededHand: 'cw' | 'ccw';
  threadOn: ArmStateDto['thread'];
  thread: ThreadAdvice;
  checks: ArmStateDto['checks'];
}

export interface FittingView {
  craftId: string;
  /** 0 before anything was written down. */
  revision: number;
  isHanging: boolean;
  note: string | null;
  arms: ArmView[];
  takeOff: TakeOff;
  plan: FixPlan;
  /** Pieces of the fitted model that could be put on. */
  spares: { cwCount: number; ccwCount: number };
  /** Models on the craft; more than one is a mix. */
  propModelIds: string[];
  /** Share of the weight still carried after each rotor alone has stopped, in the order of the arms; null on planes. */
  marginsAfterLoss: number[] | null;
  /** Pull of a lost blade at full throttle beside the weight of the craft [N]; null where no model is known. */
  bladeLoss: { forceN: number; weightN: number } | null;
  confirmedAt: string | null;
  confirmedBy: string | null;
}

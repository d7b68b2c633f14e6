import type {
  CheckedRotor,
  FixPlan,
  MountKind,
  ReadyToFly,
  Reason,
  SideThrust,
  Spin,
  TakeOff,
  ThreadAdvice,
} from '@zivvo/core';
import type { PieceView } from '../rack/piece.view.ts';
import type { ArmStateDto } from './fit.dto.ts';

/** One arm with everything that is known of it. */
export interface ArmView extends CheckedRotor {
  piece: PieceView | null;
  seenSpin: ArmStateDto['seenSpin'];
  spinBy: ArmStateDto['spinBy'];
  outputName: string | null;
  /** Hand that this arm needs, seen from the label. */
  neededHand: Spin;
  /** Turn of the motor behind a gear, told from where its shaft's spin is; null without gears. */
  motorSpin: Spin | null;
  /** Predicted pull while the craft carries itself, negative the wrong way [N]; null while a hand is unknown. */
  pullN: number | null;
  threadOn: ArmStateDto['thread'];
  thread: ThreadAdvice;
  checks: ArmStateDto['checks'];
  /** Since when its tagged piece is on, and who put it there. */
  fittedAt: string | null;
  fittedBy: string | null;
}

export interface FittingView {
  craftId: string;
  /** 0 before anything was written down. */
  revision: number;
  isHanging: boolean;
  sideThrust: SideThrust | null;
  wantedSideThrust: SideThrust;
  note: string | null;
  arms: ArmView[];
  takeOff: TakeOff;
  /** What the forces mean: steering, a lost rotor, a lost blade, mixed models. */
  reasons: Reason[];
  plan: FixPlan;
  /** The other remedy where motors turn against the table and could stay as they are: the controller is told. */
  tablePlan: FixPlan | null;
  /** Pieces of the fitted model that could be put on. */
  spares: { cwCount: number; ccwCount: number };
  /** Models on the craft; more than one is a mix. */
  propModelIds: string[];
  mountKind: MountKind;
  /** The newest signature. */
  confirmedAt: string | null;
  confirmedBy: string | null;
  /** What was missing beside the signature when it was given, and what is now. */
  confirmedMissing: Reason[];
  missing: Reason[];
  /** True where an arm was changed after it was signed for. */
  isSignatureStale: boolean;
  /** Whether it may fly, and what is missing. */
  ready: ReadyToFly;
}

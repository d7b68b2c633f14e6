import type { Reason, ReasonCode } from '../figure/reason.ts';
import type { ControlAuthority, RotorLoss } from './control.ts';
import { isSideThrustWrong, type SideThrust } from './sideThrust.ts';

/** What the forces of a craft with its props are. */
export interface CraftForces {
  weightN: number;
  /** Null where it cannot hover at all; undefined on planes. */
  authority?: ControlAuthority | null;
  /** What is left after each rotor alone has stopped; null on planes. */
  losses: readonly RotorLoss[] | null;
  /** Pull of a lost blade at full throttle [N]; null where it cannot be said. */
  bladeLossN: number | null;
  /** Drag torque of all rotors while they carry [N·m]. */
  torqueNm: number;
  /** Planes: where the thrust line points, and where it should; null where nobody looked. */
  sideThrust: SideThrust | null;
  wantedSideThrust: SideThrust;
  /** Planes: whether the prop is behind the motor, which leans the other way for the same pull. */
  isPusher: boolean;
}

/** What the forces mean for whoever fits the props: whether it can be steered, what a lost rotor or blade does. */
export function forceReasons(forces: CraftForces): Reason[] {
  const { weightN, authority, losses, bladeLossN } = forces;
  const reasons: Reason[] = [];
  if (authority === null)
    reasons.push({ code: 'fit.cannotHover', severity: 'danger', values: { weightN }, figure: null });
  else if (authority) reasons.push(steerReason(authority));
  if (isSideThrustWrong(forces.sideThrust, forces.wantedSideThrust))
    reasons.push({
      code: 'fit.sideThrust',
      severity: 'caution',
      values: {
        side: forces.sideThrust!,
        wanted: forces.wantedSideThrust,
        torqueNm: forces.torqueNm,
        isPusher: forces.isPusher ? 1 : 0,
      },
      figure: null,
    });
  if (losses && losses.length > 0) reasons.push(lossReason(losses));
  if (bladeLossN !== null)
    reasons.push({
      code: 'fit.bladeLoss',
      severity: 'note',
      values: { forceN: bladeLossN, timesWeight: bladeLossN / weightN },
      figure: null,
    });
  return reasons;
}

/** Under this share of the weight nothing worth a number is held. */
const NOTHING_HELD = 0.005;

/** *May stop* is said only of rotors whose loss leaves a level hover that can be steered. */
function lossReason(losses: readonly RotorLoss[]): Reason {
  const worst = Math.min(...losses.map((l) => l.marginRatio));
  const steered = losses.filter((l) => l.isSteered);
  const values = { worst, count: steered.length, of: losses.length, yaws: losses.every((l) => l.canYaw) ? 1 : 0 };
  return { code: lossCode(worst, steered.length, losses.length), severity: 'note', values, figure: null };
}

function lossCode(worst: number, steeredCount: number, of: number): ReasonCode {
  if (steeredCount === of) return 'fit.lossHolds';
  if (worst >= 1) return 'fit.lossTurns';
  return worst < NOTHING_HELD ? 'fit.lossDrops' : 'fit.lossFalls';
}

function steerReason({ missing, rollNm, pitchNm, yawNm }: ControlAuthority): Reason {
  return missing.length === 0
    ? { code: 'fit.steers', severity: 'note', values: { rollNm, pitchNm, yawNm }, figure: null }
    : {
        code: 'fit.cannotSteer',
        severity: 'danger',
        values: { axes: missing.join(', '), count: missing.length },
        figure: null,
      };
}

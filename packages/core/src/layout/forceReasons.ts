import type { Reason } from '../figure/reason.ts';
import type { ControlAuthority } from './control.ts';
import { isSideThrustWrong, type SideThrust } from './sideThrust.ts';

/** What the forces of a craft with its props are. */
export interface CraftForces {
  weightN: number;
  /** Null where it cannot hover at all; undefined on planes. */
  authority?: ControlAuthority | null;
  /** Share of the weight still held level after each rotor alone has stopped; null on planes. */
  marginsAfterLoss: readonly number[] | null;
  /** Pull of a lost blade at full throttle [N]; null where it cannot be said. */
  bladeLossN: number | null;
  /** Drag torque of all rotors while they carry [N·m]. */
  torqueNm: number;
  /** Planes: where the thrust line points, and where it should; null where nobody looked. */
  sideThrust: SideThrust | null;
  wantedSideThrust: SideThrust;
}

/** What the forces mean for whoever fits the props: whether it can be steered, what a lost rotor or blade does. */
export function forceReasons(forces: CraftForces): Reason[] {
  const { weightN, authority, marginsAfterLoss, bladeLossN } = forces;
  const reasons: Reason[] = [];
  if (authority === null) reasons.push({ code: 'fit.cannotHover', severity: 'danger', values: { weightN }, figure: null });
  else if (authority) reasons.push(steerReason(authority));
  if (isSideThrustWrong(forces.sideThrust, forces.wantedSideThrust)) reasons.push({ code: 'fit.sideThrust', severity: 'caution', values: { side: forces.sideThrust!, wanted: forces.wantedSideThrust, torqueNm: forces.torqueNm }, figure: null });
  if (marginsAfterLoss && marginsAfterLoss.length > 0) {
    const worst = Math.max(0, Math.min(...marginsAfterLoss));
    reasons.push({ code: lossCode(worst), severity: 'note', values: { worst, count: marginsAfterLoss.filter((m) => m >= 1).length, of: marginsAfterLoss.length }, figure: null });
  }
  if (bladeLossN !== null) reasons.push({ code: 'fit.bladeLoss', severity: 'note', values: { forceN: bladeLossN, timesWeight: bladeLossN / weightN }, figure: null });
  return reasons;
}

/** Under this share of the weight nothing worth a number is held. */
const NOTHING_HELD = 0.005;

function lossCode(worst: number): string {
  if (worst >= 1) return 'fit.lossHolds';
  return worst < NOTHING_HELD ? 'fit.lossDrops' : 'fit.lossFalls';
}

function steerReason({ missing, rollNm, pitchNm, yawNm }: ControlAuthority): Reason {
  return missing.length === 0
    ? { code: 'fit.steers', severity: 'note', values: { rollNm, pitchNm, yawNm }, figure: null }
    : { code: 'fit.cannotSteer', severity: 'danger', values: { axes: missing.join(', '), count: missing.length }, figure: null };
}

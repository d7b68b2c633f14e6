import { rotorCurve } from '../powertrain/powertrain.ts';
import type { PropGeometry } from '../propeller/propGeometry.ts';
import { evaluateCandidate } from './evaluateCandidate.ts';
import { powertrainOn, type PreparedCraft } from './pickCraft.ts';

const CURVE_POINTS = 60;

/**
 * Thrust of one rotor against throttle at rest, rising, by the model.
 *
 * @returns up to sixty points; none where full throttle cannot be held
 */
export function throttleCurve(
  prepared: PreparedCraft,
  geometry: PropGeometry,
): { throttleRatio: number; thrustN: number }[] {
  const { prop, fullSpeedRpm } = evaluateCandidate(prepared, geometry);
  if (!Number.isFinite(fullSpeedRpm)) return [];
  return rotorCurve(powertrainOn(prepared, prop), fullSpeedRpm, CURVE_POINTS).flatMap((p) =>
    p.status === 'held' ? [{ throttleRatio: p.throttleRatio, thrustN: p.prop.thrustN }] : [],
  );
}

import { carryThrustN } from '../craft/carryThrust.ts';
import { rotorCurve } from '../powertrain/powertrain.ts';
import type { PropGeometry } from '../propeller/propGeometry.ts';
import { evaluateCandidate } from './evaluateCandidate.ts';
import { powertrainOn, type PreparedCraft } from './pickCraft.ts';

/** What a controller has in its hand at hover. */
export interface HoverPlant {
  /** Thrust of one motor per unit of throttle at hover [N]. */
  slopeN: number;
  /** Time in which thrust follows a step [s]. */
  riseS: number;
}

const CURVE_POINTS = 60;

/**
 * How a prop answers its controller at hover: slope of thrust over throttle, and the time that thrust takes.
 *
 *   k = dT/du at T = m·g/n, by the secant around hover on the rotor's own curve
 *
 * Estimated from label data like every candidate; compare two props rather than trust one.
 *
 * @returns null where the prop does not carry the craft
 */
export function hoverPlant(prepared: PreparedCraft, geometry: PropGeometry): HoverPlant | null {
  const candidate = evaluateCandidate(prepared, geometry);
  const neededN = carryThrustN(prepared.craft.massKg, prepared.craft.rotorCount);
  if (!(candidate.figures.fullThrustN > neededN) || !Number.isFinite(candidate.fullSpeedRpm)) return null;
  const points = rotorCurve(powertrainOn(prepared, candidate.prop), candidate.fullSpeedRpm, CURVE_POINTS).flatMap(
    (p) => (p.status === 'held' ? [{ u: p.throttleRatio, thrustN: p.prop.thrustN }] : []),
  );
  const above = points.findIndex((p) => p.thrustN >= neededN);
  if (above < 1 || above + 1 >= points.length) return null;
  const [low, high] = [points[above - 1]!, points[above + 1]!];
  return { slopeN: (high.thrustN - low.thrustN) / (high.u - low.u), riseS: candidate.figures.riseTimeS };
}

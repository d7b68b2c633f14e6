import { carryThrustN } from '../craft/carryThrust.ts';
import type { PropGeometry } from '../propeller/propGeometry.ts';
import { evaluateCandidate } from './evaluateCandidate.ts';
import type { PreparedCraft } from './pickCraft.ts';
import { throttleCurve } from './throttleCurve.ts';

/** What a controller has in its hand at hover. */
export interface HoverPlant {
  /** Thrust of one motor per unit of throttle at hover [N]. */
  slopeN: number;
  /** Time in which thrust follows a step [s]. */
  riseS: number;
}

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
  if (!(candidate.figures.fullThrustN > neededN)) return null;
  const points = throttleCurve(prepared, geometry);
  const above = points.findIndex((p) => p.thrustN >= neededN);
  if (above < 1 || above + 1 >= points.length) return null;
  const [low, high] = [points[above - 1]!, points[above + 1]!];
  return {
    slopeN: (high.thrustN - low.thrustN) / (high.throttleRatio - low.throttleRatio),
    riseS: candidate.figures.riseTimeS,
  };
}

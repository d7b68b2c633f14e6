import { requireFinite } from '../errors/guards.ts';
import { mean } from '../statistics/describe.ts';
import { COMPARED_LEVEL_DB, levelUncertaintyDb } from '../sound/rotorSound.ts';

/** Prediction beside measurement of one prop, both at one thrust and distance [dB]. */
export interface SoundPair {
  measuredDb: number;
  predictedDb: number;
}

/** What a craft's own takes do to predictions of other props on it. */
export interface SoundCorrection {
  /** Added to a prediction [dB]. */
  offsetDb: number;
  /** Half width of 95 % of a corrected prediction [dB]. */
  halfWidthDb: number;
  count: number;
}

/** How much of a correction one prop earns: a prediction alone is off by 12 dB, one beside a measured sister by 4. */
const PRIOR_COUNT = (COMPARED_LEVEL_DB / levelUncertaintyDb(0)) ** 2;

/**
 * Brings predictions to what was measured on the same craft.
 *
 *   offset = Σ(measured − predicted)/(n + n₀), half width √(4² + 12²·n₀/(n + n₀)), n₀ = (4/12)²
 *
 * @returns nothing added and the prediction's own half width where there is no pair
 * @throws {OutOfRangeError} if a level is no number
 */
export function correctSound(pairs: readonly SoundPair[]): SoundCorrection {
  const alone = levelUncertaintyDb(0);
  if (pairs.length === 0) return { offsetDb: 0, halfWidthDb: alone, count: 0 };
  pairs.forEach((p) => requireFinite('level', p.measuredDb - p.predictedDb));
  const share = pairs.length / (pairs.length + PRIOR_COUNT);
  return {
    offsetDb: share * mean(pairs.map((p) => p.measuredDb - p.predictedDb)),
    halfWidthDb: Math.hypot(COMPARED_LEVEL_DB, alone * Math.sqrt(1 - share)),
    count: pairs.length,
  };
}

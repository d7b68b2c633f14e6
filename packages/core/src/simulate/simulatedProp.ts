import { seededRandom } from '../numerics/seededRandom.ts';

/** A made-up piece with coefficients of its own, unknown to whoever judges it by its label. */
export interface SimulatedProp {
  diameterM: number;
  thrustCoefficient: number;
  powerCoefficient: number;
  /** Loss of thrust per (tip speed / 150 m/s)², from blades that untwist. */
  washoutRatio: number;
}

/**
 * Draws a made-up prop around plausible coefficients for its label: static C_T from pitch over diameter and blade
 * count, C_P from a figure of merit, both with a family spread of 4 %.
 *
 *   C_P = √(2/π)·C_T^1.5 / FM
 *
 * A stand-in of the right size for demos and tests. It predicts nothing.
 *
 * @param seed - any text; the same text gives the same piece
 */
export function simulatedProp(diameterM: number, pitchM: number, bladeCount: number, tip: 'pointed' | 'standard' | 'square', seed: string): SimulatedProp {
  const random = seededRandom(seed);
  const ratio = pitchM / diameterM;
  const blades = [1, 0.62, 1, 1.27, 1.48, 1.64, 1.77][Math.min(6, bladeCount)]!;
  const tipFactor = tip === 'square' ? 1.08 : tip === 'pointed' ? 0.95 : 1;
  const thrustCoefficient = (0.046 + 0.185 * ratio - 0.07 * ratio ** 2) * blades * tipFactor * (1 + 0.04 * random.normal());
  const merit = (0.66 - 0.42 * (ratio - 0.5) ** 2) * 0.972 ** (bladeCount - 2) * (tip === 'square' ? 0.96 : 1) * (1 + 0.02 * random.normal());
  return {
    diameterM,
    thrustCoefficient,
    powerCoefficient: (Math.sqrt(2 / Math.PI) * thrustCoefficient ** 1.5) / merit,
    washoutRatio: 0.02 + 0.02 * random.next(),
  };
}

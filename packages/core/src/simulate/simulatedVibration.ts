import { add, fromPolar, multiply, scale, type Complex } from '../numerics/complex.ts';
import type { SeededRandom } from '../numerics/seededRandom.ts';

/** A rotor on a springy stand: what a mass does, and what shakes before any is put on. */
export interface VibrationTruth {
  before: Complex;
  influence: Complex;
}

/** One reading of a sensor with phase: amplitude and angle each a little off. */
export function readVibration({ before, influence }: VibrationTruth, mass: Complex, amplitudeRatio: number, phaseDegrees: number, random: SeededRandom): Complex {
  const shaking = add(before, multiply(influence, mass));
  return multiply(scale(shaking, 1 + amplitudeRatio * random.normal()), fromPolar(1, phaseDegrees * random.normal()));
}

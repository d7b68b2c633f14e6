import { add, fromPolar, multiply, scale, type Complex } from '../numerics/complex.ts';
import type { SeededRandom } from '../numerics/seededRandom.ts';

/** A rotor on a springy stand: what a mass does, and what shakes before any is put on. */
export interface VibrationTruth {
  before: Complex;
  influence: Complex;
}

/** One reading of a sensor with phase: amplitude and angle each a little off. */
export function readVibration(
  { before, influence }: VibrationTruth,
  mass: Complex,
  amplitudeRatio: number,
  phaseDegrees: number,
  random: SeededRandom,
): Complex {
  const shaking = add(before, multiply(influence, mass));
  return multiply(scale(shaking, 1 + amplitudeRatio * random.normal()), fromPolar(1, phaseDegrees * random.normal()));
}

/** A weight on a turning rotor: on the label's face, clockwise from the mark. */
export interface SimulatedWeight {
  momentKgM: number;
  clockDegrees: number;
}

/** A rotor that shakes a springy stand, recorded by one sensor with a tacho at twelve o'clock. */
export interface ShakenStand {
  /** Turn of the rotor, seen from its label. */
  turn: 'cw' | 'ccw';
  speedRpm: number;
  /** Where the sensor looks from, clockwise from twelve o'clock. */
  sensorDegrees: number;
  /** Acceleration for each newton of pull [1/kg], and how far it comes after the pull. */
  gainPerKg: number;
  lagDegrees: number;
  rateHz: number;
  durationS: number;
  /** Deviation of the sensor's noise [m/s²]. */
  noiseMPerS2: number;
}

/** Rows of a recording as a logger writes them: seconds, acceleration, tacho. */
export type ShakeRow = [timeS: number, accelerationMPerS2: number, tacho: number];

const TACHO_DEGREES = 12;

/**
 * What a logger beside the stand records while a rotor with some weights turns: geometry in space, moment by moment,
 * not a vector sum, so that it can say whether the methods read their angles right.
 */
export function recordShake(stand: ShakenStand, weights: readonly SimulatedWeight[], random: SeededRandom): ShakeRow[] {
  const { turn, speedRpm, sensorDegrees, gainPerKg, lagDegrees, rateHz, durationS, noiseMPerS2 } = stand;
  const omega = (2 * Math.PI * speedRpm) / 60;
  const start = 360 * random.next();
  return Array.from({ length: Math.floor(rateHz * durationS) }, (_, i): ShakeRow => {
    const timeS = i / rateHz;
    const turned = start + (omega * timeS * 180) / Math.PI;
    const markAt = turn === 'cw' ? turned : -turned;
    const earlier = turn === 'cw' ? turned - lagDegrees : lagDegrees - turned;
    const pull = weights.reduce(
      (sum, w) =>
        sum + w.momentKgM * omega ** 2 * Math.cos(((w.clockDegrees + earlier - sensorDegrees) * Math.PI) / 180),
      0,
    );
    const fromTacho = (((markAt % 360) + 540) % 360) - 180;
    return [timeS, gainPerKg * pull + noiseMPerS2 * random.normal(), Math.abs(fromTacho) < TACHO_DEGREES ? 5 : 0];
  });
}

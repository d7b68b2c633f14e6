import { STANDARD_DENSITY_KG_PER_M3 } from '../air/isaAtmosphere.ts';
import { requireFinite, requirePositive } from '../errors/guards.ts';

/** One settled stand reading of a rotor; power is whatever power the caller means, shaft or electrical. */
export interface RotorReading {
  thrustN: number;
  powerW: number;
  torqueNm: number | null;
  speedRpm: number;
}

export interface StandardDayReading {
  thrustN: number;
  powerW: number;
  torqueNm: number | null;
  /** Thrust per watt that the same thrust would give in standard air; null where no power was drawn. */
  thrustPerPowerNPerW: number | null;
}

/**
 * Reduces a rotor reading to standard air, and to another speed if one is given, by similarity.
 *
 *   T·(ρ0/ρ)·(n0/n)²,  Q·(ρ0/ρ)·(n0/n)²,  P·(ρ0/ρ)·(n0/n)³;  thrust per watt at equal thrust: T/P·√(ρ0/ρ)
 *
 * Valid while C_T and C_P do not change, so for small steps of speed. A motor's full-throttle current does not
 * scale like this: recompute it from the motor.
 *
 * @param reading - readings in the air of the day; speed [rev/min] > 0
 * @param densityKgPerM3 - density of that air [kg/m³], > 0
 * @param referenceSpeedRpm - speed to reduce to [rev/min], or null to keep the measured one
 * @throws {OutOfRangeError} if density or a speed is not positive, or a reading is not finite
 * @see Similarity of rotors: thrust and power coefficients independent of density
 */
export function reduceToStandardDay(
  reading: RotorReading,
  densityKgPerM3: number,
  referenceSpeedRpm: number | null,
): StandardDayReading {
  requirePositive('densityKgPerM3', densityKgPerM3);
  requirePositive('speedRpm', reading.speedRpm);
  if (referenceSpeedRpm !== null) requirePositive('referenceSpeedRpm', referenceSpeedRpm);
  requireFinite('thrustN', reading.thrustN);
  requireFinite('powerW', reading.powerW);
  const air = STANDARD_DENSITY_KG_PER_M3 / densityKgPerM3;
  const speed = referenceSpeedRpm === null ? 1 : referenceSpeedRpm / reading.speedRpm;
  return {
    thrustN: reading.thrustN * air * speed ** 2,
    powerW: reading.powerW * air * speed ** 3,
    torqueNm: reading.torqueNm === null ? null : reading.torqueNm * air * speed ** 2,
    thrustPerPowerNPerW: reading.powerW === 0 ? null : (reading.thrustN / reading.powerW) * Math.sqrt(air),
  };
}

/**
 * Takes the zero of the load cell off a reading, the zero drifting evenly between two tares.
 *
 *   T = reading − [zero before + (zero after − zero before)·f]
 *
 * @param readingN - what the scale showed [N]
 * @param zeroBeforeN - scale at rest before the run [N]
 * @param zeroAfterN - scale at rest after the run [N]
 * @param elapsedRatio - how far into the run the reading was taken, 0 to 1
 * @throws {OutOfRangeError} if a value is not finite
 * @example correctZeroDrift(5.2, 0.02, 0.08, 0.5) // => 5.15
 */
export function correctZeroDrift(
  readingN: number,
  zeroBeforeN: number,
  zeroAfterN: number,
  elapsedRatio: number,
): number {
  requireFinite('readingN', readingN);
  requireFinite('zeroBeforeN', zeroBeforeN);
  requireFinite('zeroAfterN', zeroAfterN);
  requireFinite('elapsedRatio', elapsedRatio);
  return readingN - (zeroBeforeN + (zeroAfterN - zeroBeforeN) * elapsedRatio);
}

import { requireFinite, requirePositive, requireWithin } from '../errors/guards.ts';
import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';

/** A steady climb. */
export interface Climb {
  /** Along the path [m/s]. */
  pathSpeedMPerS: number;
  /** Of the path above the horizon [°]. */
  angleDegrees: number;
}

/**
 * What a steady climb says.
 *
 *   rate = V·sin γ, ground speed in still air = V·cos γ, thrust beyond what carries = m·g·sin γ
 *
 * @throws {OutOfRangeError} if the speed or the mass is not positive, or the angle not within ±90°
 */
export function climbFigures(
  { pathSpeedMPerS, angleDegrees }: Climb,
  massKg: number,
): { climbRateMPerS: number; horizontalMPerS: number; excessThrustN: number } {
  requirePositive('pathSpeedMPerS', pathSpeedMPerS);
  requireWithin('angleDegrees', angleDegrees, -90, 90);
  requirePositive('massKg', massKg);
  const angle = (angleDegrees * Math.PI) / 180;
  return {
    climbRateMPerS: pathSpeedMPerS * Math.sin(angle),
    horizontalMPerS: angleDegrees === 90 ? 0 : pathSpeedMPerS * Math.cos(angle),
    excessThrustN: massKg * GRAVITY_M_PER_S2 * Math.sin(angle),
  };
}

/**
 * Rate of a climb between two heights.
 *
 * @throws {OutOfRangeError} if the upper height is not above the lower, or the time not positive
 */
export function climbRate(lowerM: number, upperM: number, durationS: number): number {
  requireFinite('lowerM', lowerM);
  requirePositive('upperM', upperM - lowerM);
  requirePositive('durationS', durationS);
  return (upperM - lowerM) / durationS;
}

/**
 * Airspeed against the speed at which the pitch would screw itself through the air.
 *
 *   V_pitch = p·n/60
 *
 * @throws {OutOfRangeError} if pitch or speed is not positive, or the airspeed negative
 */
export function pitchSpeed(
  pitchM: number,
  speedRpm: number,
  airspeedMPerS: number,
): { pitchSpeedMPerS: number; airspeedRatio: number } {
  requirePositive('pitchM', pitchM);
  requirePositive('speedRpm', speedRpm);
  requireWithin('airspeedMPerS', airspeedMPerS, 0, 1000);
  const pitchSpeedMPerS = (pitchM * speedRpm) / 60;
  return { pitchSpeedMPerS, airspeedRatio: airspeedMPerS / pitchSpeedMPerS };
}

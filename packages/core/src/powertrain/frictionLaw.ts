import { requirePositive } from '../errors/guards.ts';

/** Friction torque of a motor at a speed: iron, bearings, windage. */
export type FrictionLaw = (speedRadPerS: number) => number;

/** Volts at which a no-load current is quoted. */
export const NO_LOAD_VOLTAGE_V = 10;
const SHARE_AT_REST = 0.5;

/**
 * Friction from a measured no-load current.
 *
 *   Qf = Kt·I0·(½ + ½·ω/ω0), ω0 the speed constant times 10 V
 *
 * @param noLoadCurrentA - at 10 V [A], > 0
 * @param torqueConstantNmPerA - Kt = 60/(2π·kV), > 0
 * @throws {OutOfRangeError} if a value is not positive
 */
export function measuredFriction(noLoadCurrentA: number, torqueConstantNmPerA: number): FrictionLaw {
  requirePositive('noLoadCurrentA', noLoadCurrentA);
  requirePositive('torqueConstantNmPerA', torqueConstantNmPerA);
  const noLoadSpeed = NO_LOAD_VOLTAGE_V / torqueConstantNmPerA;
  const torqueNm = torqueConstantNmPerA * noLoadCurrentA;
  return (speedRadPerS) => torqueNm * (SHARE_AT_REST + ((1 - SHARE_AT_REST) * speedRadPerS) / noLoadSpeed);
}

/**
 * Friction estimated from the stator's size, good to ±50 %.
 *
 *   Qf = 1.94e-6·(d²h)^0.85·ω^0.127 N·m, d and h in mm
 *
 * @throws {OutOfRangeError} if a size is not positive
 */
export function statorFriction(statorDiameterM: number, statorHeightM: number): FrictionLaw {
  requirePositive('statorDiameterM', statorDiameterM);
  requirePositive('statorHeightM', statorHeightM);
  const scale = 1.94e-6 * (statorDiameterM ** 2 * statorHeightM * 1e9) ** 0.85;
  return (speedRadPerS) => scale * Math.max(0, speedRadPerS) ** 0.127;
}

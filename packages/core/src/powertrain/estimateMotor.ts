import { NO_LOAD_VOLTAGE_V, statorFriction } from './frictionLaw.ts';
import { requirePositive, requireWithin } from '../errors/guards.ts';

export interface MotorEstimate {
  /** Winding resistance at 25 °C, phase to phase [Ω]. */
  resistanceOhm: number;
  massKg: number;
  /** Current without a propeller at 10 V [A]; known to about ±50 %. */
  noLoadCurrentA: number;
  torqueConstantNmPerA: number;
}

/**
 * Estimates an outrunner's figures from its stator size and speed constant, until measured ones are typed.
 *
 *   R25 = 1.60e11/(kV²·h·d^3.69) Ω,  m = 0.0455·d^1.585·h^0.868 g,  Qf = 1.94e-6·(d²h)^0.85·ω^0.127 N·m,  I0 = Qf/Kt
 *
 * d and h in millimetres, kV in rpm/V, ω at 10 V. Fitted to usual outrunners of 11 to 50 mm; friction ±50 %.
 *
 * @param statorDiameterM - stator diameter [m], 0.004 to 0.15
 * @param statorHeightM - stator height [m], 0.0015 to 0.06
 * @param kvRpmPerV - speed constant [rev/min per volt], > 0
 * @throws {OutOfRangeError} outside those ranges
 * @see docs/physics.md, Motor
 * @example estimateMotor(0.023, 0.006, 1750).resistanceOhm // => 0.082…
 */
export function estimateMotor(statorDiameterM: number, statorHeightM: number, kvRpmPerV: number): MotorEstimate {
  requireWithin('statorDiameterM', statorDiameterM, 0.004, 0.15);
  requireWithin('statorHeightM', statorHeightM, 0.0015, 0.06);
  requirePositive('kvRpmPerV', kvRpmPerV);
  const d = statorDiameterM * 1000;
  const h = statorHeightM * 1000;
  const torqueConstant = torqueConstantNmPerA(kvRpmPerV);
  const frictionNm = statorFriction(statorDiameterM, statorHeightM)(NO_LOAD_VOLTAGE_V / torqueConstant);
  return {
    resistanceOhm: 1.6e11 / (kvRpmPerV ** 2 * h * d ** 3.69),
    massKg: (0.0455 * d ** 1.585 * h ** 0.868) / 1000,
    noLoadCurrentA: frictionNm / torqueConstant,
    torqueConstantNmPerA: torqueConstant,
  };
}

/**
 * Torque per ampere of a motor: Kt = 60/(2π·kV).
 *
 * @throws {OutOfRangeError} if the speed constant is not positive
 */
export function torqueConstantNmPerA(kvRpmPerV: number): number {
  requirePositive('kvRpmPerV', kvRpmPerV);
  return 60 / (2 * Math.PI * kvRpmPerV);
}

import { requirePositive, requireWithin } from '../errors/guards.ts';
import type { Drive } from './equilibrium.ts';
import { windingOhm } from './motor.ts';

/**
 * Shaft torque of a motor from what its controller draws at a speed: the equilibrium read backwards.
 *
 *   Pe = Kt·ω·I + I²·(R + R_esc) + P0  →  I;  Q = Kt·I − Qf
 *
 * @param speedRadPerS - of the motor [rad/s], > 0
 * @param powerW - electrical, into the controller [W], 0 to 10⁶
 * @returns torque [N·m]; negative where the power does not even cover friction
 * @throws {OutOfRangeError} outside those ranges
 */
export function torqueFromPowerNm(drive: Drive, speedRadPerS: number, powerW: number): number {
  return (
    drive.motor.torqueConstantNmPerA * motorCurrentA(drive, speedRadPerS, powerW) - drive.motor.friction(speedRadPerS)
  );
}

/**
 * Current in the winding from what the controller draws at a speed [A]: Pe = Kt·ω·I + I²·(R + R_esc) + P0.
 *
 * @throws {OutOfRangeError} as {@link torqueFromPowerNm}
 */
export function motorCurrentA(
  { motor, escResistanceOhm, standbyPowerW, motorTemperatureC }: Drive,
  speedRadPerS: number,
  powerW: number,
): number {
  requirePositive('speedRadPerS', speedRadPerS);
  requireWithin('powerW', powerW, 0, 1e6);
  const ohm = windingOhm(motor, motorTemperatureC) + escResistanceOhm;
  const backV = motor.torqueConstantNmPerA * speedRadPerS;
  const net = Math.max(0, powerW - standbyPowerW);
  return (Math.sqrt(backV * backV + 4 * ohm * net) - backV) / (2 * ohm);
}

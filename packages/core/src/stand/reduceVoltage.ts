import { requirePositive } from '../errors/guards.ts';
import { findRoot } from '../numerics/findRoot.ts';
import type { Drive } from '../powertrain/equilibrium.ts';
import { windingOhm } from '../powertrain/motor.ts';

/** A full-throttle reading of one motor. */
export interface FullReading {
  voltageV: number;
  currentA: number;
  /** Of the motor [rad/s]; null where nobody read it: it follows from volts and amps. */
  speedRadPerS: number | null;
}

/** What a full-throttle reading becomes at another voltage, as factors on what was read. */
export interface VoltageStep {
  speedRatio: number;
  /** Thrust goes with the square of speed. */
  thrustRatio: number;
  powerRatio: number;
  currentRatio: number;
}

/** Beyond this share of change the motor model is no longer a small step. */
export const MOST_VOLTAGE_STEP = 0.12;

/**
 * A full-throttle reading reduced to another voltage through the motor: the load keeps its torque coefficient, the
 * motor its circuit.
 *
 *   V = Kt·ω + I·(R + R_esc + x·ω), Q = k·ω², I = (Q + Qf)/Kt; solve for ω at V₀; T ∝ ω², Pe = Kt·ω·I + I²·(R + R_esc)
 * + P₀
 *
 * Only ratios are used, so an error of the motor's resistance hardly matters in a small step.
 *
 * @returns null where the step is beyond 12 % or the reading makes no sense of the motor
 * @throws {OutOfRangeError} if a voltage or current is not positive
 */
export function voltageStep(
  drive: Drive,
  { voltageV, currentA, speedRadPerS }: FullReading,
  toV: number,
): VoltageStep | null {
  requirePositive('voltageV', voltageV);
  requirePositive('currentA', currentA);
  requirePositive('toV', toV);
  if (Math.abs(toV / voltageV - 1) > MOST_VOLTAGE_STEP) return null;
  const { motor, escResistanceOhm, standbyPowerW, motorTemperatureC } = drive;
  const ohm = windingOhm(motor, motorTemperatureC) + escResistanceOhm;
  const kt = motor.torqueConstantNmPerA;
  const speed = speedRadPerS ?? (voltageV - currentA * ohm) / (kt + currentA * motor.reactanceOhmS);
  const torqueNm = kt * currentA - motor.friction(Math.max(1e-6, speed));
  if (!(speed > 0) || !(torqueNm > 0)) return null;
  const load = torqueNm / speed ** 2;
  const at = (omega: number): { voltV: number; powerW: number } => {
    const amps = (load * omega ** 2 + motor.friction(omega)) / kt;
    return {
      voltV: kt * omega + amps * (ohm + motor.reactanceOhmS * omega),
      powerW: kt * omega * amps + amps ** 2 * ohm + standbyPowerW,
    };
  };
  // The same model at both voltages, so that what it misses falls out of the ratio.
  const solve = (volts: number): number | null => {
    const root = findRoot((omega) => at(omega).voltV - volts, 0.3 * speed, 3 * speed, 1e-9 * speed);
    return root.status === 'found' ? root.x : null;
  };
  const [from, to] = [solve(voltageV), solve(toV)];
  if (from === null || to === null) return null;
  const speedRatio = to / from;
  const powerRatio = at(to).powerW / at(from).powerW;
  return { speedRatio, thrustRatio: speedRatio ** 2, powerRatio, currentRatio: (powerRatio * voltageV) / toV };
}

import { solveLinear } from '../numerics/solveLinear.ts';
import type { Drive } from '../powertrain/equilibrium.ts';
import { windingOhm, type Motor } from '../powertrain/motor.ts';
import { motorCurrentA } from '../powertrain/torqueFromPower.ts';

/** One settled moment of a motor that says something of its circuit. */
export interface CircuitReading {
  throttleRatio: number;
  /** At the controller [V]. */
  voltageV: number;
  /** Of the motor [rad/s]. */
  speedRadPerS: number;
  /** Electrical, into the controller [W]. */
  powerW: number;
}

/** What a workshop's own runs say of a motor, as factors on its label or estimate. */
export interface MotorCalibration {
  kvFactor: number;
  resistanceFactor: number;
  reactanceFactor: number;
  /** Standard deviations of the three, in logarithms. */
  kvDeviation: number;
  resistanceDeviation: number;
  reactanceDeviation: number;
  readingCount: number;
}

/** What is believed of a motor before any run, in logarithms. */
const PRIOR = { kv: 0.02, resistance: 0.25, reactance: 0.5 } as const;
/**
 * Volts by which a reading misses, as a share: at full throttle, and more below, where the controller's law is not
 * known.
 */
const FULL_NOISE = 0.006;
const PART_NOISE = 0.06;
/** Under this throttle a reading says little but noise. */
const LEAST_THROTTLE = 0.5;
const ROUNDS = 6;

/**
 * Effective speed constant, resistance and reactance of a motor from throttle, volts, speed and power of its runs.
 *
 *   u·V = Kt·ω + I·(R + R_esc) + x·ω·I, I from Pe = Kt·ω·I + I²·(R + R_esc) + P0
 *
 * Bayesian ridge on logarithms around what is estimated (kV ±2 %, R ±25 %, x ±50 %), by Gauss-Newton steps. Steps at
 * full throttle weigh most; below half throttle none counts.
 *
 * @returns null where no reading counts
 */
export function calibrateMotor(drive: Drive, readings: readonly CircuitReading[]): MotorCalibration | null {
  const counted = readings.filter(
    (r) =>
      r.throttleRatio >= LEAST_THROTTLE &&
      r.throttleRatio <= 1 &&
      r.voltageV > 0 &&
      r.speedRadPerS > 0 &&
      r.powerW > drive.standbyPowerW,
  );
  if (counted.length === 0) return null;
  const prior = [PRIOR.kv, PRIOR.resistance, PRIOR.reactance].map((s) => 1 / s ** 2);
  let logs = [0, 0, 0];
  let normal: number[][] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const { motor } = driveWith(drive, factorsOf(logs));
    normal = prior.map((p, i) => prior.map((_, j) => (i === j ? p : 0)));
    const right = prior.map((p, i) => -p * logs[i]!);
    for (const reading of counted) {
      const { throttleRatio, voltageV, speedRadPerS } = reading;
      const currentA = motorCurrentA({ ...drive, motor }, speedRadPerS, reading.powerW);
      const winding = currentA * windingOhm(motor, drive.motorTemperatureC);
      const backV = motor.torqueConstantNmPerA * speedRadPerS;
      const reactive = motor.reactanceOhmS * speedRadPerS * currentA;
      const left = throttleRatio * voltageV - backV - winding - currentA * drive.escResistanceOhm - reactive;
      // A larger kV is a smaller Kt. The current changes with neither much, since the power is read.
      const slopes = [-backV, winding, reactive];
      const weight = 1 / (voltageV * (FULL_NOISE + PART_NOISE * (1 - throttleRatio))) ** 2;
      slopes.forEach((a, i) => {
        right[i]! += weight * a * left;
        slopes.forEach((b, j) => (normal[i]![j]! += weight * a * b));
      });
    }
    const step = solveLinear(normal, right);
    if (!step) break;
    logs = logs.map((v, i) => v + step[i]!);
  }
  const [kvDeviation, resistanceDeviation, reactanceDeviation] = [0, 1, 2].map((k) =>
    Math.sqrt(
      Math.max(
        0,
        solveLinear(
          normal,
          [0, 1, 2].map((i) => (i === k ? 1 : 0)),
        )?.[k] ?? 0,
      ),
    ),
  ) as [number, number, number];
  return { ...factorsOf(logs), kvDeviation, resistanceDeviation, reactanceDeviation, readingCount: counted.length };
}

type Factors = Pick<MotorCalibration, 'kvFactor' | 'resistanceFactor' | 'reactanceFactor'>;

function factorsOf([kv, resistance, reactance]: readonly number[]): Factors {
  return { kvFactor: Math.exp(kv!), resistanceFactor: Math.exp(resistance!), reactanceFactor: Math.exp(reactance!) };
}

/** A motor as a workshop's own runs correct it; as it is without any. */
export function motorWith(motor: Motor, factors: Factors | null): Motor {
  if (factors === null) return motor;
  return {
    ...motor,
    kvRpmPerV: motor.kvRpmPerV * factors.kvFactor,
    torqueConstantNmPerA: motor.torqueConstantNmPerA / factors.kvFactor,
    resistanceOhm: motor.resistanceOhm * factors.resistanceFactor,
    reactanceOhmS: motor.reactanceOhmS * factors.reactanceFactor,
  };
}

/** A drive with its motor as runs correct it. */
export function driveWith(drive: Drive, factors: Factors | null): Drive {
  return factors === null ? drive : { ...drive, motor: motorWith(drive.motor, factors) };
}

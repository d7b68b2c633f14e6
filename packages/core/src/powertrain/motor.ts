import { requirePositive, requireWithin } from '../errors/guards.ts';
import { estimateMotor } from './estimateMotor.ts';
import { measuredFriction, statorFriction, type FrictionLaw } from './frictionLaw.ts';

/** A brushless outrunner as its direct-current equivalent. */
export interface Motor {
  kvRpmPerV: number;
  /** Kt [N·m/A]. */
  torqueConstantNmPerA: number;
  /** Winding at 25 °C [Ω]. */
  resistanceOhm: number;
  friction: FrictionLaw;
  /** Commutation reactance per speed [Ω·s/rad]: lowers the voltage without heat. */
  reactanceOhmS: number;
  massKg: number;
  statorDiameterM: number;
  statorHeightM: number;
}

/** What is known of a motor; null is estimated from stator size and speed constant. */
export interface MotorEntries {
  statorDiameterM: number;
  statorHeightM: number;
  kvRpmPerV: number;
  resistanceOhm: number | null;
  noLoadCurrentA: number | null;
  massKg: number | null;
}

/** Pole pairs of the usual outrunner with twelve stator teeth. */
const POLE_PAIRS = 7;
const COPPER_PER_K = 0.00393;
const COPPER_AT_C = 25;

/**
 * A motor from what is known of it: typed figures where there are some, estimates from stator size and kV elsewhere.
 *
 *   X = (3/π)·p·L·ω, L = 15·(3174/(d²h))^0.75/kV² H, d and h in mm, p = 7 pole pairs
 *
 * @throws {OutOfRangeError} if a size, the speed constant or a typed figure is not positive
 * @see docs/physics.md, Motor
 */
export function motorOf(entries: MotorEntries): Motor {
  const { statorDiameterM, statorHeightM, kvRpmPerV } = entries;
  const estimate = estimateMotor(statorDiameterM, statorHeightM, kvRpmPerV);
  const resistanceOhm = entries.resistanceOhm ?? estimate.resistanceOhm;
  const massKg = entries.massKg ?? estimate.massKg;
  requirePositive('resistanceOhm', resistanceOhm);
  requirePositive('massKg', massKg);
  const volume = statorDiameterM ** 2 * statorHeightM * 1e9;
  const inductanceH = (15 * (3174 / volume) ** 0.75) / kvRpmPerV ** 2;
  return {
    kvRpmPerV,
    torqueConstantNmPerA: estimate.torqueConstantNmPerA,
    resistanceOhm,
    friction:
      entries.noLoadCurrentA === null
        ? statorFriction(statorDiameterM, statorHeightM)
        : measuredFriction(entries.noLoadCurrentA, estimate.torqueConstantNmPerA),
    reactanceOhmS: (3 / Math.PI) * POLE_PAIRS * inductanceH,
    massKg,
    statorDiameterM,
    statorHeightM,
  };
}

/**
 * Resistance of a winding at its temperature: copper gains 0.393 % a kelvin.
 *
 * @param temperatureC - of the copper [°C], −60 to 400
 * @throws {OutOfRangeError} outside that range
 */
export function windingOhm(motor: Pick<Motor, 'resistanceOhm'>, temperatureC: number): number {
  requireWithin('temperatureC', temperatureC, -60, 400);
  return motor.resistanceOhm * (1 + COPPER_PER_K * (temperatureC - COPPER_AT_C));
}

import { calibrate, calibrateWithin, type CalibrationReading } from '../propeller/calibration.ts';
import { MOST_TIP_MACH, propellerAt, propellerModel, tipMachOf, type PropellerCalibration } from '../propeller/propellerModel.ts';
import type { CoefficientTables } from '../propeller/coefficientTables.ts';
import type { PropGeometry } from '../propeller/propGeometry.ts';
import type { Drive } from '../powertrain/equilibrium.ts';
import { torqueFromPowerNm } from '../powertrain/torqueFromPower.ts';
import { mean } from '../statistics/describe.ts';
import type { StandStep } from './quantities.ts';

/** What turned the props on the stand: the motor of the craft, and its gear. */
export interface CalibrationRig {
  drive: Drive;
  gearRatio: number;
  tables: CoefficientTables;
}

/** A settled run that counts, and what its prop is by its label. */
export interface CalibrationRun {
  propModelId: string;
  geometry: PropGeometry;
  densityKgPerM3: number;
  steps: readonly StandStep[];
}

/** Corrections of the propeller model by a workshop's own runs. */
export interface StandCalibration {
  /** For any propeller on this motor. */
  whole: PropellerCalibration;
  /** For those that were measured themselves, by their model. */
  models: Record<string, PropellerCalibration>;
  runCount: number;
  propCount: number;
}

/** Steps under this share of a run's top thrust are left out: small readings are mostly zero and friction. */
const LEAST_THRUST_SHARE = 0.25;

/**
 * Corrects thrust and power coefficients by runs on the stand, one reading a run, since the steps of a run share their
 * zero, their pack and their piece.
 *
 *   C_T = T/(ρ·n²·D⁴),  C_P = 2π·Q/(ρ·n²·D⁵); Q is read, or follows from the electrical power through the motor
 *
 * Runs without speed say nothing here. Where power stands in for torque the motor's own error is corrected along with
 * the propeller's, which is what a prediction for this craft wants.
 *
 * @param runs - settled, counted, SI; at most 10,000
 * @returns null without a usable run
 * @throws {OutOfRangeError} for more runs than that
 */
export function calibrateByRuns(runs: readonly CalibrationRun[], rig: CalibrationRig): StandCalibration | null {
  const read = runs.map((run) => ({ run, ...readRun(run, rig) })).filter((r) => r.thrust !== null || r.power !== null);
  if (read.length === 0) return null;
  const pick = (from: typeof read, what: 'thrust' | 'power'): CalibrationReading[] => from.flatMap((r) => (r[what] === null ? [] : [{ pitchRatio: r.run.geometry.pitchM / r.run.geometry.diameterM, logRatio: r[what] }]));
  const whole: PropellerCalibration = { thrust: calibrate(pick(read, 'thrust')), power: calibrate(pick(read, 'power')) };
  const ids = [...new Set(read.map((r) => r.run.propModelId))];
  const models = ids.map((id) => {
    const own = read.filter((r) => r.run.propModelId === id);
    return [id, { thrust: calibrateWithin(whole.thrust, pick(own, 'thrust')), power: calibrateWithin(whole.power, pick(own, 'power')) }] as const;
  });
  return { whole, models: Object.fromEntries(models), runCount: read.length, propCount: ids.length };
}

/** Mean logarithm of measured over predicted coefficients of one run; null where the run does not tell. */
function readRun({ geometry, densityKgPerM3, steps }: CalibrationRun, { drive, gearRatio, tables }: CalibrationRig): { thrust: number | null; power: number | null } {
  const prop = propellerModel(geometry, tables);
  const most = Math.max(0, ...steps.map((s) => s.thrustN ?? 0));
  const thrust: number[] = [];
  const power: number[] = [];
  for (const { thrustN, speedRpm, torqueNm, powerW } of steps) {
    if (speedRpm === null || !(speedRpm > 0) || tipMachOf(prop, speedRpm) >= MOST_TIP_MACH || thrustN === null || !(thrustN > LEAST_THRUST_SHARE * most)) continue;
    const label = propellerAt(prop, speedRpm);
    const scale = densityKgPerM3 / prop.air.densityKgPerM3;
    thrust.push(Math.log(thrustN / (label.thrustN * scale)));
    const motorSpeed = (2 * Math.PI * speedRpm * gearRatio) / 60;
    const torque = torqueNm ?? (powerW === null || !(powerW > 0) ? null : gearRatio * torqueFromPowerNm(drive, motorSpeed, powerW));
    if (torque !== null && torque > 0) power.push(Math.log(torque / (label.torqueNm * scale)));
  }
  return { thrust: thrust.length === 0 ? null : mean(thrust), power: power.length === 0 ? null : mean(power) };
}

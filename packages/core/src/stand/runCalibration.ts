import { calibrate, calibrateWithin, type CalibrationReading } from '../propeller/calibration.ts';
import {
  MOST_TIP_MACH,
  propellerAt,
  propellerModel,
  tipMachOf,
  type PropellerCalibration,
} from '../propeller/propellerModel.ts';
import type { CoefficientTables } from '../propeller/coefficientTables.ts';
import type { PropGeometry } from '../propeller/propGeometry.ts';
import type { Drive } from '../powertrain/equilibrium.ts';
import { torqueFromPowerNm } from '../powertrain/torqueFromPower.ts';
import { mean } from '../statistics/describe.ts';
import { calibrateMotor, driveWith, type CircuitReading, type MotorCalibration } from './motorCalibration.ts';
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
  /** Whoever made it, whose props share their shapes; null where nobody knows. */
  family: string | null;
  geometry: PropGeometry;
  densityKgPerM3: number;
  steps: readonly StandStep[];
}

/** Corrections of the propeller model by a workshop's own runs. */
export interface StandCalibration {
  /** For any propeller on this motor. */
  whole: PropellerCalibration;
  /** For props of a maker of whom some were measured, by the maker. */
  families: Record<string, PropellerCalibration>;
  /** For those that were measured themselves, by their model. */
  models: Record<string, PropellerCalibration>;
  /** What the runs say of the motor itself; null where they hold no volts. */
  motor: MotorCalibration | null;
  /** At the controller at full throttle, over the runs [V]; null where none tells. */
  standVoltageV: number | null;
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
 * Where throttle and volts are there too, the motor itself is corrected first: the same runs tell its speed constant,
 * resistance and reactance. Runs without speed say nothing here. Where power stands in for torque what is left of the
 * motor's error is corrected along with the propeller's, which is what a prediction for this craft wants.
 *
 * @param runs - settled, counted, SI; at most 10,000
 * @returns null without a usable run
 * @throws {OutOfRangeError} for more runs than that
 */
export function calibrateByRuns(runs: readonly CalibrationRun[], rig: CalibrationRig): StandCalibration | null {
  const motor = calibrateMotor(
    rig.drive,
    runs.flatMap((run) => circuitOf(run, rig.gearRatio)),
  );
  const corrected = { ...rig, drive: driveWith(rig.drive, motor) };
  const read = runs
    .map((run) => ({ run, ...readRun(run, corrected) }))
    .filter((r) => r.thrust !== null || r.power !== null);
  if (read.length === 0) return null;
  const pick = (from: typeof read, what: 'thrust' | 'power'): CalibrationReading[] =>
    from.flatMap((r) =>
      r[what] === null ? [] : [{ pitchRatio: r.run.geometry.pitchM / r.run.geometry.diameterM, logRatio: r[what] }],
    );
  const whole: PropellerCalibration = {
    thrust: calibrate(pick(read, 'thrust')),
    power: calibrate(pick(read, 'power')),
  };
  const within = (outer: PropellerCalibration, own: typeof read): PropellerCalibration => ({
    thrust: calibrateWithin(outer.thrust, pick(own, 'thrust')),
    power: calibrateWithin(outer.power, pick(own, 'power')),
  });
  const makers = [...new Set(read.flatMap((r) => r.run.family ?? []))];
  const families = Object.fromEntries(
    makers.map((maker) => [
      maker,
      within(
        whole,
        read.filter((r) => r.run.family === maker),
      ),
    ]),
  );
  const ids = [...new Set(read.map((r) => r.run.propModelId))];
  const models = Object.fromEntries(
    ids.map((id) => {
      const own = read.filter((r) => r.run.propModelId === id);
      const { family } = own[0]!.run;
      return [id, within(family === null ? whole : families[family]!, own)];
    }),
  );
  const fullV = runs.flatMap((run) =>
    run.steps.flatMap((s) => (s.throttleRatio === 1 && s.voltageV !== null ? [s.voltageV] : [])),
  );
  return {
    whole,
    families,
    models,
    motor,
    standVoltageV: fullV.length === 0 ? null : mean(fullV),
    runCount: read.length,
    propCount: ids.length,
  };
}

/** The narrowest correction that speaks of a prop: its own runs, its maker's, or all of this motor's. */
export function correctionFor(
  { whole, families, models }: StandCalibration,
  propModelId: string | null,
  family: string | null,
): PropellerCalibration {
  return (
    (propModelId === null ? undefined : models[propModelId]) ??
    (family === null ? undefined : families[family]) ??
    whole
  );
}

/** What a run says of the motor's circuit. */
function circuitOf({ steps }: CalibrationRun, gearRatio: number): CircuitReading[] {
  return steps.flatMap(({ throttleRatio, voltageV, speedRpm, powerW }) =>
    throttleRatio === null || voltageV === null || speedRpm === null || powerW === null
      ? []
      : [{ throttleRatio, voltageV, powerW, speedRadPerS: (2 * Math.PI * speedRpm * gearRatio) / 60 }],
  );
}

/** Mean logarithm of measured over predicted coefficients of one run; null where the run does not tell. */
function readRun(
  { geometry, densityKgPerM3, steps }: CalibrationRun,
  { drive, gearRatio, tables }: CalibrationRig,
): { thrust: number | null; power: number | null } {
  const prop = propellerModel(geometry, tables);
  const most = Math.max(0, ...steps.map((s) => s.thrustN ?? 0));
  const thrust: number[] = [];
  const power: number[] = [];
  for (const { thrustN, speedRpm, torqueNm, powerW } of steps) {
    if (
      speedRpm === null ||
      !(speedRpm > 0) ||
      tipMachOf(prop, speedRpm) >= MOST_TIP_MACH ||
      thrustN === null ||
      !(thrustN > LEAST_THRUST_SHARE * most)
    )
      continue;
    const label = propellerAt(prop, speedRpm);
    const scale = densityKgPerM3 / prop.air.densityKgPerM3;
    thrust.push(Math.log(thrustN / (label.thrustN * scale)));
    const motorSpeed = (2 * Math.PI * speedRpm * gearRatio) / 60;
    const torque =
      torqueNm ?? (powerW === null || !(powerW > 0) ? null : gearRatio * torqueFromPowerNm(drive, motorSpeed, powerW));
    if (torque !== null && torque > 0) power.push(Math.log(torque / (label.torqueNm * scale)));
  }
  return { thrust: thrust.length === 0 ? null : mean(thrust), power: power.length === 0 ? null : mean(power) };
}

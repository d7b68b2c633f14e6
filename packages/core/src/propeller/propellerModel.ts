import type { RotorAir } from '../air/rotorAir.ts';
import { requirePositive, requireWithin } from '../errors/guards.ts';
import type { EvidenceMark } from '../figure/figure.ts';
import { INCH_M } from '../label/propLabel.ts';
import { AdvanceGrid } from './advanceGrid.ts';
import { calibrationFactor, type Calibration } from './calibration.ts';
import {
  computeRow,
  emptyCoefficients,
  readRow,
  type CoefficientRow,
  type StaticCoefficients,
} from './coefficientTable.ts';
import type { CoefficientTables } from './coefficientTables.ts';
import {
  effectivePitchM,
  EFFECTIVE_PITCH,
  isInsideFittedRange,
  isInsideTables,
  requirePropGeometry,
  type PropGeometry,
} from './propGeometry.ts';
import { Z_95 } from '../statistics/normal.ts';

/** A propeller whose thrust and torque can be asked for at any speed, with how well that is known. */
export interface PropellerModel {
  readonly geometry: PropGeometry;
  readonly air: RotorAir;
  readonly mark: EvidenceMark;
  /** Half widths of the 95 % interval, as shares of thrust and of power. */
  readonly thrustUncertaintyRatio: number;
  readonly powerUncertaintyRatio: number;
  /** Corrections from measured coefficients; 1 without. */
  readonly thrustFactor: number;
  readonly powerFactor: number;
  readonly row: CoefficientRow;
  /** Made with the first question about axial flow. */
  axial: AdvanceGrid | null;
}

/** What a propeller does at one speed. */
export interface PropellerPoint {
  thrustN: number;
  torqueNm: number;
  powerW: number;
  thrustCoefficient: number;
  powerCoefficient: number;
  tipWashoutRad: number;
  tipMach: number;
  /** Estimated or calibrated within the model's range, extended outside of it. */
  mark: EvidenceMark;
}

/** Measured coefficients of a model or its family, as corrections of the model's. */
export interface PropellerCalibration {
  thrust: Calibration;
  power: Calibration;
}

/** Tip Mach number up to which the constants were fitted. */
const FITTED_TIP_MACH = 0.7;
/** Nearer to the speed of sound the model ends. */
export const MOST_TIP_MACH = 0.95;
/** Half widths of thrust and power: by the label alone, with one of width and angle measured, with both. */
const HALF_WIDTHS = [
  { thrust: 0.2, power: 0.25 },
  { thrust: 0.18, power: 0.235 },
  { thrust: 0.16, power: 0.22 },
] as const;
/** Outside the sizes that the model was fitted to, intervals are at least this much wider. */
const OUTSIDE_WIDENING = 2;

/**
 * A propeller from its geometry: coefficients from the family's shared table, or computed for the piece where its
 * stiffness or root is its own, corrected by measured ones where they are given.
 *
 * From a label alone thrust is good to about ±20 % and power to ±25 % (95 %, a judgement), with blade width and angle
 * measured to ±16 and ±22 %, as made-up props of another structure show; half as wide again for each of: pitch over
 * diameter above 0.8, under 3 in, more than 5 blades.
 *
 * @param geometry - what is known of the propeller
 * @param tables - tables of the air it turns in
 * @param calibration - from {@link calibrate}; null without measurements
 * @throws {OutOfRangeError} if the geometry is no propeller
 */
export function propellerModel(
  geometry: PropGeometry,
  tables: CoefficientTables,
  calibration: PropellerCalibration | null = null,
): PropellerModel {
  requirePropGeometry(geometry);
  const isFitted = isInsideFittedRange(geometry);
  const isOwnPiece =
    geometry.chord75M !== null ||
    geometry.massKg !== null ||
    geometry.droopM !== null ||
    geometry.rootCutOutRatio !== null;
  const pitchRatio = geometry.pitchM / geometry.diameterM;
  const row =
    isInsideTables(geometry) && !isOwnPiece
      ? tables.of(geometry).rowOf(geometry.diameterM, effectivePitchM(geometry) / EFFECTIVE_PITCH / geometry.diameterM)
      : computeRow(geometry, tables.air);
  const halfWidth = HALF_WIDTHS[(geometry.chord75M === null ? 0 : 1) + (geometry.angle75Rad === null ? 0 : 1)]!;
  const isCalibrated = calibration !== null && calibration.thrust.readingCount + calibration.power.readingCount > 0;
  const widening = isFitted ? labelWidening(geometry) : Math.max(OUTSIDE_WIDENING, labelWidening(geometry));
  const thrust = isCalibrated
    ? calibrationFactor(calibration.thrust, pitchRatio)
    : { factor: 1, deviationLog: (widening * halfWidth.thrust) / Z_95 };
  const power = isCalibrated
    ? calibrationFactor(calibration.power, pitchRatio)
    : { factor: 1, deviationLog: (widening * halfWidth.power) / Z_95 };
  return {
    geometry,
    air: tables.air,
    mark: isCalibrated ? 'calibrated' : isFitted ? 'estimated' : 'extended',
    thrustUncertaintyRatio: Z_95 * thrust.deviationLog,
    powerUncertaintyRatio: Z_95 * power.deviationLog,
    thrustFactor: thrust.factor,
    powerFactor: power.factor,
    row,
    axial: null,
  };
}

function labelWidening({ diameterM, pitchM, bladeCount }: PropGeometry): number {
  return (pitchM / diameterM > 0.8 ? 1.5 : 1) * (diameterM < 3 * INCH_M ? 1.5 : 1) * (bladeCount > 5 ? 1.5 : 1);
}

/**
 * Thrust, torque and power of a propeller at a speed, at rest or in axial flow.
 *
 *   T = C_T·ρ·n²·D⁴,  Q = C_P·ρ·n²·D⁵/(2π),  P = 2π·n·Q
 *
 * @param speedRpm - rotor speed [rev/min], > 0
 * @param axialSpeedMPerS - flow along the axis, from the front [m/s], 0 to 120
 * @throws {OutOfRangeError} outside those ranges, or when the tip would pass the speed of sound
 * @see docs/physics.md, Propeller
 */
export function propellerAt(model: PropellerModel, speedRpm: number, axialSpeedMPerS = 0): PropellerPoint {
  requirePositive('speedRpm', speedRpm);
  requireWithin('axialSpeedMPerS', axialSpeedMPerS, 0, 120);
  const { geometry, air } = model;
  const { diameterM } = geometry;
  const turns = speedRpm / 60;
  const tipSpeed = Math.PI * turns * diameterM;
  const tipMach = tipMachOf(model, speedRpm);
  requireWithin('tipMach', tipMach, 0, MOST_TIP_MACH);
  const found = readRow(model.row, tipSpeed, emptyCoefficients());
  const isInside = axialSpeedMPerS === 0 || readAxial(model, tipSpeed, axialSpeedMPerS / (turns * diameterM), found);
  const thrustCoefficient = found.thrustCoefficient * model.thrustFactor;
  const powerCoefficient = found.powerCoefficient * model.powerFactor;
  const torqueNm = (powerCoefficient * air.densityKgPerM3 * turns ** 2 * diameterM ** 5) / (2 * Math.PI);
  return {
    thrustN: thrustCoefficient * air.densityKgPerM3 * turns ** 2 * diameterM ** 4,
    torqueNm,
    powerW: 2 * Math.PI * turns * torqueNm,
    thrustCoefficient,
    powerCoefficient,
    tipWashoutRad: found.tipWashoutRad,
    tipMach,
    mark: isInside && tipMach <= FITTED_TIP_MACH ? model.mark : 'extended',
  };
}

/** Speed of the tip over the speed of sound, without the flow along the axis. */
export function tipMachOf({ geometry, air }: PropellerModel, speedRpm: number): number {
  return (Math.PI * speedRpm * geometry.diameterM) / 60 / air.soundSpeedMPerS;
}

/** Reads the coefficients in axial flow; false beyond the end of the grid. */
function readAxial(
  model: PropellerModel,
  tipSpeedMPerS: number,
  advanceRatio: number,
  into: StaticCoefficients,
): boolean {
  model.axial ??= new AdvanceGrid(model.geometry, model.air);
  return model.axial.read(tipSpeedMPerS, advanceRatio, into);
}

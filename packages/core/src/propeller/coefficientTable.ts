import { requireRotorAir, type RotorAir } from '../air/rotorAir.ts';
import { requireWithin } from '../errors/guards.ts';
import { INCH_M, type TipShape } from '../label/propLabel.ts';
import { cubicWeights, emptyCubicWeights } from '../numerics/cubicWeights.ts';
import { bladeElement, prepareProp } from './bladeElement.ts';
import type { BladeSection, PropGeometry, PropMaterial } from './propGeometry.ts';

/** Propellers that share one table: alike in everything but size and pitch. */
export interface PropFamily {
  bladeCount: number;
  tipShape: TipShape;
  section: BladeSection;
  material: PropMaterial;
}

/** Ends and knots of the table's axes. Pitch ratios are evenly spaced: the stall moves outward along steep blades. */
const PITCH_RATIO: Axis = { low: 0.08, high: 1.2, count: 32, scale: (value) => value ** 0.75, unscale: (scaled) => scaled ** (1 / 0.75) };
const DIAMETER_M: Axis = { low: 1.99 * INCH_M, high: 18.01 * INCH_M, count: 7, scale: Math.log, unscale: Math.exp };
const TIP_SPEED_M_PER_S: Axis = { low: 12, high: 240, count: 14, scale: Math.log, unscale: Math.exp };

/** Static coefficients at one tip speed. */
export interface StaticCoefficients {
  thrustCoefficient: number;
  powerCoefficient: number;
  tipWashoutRad: number;
}

/** Coefficients of one propeller over tip speed: three numbers a knot, one after another. */
export type CoefficientRow = Float64Array;

const VALUES = 3;
const ROW_LENGTH = VALUES * TIP_SPEED_M_PER_S.count;

/**
 * Static thrust coefficient, power coefficient and tip washout of a whole family of propellers.
 *
 * The coefficients depend on pitch over diameter, blades, tip shape, Reynolds and Mach number and the untwist, but on
 * the diameter itself only through the chord's weak size term. So one table over log P/D, log D and log tip speed
 * serves every propeller of a family: a map of thousands of sizes needs a handful of tables.
 */
export class CoefficientTable {
  private readonly values = new Float64Array(PITCH_RATIO.count * DIAMETER_M.count * ROW_LENGTH);
  private readonly pitchWeights = emptyCubicWeights();
  private readonly diameterWeights = emptyCubicWeights();
  private readonly row: CoefficientRow = new Float64Array(ROW_LENGTH);

  /**
   * Computes the table: one blade-element solution a knot.
   *
   * @param family - blades, tip, section, material
   * @param air - density, speed of sound, viscosity
   * @throws {OutOfRangeError} if the blades are not 1 to 8 or the air is none that a rotor turns in
   */
  constructor(
    readonly family: PropFamily,
    readonly air: RotorAir,
  ) {
    requireRotorAir(air);
    for (let i = 0; i < PITCH_RATIO.count; i++) {
      for (let j = 0; j < DIAMETER_M.count; j++) {
        const diameterM = knot(DIAMETER_M, j);
        const geometry: PropGeometry = { ...family, diameterM, pitchM: knot(PITCH_RATIO, i) * diameterM, massKg: null, droopM: null, rootCutOutRatio: null };
        this.values.set(computeRow(geometry, air), (i * DIAMETER_M.count + j) * ROW_LENGTH);
      }
    }
  }

  /**
   * The row of one size and pitch, to be read at any tip speed with {@link readRow}.
   *
   * @param diameterM - 1.99 to 18.01 in [m]
   * @param pitchRatio - pitch over diameter, 0.08 to 1.2
   * @param into - where the row goes; a new one where none is given
   * @throws {OutOfRangeError} outside those ranges
   */
  rowOf(diameterM: number, pitchRatio: number, into: CoefficientRow = new Float64Array(ROW_LENGTH)): CoefficientRow {
    requireWithin('diameterM', diameterM, DIAMETER_M.low, DIAMETER_M.high);
    requireWithin('pitchRatio', pitchRatio, PITCH_RATIO.low - 1e-9, PITCH_RATIO.high + 1e-9);
    const p = cubicWeights(place(PITCH_RATIO, pitchRatio), PITCH_RATIO.count, this.pitchWeights);
    const d = cubicWeights(place(DIAMETER_M, diameterM), DIAMETER_M.count, this.diameterWeights);
    const { values } = this;
    into.fill(0);
    for (let i = 0; i < 4; i++) {
      const pitchWeight = i === 0 ? p.w0 : i === 1 ? p.w1 : i === 2 ? p.w2 : p.w3;
      for (let j = 0; j < 4; j++) {
        const weight = pitchWeight * (j === 0 ? d.w0 : j === 1 ? d.w1 : j === 2 ? d.w2 : d.w3);
        const from = ((p.start + i) * DIAMETER_M.count + d.start + j) * ROW_LENGTH;
        for (let k = 0; k < ROW_LENGTH; k++) into[k]! += weight * values[from + k]!;
      }
    }
    return into;
  }

  /**
   * One look-up: coefficients of a size and pitch at a tip speed.
   *
   * @param tipSpeedMPerS - > 0; below 12 and above 240 m/s the coefficients of the end are taken
   * @throws {OutOfRangeError} outside the ranges of {@link rowOf}
   */
  at(diameterM: number, pitchRatio: number, tipSpeedMPerS: number): StaticCoefficients {
    return readRow(this.rowOf(diameterM, pitchRatio, this.row), tipSpeedMPerS, { thrustCoefficient: 0, powerCoefficient: 0, tipWashoutRad: 0 });
  }
}

/** Computes the row of one propeller directly, for pieces that were weighed or flexed and so have a stiffness of their own. */
export function computeRow(geometry: PropGeometry, air: RotorAir): CoefficientRow {
  const row: CoefficientRow = new Float64Array(ROW_LENGTH);
  const prop = prepareProp(geometry);
  for (let k = 0; k < TIP_SPEED_M_PER_S.count; k++) {
    const tipSpeed = Math.min(knot(TIP_SPEED_M_PER_S, k), 0.94 * air.soundSpeedMPerS);
    const found = bladeElement(prop, air, (60 * tipSpeed) / (Math.PI * geometry.diameterM));
    row[VALUES * k] = found.thrustCoefficient;
    row[VALUES * k + 1] = found.powerCoefficient;
    row[VALUES * k + 2] = found.tipWashoutRad;
  }
  return row;
}

const tipWeights = emptyCubicWeights();

/** Reads a row at a tip speed; beyond its ends the end is taken. */
export function readRow(row: CoefficientRow, tipSpeedMPerS: number, into: StaticCoefficients): StaticCoefficients {
  const { start, w0, w1, w2, w3 } = cubicWeights(place(TIP_SPEED_M_PER_S, tipSpeedMPerS), TIP_SPEED_M_PER_S.count, tipWeights);
  const at = VALUES * start;
  into.thrustCoefficient = w0 * row[at]! + w1 * row[at + 3]! + w2 * row[at + 6]! + w3 * row[at + 9]!;
  into.powerCoefficient = w0 * row[at + 1]! + w1 * row[at + 4]! + w2 * row[at + 7]! + w3 * row[at + 10]!;
  into.tipWashoutRad = w0 * row[at + 2]! + w1 * row[at + 5]! + w2 * row[at + 8]! + w3 * row[at + 11]!;
  return into;
}

interface Axis {
  readonly low: number;
  readonly high: number;
  readonly count: number;
  /** Knots are evenly spaced in this. */
  readonly scale: (value: number) => number;
  readonly unscale: (scaled: number) => number;
}

function knot({ low, high, count, scale, unscale }: Axis, index: number): number {
  return unscale(scale(low) + ((scale(high) - scale(low)) * index) / (count - 1));
}

function place({ low, high, count, scale }: Axis, value: number): number {
  return ((count - 1) * (scale(value) - scale(low))) / (scale(high) - scale(low));
}

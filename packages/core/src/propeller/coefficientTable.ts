import { requireRotorAir, type RotorAir } from '../air/rotorAir.ts';
import { requireWithin } from '../errors/guards.ts';
import { INCH_M, type TipShape } from '../label/propLabel.ts';
import { cubicWeights, emptyCubicWeights, type CubicWeights } from '../numerics/cubicWeights.ts';
import { bladeElement, prepareProp } from './bladeElement.ts';
import type { BladePlanform } from '../label/propLabel.ts';
import type { BladeSection, PropGeometry, PropMaterial } from './propGeometry.ts';

/** Propellers that share one table: alike in everything but size and pitch. */
export interface PropFamily {
  bladeCount: number;
  tipShape: TipShape;
  section: BladeSection;
  planform: BladePlanform;
  material: PropMaterial;
}

/**
 * Pitch ratios are spaced nearly evenly, since the stall moves outward along steep blades; sizes and speeds by ratio.
 */
const PITCH_EXPONENT = 0.75;
const PITCH_RATIO = axis(
  0.08,
  1.2,
  32,
  (ratio) => ratio ** PITCH_EXPONENT,
  (scaled) => scaled ** (1 / PITCH_EXPONENT),
);
const DIAMETER_M = axis(1.15 * INCH_M, 18.01 * INCH_M, 9, Math.log, Math.exp);
const TIP_SPEED_M_PER_S = axis(12, 240, 14, Math.log, Math.exp);

/** Static coefficients at one tip speed. */
export interface StaticCoefficients {
  thrustCoefficient: number;
  powerCoefficient: number;
  tipWashoutRad: number;
}

/** A place to read coefficients into. */
export function emptyCoefficients(): StaticCoefficients {
  return { thrustCoefficient: 0, powerCoefficient: 0, tipWashoutRad: 0 };
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
 * serves every propeller of a family: a map of thousands of sizes needs a handful of tables. A row of knots is computed
 * when it is first read, since a craft's sizes need hardly more than half of a table.
 */
export class CoefficientTable {
  private readonly values = new Float64Array(PITCH_RATIO.count * DIAMETER_M.count * ROW_LENGTH);
  private readonly isKnown = new Uint8Array(PITCH_RATIO.count * DIAMETER_M.count);
  private readonly pitchWeights = emptyCubicWeights();
  private readonly diameterWeights = emptyCubicWeights();
  private readonly piece = new Float64Array(4 * VALUES);

  /**
   * @param family - blades, tip, section, material
   * @param air - density, speed of sound, viscosity
   * @throws {OutOfRangeError} if the blades are not 1 to 8 or the air is none that a rotor turns in
   */
  constructor(
    readonly family: PropFamily,
    readonly air: RotorAir,
  ) {
    requireRotorAir(air);
    requireWithin('bladeCount', family.bladeCount, 1, 8);
  }

  /** Computes every row that is not known yet: one blade-element solution a knot. */
  complete(): this {
    for (let row = 0; row < this.isKnown.length; row++) this.know(row);
    return this;
  }

  /** Makes sure that a row of knots is computed; answers where its values start. */
  private know(row: number): number {
    const at = row * ROW_LENGTH;
    if (this.isKnown[row] === 0) {
      const diameterM = DIAMETER_M.knots[row % DIAMETER_M.count]!;
      const geometry: PropGeometry = {
        ...this.family,
        diameterM,
        pitchM: PITCH_RATIO.knots[Math.floor(row / DIAMETER_M.count)]! * diameterM,
        chord75M: null,
        angle75Rad: null,
        massKg: null,
        droopM: null,
        rootCutOutRatio: null,
      };
      this.values.set(computeRow(geometry, this.air), at);
      this.isKnown[row] = 1;
    }
    return at;
  }

  /**
   * The row of one size and pitch, to be read at any tip speed with {@link readRow}.
   *
   * @param diameterM - 1.15 to 18.01 in [m]
   * @param pitchRatio - pitch over diameter, 0.08 to 1.2
   * @throws {OutOfRangeError} outside those ranges
   */
  rowOf(diameterM: number, pitchRatio: number): CoefficientRow {
    const row: CoefficientRow = new Float64Array(ROW_LENGTH);
    this.blend(diameterM, pitchRatio, 0, ROW_LENGTH, row);
    return row;
  }

  /**
   * One look-up: coefficients of a size and pitch at a tip speed.
   *
   * @param tipSpeedMPerS - > 0; below 12 and above 240 m/s the coefficients of the end are taken
   * @throws {OutOfRangeError} outside the ranges of {@link rowOf}
   */
  at(diameterM: number, pitchRatio: number, tipSpeedMPerS: number): StaticCoefficients {
    const weights = cubicWeights(TIP_SPEED_M_PER_S.place(tipSpeedMPerS), TIP_SPEED_M_PER_S.count, tipWeights);
    this.blend(diameterM, pitchRatio, VALUES * weights.start, 4 * VALUES, this.piece);
    return weigh(this.piece, 0, weights, emptyCoefficients());
  }

  /** Blends a part of the sixteen neighbouring rows. */
  private blend(diameterM: number, pitchRatio: number, from: number, count: number, into: Float64Array): void {
    requireWithin('diameterM', diameterM, DIAMETER_M.low, DIAMETER_M.high);
    requireWithin('pitchRatio', pitchRatio, PITCH_RATIO.low - 1e-9, PITCH_RATIO.high + 1e-9);
    const { values } = this;
    const p = cubicWeights(PITCH_RATIO.place(pitchRatio), PITCH_RATIO.count, this.pitchWeights);
    const d = cubicWeights(DIAMETER_M.place(diameterM), DIAMETER_M.count, this.diameterWeights);
    into.fill(0);
    for (let i = 0; i < 4; i++) {
      const pitchWeight = i === 0 ? p.w0 : i === 1 ? p.w1 : i === 2 ? p.w2 : p.w3;
      for (let j = 0; j < 4; j++) {
        const weight = pitchWeight * (j === 0 ? d.w0 : j === 1 ? d.w1 : j === 2 ? d.w2 : d.w3);
        const at = this.know((p.start + i) * DIAMETER_M.count + d.start + j) + from;
        for (let k = 0; k < count; k++) into[k]! += weight * values[at + k]!;
      }
    }
  }
}

/**
 * Computes the row of one propeller directly, for pieces that were weighed or flexed and so have a stiffness of their
 * own.
 */
export function computeRow(geometry: PropGeometry, air: RotorAir): CoefficientRow {
  const row: CoefficientRow = new Float64Array(ROW_LENGTH);
  const prop = prepareProp(geometry);
  for (let k = 0; k < TIP_SPEED_M_PER_S.count; k++) {
    const tipSpeed = Math.min(TIP_SPEED_M_PER_S.knots[k]!, 0.94 * air.soundSpeedMPerS);
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
  const weights = cubicWeights(TIP_SPEED_M_PER_S.place(tipSpeedMPerS), TIP_SPEED_M_PER_S.count, tipWeights);
  return weigh(row, VALUES * weights.start, weights, into);
}

function weigh(
  row: Float64Array,
  at: number,
  { w0, w1, w2, w3 }: CubicWeights,
  into: StaticCoefficients,
): StaticCoefficients {
  into.thrustCoefficient = w0 * row[at]! + w1 * row[at + 3]! + w2 * row[at + 6]! + w3 * row[at + 9]!;
  into.powerCoefficient = w0 * row[at + 1]! + w1 * row[at + 4]! + w2 * row[at + 7]! + w3 * row[at + 10]!;
  into.tipWashoutRad = w0 * row[at + 2]! + w1 * row[at + 5]! + w2 * row[at + 8]! + w3 * row[at + 11]!;
  return into;
}

/** An axis of the table: its knots are evenly spaced in a scale of their own. */
interface Axis {
  readonly low: number;
  readonly high: number;
  readonly count: number;
  readonly knots: readonly number[];
  /** Position of a value, counted in knots. */
  readonly place: (value: number) => number;
}

function axis(
  low: number,
  high: number,
  count: number,
  scale: (value: number) => number,
  unscale: (scaled: number) => number,
): Axis {
  const from = scale(low);
  const step = (scale(high) - from) / (count - 1);
  return {
    low,
    high,
    count,
    knots: Array.from({ length: count }, (_, k) => unscale(from + k * step)),
    place: (value) => (scale(value) - from) / step,
  };
}

import type { RotorAir } from '../air/rotorAir.ts';
import { cubicWeights, emptyCubicWeights } from '../numerics/cubicWeights.ts';
import { bladeElement, prepareProp } from './bladeElement.ts';
import type { StaticCoefficients } from './coefficientTable.ts';
import type { PropGeometry } from './propGeometry.ts';

/** Tip speeds of the grid, evenly spaced in their logarithm [m/s]. */
const TIP_SPEED = { low: 12, high: 230, count: 10 };
const ADVANCE_COUNT = 13;
const VALUES = 3;
/** Faster than this the flow along the axis is outside the model [m/s]. */
const FASTEST_AXIAL_M_PER_S = 120;

/**
 * Coefficients of one propeller over tip speed and advance ratio; made when the first flight figure is asked for,
 * since hover work never needs it.
 *
 * The advance ratio runs from rest to a little beyond where thrust ends, J = P/D + 0.25: windmilling is not modelled.
 */
export class AdvanceGrid {
  private readonly values = new Float64Array(VALUES * TIP_SPEED.count * ADVANCE_COUNT);
  private readonly mostAdvance: number;
  private readonly tip = emptyCubicWeights();
  private readonly advance = emptyCubicWeights();

  constructor(geometry: PropGeometry, air: RotorAir) {
    this.mostAdvance = geometry.pitchM / geometry.diameterM + 0.25;
    const prop = prepareProp(geometry);
    for (let i = 0; i < TIP_SPEED.count; i++) {
      const tipSpeed = TIP_SPEED.low * (TIP_SPEED.high / TIP_SPEED.low) ** (i / (TIP_SPEED.count - 1));
      for (let k = 0; k < ADVANCE_COUNT; k++) {
        const axial = Math.min(
          FASTEST_AXIAL_M_PER_S,
          ((this.mostAdvance * k) / (ADVANCE_COUNT - 1)) * (tipSpeed / Math.PI),
        );
        const found = bladeElement(prop, air, (60 * tipSpeed) / (Math.PI * geometry.diameterM), axial);
        const at = VALUES * (i * ADVANCE_COUNT + k);
        this.values[at] = found.thrustCoefficient;
        this.values[at + 1] = found.powerCoefficient;
        this.values[at + 2] = found.tipWashoutRad;
      }
    }
  }

  /**
   * Reads the coefficients at a point.
   *
   * @param tipSpeedMPerS - held within 12 and 230 m/s
   * @param advanceRatio - J = V/(n·D), ≥ 0
   * @param into - where they go
   * @returns false where the flow is faster than the grid reaches: the blades then brake, and its end is taken
   */
  read(tipSpeedMPerS: number, advanceRatio: number, into: StaticCoefficients): boolean {
    const tip = cubicWeights(
      ((TIP_SPEED.count - 1) * Math.log(tipSpeedMPerS / TIP_SPEED.low)) / Math.log(TIP_SPEED.high / TIP_SPEED.low),
      TIP_SPEED.count,
      this.tip,
    );
    const advance = cubicWeights(((ADVANCE_COUNT - 1) * advanceRatio) / this.mostAdvance, ADVANCE_COUNT, this.advance);
    const along = [tip.w0, tip.w1, tip.w2, tip.w3];
    const across = [advance.w0, advance.w1, advance.w2, advance.w3];
    into.thrustCoefficient = into.powerCoefficient = into.tipWashoutRad = 0;
    for (let i = 0; i < 4; i++) {
      for (let k = 0; k < 4; k++) {
        const at = VALUES * ((tip.start + i) * ADVANCE_COUNT + advance.start + k);
        const weight = along[i]! * across[k]!;
        into.thrustCoefficient += weight * this.values[at]!;
        into.powerCoefficient += weight * this.values[at + 1]!;
        into.tipWashoutRad += weight * this.values[at + 2]!;
      }
    }
    return advanceRatio <= this.mostAdvance;
  }
}

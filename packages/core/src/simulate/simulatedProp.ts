import { requirePositive, requireWithin } from '../errors/guards.ts';
import { INCH_M, type TipShape } from '../label/propLabel.ts';
import type { PropMaterial } from '../propeller/propGeometry.ts';
import { seededRandom } from '../numerics/seededRandom.ts';

/** A made-up piece whose truth nobody who judges it by its label knows. */
export interface SimulatedProp {
  diameterM: number;
  /** Blade area over disc area. */
  solidity: number;
  chordM: number;
  /** Width of its blades over that of usual ones of its kind, as a rule beside a usual one would show it. */
  widthRatio: number;
  /** Angle of the blade at three quarters of the radius, from its zero-lift line [rad]. */
  angleRad: number;
  liftSlope: number;
  mostLift: number;
  leastDrag: number;
  inducedFactor: number;
  /** Untwist of that station at a tip speed of 150 m/s [rad]. */
  untwistRad: number;
  thrustFactor: number;
  powerFactor: number;
}

/** Which family and which piece of it. */
export interface SimulatedPieceOptions {
  bladeCount: number;
  tip: TipShape;
  material: PropMaterial;
  /** Names the family: pieces of one family share most of their truth. */
  familySeed: string;
  /** Names the piece. */
  pieceSeed: string;
}

/** Two standard deviations of a family's thrust and power around the usual, as shares. */
const FAMILY_THRUST = 0.1;
const FAMILY_POWER = 0.15;
/** Standard deviation of a family's blade width around the usual, as a share. */
const FAMILY_WIDTH = 0.05;
const ZERO_LIFT_DEGREES = 4.05;
const PIECE_SPREAD = 0.015;
/** Untwist of the materials, as shares of polycarbonate's; not the predictor's numbers. */
const SOFTNESS: Record<PropMaterial, number> = {
  polycarbonate: 1,
  glassNylon: 0.5,
  carbonNylon: 0.32,
  carbon: 0.12,
  wood: 0.15,
  softPlastic: 2.3,
  printed: 0.8,
  unknown: 0.7,
};
const DEGREE = Math.PI / 180;
const VISCOSITY_M2_PER_S = 1.48e-5;

/**
 * Draws a made-up piece: one station stands for the whole blade, with a lift slope, a stall and an untwist of its own.
 *
 * The predictor cuts the blade into stations and knows none of these numbers, so what is judged with it is judged on
 * something it does not know. Families lie within ±10 % of thrust and ±15 % of power of each other and within ±10 % in
 * the width of their blades (two standard deviations), pieces of a family within ±3 %.
 *
 * @throws {OutOfRangeError} if a size is not positive or the blades are not 1 to 8
 */
export function simulatedProp(diameterM: number, pitchM: number, options: SimulatedPieceOptions): SimulatedProp {
  requirePositive('diameterM', diameterM);
  requirePositive('pitchM', pitchM);
  requireWithin('bladeCount', options.bladeCount, 1, 8);
  const { bladeCount, tip, material } = options;
  const family = seededRandom(`family/${options.familySeed}`);
  const piece = seededRandom(`piece/${options.pieceSeed}`);
  const around = (value: number, familyShare: number): number =>
    value * (1 + familyShare * family.normal() + PIECE_SPREAD * piece.normal());
  const usualChordM =
    0.122 *
    diameterM *
    (tip === 'square' ? 1.12 : tip === 'pointed' ? 0.9 : 1) *
    (diameterM / INCH_M / 8) ** -0.13 *
    bladeCount ** -0.22;
  const drawn = {
    angleRad: Math.atan(pitchM / (0.75 * Math.PI * diameterM)) + around(ZERO_LIFT_DEGREES * DEGREE, 0.05),
    liftSlope: around(5.4, 0.03),
    mostLift: around(1.2, 0.04) * (1 - 0.03 * Math.max(0, bladeCount - 2)),
    leastDrag: around(0.026, 0.08),
    inducedFactor: around(1.3, 0.015) * (tip === 'square' ? 1.04 : 1) * (1 + 0.05 * Math.max(0, bladeCount - 2) ** 0.7),
    untwistRad: SOFTNESS[material] * around(1.25 * DEGREE, 0.2),
    thrustFactor: 1 + (FAMILY_THRUST / 2) * family.normal(),
    powerFactor: 1 + (FAMILY_POWER / 2) * family.normal(),
  };
  const widthRatio = 1 + FAMILY_WIDTH * family.normal();
  const chordM = usualChordM * widthRatio;
  return { diameterM, solidity: (2 * bladeCount * chordM) / (Math.PI * diameterM), chordM, widthRatio, ...drawn };
}

/** Angle that a gauge would read on a made-up piece [rad]. */
export function gaugedAngleRad({ angleRad }: Pick<SimulatedProp, 'angleRad'>): number {
  return angleRad - ZERO_LIFT_DEGREES * DEGREE;
}

/** How the made-up piece works at one tip speed, at rest. */
export interface SimulatedCoefficients {
  thrustCoefficient: number;
  powerCoefficient: number;
}

/**
 * Thrust and power coefficients of a made-up piece, from momentum balanced at one station.
 *
 *   λ = √(C_T/2), C_T = σ·c_l/6, c_l = c_lmax·tanh(a·(θ − λ/0.75)/c_lmax); C_P = κ·λ·C_T + σ·c_d/8
 *
 * by tip speed and disc area inside, by revolutions and diameter outside (π³/4 and π⁴/4).
 *
 * @param tipSpeedMPerS - > 0
 */
export function simulatedCoefficients(prop: SimulatedProp, tipSpeedMPerS: number): SimulatedCoefficients {
  requirePositive('tipSpeedMPerS', tipSpeedMPerS);
  const angle = prop.angleRad - prop.untwistRad * (tipSpeedMPerS / 150) ** 2;
  let low = 0;
  let high = 1;
  let lift = 0;
  for (let i = 0; i < 50; i++) {
    const inflow = (low + high) / 2;
    lift = prop.mostLift * Math.tanh((prop.liftSlope * (angle - inflow / 0.75)) / prop.mostLift);
    if ((prop.solidity * lift) / 6 > 2 * inflow * inflow) low = inflow;
    else high = inflow;
  }
  const thrust = (prop.solidity * lift) / 6;
  const reynolds = (0.75 * tipSpeedMPerS * prop.chordM) / VISCOSITY_M2_PER_S;
  const wanted = (prop.liftSlope * (angle - low / 0.75)) / prop.mostLift;
  const stalled = Math.max(0, wanted - 0.75) ** 2;
  const drag = prop.leastDrag * (Math.max(8000, reynolds) / 1e5) ** -0.35 + 0.016 * lift * lift + 0.22 * stalled;
  const power = prop.inducedFactor * low * thrust + (prop.solidity * drag) / 8;
  return {
    thrustCoefficient: (Math.PI ** 3 / 4) * thrust * prop.thrustFactor,
    powerCoefficient: (Math.PI ** 4 / 4) * power * prop.powerFactor,
  };
}

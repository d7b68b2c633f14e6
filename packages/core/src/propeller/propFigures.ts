import { requirePositive, requireWithin } from '../errors/guards.ts';
import type { TipShape } from '../label/propLabel.ts';

/** A propeller at work: sizes, speed, forces, air. */
export interface PropAtWork {
  diameterM: number;
  pitchM: number;
  speedRpm: number;
  thrustN: number;
  shaftPowerW: number;
  /** Along the axis [m/s]. */
  flightSpeedMPerS: number;
  densityKgPerM3: number;
  soundSpeedMPerS: number;
  /** Of all blades, flat [m²]. */
  bladeAreaM2: number;
}

export interface PropFigures {
  tipSpeedMPerS: number;
  tipMach: number;
  /** Speed at which the blades would screw forward without slip: p·n. */
  pitchSpeedMPerS: number;
  advanceRatio: number;
  thrustCoefficient: number;
  powerCoefficient: number;
  torqueCoefficient: number;
  /** Ideal hover power over shaft power. */
  figureOfMerit: number;
  inducedSpeedMPerS: number;
  discLoadingNPerM2: number;
  /** T/(ρ·A_blades·V_tip²) */
  bladeLoading: number;
  idealPowerW: number;
  propulsiveEfficiency: number;
}

/**
 * The usual figures of a propeller at work.
 *
 *   C_T = T/(ρn²D⁴), C_P = P/(ρn³D⁵), C_Q = C_P/2π, J = V/(nD), FM = T^1.5/(√(2ρA)·P), v_i = √(T/(2ρA)), η = T·V/P
 *
 * Coefficients by revolution and diameter, not by tip speed and radius.
 *
 * Blades that untwist past their zero lift push backward: thrust may be negative, and then merits nothing.
 *
 * @throws {OutOfRangeError} if a size, speed, power or the air is not positive, or the flight speed is negative
 * @see W. F. Durand, Aerodynamic Theory, vol. IV; momentum theory
 */
export function propFigures(prop: PropAtWork): PropFigures {
  const {
    diameterM,
    pitchM,
    speedRpm,
    thrustN,
    shaftPowerW,
    flightSpeedMPerS,
    densityKgPerM3,
    soundSpeedMPerS,
    bladeAreaM2,
  } = prop;
  for (const [what, value] of Object.entries({
    diameterM,
    pitchM,
    speedRpm,
    shaftPowerW,
    densityKgPerM3,
    soundSpeedMPerS,
    bladeAreaM2,
  }))
    requirePositive(what, value);
  requireWithin('thrustN', thrustN, -1e6, 1e6);
  requireWithin('flightSpeedMPerS', flightSpeedMPerS, 0, 1000);
  const turns = speedRpm / 60;
  const discM2 = (Math.PI * diameterM ** 2) / 4;
  const tipSpeedMPerS = Math.PI * turns * diameterM;
  const powerCoefficient = shaftPowerW / (densityKgPerM3 * turns ** 3 * diameterM ** 5);
  const inducedSpeed = inducedSpeedMPerS(thrustN, diameterM, densityKgPerM3);
  return {
    tipSpeedMPerS,
    tipMach: tipSpeedMPerS / soundSpeedMPerS,
    pitchSpeedMPerS: pitchM * turns,
    advanceRatio: flightSpeedMPerS / (turns * diameterM),
    thrustCoefficient: thrustN / (densityKgPerM3 * turns ** 2 * diameterM ** 4),
    powerCoefficient,
    torqueCoefficient: powerCoefficient / (2 * Math.PI),
    figureOfMerit: (thrustN * inducedSpeed) / shaftPowerW,
    inducedSpeedMPerS: inducedSpeed,
    discLoadingNPerM2: thrustN / discM2,
    bladeLoading: thrustN / (densityKgPerM3 * bladeAreaM2 * tipSpeedMPerS ** 2),
    idealPowerW: thrustN * inducedSpeed,
    propulsiveEfficiency: (thrustN * flightSpeedMPerS) / shaftPowerW,
  };
}

/** Speed that a hovering disc gives the air in its own plane [m/s]: v = √(T/(2ρA)). */
export function inducedSpeedMPerS(thrustN: number, diameterM: number, densityKgPerM3: number): number {
  return Math.sqrt(Math.max(0, thrustN) / (2 * densityKgPerM3 * ((Math.PI * diameterM ** 2) / 4)));
}

/** Radius of gyration squared over radius squared, hub included, of usual pieces. */
export const inertiaFactors: Readonly<Record<TipShape, number>> = { pointed: 0.22, standard: 0.25, square: 0.29 };

/**
 * Moment of inertia about the shaft.
 *
 *   J = k·m·R²; k = 0.22 pointed, 0.25 standard, 0.29 square, good to ±10 %
 *
 * @throws {OutOfRangeError} if mass, diameter or factor is not positive
 * @example propInertiaKgM2(0.0042, 0.127, 0.24) // => 4.0645…e-6
 */
export function propInertiaKgM2(massKg: number, diameterM: number, factor: number): number {
  requirePositive('massKg', massKg);
  requirePositive('diameterM', diameterM);
  requirePositive('factor', factor);
  return factor * massKg * (diameterM / 2) ** 2;
}

/**
 * Pull of one blade on its root.
 *
 *   F = m_b·r_cg·ω²
 *
 * It is also the unbalance that remains the moment a blade is lost.
 *
 * @throws {OutOfRangeError} if a value is not positive
 */
export function rootForceN(bladeMassKg: number, centreOfMassM: number, speedRpm: number): number {
  requirePositive('bladeMassKg', bladeMassKg);
  requirePositive('centreOfMassM', centreOfMassM);
  requirePositive('speedRpm', speedRpm);
  return bladeMassKg * centreOfMassM * ((2 * Math.PI * speedRpm) / 60) ** 2;
}

/** Share of a piece's mass that is blades, the rest is hub; and where a blade's mass is, over the radius. */
const BLADES_SHARE = 0.75;
const CENTRE_OF_MASS_RATIO = 0.42;

/** Usual mass and centre of mass of one blade of a piece; good to ±20 %. */
export function usualBlade(
  massKg: number,
  diameterM: number,
  bladeCount: number,
): { massKg: number; centreOfMassM: number } {
  return { massKg: (BLADES_SHARE * massKg) / bladeCount, centreOfMassM: (CENTRE_OF_MASS_RATIO * diameterM) / 2 };
}

/**
 * Time constant with which a rotor follows a step of throttle.
 *
 *   τ = J/(2Q/ω + Kt²/(R + X)); thrust goes from 10 to 90 % of a small step in about 2.2·τ
 *
 * @param inertiaKgM2 - propeller and bell together
 * @param torqueNm - of the load at that speed
 * @param resistanceOhm - of winding and controller, the commutation reactance at that speed with it
 * @throws {OutOfRangeError} if a value is not positive
 */
export function spinUpTimeS(
  inertiaKgM2: number,
  torqueNm: number,
  speedRadPerS: number,
  torqueConstantNmPerA: number,
  resistanceOhm: number,
): number {
  for (const [what, value] of Object.entries({
    inertiaKgM2,
    torqueNm,
    speedRadPerS,
    torqueConstantNmPerA,
    resistanceOhm,
  }))
    requirePositive(what, value);
  return inertiaKgM2 / ((2 * torqueNm) / speedRadPerS + torqueConstantNmPerA ** 2 / resistanceOhm);
}

/** From 10 to 90 % of a first-order step, in time constants: ln 9. */
export const RISE_TIME_CONSTANTS = Math.log(9);

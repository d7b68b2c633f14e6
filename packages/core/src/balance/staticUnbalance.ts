import { requireFinite, requirePositive, requireWithin } from '../errors/guards.ts';
import { add, amountOf, degreesOf, fromPolar, type Complex } from '../numerics/complex.ts';
import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';

/** Unbalance from a small weight that brings the prop level [kg·m]: U = w·r, toward the heavy blade. */
export function levelUnbalanceKgM(weightKg: number, radiusM: number): number {
  requirePositive('weightKg', weightKg);
  requirePositive('radiusM', radiusM);
  return weightKg * radiusM;
}

/**
 * Unbalance from the period of small swings about level.
 *
 *   U = 4π²·I/(g·T²), T the full period, there and back
 *
 * @param inertiaKgM2 - of all that turns: prop, cones, arbor [kg·m²], > 0
 * @param periodS - > 0
 * @throws {OutOfRangeError} if a value is not positive
 */
export function swingUnbalanceKgM(inertiaKgM2: number, periodS: number): number {
  requirePositive('inertiaKgM2', inertiaKgM2);
  requirePositive('periodS', periodS);
  return (4 * Math.PI ** 2 * inertiaKgM2) / (GRAVITY_M_PER_S2 * periodS ** 2);
}

/** A strip of tape. */
export interface TapeStrip {
  lengthM: number;
  widthM: number;
  thicknessM: number;
  densityKgPerM3: number;
}

/** Mass of a strip [kg]: length · width · thickness · density. */
export function tapeMassKg({ lengthM, widthM, thicknessM, densityKgPerM3 }: TapeStrip): number {
  for (const [what, value] of Object.entries({ lengthM, widthM, thicknessM, densityKgPerM3 }))
    requirePositive(what, value);
  return lengthM * widthM * thicknessM * densityKgPerM3;
}

/** Length of tape that gives a moment at the radius of its centre [m]. */
export function tapeLengthM(
  unbalanceKgM: number,
  radiusM: number,
  { widthM, thicknessM, densityKgPerM3 }: Omit<TapeStrip, 'lengthM'>,
): number {
  for (const [what, value] of Object.entries({ unbalanceKgM, radiusM, widthM, thicknessM, densityKgPerM3 }))
    requirePositive(what, value);
  return unbalanceKgM / (radiusM * widthM * thicknessM * densityKgPerM3);
}

/**
 * What to sand off the heavy blade: mass at a radius, and how deep over a patch.
 *
 *   m = U/r, depth = m/(ρ·length·width)
 */
export function sanding(
  unbalanceKgM: number,
  radiusM: number,
  patch: { lengthM: number; widthM: number; densityKgPerM3: number },
): { massKg: number; depthM: number } {
  for (const [what, value] of Object.entries({ unbalanceKgM, radiusM, ...patch })) requirePositive(what, value);
  const massKg = unbalanceKgM / radiusM;
  return { massKg, depthM: massKg / (patch.densityKgPerM3 * patch.lengthM * patch.widthM) };
}

/**
 * Vector sum of weighed blades and a hub.
 *
 *   U = Σ m_i·r_i at 360°·i/n + offset, plus the hub
 *
 * @param momentsKgM - of each blade, in their order round the hub
 * @throws {OutOfRangeError} if a moment is not finite
 */
export function combinedUnbalance(
  momentsKgM: readonly number[],
  offsetDegrees = 0,
  hub: Complex = { re: 0, im: 0 },
): { unbalanceKgM: number; degrees: number; vector: Complex } {
  momentsKgM.forEach((moment) => requireFinite('momentsKgM', moment));
  const vector = momentsKgM.reduce<Complex>(
    (sum, moment, i) => add(sum, fromPolar(moment, offsetDegrees + (360 * i) / momentsKgM.length)),
    hub,
  );
  return { unbalanceKgM: amountOf(vector), degrees: degreesOf(vector), vector };
}

/** A correction shared by blades; with two blades a part across them is left to the hub. */
export interface BladeSplit {
  parts: { blade: number; momentKgM: number }[];
  /** Signed, a quarter turn on from the first blade; 0 with three blades or more. */
  hubKgM: number;
}

/**
 * Splits a correction onto the two neighbouring blades: nothing is ever placed between blades.
 *
 *   a = U·sin(θ_{k+1} − φ)/sin(360°/n), b = U·sin(φ − θ_k)/sin(360°/n); two blades: the component along them
 *
 * @param degrees - where the weight should go
 * @param bladeCount - 2 to 8
 * @throws {OutOfRangeError} outside that range or with a moment that is negative
 */
export function splitCorrection(
  unbalanceKgM: number,
  degrees: number,
  bladeCount: number,
  firstBladeDegrees = 0,
): BladeSplit {
  requireWithin('unbalanceKgM', unbalanceKgM, 0, 1e3);
  requireFinite('degrees', degrees);
  requireWithin('bladeCount', bladeCount, 2, 24);
  const from = (((degrees - firstBladeDegrees) % 360) + 360) % 360;
  const radians = Math.PI / 180;
  if (bladeCount === 2) {
    const along = unbalanceKgM * Math.cos(from * radians);
    return {
      parts: [{ blade: along >= 0 ? 0 : 1, momentKgM: Math.abs(along) }],
      hubKgM: unbalanceKgM * Math.sin(from * radians),
    };
  }
  const step = 360 / bladeCount;
  const k = Math.min(bladeCount - 1, Math.floor(from / step));
  const share = (angle: number): number => (unbalanceKgM * Math.sin(angle * radians)) / Math.sin(step * radians);
  return {
    parts: [
      { blade: k, momentKgM: share((k + 1) * step - from) },
      { blade: (k + 1) % bladeCount, momentKgM: share(from - k * step) },
    ],
    hubKgM: 0,
  };
}

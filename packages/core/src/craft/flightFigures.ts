import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';
import { requirePositive } from '../errors/guards.ts';
import { findRoot } from '../numerics/findRoot.ts';
import { MOST_TIP_MACH, propellerAt, tipMachOf, type PropellerModel } from '../propeller/propellerModel.ts';

/**
 * Height lost while a dive is stopped with full thrust.
 *
 *   h = v²/(2·g·(T/W − 1))
 *
 * Drag, which helps, is left out; the pack's sag belongs into the thrust, the payload into the weight.
 *
 * @param diveSpeedMPerS - downward [m/s], > 0
 * @param thrustToWeightRatio - all rotors over the whole weight
 * @returns height [m]; null where the thrust does not exceed the weight: it is not stopped
 * @throws {OutOfRangeError} if the speed or the ratio is not positive
 * @example pullOutHeightM(20, 3) // => 10.2
 */
export function pullOutHeightM(diveSpeedMPerS: number, thrustToWeightRatio: number): number | null {
  requirePositive('diveSpeedMPerS', diveSpeedMPerS);
  requirePositive('thrustToWeightRatio', thrustToWeightRatio);
  return thrustToWeightRatio > 1 ? diveSpeedMPerS ** 2 / (2 * GRAVITY_M_PER_S2 * (thrustToWeightRatio - 1)) : null;
}

/** Drag area of a craft of 1 kg, growing with the two-thirds power of its mass [m²]; a judgement, ±40 %. */
const DRAG_AREA_M2 = { multirotor: 0.012, plane: 0.005 } as const;
const FASTEST_AXIAL_M_PER_S = 110;
/** Blades that screw faster than this through the air brake. */
const MOST_PITCH_SPEEDS = 1.25;

/** Drag area of a usual craft of a mass. */
export function usualDragAreaM2(kind: keyof typeof DRAG_AREA_M2, massKg: number): number {
  requirePositive('massKg', massKg);
  return DRAG_AREA_M2[kind] * massKg ** (2 / 3);
}

/** A craft in level flight at the speed its rotors turn at full throttle. */
export interface LevelFlight {
  kind: keyof typeof DRAG_AREA_M2;
  massKg: number;
  rotorCount: number;
  dragAreaM2: number;
  prop: PropellerModel;
  fullSpeedRpm: number;
}

/**
 * Estimated level top speed: where the thrust left for going forward equals the drag.
 *
 *   plane: N·T(V) = ½·ρ·V²·A_d;  multirotor: √((N·T(V_axial))² − W²) = ½·ρ·V²·A_d, V_axial = V·forward share of the
 * thrust
 *
 * The rotors are taken at their static full speed (in flight they unload and turn a little faster). Air that meets a
 * tilted disc from the side is not modelled, so the answer is held at 1.25 times the pitch speed. With the drag of a
 * usual craft it is good to ±20 %.
 *
 * @returns speed [m/s]; null where the craft cannot hold its height
 * @throws {OutOfRangeError} if a value is not positive or the tip comes near the speed of sound
 */
export function levelTopSpeedMPerS({
  kind,
  massKg,
  rotorCount,
  dragAreaM2,
  prop,
  fullSpeedRpm,
}: LevelFlight): number | null {
  for (const [what, value] of Object.entries({ massKg, rotorCount, dragAreaM2, fullSpeedRpm }))
    requirePositive(what, value);
  if (tipMachOf(prop, fullSpeedRpm) > MOST_TIP_MACH) return null;
  const weightN = kind === 'plane' ? 0 : massKg * GRAVITY_M_PER_S2;
  const thrustN = (axial: number): number =>
    rotorCount * propellerAt(prop, fullSpeedRpm, Math.min(FASTEST_AXIAL_M_PER_S, axial)).thrustN;
  if (thrustN(0) <= weightN) return null;
  const excessN = (speed: number): number => {
    const forward = forwardShare(thrustN, weightN, speed);
    return thrustN(speed * forward) * forward - 0.5 * prop.air.densityKgPerM3 * speed ** 2 * dragAreaM2;
  };
  const root = findRoot(excessN, 0.01, FASTEST_AXIAL_M_PER_S, 1e-4);
  const slipFreeMPerS = (prop.geometry.pitchM * fullSpeedRpm) / 60;
  return root.status === 'found' ? Math.min(root.x, MOST_PITCH_SPEEDS * slipFreeMPerS) : null;
}

/**
 * Forward part of the thrust while its upward part carries the weight: more tilt means more flow along the axis and
 * less thrust, so there is one tilt that fits.
 */
function forwardShare(thrustN: (axial: number) => number, weightN: number, speed: number): number {
  if (weightN === 0) return 1;
  const lackN = (share: number): number => thrustN(speed * share) * Math.sqrt(1 - share * share) - weightN;
  const root = findRoot(lackN, 0, 1, 1e-6);
  return root.status === 'found' ? root.x : 0;
}

import { requirePositive } from '../errors/guards.ts';
import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';
import type { CraftKind } from './layouts.ts';

/** Lift over drag of a small plane in cruise, with its gear; a judgement, ±30 %. */
export const LIFT_TO_DRAG = 8;

/**
 * Thrust that one rotor must give to carry its share of the craft in still air: a multirotor's hover, a plane's cruise.
 *
 *   T = m·g / rotors; a plane's wing carries, so its props give T = m·g / 8 / rotors
 *
 * Everything carried counts: payload, guards, pack.
 *
 * @param massKg - take-off mass [kg], > 0
 * @param rotorCount - rotors that carry, > 0
 * @returns thrust [N]
 * @throws {OutOfRangeError} if a value is not positive
 * @example carryThrustN(1.92, 4) // => 4.707…
 */
export function carryThrustN(massKg: number, rotorCount: number, kind: CraftKind = 'multirotor'): number {
  requirePositive('massKg', massKg);
  requirePositive('rotorCount', rotorCount);
  return (massKg * GRAVITY_M_PER_S2) / (kind === 'plane' ? LIFT_TO_DRAG : 1) / rotorCount;
}

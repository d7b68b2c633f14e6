import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';
import { requirePositive } from '../errors/guards.ts';

/**
 * Thrust that one rotor must give to carry its share of the craft in still air.
 *
 *   T = m·g / rotors
 *
 * Everything carried counts: payload, guards, pack.
 *
 * @param massKg - take-off mass [kg], > 0
 * @param rotorCount - rotors that carry, > 0
 * @returns thrust [N]
 * @throws {OutOfRangeError} if a value is not positive
 * @example hoverThrustN(1.92, 4) // => 4.707…
 */
export function hoverThrustN(massKg: number, rotorCount: number): number {
  requirePositive('massKg', massKg);
  requirePositive('rotorCount', rotorCount);
  return (massKg * GRAVITY_M_PER_S2) / rotorCount;
}

import { requirePositive, requireWithin } from '../errors/guards.ts';

const TURN_RAD_PER_S = (2 * Math.PI) / 60;

/**
 * Permissible residual unbalance of a balance quality grade.
 *
 *   e = G/ω, U = e·m
 *
 * @param gradeMPerS - grade as a speed of the centre of mass [m/s]: G6.3 is 0.0063
 * @param massKg - of the rotor; for a prop the bell counts too
 * @throws {OutOfRangeError} if a value is not positive
 * @see ISO 21940-11
 */
export function permissibleUnbalance(
  gradeMPerS: number,
  massKg: number,
  speedRpm: number,
): { offsetM: number; unbalanceKgM: number } {
  requirePositive('gradeMPerS', gradeMPerS);
  requirePositive('massKg', massKg);
  requirePositive('speedRpm', speedRpm);
  const offsetM = gradeMPerS / (speedRpm * TURN_RAD_PER_S);
  return { offsetM, unbalanceKgM: offsetM * massKg };
}

/** Grade that an unbalance amounts to [m/s]: G = U·ω/m. */
export function gradeOf(unbalanceKgM: number, massKg: number, speedRpm: number): number {
  requireWithin('unbalanceKgM', unbalanceKgM, 0, 1e3);
  requirePositive('massKg', massKg);
  requirePositive('speedRpm', speedRpm);
  return (unbalanceKgM / massKg) * speedRpm * TURN_RAD_PER_S;
}

/** Pull of an unbalance, once a turn [N]: F = U·ω². */
export function unbalanceForceN(unbalanceKgM: number, speedRpm: number): number {
  requireWithin('unbalanceKgM', unbalanceKgM, 0, 1e3);
  requirePositive('speedRpm', speedRpm);
  return unbalanceKgM * (speedRpm * TURN_RAD_PER_S) ** 2;
}

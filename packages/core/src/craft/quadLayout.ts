import { requirePositive } from '../errors/guards.ts';

/** Place of an arm, seen from above with the nose up; arms are named, never numbered. */
export type ArmPlace = 'frontLeft' | 'frontRight' | 'rearRight' | 'rearLeft';

export interface Rotor {
  place: ArmPlace;
  /** Forward of the centre [m]. */
  xM: number;
  /** Right of the centre [m]. */
  yM: number;
  /** Turn of the prop shaft seen from above. */
  spin: 'cw' | 'ccw';
  /** 0 upper or only rotor, 1 the lower one of a coaxial pair. */
  level: number;
  /** Turns of the motor for one of the shaft; negative when a stage reverses it. */
  gearRatio: number;
}

/**
 * The four rotors of an X quad from its motor-to-motor diagonal, proposed as *props in*: at the front edge of the
 * front discs the blades move toward the centre line. A proposal only: the spin must be seen.
 *
 * @param diagonalM - distance between two opposite motors [m], > 0
 * @throws {OutOfRangeError} if the diagonal is not positive
 */
export function quadXLayout(diagonalM: number): Rotor[] {
  requirePositive('diagonalM', diagonalM);
  const arm = diagonalM / 2 / Math.SQRT2;
  const rotor = (place: ArmPlace, xM: number, yM: number, spin: 'cw' | 'ccw'): Rotor => ({ place, xM, yM, spin, level: 0, gearRatio: 1 });
  return [
    rotor('frontLeft', arm, -arm, 'cw'),
    rotor('frontRight', arm, arm, 'ccw'),
    rotor('rearRight', -arm, arm, 'cw'),
    rotor('rearLeft', -arm, -arm, 'ccw'),
  ];
}

/** Free air between the discs of two neighbouring motors of an X quad [m]; negative when they meet. */
export function discGapM(diagonalM: number, diameterM: number): number {
  requirePositive('diagonalM', diagonalM);
  requirePositive('diameterM', diameterM);
  return diagonalM / Math.SQRT2 - diameterM;
}

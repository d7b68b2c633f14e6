import { requirePositive, requireWithin } from '../errors/guards.ts';
import type { PropMaterial } from '../propeller/propGeometry.ts';

/** Hours that a piece usually flies before it is struck, nicked or tired; a judgement, good to a factor of two. */
const USUAL_HOURS: Record<PropMaterial, number> = {
  polycarbonate: 12,
  softPlastic: 8,
  glassNylon: 25,
  carbonNylon: 30,
  carbon: 40,
  wood: 15,
  printed: 1,
  unknown: 12,
};

/** What a delivery cost and what was in it. */
export interface Purchase {
  /** Price of one bag, in the workshop's money. */
  bagPrice: number;
  bagCount: number;
  /** Share of the pieces that are usable: the right hand, good from the bag or after correction. */
  usableRatio: number;
}

/**
 * Price of one usable piece: half a mixed bag may be the other hand.
 *
 *   price = bag / (pieces · usable share)
 *
 * @throws {OutOfRangeError} if a price or count is not positive or the share not 0 to 1
 * @example usablePieceCost({ bagPrice: 9, bagCount: 6, usableRatio: 0.5 }) // => 3
 */
export function usablePieceCost({ bagPrice, bagCount, usableRatio }: Purchase): number {
  requirePositive('bagPrice', bagPrice);
  requirePositive('bagCount', bagCount);
  requireWithin('usableRatio', usableRatio, 0.01, 1);
  return bagPrice / (bagCount * usableRatio);
}

/**
 * What props cost per hour of flying.
 *
 *   cost = rotors · piece / hours
 *
 * @param hours - that a piece lasts; null takes what is usual for its material
 */
export function costPerHour(
  pieceCost: number,
  rotorCount: number,
  material: PropMaterial,
  hours: number | null = null,
): number {
  requirePositive('pieceCost', pieceCost);
  requirePositive('rotorCount', rotorCount);
  if (hours !== null) requirePositive('hours', hours);
  return (rotorCount * pieceCost) / (hours ?? USUAL_HOURS[material]);
}

import { requirePositive, requireWithin } from '../errors/guards.ts';
import { seededRandom } from '../numerics/seededRandom.ts';
import type { Look } from '../rack/pieceLife.ts';

/** How evenly a maker moulds. */
export interface MakerSpread {
  /** Standard deviation of mass and diameter, as shares. */
  massRatio: number;
  diameterRatio: number;
  /** Usual unbalance of a piece over its mass times its radius. */
  unbalanceRatio: number;
  /** Share of pieces with something to see or feel. */
  flawRatio: number;
}

/** One piece as it comes out of a bag. */
export interface DeliveredPiece {
  massKg: number;
  diameterM: number;
  /** Where the heavy side is, degrees clockwise from the first blade seen from the label, and how much of it [kg·m]. */
  unbalanceKgM: number;
  heavyDegrees: number;
  look: Look;
}

const FLAWS: readonly Look[] = ['flash', 'flash', 'warped', 'nick', 'void'];

/**
 * Pieces of one delivery: mass and diameter spread about what the mould gives, a heavy side anywhere, now and then a
 * flaw.
 *
 * @param massKg - of the mean piece [kg], > 0
 * @param count - pieces, 1 to 400
 * @throws {OutOfRangeError} outside those ranges
 */
export function simulatedDelivery(
  massKg: number,
  diameterM: number,
  spread: MakerSpread,
  count: number,
  seed: string,
): DeliveredPiece[] {
  requirePositive('massKg', massKg);
  requirePositive('diameterM', diameterM);
  requireWithin('count', count, 1, 400);
  const random = seededRandom(seed);
  return Array.from({ length: count }, () => ({
    massKg: massKg * (1 + spread.massRatio * random.normal()),
    diameterM: diameterM * (1 + spread.diameterRatio * random.normal()),
    unbalanceKgM: massKg * (diameterM / 2) * spread.unbalanceRatio * Math.hypot(random.normal(), random.normal()),
    heavyDegrees: 360 * random.next(),
    look: random.next() < spread.flawRatio ? FLAWS[Math.floor(random.next() * FLAWS.length)]! : 'good',
  }));
}

import { requireWithin } from '../errors/guards.ts';
import { add, amountOf, degreesOf, multiply, fromPolar, type Complex } from '../numerics/complex.ts';

/** A spinner put on in one of its positions. */
export interface SpinnerPosition {
  /** Which position, counted from the mark; 0 is mark on mark. */
  position: number;
  /** How far it is turned against the prop [degrees]. */
  turnDegrees: number;
  /** Unbalance of prop and spinner together [kg·m], and where it points. */
  unbalanceKgM: number;
  degrees: number;
}

const MOST_POSITIONS = 36;

/**
 * What prop and spinner add up to in every position in which the spinner can sit, the best first.
 *
 *   U(k) = U_prop + U_spinner·e^{j·2πk/n}
 *
 * The spinner is balanced alone first; indexing then plays what is left of both against each other.
 *
 * @param prop - unbalance of the prop from its mark [kg·m]
 * @param spinner - unbalance of the spinner from its own mark [kg·m]
 * @param positionCount - in how many positions the spinner sits, 1 to 36
 * @throws {OutOfRangeError} outside that range
 * @example spinnerPositions(fromPolar(2e-6, 0), fromPolar(2e-6, 0), 2)[0].unbalanceKgM // => 0
 */
export function spinnerPositions(prop: Complex, spinner: Complex, positionCount: number): SpinnerPosition[] {
  requireWithin('positionCount', positionCount, 1, MOST_POSITIONS);
  const all = Array.from({ length: Math.floor(positionCount) }, (_, position): SpinnerPosition => {
    const turnDegrees = (position * 360) / positionCount;
    const sum = add(prop, multiply(spinner, fromPolar(1, turnDegrees)));
    return { position, turnDegrees, unbalanceKgM: amountOf(sum), degrees: degreesOf(sum) };
  });
  return all.sort((a, b) => a.unbalanceKgM - b.unbalanceKgM);
}

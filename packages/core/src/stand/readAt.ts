import { OutOfRangeError } from '../errors/coreError.ts';
import { requireFinite } from '../errors/guards.ts';

export interface CurvePoint {
  x: number;
  y: number;
}

/** A value read off a measured curve, with the two points it lies between so that the reading can be shown. */
export interface CurveReading {
  value: number;
  isExtended: boolean;
  /** Null when x is a measured point itself. */
  between: { from: CurvePoint; to: CurvePoint; law: 'power' | 'straight' } | null;
}

/**
 * Reads a curve at x between its two nearest points by a local power law, y = ya·(yb/ya)^(ln(x/xa)/ln(xb/xa)).
 *
 * Rotor quantities are near power laws of each other, so this holds to a few parts in a thousand where a straight
 * line between steps of 20 % throttle is off by several percent. It falls back to a straight line where a value is
 * not positive. Outside the outermost points the nearest pair is extended and says so.
 *
 * @param points - at least 2, sorted by x, x strictly increasing
 * @param x - where to read
 * @throws {OutOfRangeError} with fewer than two points, or when x does not increase or is not finite
 */
export function readAt(points: readonly CurvePoint[], x: number): CurveReading {
  requireFinite('x', x);
  if (points.length < 2) throw new OutOfRangeError('points', points.length, '≥ 2');
  for (let i = 1; i < points.length; i++) {
    if (!(points[i]!.x > points[i - 1]!.x)) throw new OutOfRangeError('points.x', points[i]!.x, 'strictly increasing');
  }
  const exact = points.find((p) => Math.abs(p.x - x) <= 1e-9 * Math.max(1, Math.abs(x)));
  if (exact) return { value: exact.y, isExtended: false, between: null };
  const above = points.findIndex((p) => p.x > x);
  const k = above < 0 ? points.length - 1 : Math.max(1, above);
  const [from, to] = [points[k - 1]!, points[k]!];
  const law = Math.min(from.x, to.x, from.y, to.y, x) > 0 ? 'power' : 'straight';
  const value =
    law === 'power'
      ? from.y * (to.y / from.y) ** (Math.log(x / from.x) / Math.log(to.x / from.x))
      : from.y + ((to.y - from.y) * (x - from.x)) / (to.x - from.x);
  return { value, isExtended: x < points[0]!.x || x > points.at(-1)!.x, between: { from, to, law } };
}

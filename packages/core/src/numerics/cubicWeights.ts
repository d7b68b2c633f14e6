/** Where a value lies between evenly spaced knots: the first of four neighbours, and their weights. */
export interface CubicWeights {
  start: number;
  w0: number;
  w1: number;
  w2: number;
  w3: number;
}

/** A place to put weights into, so that a look-up makes nothing new. */
export function emptyCubicWeights(): CubicWeights {
  return { start: 0, w0: 0, w1: 0, w2: 0, w3: 0 };
}

/**
 * Weights of the cubic through the four evenly spaced knots around a place: exact for polynomials up to the third
 * degree. Near an end the four outermost knots serve; beyond it the cubic is held at the end.
 *
 * @param place - position counted in knots, 0 for the first; held within 0 and count − 1
 * @param count - knots, ≥ 4
 * @param into - where the answer goes
 * @see J. L. Lagrange's form of the interpolating polynomial
 * @example cubicWeights(1.5, 4, emptyCubicWeights()) // => { start: 0, w0: −0.0625, w1: 0.5625, w2: 0.5625, w3: −0.0625 }
 */
export function cubicWeights(place: number, count: number, into: CubicWeights): CubicWeights {
  const held = Math.min(count - 1, Math.max(0, place));
  const start = Math.min(count - 4, Math.max(0, Math.floor(held) - 1));
  const t = held - start;
  const a = t - 1;
  const b = t - 2;
  const c = t - 3;
  into.start = start;
  into.w0 = (a * b * c) / -6;
  into.w1 = (t * b * c) / 2;
  into.w2 = (t * a * c) / -2;
  into.w3 = (t * a * b) / 6;
  return into;
}

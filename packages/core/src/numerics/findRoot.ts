import { OutOfRangeError } from '../errors/coreError.ts';

/** A root, or the plain statement that none was enclosed: the caller decides what that means to the reader. */
export type RootResult = { status: 'found'; x: number; evaluations: number } | { status: 'notEnclosed' };

/**
 * Finds where a continuous function crosses zero between two bounds, by Brent's method: inverse quadratic steps
 * where they behave, bisection where they do not, so it cannot leave the bracket.
 *
 * @param f - the function; must be finite inside the bounds
 * @param low - lower bound
 * @param high - upper bound, > low
 * @param tolerance - largest error in x that is accepted, > 0
 * @returns status `notEnclosed` when f has the same sign at both ends
 * @throws {OutOfRangeError} if the bounds are not finite or f returns NaN
 * @see R. P. Brent, Algorithms for Minimization without Derivatives, chapter 4
 * @example findRoot((x) => x * x - 2, 0, 2, 1e-12) // => { status: 'found', x: 1.41421… }
 */
export function findRoot(f: (x: number) => number, low: number, high: number, tolerance: number): RootResult {
  if (!(Number.isFinite(low) && Number.isFinite(high) && high > low))
    throw new OutOfRangeError('bracket', high - low, '> 0');
  const evaluate = (x: number): number => {
    evaluations++;
    const y = f(x);
    if (Number.isNaN(y)) throw new OutOfRangeError('f(x)', y, 'a finite number');
    return y;
  };
  let evaluations = 0;
  let a = low;
  let b = high;
  let fa = evaluate(a);
  let fb = evaluate(b);
  if (fa === 0) return { status: 'found', x: a, evaluations };
  if (fb === 0) return { status: 'found', x: b, evaluations };
  if (fa > 0 === fb > 0) return { status: 'notEnclosed' };
  let c = a;
  let fc = fa;
  let step = b - a;
  let previous = step;
  for (let i = 0; i < 200; i++) {
    if (Math.abs(fc) < Math.abs(fb)) [a, b, c, fa, fb, fc] = [b, c, b, fb, fc, fb];
    const limit = 2 * Number.EPSILON * Math.abs(b) + tolerance / 2;
    const half = (c - b) / 2;
    if (Math.abs(half) <= limit || fb === 0) break;
    if (Math.abs(previous) >= limit && Math.abs(fa) > Math.abs(fb)) {
      const s = fb / fa;
      let p: number;
      let q: number;
      if (a === c) {
        p = 2 * half * s;
        q = 1 - s;
      } else {
        const u = fa / fc;
        const r = fb / fc;
        p = s * (2 * half * u * (u - r) - (b - a) * (r - 1));
        q = (u - 1) * (r - 1) * (s - 1);
      }
      if (p > 0) q = -q;
      else p = -p;
      if (2 * p < Math.min(3 * half * q - Math.abs(limit * q), Math.abs(previous * q))) {
        previous = step;
        step = p / q;
      } else {
        step = half;
        previous = half;
      }
    } else {
      step = half;
      previous = half;
    }
    a = b;
    fa = fb;
    b += Math.abs(step) > limit ? step : Math.sign(half) * limit;
    fb = evaluate(b);
    if (fb > 0 === fc > 0) {
      c = a;
      fc = fa;
      step = b - a;
      previous = step;
    }
  }
  return { status: 'found', x: b, evaluations };
}

const STIRLING = [1 / 12, -1 / 360, 1 / 1260, -1 / 1680, 1 / 1188, -691 / 360360, 1 / 156];

/**
 * Natural logarithm of the gamma function for x > 0: Stirling's series from 15 upward, recurrence below.
 *
 * @see Abramowitz and Stegun 6.1.40
 * @example logGamma(5) // => ln 24
 */
export function logGamma(x: number): number {
  let shift = 0;
  let z = x;
  while (z < 15) {
    shift -= Math.log(z);
    z++;
  }
  let series = 0;
  for (let k = STIRLING.length - 1; k >= 0; k--) series = series / (z * z) + STIRLING[k]!;
  return shift + (z - 0.5) * Math.log(z) - z + 0.5 * Math.log(2 * Math.PI) + series / z;
}

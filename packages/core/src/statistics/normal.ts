/** Standard deviations to each side that hold 95 % of a normal distribution. */
export const Z_95 = 1.959964;

/** Density of the standard normal distribution. */
export function normalDensity(z: number): number {
  return Math.exp(-0.5 * z * z) / Math.sqrt(2 * Math.PI);
}

/**
 * Share of the standard normal distribution below z, within 1.5e-7.
 *
 * @see M. Abramowitz, I. Stegun, Handbook of Mathematical Functions, 7.1.26
 */
export function normalCdf(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const poly = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const upper = 0.5 * poly * Math.exp(-x * x);
  return z >= 0 ? 1 - upper : upper;
}

/** Pressure that 0 dB stands for [Pa]. */
export const REFERENCE_PRESSURE_PA = 2e-5;

/** Level of a mean-square pressure [Pa²] in dB; null for silence. */
export function levelOfMeanSquare(meanSquarePa2: number): number | null {
  return meanSquarePa2 > 0 ? 10 * Math.log10(meanSquarePa2 / REFERENCE_PRESSURE_PA ** 2) : null;
}

/** Mean-square pressure of a level [Pa²]. */
export function meanSquareOfLevel(levelDb: number): number {
  return REFERENCE_PRESSURE_PA ** 2 * 10 ** (levelDb / 10);
}

/**
 * What the A curve of a sound level meter adds at a frequency [dB].
 *
 * @param frequencyHz - > 0
 * @see IEC 61672-1, annex E
 * @example aWeightingDb(1000) // => 0.00…
 */
export function aWeightingDb(frequencyHz: number): number {
  const f2 = frequencyHz ** 2;
  const gain =
    (12194.217 ** 2 * f2 * f2) /
    ((f2 + 20.598997 ** 2) * Math.sqrt((f2 + 107.65265 ** 2) * (f2 + 737.86223 ** 2)) * (f2 + 12194.217 ** 2));
  return 20 * Math.log10(gain) + 2;
}

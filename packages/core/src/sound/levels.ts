import { requirePositive, requireReadings, requireWithin } from '../errors/guards.ts';

/** Pressure that 0 dB stands for [Pa]. */
export const REFERENCE_PRESSURE_PA = 2e-5;

/** Under this much above the background a reading says nothing but "no louder than" [dB]. */
export const LEAST_ABOVE_BACKGROUND_DB = 3;
/** From this much above it the background adds nothing that matters, survey grade [dB]. */
export const CLEAR_OF_BACKGROUND_DB = 10;

/** Corners of the A and C curves [Hz]; the first and the last stand twice. */
export const CURVE_CORNERS_HZ = [20.598997, 107.65265, 737.86223, 12194.217] as const;
const [F1, F2, F3, F4] = CURVE_CORNERS_HZ;
/** What each curve gives at 1 kHz, which is taken as 0 dB. */
const A_AT_1_KHZ = aGain(1000);
const C_AT_1_KHZ = cGain(1000);

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
 * @example aWeightingDb(1000) // => 0
 */
export function aWeightingDb(frequencyHz: number): number {
  return 20 * Math.log10(aGain(frequencyHz) / A_AT_1_KHZ);
}

/**
 * What the C curve of a sound level meter adds at a frequency [dB].
 *
 * @param frequencyHz - > 0
 * @see IEC 61672-1, annex E
 */
export function cWeightingDb(frequencyHz: number): number {
  return 20 * Math.log10(cGain(frequencyHz) / C_AT_1_KHZ);
}

function aGain(frequencyHz: number): number {
  const f2 = frequencyHz ** 2;
  return (F4 ** 2 * f2 * f2) / ((f2 + F1 ** 2) * Math.sqrt((f2 + F2 ** 2) * (f2 + F3 ** 2)) * (f2 + F4 ** 2));
}

function cGain(frequencyHz: number): number {
  const f2 = frequencyHz ** 2;
  return (F4 ** 2 * f2) / ((f2 + F1 ** 2) * (f2 + F4 ** 2));
}

/**
 * Level of several sounds at once, as energies [dB].
 *
 * @param levelsDb - at least 1
 * @throws {NotEnoughReadingsError} without a level
 * @example levelOfAll([70, 70]) // => 73.01…
 */
export function levelOfAll(levelsDb: readonly number[]): number {
  requireReadings('levels', levelsDb, 1);
  return 10 * Math.log10(levelsDb.reduce((sum, level) => sum + 10 ** (level / 10), 0));
}

/**
 * Equivalent level of stretches of different levels [dB].
 *
 *   L = 10·log10(Σ t·10^(L/10) / Σ t)
 *
 * @param durationsS - as many as levels, > 0
 * @throws {NotEnoughReadingsError} without a level
 * @throws {OutOfRangeError} if a duration is not positive or they are not as many
 */
export function equivalentLevel(levelsDb: readonly number[], durationsS: readonly number[]): number {
  requireReadings('levels', levelsDb, 1);
  requireWithin('durationsS', durationsS.length, levelsDb.length, levelsDb.length);
  durationsS.forEach((t) => requirePositive('durationS', t));
  const total = durationsS.reduce((sum, t) => sum + t, 0);
  return 10 * Math.log10(levelsDb.reduce((sum, level, i) => sum + durationsS[i]! * 10 ** (level / 10), 0) / total);
}

/**
 * Level that is exceeded in so many percent of the time, straight between the readings [dB].
 *
 * @param levelsDb - at least 1, of equally long stretches
 * @param percent - 0 to 100; 10 is what the loud moments reach, 90 what never quite goes away
 */
export function exceededLevel(levelsDb: readonly number[], percent: number): number {
  requireReadings('levels', levelsDb, 1);
  requireWithin('percent', percent, 0, 100);
  const rising = Float64Array.from(levelsDb).sort();
  const place = (1 - percent / 100) * (rising.length - 1);
  const below = Math.floor(place);
  return rising[below]! + (place - below) * (rising[Math.min(below + 1, rising.length - 1)]! - rising[below]!);
}

/** A reading with the background taken out of it. */
export interface ClearedLevel {
  levelDb: number;
  /** `clear`: nothing to take out; `corrected`; `upperBound`: the source is no louder than this. */
  status: 'clear' | 'corrected' | 'upperBound';
}

/**
 * Takes the background out of a reading, as energies: survey grade, 3 and 10 dB.
 *
 * From 10 dB above it nothing is taken out; under 3 dB what is taken out stops at 3.02 dB and the result is only an
 * upper bound.
 *
 * @see ISO 3746 (survey grade); engineering grade, ISO 3744, wants 6 and 15 dB
 * @example withoutBackground(70, 64).levelDb // => 68.74…
 */
export function withoutBackground(measuredDb: number, backgroundDb: number): ClearedLevel {
  const above = measuredDb - backgroundDb;
  if (above >= CLEAR_OF_BACKGROUND_DB) return { levelDb: measuredDb, status: 'clear' };
  const isBound = above < LEAST_ABOVE_BACKGROUND_DB;
  const counted = isBound ? LEAST_ABOVE_BACKGROUND_DB : above;
  return {
    levelDb: measuredDb + 10 * Math.log10(1 - 10 ** (-counted / 10)),
    status: isBound ? 'upperBound' : 'corrected',
  };
}

/**
 * Level at another distance from a small source, over open ground or in free air [dB].
 *
 *   L(r₂) = L(r₁) + 20·log10(r₁/r₂)
 *
 * @throws {OutOfRangeError} if a distance is not positive
 * @example levelAtDistance(60, 5, 10) // => 53.97…
 */
export function levelAtDistance(levelDb: number, fromM: number, toM: number): number {
  requirePositive('fromM', fromM);
  requirePositive('toM', toM);
  return levelDb + 20 * Math.log10(fromM / toM);
}

/** What hard ground adds to the level in free air, its reflection taken as a second source [dB]. */
export const HARD_GROUND_DB = 10 * Math.log10(2);

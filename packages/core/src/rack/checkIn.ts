import { requirePositive } from '../errors/guards.ts';
import { median } from '../statistics/describe.ts';
import type { BoreFit } from './pieceLife.ts';

/** What was measured of one piece; null where nobody has yet. */
export interface PieceMeasures {
  id: string;
  massKg: number | null;
  diameterM: number | null;
}

/** What the measures of a delivery say about one of its pieces. */
export type CheckInFinding =
  | { code: 'massOutlier'; id: string; massKg: number; medianKg: number }
  | { code: 'massTooCoarse'; id: string; massKg: number; resolutionKg: number }
  | { code: 'diameterOutlier'; id: string; diameterM: number; medianM: number }
  | { code: 'diameterOffLabel'; id: string; diameterM: number; labelM: number };

/** Scaled deviations from the median beyond which a piece does not belong to its batch. */
const OUTLIER_SCORE = 3.5;
const SCORE_SCALE = 0.6745;
const LEAST_PIECES = 4;
/** Spread that a batch may have without any piece being odd: shares of the median. */
const LEAST_MASS_RATIO = 0.015;
const LEAST_DIAMETER_RATIO = 0.004;
/** A mass of fewer counts of the scale says too little. */
const LEAST_COUNTS = 5;
/** Real and printed diameter may differ by so much before it is worth a word. */
const OFF_LABEL_RATIO = 0.012;

/**
 * What stands out in a delivery: pieces that weigh or measure unlike their batch (by the median absolute deviation),
 * masses too small for the scale, diameters unlike the label.
 *
 * @param labelM - printed diameter [m], > 0
 * @param resolutionKg - smallest step of the scale [kg], > 0
 * @throws {OutOfRangeError} if the label or the resolution is not positive
 */
export function checkInFindings(
  pieces: readonly PieceMeasures[],
  labelM: number,
  resolutionKg: number,
): CheckInFinding[] {
  requirePositive('labelM', labelM);
  requirePositive('resolutionKg', resolutionKg);
  const masses = pieces.flatMap((p) => (p.massKg === null ? [] : [{ id: p.id, value: p.massKg }]));
  const diameters = pieces.flatMap((p) => (p.diameterM === null ? [] : [{ id: p.id, value: p.diameterM }]));
  return [
    ...outliers(masses, LEAST_MASS_RATIO).map(({ id, value, median }): CheckInFinding => ({
      code: 'massOutlier',
      id,
      massKg: value,
      medianKg: median,
    })),
    ...masses
      .filter((m) => m.value < LEAST_COUNTS * resolutionKg)
      .map(({ id, value }): CheckInFinding => ({ code: 'massTooCoarse', id, massKg: value, resolutionKg })),
    ...outliers(diameters, LEAST_DIAMETER_RATIO).map(({ id, value, median }): CheckInFinding => ({
      code: 'diameterOutlier',
      id,
      diameterM: value,
      medianM: median,
    })),
    ...diameters
      .filter((d) => Math.abs(d.value / labelM - 1) > OFF_LABEL_RATIO)
      .map(({ id, value }): CheckInFinding => ({ code: 'diameterOffLabel', id, diameterM: value, labelM })),
  ];
}

function outliers(
  values: readonly { id: string; value: number }[],
  leastRatio: number,
): { id: string; value: number; median: number }[] {
  if (values.length < LEAST_PIECES) return [];
  const middle = median(values.map((v) => v.value));
  const deviation = Math.max(
    median(values.map((v) => Math.abs(v.value - middle))),
    leastRatio * middle * SCORE_SCALE * 0.5,
  );
  return values
    .filter((v) => (SCORE_SCALE * Math.abs(v.value - middle)) / deviation > OUTLIER_SCORE)
    .map((v) => ({ ...v, median: middle }));
}

/** Play between bore and shaft that a nut still centres [m]. */
const CENTRED_PLAY_M = 0.00005;

/**
 * How a measured bore suits a shaft: a larger one needs a ring, a smaller one reaming. Both move the centre, so they
 * come before balancing.
 *
 * @throws {OutOfRangeError} if a diameter is not positive
 */
export function boreFitOf(boreM: number, shaftM: number): BoreFit {
  requirePositive('boreM', boreM);
  requirePositive('shaftM', shaftM);
  if (boreM < shaftM - 1e-9) return 'needsReaming';
  return boreM > shaftM + CENTRED_PLAY_M ? 'needsRing' : 'fits';
}

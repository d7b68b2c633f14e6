import { foldBins, joinBins, noBins, sliceBins, type Bins } from './bins.ts';

/** Bins of one level that make one of the next. */
export const PYRAMID_FACTOR = 8;
/** Bins of a level that are stored together, and how many of the level below they are made of. */
export const PYRAMID_ROW_COUNT = 512;
const ROW_SOURCE_COUNT = PYRAMID_ROW_COUNT * PYRAMID_FACTOR;
/** Enough for 8¹² samples. */
export const PYRAMID_MAX_LEVEL = 12;

/** A full row of a level: it stands for 512 · 8^level samples and is never changed again. */
export interface PyramidRow {
  level: number;
  bins: Bins;
}

/**
 * Least and greatest values over spans of 8, 64, 512 … samples, made while the samples come in: what is asked for is
 * read from the level that has about as many bins as points are wanted, at any length.
 *
 * It holds less than a row's worth of every level, so that a sample costs the same in the sixth hour as in the first.
 */
export class GrowingPyramid {
  private readonly waiting: Bins[] = [];

  constructor(private readonly channelCount: number) {}

  /** Takes the next samples; answers the rows that they filled, the finest first. */
  push(samples: Bins): PyramidRow[] {
    const filled: PyramidRow[] = [];
    this.take(0, samples, filled);
    return filled;
  }

  private take(level: number, bins: Bins, filled: PyramidRow[]): void {
    if (level >= PYRAMID_MAX_LEVEL) return;
    let waiting = joinBins([this.waiting[level] ?? noBins(this.channelCount), bins], this.channelCount);
    while (waiting.timesS.length >= ROW_SOURCE_COUNT) {
      const row = foldBins(sliceBins(waiting, 0, ROW_SOURCE_COUNT), PYRAMID_FACTOR);
      filled.push({ level: level + 1, bins: row });
      this.take(level + 1, row, filled);
      waiting = sliceBins(waiting, ROW_SOURCE_COUNT);
    }
    this.waiting[level] = waiting;
  }
}

/**
 * The level to read a stretch from: the coarsest that still has at least as many bins as are wanted. It then has fewer
 * than eight times as many.
 *
 * @returns 0 for the samples themselves
 */
export function levelFor(sampleCount: number, wantedCount: number): number {
  let level = 0;
  while (level < PYRAMID_MAX_LEVEL && sampleCount / PYRAMID_FACTOR ** (level + 1) >= wantedCount) level++;
  return level;
}

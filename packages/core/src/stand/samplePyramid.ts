import { requireWithin } from '../errors/guards.ts';

/** Least and greatest value of each run of samples, for drawing a long channel at any width. */
export interface PyramidLevel {
  /** Samples a pair stands for. */
  span: number;
  /** Pairs of least and greatest, one after another. */
  pairs: Float32Array;
}

const FIRST_SPAN = 16;
const GROWTH = 16;

/**
 * Least and greatest values over spans of 16, 256, 4096 … samples: a drawing of any width reads a few pairs a pixel
 * and misses no spike.
 *
 * @param samples - one channel, at most 10 million
 * @throws {OutOfRangeError} if there are more
 */
export function samplePyramid(samples: Float32Array): PyramidLevel[] {
  requireWithin('samples', samples.length, 0, 10_000_000);
  const levels: PyramidLevel[] = [];
  for (let span = FIRST_SPAN; samples.length > span; span *= GROWTH) {
    const below = levels.at(-1);
    levels.push({ span, pairs: below ? reduce(below.pairs, GROWTH, (i) => 2 * i) : reduce(samples, FIRST_SPAN, null) });
  }
  return levels;
}

/** Pairs over groups of the values below; with `place`, the values below are pairs themselves. */
function reduce(values: Float32Array, group: number, place: ((i: number) => number) | null): Float32Array {
  const count = place ? values.length / 2 : values.length;
  const pairs = new Float32Array(2 * Math.ceil(count / group));
  for (let g = 0; g * group < count; g++) {
    let least = Infinity;
    let most = -Infinity;
    for (let i = g * group; i < Math.min(count, (g + 1) * group); i++) {
      least = Math.min(least, values[place ? place(i) : i]!);
      most = Math.max(most, values[place ? place(i) + 1 : i]!);
    }
    pairs[2 * g] = least;
    pairs[2 * g + 1] = most;
  }
  return pairs;
}

import { CoreError } from '../errors/coreError.ts';
import { requireWithin } from '../errors/guards.ts';

/**
 * Least and greatest value of every channel over spans of samples that follow one another. A sample is a bin of its
 * own: there the two lists are one.
 */
export interface Bins {
  /** When each begins [s]. */
  timesS: Float64Array;
  /** By channel, then by bin; NaN where nothing was read in all of the span. */
  least: Float32Array[];
  most: Float32Array[];
}

/** Samples as bins of one. */
export function sampleBins(timesS: Float64Array, values: Float32Array[]): Bins {
  if (values.some((v) => v.length !== timesS.length)) throw new CoreError('unlikeLengths', { count: timesS.length });
  return { timesS, least: values, most: values };
}

/** Times of samples that follow each other at a rate [s]. */
export function evenTimes(startS: number, count: number, rateHz: number): Float64Array {
  const timesS = new Float64Array(count);
  for (let i = 0; i < count; i++) timesS[i] = startS + i / rateHz;
  return timesS;
}

/** No bins of so many channels. */
export function noBins(channelCount: number): Bins {
  return sampleBins(
    new Float64Array(0),
    Array.from({ length: channelCount }, () => new Float32Array(0)),
  );
}

/** Bins from one place to another, without copying them. */
export function sliceBins({ timesS, least, most }: Bins, from: number, to?: number): Bins {
  const cut = least.map((l) => l.subarray(from, to));
  return {
    timesS: timesS.subarray(from, to),
    least: cut,
    most: least === most ? cut : most.map((m) => m.subarray(from, to)),
  };
}

/** One stretch after another, in their order. */
export function joinBins(stretches: readonly Bins[], channelCount: number): Bins {
  const some = stretches.filter((s) => s.timesS.length > 0);
  if (some.length === 1) return some[0]!;
  const count = some.reduce((sum, s) => sum + s.timesS.length, 0);
  const timesS = new Float64Array(count);
  const join = (pick: (s: Bins) => Float32Array[]): Float32Array[] =>
    Array.from({ length: channelCount }, (_, c) => {
      const joined = new Float32Array(count);
      let at = 0;
      for (const s of some) {
        joined.set(pick(s)[c]!, at);
        at += s.timesS.length;
      }
      return joined;
    });
  let at = 0;
  for (const s of some) {
    timesS.set(s.timesS, at);
    at += s.timesS.length;
  }
  const least = join((s) => s.least);
  return { timesS, least, most: some.every((s) => s.least === s.most) ? least : join((s) => s.most) };
}

/**
 * Puts so many bins into one, and again until the end; the last one may stand for fewer. No extreme is lost; what was
 * not read (NaN) is passed over.
 *
 * @throws {OutOfRangeError} if the factor is not a whole number from 1
 */
export function foldBins(bins: Bins, factor: number): Bins {
  requireWithin('factor', Math.floor(factor) === factor ? factor : NaN, 1, Number.MAX_SAFE_INTEGER);
  if (factor === 1) return bins;
  const { timesS, least, most } = bins;
  const count = Math.ceil(timesS.length / factor);
  const extremes = (values: Float32Array, isLess: boolean): Float32Array => {
    const folded = new Float32Array(count);
    for (let bin = 0; bin < count; bin++) {
      const end = Math.min(timesS.length, (bin + 1) * factor);
      let found = NaN;
      for (let i = bin * factor; i < end; i++) {
        const value = values[i]!;
        // The first that is a number, then whatever goes further.
        if (found !== found || (isLess ? value < found : value > found)) found = value;
      }
      folded[bin] = found;
    }
    return folded;
  };
  const begins = new Float64Array(count);
  for (let bin = 0; bin < count; bin++) begins[bin] = timesS[bin * factor]!;
  return {
    timesS: begins,
    least: least.map((values) => extremes(values, true)),
    most: most.map((values) => extremes(values, false)),
  };
}

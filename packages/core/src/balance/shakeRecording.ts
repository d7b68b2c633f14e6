import { NotEnoughReadingsError } from '../errors/coreError.ts';
import type { ShakeRecording } from './onceAround.ts';

/** Rows below which a recording tells nothing. */
const LEAST_ROWS = 20;

/**
 * A recording from the columns of a logger: evenly sampled acceleration, and where there is a tacho its marks, the
 * rising edges through the middle of its range.
 *
 * @param timesS - rising [s]
 * @param samples - acceleration at those times [m/s²]
 * @param tacho - signal of the tacho at those times; null without one
 * @param roughRpm - rough speed, for recordings without a tacho [rev/min]
 * @throws {NotEnoughReadingsError} with fewer than twenty rows
 */
export function shakeRecording(
  timesS: readonly number[],
  samples: ArrayLike<number>,
  tacho: readonly number[] | null,
  roughRpm: number | null,
): ShakeRecording {
  if (timesS.length < LEAST_ROWS) throw new NotEnoughReadingsError('samples', timesS.length, LEAST_ROWS);
  const rateHz = (timesS.length - 1) / (timesS.at(-1)! - timesS[0]!);
  return { samples, rateHz, marksS: tacho === null ? null : risingEdges(tacho, rateHz), speedRpm: roughRpm };
}

/** Moments at which a signal rises through the middle of its range, between samples [s]. */
export function risingEdges(signal: readonly number[], rateHz: number): number[] {
  let low = Infinity;
  let high = -Infinity;
  for (const value of signal) {
    low = Math.min(low, value);
    high = Math.max(high, value);
  }
  const middle = (low + high) / 2;
  const edges: number[] = [];
  for (let i = 1; i < signal.length; i++) {
    const [before, now] = [signal[i - 1]!, signal[i]!];
    if (before < middle && now >= middle && high > low)
      edges.push((i - 1 + (middle - before) / (now - before)) / rateHz);
  }
  return edges;
}

import { NotEnoughReadingsError, readNumber, type ShakeRecording } from '@zivvo/core';

/** Which column of a file is what. */
export interface ShakeColumns {
  time: number;
  acceleration: number;
  tacho: number | null;
}

const MOST_ROWS = 400_000;

/**
 * A recording from the rows of a file: rows that are not numbers are headings; the tacho's marks are its rising edges
 * through the middle of its range.
 *
 * @throws {NotEnoughReadingsError} if fewer than twenty rows hold a time and an acceleration
 */
export function recordingOf(rows: readonly (readonly string[])[], columns: ShakeColumns, roughRpm: number): ShakeRecording {
  const times: number[] = [];
  const samples: number[] = [];
  const tacho: number[] = [];
  for (const row of rows.slice(0, MOST_ROWS)) {
    const [t, a] = [numberOf(row[columns.time]), numberOf(row[columns.acceleration])];
    if (t === null || a === null) continue;
    times.push(t);
    samples.push(a);
    if (columns.tacho !== null) tacho.push(numberOf(row[columns.tacho]) ?? 0);
  }
  if (times.length < 20) throw new NotEnoughReadingsError('samples', times.length, 20);
  const rateHz = (times.length - 1) / (times.at(-1)! - times[0]!);
  return { samples, rateHz, marksS: columns.tacho === null ? null : risingEdges(tacho, rateHz), speedRpm: roughRpm };
}

function numberOf(cell: string | undefined): number | null {
  if (cell === undefined) return null;
  const read = readNumber(cell);
  return read.status === 'read' ? read.value : null;
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
    if (before < middle && now >= middle && high > low) edges.push((i - 1 + (middle - before) / (now - before)) / rateHz);
  }
  return edges;
}

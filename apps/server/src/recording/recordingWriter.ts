import {
  CoreError,
  evenTimes,
  GrowingPyramid,
  PYRAMID_FACTOR,
  sampleBins,
  sliceBins,
  type Bins,
  type RecordingTrack,
} from '@zivvo/core';
import { toPayload } from './blockPayload.ts';
import type { BlockRow, SegmentRow } from './recording.repository.ts';

/** Samples of one block, at most. */
const BLOCK_MAX_COUNT = 4096;

/**
 * Makes the blocks of one segment while its samples come in. It only makes rows: whoever has them writes them, and
 * writes the same ones again where the first time failed.
 */
export class RecordingWriter {
  private readonly tracks: { pyramid: GrowingPyramid; count: number; lastS: number; rowCounts: number[] }[];

  constructor(
    readonly segment: SegmentRow,
    private readonly tracksOf: readonly RecordingTrack[],
  ) {
    this.tracks = tracksOf.map(({ channels }) => ({
      pyramid: new GrowingPyramid(channels.length),
      count: 0,
      lastS: -Infinity,
      rowCounts: [],
    }));
  }

  /** The next samples of a track that has a rate. */
  next(track: number, startS: number, values: Float32Array[]): BlockRow[] {
    const { rateHz } = this.tracksOf[track]!;
    if (rateHz === null) throw new CoreError('noRate', { track });
    return this.nextAt(track, evenTimes(startS, values[0]!.length, rateHz), values);
  }

  /**
   * The next samples of a track, each at its own time on the axis of the recording [s].
   *
   * @throws {CoreError} `timeRunsBack` if one is not later than the one before
   */
  nextAt(track: number, timesS: Float64Array, values: Float32Array[]): BlockRow[] {
    return [...this.blocksAt(track, timesS, values)].flat();
  }

  /**
   * The same block by block, for whoever lets others go first in between; nothing is made before all times are looked
   * at.
   *
   * @throws {CoreError} `timeRunsBack` as `nextAt`
   */
  *blocksAt(track: number, timesS: Float64Array, values: Float32Array[]): Generator<BlockRow[]> {
    const state = this.tracks[track]!;
    let { lastS } = state;
    for (const timeS of timesS) {
      if (!(timeS > lastS)) throw new CoreError('timeRunsBack', { track, timeS, lastS });
      lastS = timeS;
    }
    state.lastS = lastS;
    const all = sampleBins(timesS, values);
    for (let from = 0; from < timesS.length; from += BLOCK_MAX_COUNT) {
      const samples = sliceBins(all, from, from + BLOCK_MAX_COUNT);
      const rows = [this.row(track, 0, samples, state.count)];
      state.count += samples.timesS.length;
      for (const { level, bins } of state.pyramid.push(samples)) {
        const span = PYRAMID_FACTOR ** level;
        const before = state.rowCounts[level] ?? 0;
        rows.push(this.row(track, level, bins, before * bins.timesS.length * span));
        state.rowCounts[level] = before + 1;
      }
      yield rows;
    }
  }

  private row(track: number, level: number, bins: Bins, firstSample: number): BlockRow {
    const { recordingId, ordinal } = this.segment;
    const { timesS } = bins;
    return {
      recordingId,
      segment: ordinal,
      track,
      level,
      startS: timesS[0]!,
      lastS: timesS.at(-1)!,
      firstSample,
      count: timesS.length,
      payload: toPayload(this.tracksOf[track]!, level, bins),
    };
  }
}

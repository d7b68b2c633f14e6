import { Inject, Injectable } from '@nestjs/common';
import {
  SAMPLES_FILE_MAX_COUNT,
  SEGMENT_MAX_COUNT,
  type RecordingSamplesView,
  type RecordingView,
} from '@zivvo/contract';
import {
  foldBins,
  joinBins,
  levelFor,
  PYRAMID_FACTOR,
  requireTracks,
  segmentStartS,
  sliceBins,
  type Bins,
  type RecordingTrack,
} from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import { fromPayload } from './blockPayload.ts';
import { TooLongStretchError, TooManySegmentsError, UnknownChannelError } from './recording.errors.ts';
import { toRecordingView, toStretch } from './recording.mapper.ts';
import { RecordingRepository, type BlockPlace, type BlockRow, type SegmentRow } from './recording.repository.ts';
import { RecordingWriter } from './recordingWriter.ts';

/** What of a track is asked for. */
export interface Stretch {
  track: number;
  /** By their place in the track; all where it is empty. */
  channels: readonly number[];
  fromS: number;
  toS: number;
}

/** Blocks that are read at once. */
const READ_COUNT = 400;

/** Everything that has a time axis: written once, a second at a time; read at any width. */
@Injectable()
export class RecordingService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly recordings: RecordingRepository,
  ) {}

  /** Makes room for a recording; the same twice is done once. */
  async create(db: DbOrTx, id: string, tracks: RecordingTrack[]): Promise<void> {
    requireTracks(tracks);
    await this.recordings.add(db, { id, tracks, createdAt: this.clock.now() });
  }

  async remove(db: DbOrTx, id: string): Promise<void> {
    await this.recordings.remove(db, id);
  }

  /** Begins the next segment of a recording. */
  async begin(id: string, startedAt = this.clock.now()): Promise<RecordingWriter> {
    const { tracks } = await this.recordings.find(this.db, id);
    const segments = await this.recordings.segmentsOf(this.db, id);
    if (segments.length >= SEGMENT_MAX_COUNT) throw new TooManySegmentsError();
    const last = segments.at(-1);
    const endS = last ? await this.endOf(tracks, last) : 0;
    const startS = segmentStartS(
      segments[0] ? { startedAtMs: segments[0].startedAt.getTime() } : null,
      endS,
      startedAt.getTime(),
    );
    // Every device so far counts its seconds from when it was opened.
    const segment: SegmentRow = { recordingId: id, ordinal: segments.length, startedAt, deviceStartS: 0, startS };
    await this.recordings.addSegment(this.db, segment);
    return new RecordingWriter(segment, tracks);
  }

  /** Writes blocks that a writer made; either all are there then, or none. */
  async write(db: DbOrTx, rows: BlockRow[]): Promise<void> {
    if (rows.length > 0) await this.recordings.addBlocks(db, rows);
  }

  async find(id: string): Promise<RecordingView> {
    const { tracks } = await this.recordings.find(this.db, id);
    const segments = await this.recordings.segmentsOf(this.db, id);
    const ends = await eachInTurn(segments, (segment) => this.endOf(tracks, segment));
    return toRecordingView(id, tracks, segments, ends);
  }

  /** Seconds of all segments that are on the disk. */
  async recordedS(id: string): Promise<number> {
    const { segments } = await this.find(id);
    return segments.reduce((sum, { startS, endS }) => sum + endS - startS, 0);
  }

  /**
   * Channels of a stretch with at most so many points: the samples themselves where they are no more, else the least
   * and the greatest of each span.
   */
  async samples(id: string, stretch: Stretch, pointCount: number): Promise<RecordingSamplesView> {
    const { tracks } = await this.recordings.find(this.db, id);
    const { track, channels } = requireStretch(tracks, stretch);
    const parts = await this.partsOf(id, tracks, stretch);
    const sampleCount = parts.reduce((sum, p) => sum + p.sampleCount, 0);
    const level = levelFor(sampleCount, pointCount);
    const found = await eachInTurn(parts, async ({ segment }) => ({
      segment,
      bins: await this.binsOf(segment, tracks[track]!, { ...stretch, channels }, level),
    }));
    const binCount = found.reduce((sum, { bins }) => sum + bins.timesS.length, 0);
    const factor = Math.max(1, Math.ceil(binCount / pointCount));
    return {
      track,
      channels: [...channels],
      stretches: found.map(({ segment, bins }) =>
        toStretch(segment.ordinal, level === 0 && factor === 1, foldBins(bins, factor)),
      ),
    };
  }

  /** All samples of a stretch, a part at a time, with the segment they are of. */
  async *everySample(
    id: string,
    stretch: Stretch,
  ): AsyncGenerator<{ segment: SegmentRow; track: RecordingTrack; channels: readonly number[]; bins: Bins }> {
    const { tracks } = await this.recordings.find(this.db, id);
    const { track, channels } = requireStretch(tracks, stretch);
    const parts = await this.partsOf(id, tracks, stretch);
    const sampleCount = parts.reduce((sum, p) => sum + p.sampleCount, 0);
    if (sampleCount > SAMPLES_FILE_MAX_COUNT) throw new TooLongStretchError(sampleCount);
    for (const { segment } of parts) {
      const place = placeOf(segment, track, 0);
      let { fromS } = stretch;
      let rows: BlockRow[];
      do {
        rows = await this.recordings.blocksOf(this.db, place, fromS, stretch.toS, READ_COUNT);
        for (const row of rows)
          yield {
            segment,
            track: tracks[track]!,
            channels,
            bins: trim(fromPayload(tracks[track]!, row, channels), fromS, stretch.toS),
          };
        fromS = nextAfter(rows.at(-1)?.lastS ?? fromS);
      } while (rows.length === READ_COUNT);
    }
  }

  /** Where the last sample of a segment is over [s]. */
  private async endOf(tracks: readonly RecordingTrack[], segment: SegmentRow): Promise<number> {
    const lasts = await eachInTurn([...tracks.keys()], (track) =>
      this.recordings.lastBlock(this.db, placeOf(segment, track, 0)),
    );
    const ends = lasts.map((last, track) =>
      last ? last.lastS + 1 / (tracks[track]!.rateHz ?? Infinity) : segment.startS,
    );
    return Math.max(segment.startS, ...ends);
  }

  /** Segments that have something of a stretch, and about how much. */
  private async partsOf(
    id: string,
    tracks: readonly RecordingTrack[],
    { track, fromS, toS }: Stretch,
  ): Promise<{ segment: SegmentRow; sampleCount: number }[]> {
    const segments = await this.recordings.segmentsOf(this.db, id);
    const parts = await eachInTurn(segments, async (segment) => {
      const last = segment.startS > toS ? null : await this.recordings.lastBlock(this.db, placeOf(segment, track, 0));
      if (!last || last.lastS < fromS) return null;
      const spanS = Math.min(toS, last.lastS) - Math.max(fromS, segment.startS);
      const wholeS = Math.max(last.lastS - segment.startS, Number.EPSILON);
      const { rateHz } = tracks[track]!;
      return { segment, sampleCount: 1 + Math.ceil(spanS * (rateHz ?? (last.firstSample + last.count) / wholeS)) };
    });
    return parts.filter((p) => p !== null);
  }

  /**
   * Bins of a level between two times, from a sample of the segment on; what is too young to fill a row of the level is
   * made from the one below.
   */
  private async binsOf(
    segment: SegmentRow,
    track: RecordingTrack,
    stretch: Stretch,
    level: number,
    fromSample = 0,
  ): Promise<Bins> {
    const { channels, fromS, toS } = stretch;
    const place = placeOf(segment, stretch.track, level);
    const span = PYRAMID_FACTOR ** level;
    const found: Bins[] = [];
    for (const row of await this.recordings.blocksOf(this.db, place, fromS, toS)) {
      const known = Math.max(0, Math.ceil((fromSample - row.firstSample) / span));
      found.push(sliceBins(fromPayload(track, row, channels), known));
    }
    if (level > 0) {
      const last = await this.recordings.lastBlock(this.db, place);
      const youngFromS = Math.max(fromS, last?.lastS ?? segment.startS);
      const filled = Math.max(fromSample, last ? last.firstSample + last.count * span : 0);
      if (youngFromS <= toS)
        found.push(
          foldBins(
            await this.binsOf(segment, track, { ...stretch, fromS: youngFromS }, level - 1, filled),
            PYRAMID_FACTOR,
          ),
        );
    }
    return trim(joinBins(found, channels.length), fromS, toS, level);
  }
}

function placeOf({ recordingId, ordinal }: SegmentRow, track: number, level: number): BlockPlace {
  return { recordingId, segment: ordinal, track, level };
}

/** Bins that begin between two times; of those that are spans, also the one that began before and reaches in. */
function trim(bins: Bins, fromS: number, toS: number, level = 0): Bins {
  const { timesS } = bins;
  const first = firstFrom(timesS, fromS);
  const end = firstFrom(timesS, nextAfter(toS));
  return sliceBins(bins, level > 0 && first > 0 ? first - 1 : first, end);
}

/** Place of the first time that is not earlier; times run on. */
function firstFrom(timesS: Float64Array, timeS: number): number {
  let low = 0;
  let high = timesS.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (timesS[middle]! < timeS) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** The least time that is later, as far as clocks can tell [s]. */
function nextAfter(timeS: number): number {
  return timeS + 1e-9;
}

async function eachInTurn<T, R>(items: readonly T[], act: (item: T) => Promise<R>): Promise<R[]> {
  const results: R[] = [];
  for (const item of items) results.push(await act(item));
  return results;
}

/** @throws {FeatureError} if there is no such track, or no such channel in it */
function requireStretch(
  tracks: readonly RecordingTrack[],
  { track, channels }: Stretch,
): { track: number; channels: readonly number[] } {
  const found = tracks[track];
  if (!found) throw new UnknownChannelError('track', track);
  const unknown = channels.find((c) => !found.channels[c]);
  if (unknown !== undefined) throw new UnknownChannelError('channels', unknown);
  return { track, channels: channels.length > 0 ? [...new Set(channels)] : [...found.channels.keys()] };
}

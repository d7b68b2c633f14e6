import type { RecordingSamplesView, RecordingView } from '@zivvo/contract';
import type { Bins, RecordingTrack } from '@zivvo/core';
import type { SegmentRow } from './recording.repository.ts';

export function toRecordingView(
  id: string,
  tracks: RecordingTrack[],
  segments: readonly SegmentRow[],
  endsS: readonly number[],
): RecordingView {
  return {
    id,
    tracks,
    segments: segments.map(({ startedAt, startS }, i) => ({
      startedAt: startedAt.toISOString(),
      startS,
      endS: endsS[i]!,
    })),
  };
}

export function toStretch(
  segment: number,
  isRaw: boolean,
  { timesS, least, most }: Bins,
): RecordingSamplesView['stretches'][number] {
  return {
    segment,
    isRaw,
    timesS: toBase64(timesS),
    least: least.map(toBase64),
    ...(least === most ? {} : { most: most.map(toBase64) }),
  };
}

function toBase64(numbers: Float32Array | Float64Array): string {
  return Buffer.from(numbers.buffer, numbers.byteOffset, numbers.byteLength).toString('base64');
}

import {
  bytesToColumns,
  columnsToBytes,
  evenTimes,
  fromSteps,
  PYRAMID_FACTOR,
  sampleBins,
  toSteps,
  type Bins,
  type ColumnKind,
  type RecordingTrack,
  type StoredColumn,
} from '@zivvo/core';
import { deflateRawSync, inflateRawSync } from 'node:zlib';

/** Fast rather than small: a block is made every second while something turns. */
const COMPRESSION = { level: 1 } as const;
/** Nothing that is stored here is longer when it is whole. */
const MAX_BYTES = 4096 * (8 + 64 * 8);

/**
 * Bins of a track as they are stored: when they begin, where that does not follow from the rate alone; then the least,
 * then the greatest. A device that paused within a row shows in how late its bins are, which is else all zero.
 */
export function toPayload({ rateHz, channels }: RecordingTrack, level: number, { timesS, least, most }: Bins): Buffer {
  const times: StoredColumn[] = rateHz === null ? [timesS] : level > 0 ? [latenessOf(timesS, rateHz, level)] : [];
  const values: StoredColumn[] =
    level > 0
      ? [...least, ...most]
      : least.map((v, c) => (channels[c]!.sampleType === 'int16' ? toSteps(v, channels[c]!.step) : v));
  return deflateRawSync(columnsToBytes([...times, ...values]), COMPRESSION);
}

/**
 * @param wanted - channels to read, by their place in the track
 * @throws {CoreError} `tornBlock` if the bytes do not belong to the track
 */
export function fromPayload(
  { rateHz, channels }: RecordingTrack,
  { level, startS, count, payload }: { level: number; startS: number; count: number; payload: Buffer },
  wanted: readonly number[],
): Bins {
  const before: ColumnKind[] = rateHz === null ? ['float64'] : level > 0 ? ['float32'] : [];
  const one: ColumnKind[] = channels.map(({ sampleType }) => (level === 0 ? sampleType : 'float32'));
  const kinds = [...before, ...one, ...(level === 0 ? [] : one)];
  const places = [
    ...before.keys(),
    ...wanted.map((c) => before.length + c),
    ...(level === 0 ? [] : wanted.map((c) => before.length + channels.length + c)),
  ];
  const columns = bytesToColumns(inflateRawSync(payload, { maxOutputLength: MAX_BYTES }), kinds, count, places);
  const times = before.length > 0 ? columns.shift()! : null;
  const values = columns
    .slice(0, wanted.length)
    .map((column, i) =>
      column instanceof Int16Array ? fromSteps(column, channels[wanted[i]!]!.step) : (column as Float32Array),
    );
  const timesS = rateHz === null ? (times as Float64Array) : evenTimes(startS, count, rateHz / PYRAMID_FACTOR ** level);
  if (rateHz !== null && times) timesS.forEach((timeS, i) => (timesS[i] = timeS + times[i]!));
  return level === 0
    ? sampleBins(timesS, values)
    : { timesS, least: values, most: columns.slice(wanted.length) as Float32Array[] };
}

/** How much later than the rate says each begins [s], to the microsecond. */
function latenessOf(timesS: Float64Array, rateHz: number, level: number): Float32Array {
  const spanS = PYRAMID_FACTOR ** level / rateHz;
  return Float32Array.from(timesS, (timeS, i) => Math.round(1e6 * (timeS - timesS[0]! - i * spanS)) / 1e6);
}

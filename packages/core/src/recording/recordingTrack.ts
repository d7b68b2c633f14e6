import { CoreError } from '../errors/coreError.ts';
import { requireFinite, requireWithin } from '../errors/guards.ts';
import { dimensions, type Dimension } from '../units/dimensions.ts';

/** How a channel's samples are stored; all are read back as 32-bit floats. */
export const sampleTypes = ['float32', 'int16'] as const;
export type SampleType = (typeof sampleTypes)[number];

/** One thing that was read over time. */
export interface RecordingChannel {
  name: string;
  /** What it measures; null for a plain count or a level that no unit here stands for. */
  dimension: Dimension | null;
  /** Symbol of the SI unit that its samples are in; '1' for a ratio. */
  unit: string;
  sampleType: SampleType;
  /** One step of a stored whole number, in the unit; 1 for floats. */
  step: number;
}

/** Channels that are read together. */
export interface RecordingTrack {
  name: string;
  /** Samples a second; null where every sample carries its own time. */
  rateHz: number | null;
  channels: RecordingChannel[];
}

/** A stretch without a gap; all times of a recording are seconds on one axis that begins with its first segment. */
export interface RecordingSegment {
  /** Clock of the wall when it began [ms since 1970]. */
  startedAtMs: number;
  /** Clock of the device when it began [s]. */
  deviceStartS: number;
  /** Where it begins on the axis of the recording [s]. */
  startS: number;
}

export const TRACK_MAX_COUNT = 64;
export const CHANNEL_MAX_COUNT = 64;
export const RATE_MAX_HZ = 400_000;

/** A channel of floats, in the SI unit of what it measures. */
export function floatChannel(
  name: string,
  dimension: Dimension | null,
  unit = dimension === null ? '1' : dimensions[dimension].siSymbol,
): RecordingChannel {
  return { name, dimension, unit, sampleType: 'float32', step: 1 };
}

/**
 * @throws {CoreError} `noTrack` where there is no track or one without a channel, `twoOfAName` where a name stands
 *   twice
 * @throws {OutOfRangeError} if there are too many, or a rate or step is not a positive number
 */
export function requireTracks(tracks: readonly RecordingTrack[]): void {
  requireWithin('tracks', tracks.length, 0, TRACK_MAX_COUNT);
  if (tracks.length === 0 || tracks.some((t) => t.channels.length === 0)) throw new CoreError('noTrack', {});
  const names = tracks.flatMap((t) => t.channels.map((c) => `${t.name}/${c.name}`));
  if (new Set(names).size < names.length) throw new CoreError('twoOfAName', {});
  for (const { rateHz, channels } of tracks) {
    if (rateHz !== null) requireWithin('rateHz', rateHz, 1e-6, RATE_MAX_HZ);
    requireWithin('channels', channels.length, 1, CHANNEL_MAX_COUNT);
    for (const { step } of channels) requireWithin('step', step, Number.MIN_VALUE, Number.MAX_VALUE);
  }
}

/**
 * Where a segment that begins now lies on the axis: as long after the first one as the clock on the wall says, but
 * never before what is there already.
 *
 * @param first - the first segment; null where this one is it
 * @param endS - end of what is recorded so far [s]
 */
export function segmentStartS(
  first: Pick<RecordingSegment, 'startedAtMs'> | null,
  endS: number,
  startedAtMs: number,
): number {
  requireFinite('startedAtMs', startedAtMs);
  return first === null ? 0 : Math.max(endS, (startedAtMs - first.startedAtMs) / 1000);
}

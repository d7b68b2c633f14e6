import type { RecordingTrack } from '@zivvo/core';

/** What was recorded, without its samples; all times are seconds on the axis of the recording. */
export interface RecordingView {
  id: string;
  tracks: RecordingTrack[];
  segments: { startedAt: string; startS: number; endS: number }[];
}

/** Channels of one track between two times. */
export interface RecordingSamplesView {
  track: number;
  channels: number[];
  stretches: {
    segment: number;
    /** True where every point is a sample; else a point is the least and the greatest of a span. */
    isRaw: boolean;
    /** When each point begins [s]: 64-bit floats, little-endian, as base64. */
    timesS: string;
    /** By channel: 32-bit floats, little-endian, as base64; NaN where nothing was read. */
    least: string[];
    /** As `least`; left out where it is the same. */
    most?: string[];
  }[];
}

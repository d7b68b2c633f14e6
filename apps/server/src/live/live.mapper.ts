import type { LiveView } from '@zivvo/contract';
import {
  floatChannel,
  LIVE_RATE_HZ,
  liveChannels,
  standQuantities,
  type LiveChannel,
  type LivePoint,
  type RecordingTrack,
} from '@zivvo/core';
import type { RecordingWriter } from '../recording/recordingWriter.ts';
import type { LivePointRow } from './live.repository.ts';

/** The run on the stand as the server holds it. */
export interface OpenRun extends Omit<LiveView, 'deviceKind' | 'isOpen' | 'pilotTabId'> {
  pilot: { tabId: string; seenMs: number } | null;
  writer: RecordingWriter;
  /** False once its device is gone and only writing is left. */
  hasDevice: boolean;
}

export function toLiveView({ pilot, writer: _writer, hasDevice: _hasDevice, ...open }: OpenRun): LiveView {
  return { ...open, deviceKind: deviceKindOf(open.deviceName), isOpen: true, pilotTabId: pilot?.tabId ?? null };
}

export const deviceKindOf = (deviceName: string | null): LiveView['deviceKind'] =>
  deviceName === null ? 'simulated' : 'driven';

export function toPointRow(runId: string, ordinal: number, { atS, values }: LivePoint): LivePointRow {
  return { runId, ordinal, atS, values: liveChannels.map((channel) => values[channel]) };
}

export function toLivePoint({ atS, values }: LivePointRow): LivePoint {
  return {
    atS,
    values: Object.fromEntries(liveChannels.map((channel, i) => [channel, values[i]!])) as Record<LiveChannel, number>,
  };
}

/** What was read; null for what the device does not read. Thrust and throttle are always there. */
export function readValues(
  values: LivePoint['values'],
): Record<LiveChannel, number | null> & { thrustN: number; throttleRatio: number } {
  const read = Object.fromEntries(
    liveChannels.map((channel) => [channel, Number.isFinite(values[channel]) ? values[channel] : null]),
  ) as Record<LiveChannel, number | null>;
  return { ...read, thrustN: values.thrustN, throttleRatio: values.throttleRatio };
}

/** The stand's channels as a recording holds them. */
export const standTracks: RecordingTrack[] = [
  {
    name: 'stand',
    rateHz: LIVE_RATE_HZ,
    channels: liveChannels.map((name) => floatChannel(name, standQuantities[name])),
  },
];

/** Readings on end, channel after channel in each, as one list a channel. */
export function byChannel(samples: Float32Array): Float32Array[] {
  const count = samples.length / liveChannels.length;
  return liveChannels.map((_, c) =>
    Float32Array.from({ length: count }, (_unused, i) => samples[i * liveChannels.length + c]!),
  );
}

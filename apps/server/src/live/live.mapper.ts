import type { LiveView } from '@zivvo/contract';
import { liveChannels, type LiveChannel, type LivePoint, type PyramidLevel } from '@zivvo/core';
import type { LiveChunkRow, LivePointRow } from './live.repository.ts';
import type { runSamples } from './live.table.ts';

/** The run on the stand as the server holds it. */
export interface OpenRun extends Omit<LiveView, 'deviceKind' | 'isOpen' | 'pilotTabId'> {
  pilot: { tabId: string; seenMs: number } | null;
}

export function toLiveView({ pilot, ...open }: OpenRun): LiveView {
  return { ...open, deviceKind: 'simulated', isOpen: true, pilotTabId: pilot?.tabId ?? null };
}

export function toPointRow(runId: string, ordinal: number, { atS, values }: LivePoint): LivePointRow {
  return { runId, ordinal, atS, values: liveChannels.map((channel) => values[channel]) };
}

export function toLivePoint({ atS, values }: LivePointRow): LivePoint {
  return { atS, values: Object.fromEntries(liveChannels.map((channel, i) => [channel, values[i]!])) as Record<LiveChannel, number> };
}

/** Channels of a run put together from its chunks, each with its pyramid. */
export function toSampleRows(runId: string, chunks: readonly Pick<LiveChunkRow, 'samples'>[], rateHz: number, pyramidOf: (samples: Float32Array) => PyramidLevel[]): (typeof runSamples.$inferInsert)[] {
  const all = chunks.map(({ samples }) => floats(samples));
  const count = all.reduce((sum, s) => sum + s.length, 0) / liveChannels.length;
  return liveChannels.map((channel, c) => {
    const samples = new Float32Array(count);
    let at = 0;
    for (const chunk of all) for (let i = c; i < chunk.length; i += liveChannels.length) samples[at++] = chunk[i]!;
    const levels = pyramidOf(samples);
    return { runId, channel, rateHz, samples: Buffer.from(samples.buffer), pyramidSpans: levels.map((l) => l.span), pyramid: Buffer.concat(levels.map((l) => Buffer.from(l.pairs.buffer))) };
  });
}

/** The floats of a stored buffer, wherever in memory it lies. */
function floats(bytes: Buffer): Float32Array {
  const copy = new Uint8Array(bytes);
  return new Float32Array(copy.buffer, 0, copy.length / 4);
}

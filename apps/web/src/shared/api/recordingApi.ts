import type { RecordingSamplesView, RecordingView } from '@zivvo/contract';
import { api, failureOf, UNREACHABLE, type ApiProblem } from './api.ts';

const recordingApi = api.injectEndpoints({
  endpoints: (build) => ({
    recording: build.query<RecordingView, string>({ query: (id) => `/recordings/${id}`, keepUnusedDataFor: 5 }),
  }),
});

export const { useRecordingQuery } = recordingApi;

/** Channels of a stretch, ready to be drawn. */
export interface Stretch {
  segment: number;
  isRaw: boolean;
  timesS: Float64Array;
  /** By channel of the track. */
  least: Float32Array[];
  most: Float32Array[];
}

/** Reads all channels of a track between two times, with at most so many points. Long lists stay out of the store. */
export async function readSamples(
  id: string,
  { track, fromS, toS, count }: { track: number; fromS: number; toS: number; count: number },
  signal: AbortSignal,
): Promise<{ stretches: Stretch[] } | { problem: ApiProblem }> {
  const query = new URLSearchParams({
    track: String(track),
    fromS: String(fromS),
    toS: String(toS),
    count: String(count),
  });
  try {
    const answer = await fetch(`/api/recordings/${id}/samples?${query.toString()}`, { signal });
    const body: unknown = await answer.json();
    if (!answer.ok) return { problem: failureOf(body) };
    return {
      stretches: (body as RecordingSamplesView).stretches.map(({ segment, isRaw, timesS, least, most }) => ({
        segment,
        isRaw,
        timesS: new Float64Array(bytesOf(timesS)),
        least: least.map(floatsOf),
        most: (most ?? least).map(floatsOf),
      })),
    };
  } catch {
    return { problem: UNREACHABLE };
  }
}

/** Where a stretch can be had as a table. */
export function samplesFile(id: string, track: number, fromS: number, toS: number): string {
  return `/api/recordings/${id}/samples.csv?track=${track}&fromS=${fromS}&toS=${toS}`;
}

function bytesOf(text: string): ArrayBuffer {
  return Uint8Array.from(atob(text), (letter) => letter.charCodeAt(0)).buffer;
}

function floatsOf(text: string): Float32Array {
  return new Float32Array(bytesOf(text));
}

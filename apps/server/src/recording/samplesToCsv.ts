import type { RecordingService } from './recording.service.ts';

/**
 * Lines of a stretch: time on the recording's axis, moment on the wall, then the channels; empty where nothing was
 * read.
 */
export async function* samplesToCsv(parts: ReturnType<RecordingService['everySample']>): AsyncGenerator<string> {
  let isHeadDue = true;
  for await (const { segment, track, channels, bins } of parts) {
    const lines: string[] = [];
    if (isHeadDue)
      lines.push(
        [
          'time_s',
          'moment',
          ...channels.map((c) => quoted(`${track.channels[c]!.name} (${track.channels[c]!.unit})`)),
        ].join(','),
      );
    isHeadDue = false;
    const startMs = segment.startedAt.getTime();
    bins.timesS.forEach((timeS, i) => {
      const moment = new Date(startMs + 1000 * (timeS - segment.startS)).toISOString();
      const values = bins.least.map((values) =>
        Number.isNaN(values[i]!) ? '' : String(Number(values[i]!.toPrecision(7))),
      );
      lines.push([timeS.toFixed(6), moment, ...values].join(','));
    });
    yield `${lines.join('\n')}\n`;
  }
}

function quoted(text: string): string {
  return /[",\n]/.test(text) ? `"${text.replaceAll('"', '""')}"` : text;
}

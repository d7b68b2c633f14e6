import { Controller, Get, Param, Query, Res } from '@nestjs/common';
import { recordingPointCounts, type RecordingSamplesView, type RecordingView } from '@zivvo/contract';
import type { Response } from 'express';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { FieldError } from '../common/featureError.ts';
import { IdPipe } from '../common/idPipe.ts';
import { NumberPipe } from '../common/numberPipe.ts';
import { RecordingService, type Stretch } from './recording.service.ts';
import { samplesToCsv } from './samplesToCsv.ts';

/** Times on the axis of a recording: a hundred years are enough for a gap. */
const fromPipe = new NumberPipe({ min: 0, max: 3.2e9 }, 0);
const toPipe = new NumberPipe({ min: 0, max: 3.2e9 }, 3.2e9);
const trackPipe = new NumberPipe({ min: 0, max: 63 }, 0);

@Controller('recordings')
export class RecordingController {
  constructor(private readonly recordings: RecordingService) {}

  @Get(':id')
  find(@Param('id', IdPipe) id: string): Promise<RecordingView> {
    return this.recordings.find(id);
  }

  /** Channels of a track between two times, with at most so many points. */
  @Get(':id/samples')
  samples(
    @Param('id', IdPipe) id: string,
    @Query('track', trackPipe) track: number,
    @Query('channels') channels: string | undefined,
    @Query('fromS', fromPipe) fromS: number,
    @Query('toS', toPipe) toS: number,
    @Query('count', new NumberPipe(recordingPointCounts, 1000)) count: number,
  ): Promise<RecordingSamplesView> {
    return this.recordings.samples(id, toStretch(track, channels, fromS, toS), Math.floor(count));
  }

  /** Every sample of a stretch, as a table. */
  @Get(':id/samples.csv')
  async csv(
    @Param('id', IdPipe) id: string,
    @Query('track', trackPipe) track: number,
    @Query('channels') channels: string | undefined,
    @Query('fromS', fromPipe) fromS: number,
    @Query('toS', toPipe) toS: number,
    @Res() response: Response,
  ): Promise<void> {
    const parts = samplesToCsv(this.recordings.everySample(id, toStretch(track, channels, fromS, toS)));
    // The first part is made before anything is sent: what is refused is refused with its problem.
    const first = await parts.next();
    response.setHeader('Content-Type', 'text/csv; charset=utf-8');
    response.setHeader('Content-Disposition', 'attachment; filename="recording.csv"');
    const all = async function* (): AsyncGenerator<string> {
      if (!first.done) yield first.value;
      yield* parts;
    };
    await pipeline(Readable.from(all()), response);
  }
}

function toStretch(track: number, channels: string | undefined, fromS: number, toS: number): Stretch {
  const list = channels === undefined || channels === '' ? [] : channels.split(',');
  const places = list.map(Number);
  if (list.length > 64 || places.some((p) => !Number.isInteger(p) || p < 0))
    throw new FieldError(
      'channels',
      'isInt',
      'channels must be whole numbers with commas between them',
      channels?.slice(0, 60) ?? null,
      {},
      400,
    );
  if (toS < fromS) throw new FieldError('toS', 'min', 'toS must not be before fromS', String(toS), { min: fromS }, 400);
  return { track: Math.floor(track), channels: places, fromS, toS };
}

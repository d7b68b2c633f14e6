import { Inject, Injectable, type OnModuleInit } from '@nestjs/common';
import { LIVE_RATE_HZ, liveChannels } from '@zivvo/core';
import { DB, type Db } from '../database/database.ts';
import { RecordingService } from '../recording/recording.service.ts';
import type { RecordingWriter } from '../recording/recordingWriter.ts';
import { byChannel, standTracks } from './live.mapper.ts';
import { LiveSubjectService } from './liveSubject.service.ts';
import { OldSamplesRepository, type OldRun, type OldTable } from './oldSamples.repository.ts';

/** Samples of a channel that are written at once. */
const WRITE_COUNT = 60 * LIVE_RATE_HZ;

/** Makes recordings of the samples that earlier versions kept beside a run. Does nothing once that is done. */
@Injectable()
export class OldSamples implements OnModuleInit {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly old: OldSamplesRepository,
    private readonly recordings: RecordingService,
    private readonly subjects: LiveSubjectService,
  ) {}

  async onModuleInit(): Promise<void> {
    await this.takeOver('run_samples', (run) => this.writeChannels(run));
    await this.takeOver('live_chunk', (run) => this.writeSeconds(run));
  }

  private async takeOver(table: OldTable, write: (run: OldRun) => Promise<void>): Promise<void> {
    if (!(await this.old.isThere(this.db, table))) return;
    for (const run of await this.old.runsIn(this.db, table)) {
      // The run's own id names its recording, so a start that was cut off here begins it anew.
      await this.recordings.remove(this.db, run.id);
      await this.recordings.create(this.db, run.id, standTracks);
      await write(run);
      await this.db.transaction(async (tx) => {
        await this.subjects.recordIn(tx, run.id, run.id);
        await this.old.forget(tx, table, run.id);
      });
    }
    await this.old.dropIfEmpty(this.db, table);
  }

  private async writeChannels({ id, createdAt }: OldRun): Promise<void> {
    const channels = await this.old.channelsOf(this.db, id);
    const byName = new Map(channels.map(({ channel, samples }) => [channel, floatsOf(samples)]));
    const writer = await this.recordings.begin(id, createdAt);
    await this.write(
      writer,
      0,
      liveChannels.map((channel) => byName.get(channel)!),
    );
  }

  private async writeSeconds({ id, createdAt }: OldRun): Promise<void> {
    let writer: RecordingWriter | null = null;
    let lastS = Infinity;
    for (const { startS, samples } of await this.old.secondsOf(this.db, id)) {
      // Each session on the stand counted its seconds from nought.
      if (writer === null || startS <= lastS) writer = await this.recordings.begin(id, createdAt);
      await this.write(writer, writer.segment.startS + startS, byChannel(floatsOf(samples)));
      lastS = startS;
    }
  }

  private async write(writer: RecordingWriter, startS: number, channels: readonly Float32Array[]): Promise<void> {
    for (let from = 0; from < channels[0]!.length; from += WRITE_COUNT) {
      const some = channels.map((values) => values.subarray(from, from + WRITE_COUNT));
      await this.recordings.write(this.db, writer.next(0, startS + from / LIVE_RATE_HZ, some));
    }
  }
}

/** The floats of stored bytes, wherever in memory they lie. */
function floatsOf(bytes: Buffer): Float32Array {
  return new Float32Array(new Uint8Array(bytes).buffer);
}

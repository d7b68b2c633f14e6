import { Inject, Injectable } from '@nestjs/common';
import { LIVE_RATE_HZ, liveChannels, type LiveLimits, type LivePoint, type LiveReading } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { DB, type Db } from '../database/database.ts';
import { RecordingService } from '../recording/recording.service.ts';
import { standTracks, toPointRow } from './live.mapper.ts';
import { LiveRepository } from './live.repository.ts';
import { LiveSubjectService } from './liveSubject.service.ts';

/** What a stand left of a run that is over: its readings, its points, what it was not to pass. */
export interface StandRecord {
  limits: LiveLimits;
  restingCellV: number;
  points: readonly LivePoint[];
  readings: readonly LiveReading[];
}

/** Takes in what was read while nobody watched, second by second, as a live run is written. */
@Injectable()
export class StandRecords {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly live: LiveRepository,
    private readonly subjects: LiveSubjectService,
    private readonly recordings: RecordingService,
  ) {}

  async add(
    runId: string,
    recordingId: string,
    { limits, restingCellV, points, readings }: StandRecord,
  ): Promise<void> {
    await this.recordings.create(this.db, recordingId, standTracks);
    const writer = await this.recordings.begin(recordingId);
    for (let from = 0; from < readings.length; from += LIVE_RATE_HZ) {
      const second = readings.slice(from, from + LIVE_RATE_HZ);
      await this.recordings.write(
        this.db,
        writer.next(
          0,
          second[0]!.timeS,
          liveChannels.map((channel) => Float32Array.from(second, (r) => r[channel])),
        ),
      );
    }
    await this.subjects.recordIn(this.db, runId, recordingId);
    await this.live.add(this.db, {
      runId,
      phase: 'stopped',
      limits,
      deviceName: null,
      zeroN: null,
      cut: null,
      restingCellV,
      endChargeRatio: null,
      updatedAt: this.clock.now(),
    });
    for (const [i, point] of points.entries()) await this.live.addPoint(this.db, toPointRow(runId, i + 1, point));
  }
}

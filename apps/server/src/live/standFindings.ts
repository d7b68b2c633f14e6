import { Injectable } from '@nestjs/common';
import {
  FINDINGS_MAX_COUNT,
  LIVE_RATE_HZ,
  liveChannels,
  runFindings,
  type LiveChannel,
  type RunFindings,
} from '@zivvo/core';
import { RecordingService } from '../recording/recording.service.ts';

const CHANNELS = ['throttleRatio', 'thrustN', 'speedRpm'] as const satisfies readonly LiveChannel[];

/** Reads out of a run's recording what its points do not say. */
@Injectable()
export class StandFindings {
  constructor(private readonly recordings: RecordingService) {}

  /** Of its first hundred minutes: a run is no longer. */
  async of(recordingId: string): Promise<RunFindings> {
    const channels = CHANNELS.map((name) => liveChannels.indexOf(name));
    const stretch = { track: 0, channels, fromS: 0, toS: FINDINGS_MAX_COUNT / LIVE_RATE_HZ };
    const timeS: number[] = [];
    const read = CHANNELS.map((): number[] => []);
    for await (const { bins } of this.recordings.everySample(recordingId, stretch))
      for (let i = 0; i < bins.timesS.length; i++) {
        timeS.push(bins.timesS[i]!);
        read.forEach((values, c) => values.push(bins.least[c]![i]!));
      }
    const [throttleRatio, thrustN, speedRpm] = read as [number[], number[], number[]];
    return runFindings({ timeS, throttleRatio, thrustN, speedRpm });
  }
}

import { Module } from '@nestjs/common';
import { CraftModule } from '../craft/craft.module.ts';
import { RackModule } from '../rack/rack.module.ts';
import { RecordingModule } from '../recording/recording.module.ts';
import { StandModule } from '../stand/stand.module.ts';
import { DrivenStandsController } from './drivenStands.controller.ts';
import { DrivenStands } from './drivenStands.service.ts';
import { FeedController } from './feed.controller.ts';
import { FeedService } from './feed.service.ts';
import { LiveController } from './live.controller.ts';
import { LiveRepository } from './live.repository.ts';
import { LiveService } from './live.service.ts';
import { LiveSubjectService } from './liveSubject.service.ts';
import { OldSamples } from './oldSamples.ts';
import { OldSamplesRepository } from './oldSamples.repository.ts';
import { StandDevice } from './standDevice.ts';
import { StandFindings } from './standFindings.ts';
import { STAND_LINK, startStandLink } from './standLink.ts';
import { StandRecords } from './standRecords.ts';

@Module({
  imports: [CraftModule, RackModule, RecordingModule, StandModule],
  controllers: [DrivenStandsController, FeedController, LiveController],
  providers: [
    DrivenStands,
    FeedService,
    LiveService,
    LiveSubjectService,
    LiveRepository,
    StandRecords,
    OldSamples,
    OldSamplesRepository,
    StandDevice,
    StandFindings,
    { provide: STAND_LINK, useFactory: () => startStandLink() },
  ],
})
export class LiveModule {}

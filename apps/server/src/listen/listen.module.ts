import { Module } from '@nestjs/common';
import { CraftModule } from '../craft/craft.module.ts';
import { RackModule } from '../rack/rack.module.ts';
import { ListenController } from './listen.controller.ts';
import { ListeningRepository, SoundTakeRepository, SoundVoteRepository } from './listen.repository.ts';
import { ListenService } from './listen.service.ts';
import { ListenStop } from './listen.stop.ts';
import { PredictedSounds } from './predictedSounds.service.ts';

@Module({
  imports: [CraftModule, RackModule],
  controllers: [ListenController],
  providers: [
    ListenService,
    PredictedSounds,
    ListenStop,
    ListeningRepository,
    SoundTakeRepository,
    SoundVoteRepository,
  ],
  exports: [ListenService],
})
export class ListenModule {}

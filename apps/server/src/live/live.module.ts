import { Module } from '@nestjs/common';
import { CraftModule } from '../craft/craft.module.ts';
import { PropModelModule } from '../propModel/propModel.module.ts';
import { StandModule } from '../stand/stand.module.ts';
import { LiveController } from './live.controller.ts';
import { LiveRepository } from './live.repository.ts';
import { LiveService } from './live.service.ts';
import { STAND_LINK, startStandLink } from './standLink.ts';

@Module({
  imports: [CraftModule, PropModelModule, StandModule],
  controllers: [LiveController],
  providers: [LiveService, LiveRepository, { provide: STAND_LINK, useFactory: startStandLink }],
})
export class LiveModule {}

import { Module } from '@nestjs/common';
import { CareModule } from '../care/care.module.ts';
import { CraftModule } from '../craft/craft.module.ts';
import { RackModule } from '../rack/rack.module.ts';
import { StandModule } from '../stand/stand.module.ts';
import { FlyController } from './fly.controller.ts';
import { FlightCardRepository, FlightProtocolRepository } from './fly.repository.ts';
import { FlyService } from './fly.service.ts';
import { FlyStop } from './fly.stop.ts';
import { StaticFigures } from './staticFigures.service.ts';

@Module({
  imports: [CareModule, CraftModule, RackModule, StandModule],
  controllers: [FlyController],
  providers: [FlyService, StaticFigures, FlyStop, FlightCardRepository, FlightProtocolRepository],
  exports: [FlyService],
})
export class FlyModule {}

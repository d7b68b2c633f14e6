import { Module } from '@nestjs/common';
import { CraftModule } from '../craft/craft.module.ts';
import { RackModule } from '../rack/rack.module.ts';
import { RigController, BalanceJobController } from './balance.controller.ts';
import { RigRepository, BalanceJobRepository } from './balance.repository.ts';
import { BalanceStop } from './balance.stop.ts';
import { RigService } from './rig.service.ts';
import { TraysService } from './trays.service.ts';
import { BalanceJobService } from './balanceJob.service.ts';
import { BalanceJobViews } from './balanceJobViews.service.ts';

@Module({
  imports: [CraftModule, RackModule],
  controllers: [RigController, BalanceJobController],
  providers: [
    RigService,
    BalanceJobService,
    BalanceJobViews,
    TraysService,
    BalanceStop,
    RigRepository,
    BalanceJobRepository,
  ],
})
export class BalanceModule {}

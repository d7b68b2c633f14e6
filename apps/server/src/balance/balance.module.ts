import { Module } from '@nestjs/common';
import { CraftModule } from '../craft/craft.module.ts';
import { RackModule } from '../rack/rack.module.ts';
import { RigController, TrueUpController } from './balance.controller.ts';
import { RigRepository, TrueUpRepository } from './balance.repository.ts';
import { BalanceStop } from './balance.stop.ts';
import { RigService } from './rig.service.ts';
import { TraysService } from './trays.service.ts';
import { TrueUpService } from './trueUp.service.ts';
import { TrueUpViews } from './trueUpViews.service.ts';

@Module({ imports: [CraftModule, RackModule], controllers: [RigController, TrueUpController], providers: [RigService, TrueUpService, TrueUpViews, TraysService, BalanceStop, RigRepository, TrueUpRepository] })
export class BalanceModule {}

import { Module } from '@nestjs/common';
import { CraftModule } from '../craft/craft.module.ts';
import { PieceModule } from '../piece/piece.module.ts';
import { PropModelModule } from '../propModel/propModel.module.ts';
import { RigController, TrueUpController } from './balance.controller.ts';
import { RigRepository, TrueUpRepository } from './balance.repository.ts';
import { BalanceService } from './balance.service.ts';

@Module({ imports: [CraftModule, PieceModule, PropModelModule], controllers: [RigController, TrueUpController], providers: [BalanceService, RigRepository, TrueUpRepository] })
export class BalanceModule {}

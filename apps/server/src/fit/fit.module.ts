import { Module } from '@nestjs/common';
import { CareModule } from '../care/care.module.ts';
import { CraftModule } from '../craft/craft.module.ts';
import { PieceModule } from '../piece/piece.module.ts';
import { PropModelModule } from '../propModel/propModel.module.ts';
import { FitController } from './fit.controller.ts';
import { FittingRepository } from './fit.repository.ts';
import { FitService } from './fit.service.ts';

@Module({ imports: [CareModule, CraftModule, PieceModule, PropModelModule], controllers: [FitController], providers: [FitService, FittingRepository] })
export class FitModule {}

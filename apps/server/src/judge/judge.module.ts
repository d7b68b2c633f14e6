import { Module } from '@nestjs/common';
import { CraftModule } from '../craft/craft.module.ts';
import { FlyModule } from '../fly/fly.module.ts';
import { ListenModule } from '../listen/listen.module.ts';
import { RackModule } from '../rack/rack.module.ts';
import { StandModule } from '../stand/stand.module.ts';
import { JudgeController } from './judge.controller.ts';
import { FrozenVerdictRepository, JudgeWishesRepository } from './judge.repository.ts';
import { JudgeService } from './judge.service.ts';
import { JudgeDue } from './judge.due.ts';
import { JudgeStop } from './judge.stop.ts';
import { JudgedEvidence } from './judgedEvidence.service.ts';
import { PredictedEvidence } from './predictedEvidence.service.ts';

/** Props of a craft held against each other by all that is known of them, and what was decided. */
@Module({
  imports: [CraftModule, FlyModule, ListenModule, RackModule, StandModule],
  controllers: [JudgeController],
  providers: [
    JudgeService,
    JudgedEvidence,
    PredictedEvidence,
    JudgeStop,
    JudgeDue,
    JudgeWishesRepository,
    FrozenVerdictRepository,
  ],
})
export class JudgeModule {}

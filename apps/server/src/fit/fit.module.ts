import './fit.facts.ts';
import { Global, Module } from '@nestjs/common';
import { CraftModule } from '../craft/craft.module.ts';
import { RackModule } from '../rack/rack.module.ts';
import { ArrangementSource } from '../ready/sources.ts';
import { FitController } from './fit.controller.ts';
import { FittingRepository } from './fit.repository.ts';
import { FitService } from './fit.service.ts';
import { FitStop } from './fit.stop.ts';
import { FitFactsRepository } from './fitFacts.repository.ts';
import { FitMoves } from './fitMoves.service.ts';
import { FitStates } from './fitStates.service.ts';
import { FittingStore } from './fittingStore.service.ts';

/** Spins, hands and signatures; it answers for arrangements wherever they are asked for. */
@Global()
@Module({
  imports: [CraftModule, RackModule],
  controllers: [FitController],
  providers: [
    FitService,
    FitMoves,
    FitStates,
    FitStop,
    FittingStore,
    FittingRepository,
    FitFactsRepository,
    { provide: ArrangementSource, useExisting: FitStates },
  ],
  exports: [ArrangementSource],
})
export class FitModule {}

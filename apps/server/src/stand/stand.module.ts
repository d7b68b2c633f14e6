import './stand.facts.ts';
import { Module } from '@nestjs/common';
import { CraftModule } from '../craft/craft.module.ts';
import { RackModule } from '../rack/rack.module.ts';
import { RecordingModule } from '../recording/recording.module.ts';
import { CalibrationController } from './calibration.controller.ts';
import { CalibrationService } from './calibration.service.ts';
import { CampaignController } from './campaign.controller.ts';
import { CampaignInputs } from './campaignInputs.service.ts';
import { ImportRecipeController } from './importRecipe.controller.ts';
import { ImportRecipeRepository } from './importRecipe.repository.ts';
import { CampaignRepository } from './campaign.repository.ts';
import { CampaignService } from './campaign.service.ts';
import { InstrumentController } from './instrument.controller.ts';
import { InstrumentCheckRepository } from './instrument.repository.ts';
import { InstrumentService } from './instrument.service.ts';
import { ModelRunsController } from './modelRuns.controller.ts';
import { PackServiceController } from './packService.controller.ts';
import { PlanController } from './plan.controller.ts';
import { PlanRepository } from './plan.repository.ts';
import { PlanService } from './plan.service.ts';
import { RunController } from './run.controller.ts';
import { RunRepository } from './run.repository.ts';
import { RunService } from './run.service.ts';
import { SampleImportController } from './sampleImport.controller.ts';
import { SampleImports } from './sampleImport.service.ts';
import { StandProjector } from './stand.projector.ts';
import { StandDue } from './standDue.repository.ts';
import { StandStop } from './stand.stop.ts';
import { StandRigs } from './standRigs.ts';
import { StandFactRepository } from './standFact.repository.ts';

@Module({
  imports: [CraftModule, RackModule, RecordingModule],
  controllers: [
    CalibrationController,
    CampaignController,
    ImportRecipeController,
    InstrumentController,
    RunController,
    PackServiceController,
    ModelRunsController,
    PlanController,
    SampleImportController,
  ],
  providers: [
    CalibrationService,
    CampaignInputs,
    CampaignService,
    CampaignRepository,
    InstrumentCheckRepository,
    InstrumentService,
    ImportRecipeRepository,
    PlanRepository,
    PlanService,
    RunService,
    RunRepository,
    SampleImports,
    StandFactRepository,
    StandProjector,
    StandRigs,
    StandStop,
    StandDue,
  ],
  exports: [
    CalibrationService,
    StandRigs,
    StandFactRepository,
    CampaignRepository,
    CampaignInputs,
    CampaignService,
    RunRepository,
    RunService,
  ],
})
export class StandModule {}

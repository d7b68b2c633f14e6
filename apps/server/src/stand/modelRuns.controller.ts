import { Controller, Get, Param } from '@nestjs/common';
import type { ModelRunView, ListView } from '@zivvo/contract';
import { IdPipe } from '../common/idPipe.ts';
import { RunService } from './run.service.ts';

@Controller('prop-models')
export class ModelRunsController {
  constructor(private readonly runs: RunService) {}

  /** The stand runs of a prop model, the newest first. */
  @Get(':id/runs')
  runsOf(@Param('id', IdPipe) id: string): Promise<ListView<ModelRunView>> {
    return this.runs.ofModel(id);
  }
}

import { Body, Controller, Delete, Get, Header, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import {
  CreateCampaignDto,
  CreateRunDto,
  ImportRunsDto,
  UpdateCampaignDto,
  type CampaignDetailView,
  type CampaignExportView,
  type CampaignListView,
  type CampaignMatrixView,
  type CampaignResultsView,
  type RunView,
} from '@zivvo/contract';
import type { Working } from '@zivvo/core';
import { IdPipe, OptionalIdPipe } from '../common/idPipe.ts';
import { NumberPipe } from '../common/numberPipe.ts';
import { CampaignService } from './campaign.service.ts';
import { RunService } from './run.service.ts';

const throttlePipe = new NumberPipe({ min: 0.01, max: 1 }, 0.6);

@Controller('campaigns')
export class CampaignController {
  constructor(
    private readonly campaigns: CampaignService,
    private readonly runs: RunService,
  ) {}

  @Get()
  list(@Query('craftId', OptionalIdPipe) craftId: string | null): Promise<CampaignListView> {
    return this.campaigns.list(craftId);
  }

  @Get(':id')
  find(@Param('id', IdPipe) id: string): Promise<CampaignDetailView> {
    return this.campaigns.find(id);
  }

  @Get(':id/results')
  results(
    @Param('id', IdPipe) id: string,
    @Query('throttleRatio', throttlePipe) throttleRatio: number,
    @Query('kitId', OptionalIdPipe) kitId: string | null,
  ): Promise<CampaignResultsView> {
    return this.campaigns.results(id, throttleRatio, kitId);
  }

  /** Every prop on every motor and pack that it was run on. */
  @Get(':id/matrix')
  matrix(
    @Param('id', IdPipe) id: string,
    @Query('throttleRatio', throttlePipe) throttleRatio: number,
  ): Promise<CampaignMatrixView> {
    return this.campaigns.matrix(id, throttleRatio);
  }

  @Get(':id/working')
  working(
    @Param('id', IdPipe) id: string,
    @Query('throttleRatio', throttlePipe) throttleRatio: number,
    @Query('key') key: string,
    @Query('kitId', OptionalIdPipe) kitId: string | null,
  ): Promise<Working> {
    return this.campaigns.working(id, throttleRatio, String(key), kitId);
  }

  /** Every kept run of an evening as a file: SI, with air, gate, protocol, rigs and checks. */
  @Get(':id/export')
  @Header('Content-Disposition', 'attachment; filename="evening.json"')
  export(@Param('id', IdPipe) id: string): Promise<CampaignExportView> {
    return this.campaigns.export(id);
  }

  @Post()
  create(@Body() dto: CreateCampaignDto): Promise<CampaignDetailView> {
    return this.campaigns.create(dto);
  }

  @Put(':id')
  update(@Param('id', IdPipe) id: string, @Body() dto: UpdateCampaignDto): Promise<CampaignDetailView> {
    return this.campaigns.update(id, dto);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', IdPipe) id: string): Promise<void> {
    return this.campaigns.remove(id);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id', IdPipe) id: string): Promise<CampaignDetailView> {
    return this.campaigns.restore(id);
  }

  /** Starts a run as a draft. */
  @Post(':id/runs')
  createRun(@Param('id', IdPipe) id: string, @Body() dto: CreateRunDto): Promise<RunView> {
    return this.runs.create(id, dto);
  }

  /** Keeps the runs of one file or paste, all or none. */
  @Post(':id/imports')
  importRuns(@Param('id', IdPipe) id: string, @Body() dto: ImportRunsDto): Promise<CampaignDetailView> {
    return this.runs.importAll(id, dto);
  }
}

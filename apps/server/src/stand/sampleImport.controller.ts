import { Body, Controller, Delete, HttpCode, Param, Post, Query, Req } from '@nestjs/common';
import {
  BeginSamplesDto,
  ImportRunsDto,
  SAMPLE_ROW_MAX_COUNT,
  type CampaignDetailView,
  type SamplesView,
} from '@zivvo/contract';
import type { Request } from 'express';
import { IdPipe } from '../common/idPipe.ts';
import { NumberPipe } from '../common/numberPipe.ts';
import { SampleImports } from './sampleImport.service.ts';

const firstPipe = new NumberPipe({ min: 0, max: SAMPLE_ROW_MAX_COUNT }, 0);

@Controller('sample-imports')
export class SampleImportController {
  constructor(private readonly imports: SampleImports) {}

  @Post()
  begin(@Body() dto: BeginSamplesDto): Promise<SamplesView> {
    return this.imports.begin(dto);
  }

  /** Takes the next samples as `application/octet-stream`. */
  @Post(':id/samples')
  @HttpCode(200)
  take(
    @Param('id', IdPipe) id: string,
    @Query('first', firstPipe) first: number,
    @Req() request: Request,
  ): Promise<SamplesView> {
    return this.imports.take(id, Math.floor(first), request.body);
  }

  @Post(':id/keep')
  @HttpCode(200)
  keep(@Param('id', IdPipe) id: string, @Body() dto: ImportRunsDto): Promise<CampaignDetailView> {
    return this.imports.keep(id, dto);
  }

  @Delete(':id')
  @HttpCode(204)
  giveUp(@Param('id', IdPipe) id: string): Promise<void> {
    return this.imports.giveUp(id);
  }
}

import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { AttachBlobDto, KeepRunDto, SaveDraftDto, type KeptView, type RunView } from '@zivvo/contract';
import { IdPipe } from '../common/idPipe.ts';
import { RunService } from './run.service.ts';

@Controller('runs')
export class RunController {
  constructor(private readonly runs: RunService) {}

  @Get(':id')
  find(@Param('id', IdPipe) id: string): Promise<RunView> {
    return this.runs.find(id);
  }

  /** Saves the typing grid as it stands, unread cells and all. */
  @Put(':id/draft')
  saveDraft(@Param('id', IdPipe) id: string, @Body() dto: SaveDraftDto): Promise<KeptView> {
    return this.runs.saveDraft(id, dto);
  }

  @Post(':id/keep')
  @HttpCode(200)
  keep(@Param('id', IdPipe) id: string, @Body() dto: KeepRunDto): Promise<RunView> {
    return this.runs.keep(id, dto);
  }

  @Post(':id/pictures')
  @HttpCode(200)
  attachPicture(@Param('id', IdPipe) id: string, @Body() { blobSha256 }: AttachBlobDto): Promise<RunView> {
    return this.runs.attachPicture(id, blobSha256);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', IdPipe) id: string): Promise<void> {
    return this.runs.remove(id);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id', IdPipe) id: string): Promise<RunView> {
    return this.runs.restore(id);
  }
}

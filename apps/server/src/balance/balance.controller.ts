import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import {
  CreateRigDto,
  CreateBalanceJobDto,
  FinishBalanceJobDto,
  UpdateRigDto,
  UpdateBalanceJobDto,
  type RigView,
  type TraysView,
  type BalanceJobView,
  type ListView,
} from '@zivvo/contract';
import { IdPipe, OptionalIdPipe } from '../common/idPipe.ts';
import { RigService } from './rig.service.ts';
import { TraysService } from './trays.service.ts';
import { BalanceJobService } from './balanceJob.service.ts';

@Controller('rigs')
export class RigController {
  constructor(private readonly rigs: RigService) {}

  @Get()
  list(): Promise<ListView<RigView>> {
    return this.rigs.list();
  }

  @Post()
  create(@Body() dto: CreateRigDto): Promise<RigView> {
    return this.rigs.add(dto);
  }

  @Put(':id')
  update(@Param('id', IdPipe) id: string, @Body() dto: UpdateRigDto): Promise<RigView> {
    return this.rigs.change(id, dto);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', IdPipe) id: string): Promise<void> {
    return this.rigs.remove(id);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id', IdPipe) id: string): Promise<RigView> {
    return this.rigs.restore(id);
  }
}

@Controller('balance-jobs')
export class BalanceJobController {
  constructor(
    private readonly balanceJobs: BalanceJobService,
    private readonly tray: TraysService,
  ) {}

  /**
   * Pieces by what is to be done about their balance: of the prop in hand, else of what the craft in hand flies, else
   * all.
   */
  @Get('trays')
  trays(
    @Query('craftId', OptionalIdPipe) craftId: string | null,
    @Query('propModelId', OptionalIdPipe) propModelId: string | null,
  ): Promise<TraysView> {
    return this.tray.find(craftId, propModelId);
  }

  @Get('of-piece/:pieceId')
  ofPiece(@Param('pieceId', IdPipe) pieceId: string): Promise<ListView<BalanceJobView>> {
    return this.balanceJobs.ofPiece(pieceId);
  }

  @Get(':id')
  find(@Param('id', IdPipe) id: string): Promise<BalanceJobView> {
    return this.balanceJobs.find(id);
  }

  @Post()
  start(@Body() dto: CreateBalanceJobDto): Promise<BalanceJobView> {
    return this.balanceJobs.start(dto);
  }

  @Put(':id')
  change(@Param('id', IdPipe) id: string, @Body() dto: UpdateBalanceJobDto): Promise<BalanceJobView> {
    return this.balanceJobs.change(id, dto);
  }

  /** Ends the job: balanced, or sent back. */
  @Post(':id/finish')
  @HttpCode(200)
  finish(@Param('id', IdPipe) id: string, @Body() dto: FinishBalanceJobDto): Promise<BalanceJobView> {
    return this.balanceJobs.finish(id, dto);
  }
}

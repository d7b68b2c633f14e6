import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import { CreateRigDto, CreateTrueUpDto, FinishTrueUpDto, UpdateRigDto, UpdateTrueUpDto, type RigView, type TraysView, type TrueUpView } from '@zivvo/contract';
import { IdPipe, OptionalIdPipe } from '../common/idPipe.ts';
import { BalanceService } from './balance.service.ts';

@Controller('rigs')
export class RigController {
  constructor(private readonly balance: BalanceService) {}

  @Get()
  list(): Promise<RigView[]> {
    return this.balance.listRigs();
  }

  @Post()
  create(@Body() dto: CreateRigDto): Promise<RigView> {
    return this.balance.addRig(dto);
  }

  @Put(':id')
  update(@Param('id', IdPipe) id: string, @Body() dto: UpdateRigDto): Promise<RigView> {
    return this.balance.changeRig(id, dto);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', IdPipe) id: string): Promise<void> {
    return this.balance.removeRig(id);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id', IdPipe) id: string): Promise<RigView> {
    return this.balance.restoreRig(id);
  }
}

@Controller('true-ups')
export class TrueUpController {
  constructor(private readonly balance: BalanceService) {}

  /** Pieces by what is to be done about their balance: of the prop in hand, else of what the craft in hand flies, else all. */
  @Get('trays')
  trays(@Query('craftId', OptionalIdPipe) craftId: string | null, @Query('propModelId', OptionalIdPipe) propModelId: string | null): Promise<TraysView> {
    return this.balance.trays(craftId, propModelId);
  }

  @Get('of-piece/:pieceId')
  ofPiece(@Param('pieceId', IdPipe) pieceId: string): Promise<TrueUpView[]> {
    return this.balance.ofPiece(pieceId);
  }

  @Get(':id')
  find(@Param('id', IdPipe) id: string): Promise<TrueUpView> {
    return this.balance.find(id);
  }

  @Post()
  start(@Body() dto: CreateTrueUpDto): Promise<TrueUpView> {
    return this.balance.start(dto);
  }

  @Put(':id')
  change(@Param('id', IdPipe) id: string, @Body() dto: UpdateTrueUpDto): Promise<TrueUpView> {
    return this.balance.change(id, dto);
  }

  /** Ends the job: trued, or sent back. */
  @Post(':id/finish')
  @HttpCode(200)
  finish(@Param('id', IdPipe) id: string, @Body() dto: FinishTrueUpDto): Promise<TrueUpView> {
    return this.balance.finish(id, dto);
  }
}

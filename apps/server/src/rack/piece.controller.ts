import { Body, Controller, Delete, Get, Header, HttpCode, Param, Post, Put, Query, Res } from '@nestjs/common';
import {
  BulkPieceActionDto,
  CreateBatchDto,
  CreatePieceSetDto,
  UpdatePieceDto,
  MeasurePieceDto,
  PieceActionDto,
  PieceQueryDto,
  UpdatePieceSetDto,
  type AvailableView,
  type BatchDetailView,
  type BatchView,
  type PieceDetailView,
  type PieceListView,
  type PieceSetView,
  type PieceView,
  type YieldView,
  type ListView,
} from '@zivvo/contract';
import type { Response } from 'express';
import { IdPipe, OptionalIdPipe } from '../common/idPipe.ts';
import { BatchService } from './batch.service.ts';
import { PieceService } from './piece.service.ts';
import { SetService } from './set.service.ts';
import { StickerService } from './sticker.service.ts';
import { YieldService } from './yield.service.ts';

@Controller('pieces')
export class PieceController {
  constructor(
    private readonly pieces: PieceService,
    private readonly turnout: YieldService,
  ) {}

  @Get()
  list(@Query() query: PieceQueryDto): Promise<PieceListView> {
    return this.pieces.list(query);
  }

  /** How many of each model and maker turned out usable. */
  @Get('yield')
  yields(): Promise<YieldView> {
    return this.turnout.find();
  }

  /** What could be fitted now, by model and hand. */
  @Get('available')
  available(): Promise<AvailableView[]> {
    return this.pieces.available();
  }

  @Get(':id')
  find(@Param('id', IdPipe) id: string): Promise<PieceDetailView> {
    return this.pieces.find(id);
  }

  @Put(':id/measures')
  measure(@Param('id', IdPipe) id: string, @Body() dto: MeasurePieceDto): Promise<PieceDetailView> {
    return this.pieces.measure(id, dto);
  }

  @Put(':id')
  describe(@Param('id', IdPipe) id: string, @Body() dto: UpdatePieceDto): Promise<PieceDetailView> {
    return this.pieces.describe(id, dto);
  }

  @Post('actions')
  @HttpCode(200)
  actOnMany(@Body() dto: BulkPieceActionDto): Promise<PieceView[]> {
    return this.pieces.actOnMany(dto);
  }

  @Post(':id/actions')
  @HttpCode(200)
  act(@Param('id', IdPipe) id: string, @Body() dto: PieceActionDto): Promise<PieceDetailView> {
    return this.pieces.act(id, dto);
  }
}

@Controller('batches')
export class BatchController {
  constructor(private readonly batches: BatchService) {}

  @Get()
  list(): Promise<ListView<BatchView>> {
    return this.batches.list();
  }

  @Get(':id')
  find(@Param('id', IdPipe) id: string): Promise<BatchDetailView> {
    return this.batches.find(id);
  }

  @Post()
  create(@Body() dto: CreateBatchDto): Promise<BatchDetailView> {
    return this.batches.add(dto);
  }
}

@Controller('sets')
export class SetController {
  constructor(private readonly sets: SetService) {}

  @Get()
  list(): Promise<ListView<PieceSetView>> {
    return this.sets.list();
  }

  @Get(':id')
  find(@Param('id', IdPipe) id: string): Promise<PieceSetView> {
    return this.sets.find(id);
  }

  @Post()
  create(@Body() dto: CreatePieceSetDto): Promise<PieceSetView> {
    return this.sets.create(dto);
  }

  @Put(':id')
  update(@Param('id', IdPipe) id: string, @Body() dto: UpdatePieceSetDto): Promise<PieceSetView> {
    return this.sets.update(id, dto);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', IdPipe) id: string): Promise<void> {
    return this.sets.remove(id);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id', IdPipe) id: string): Promise<PieceSetView> {
    return this.sets.restore(id);
  }
}

@Controller('stickers')
export class StickerController {
  constructor(private readonly stickers: StickerService) {}

  /** A4 sheet of stickers for pouches: those of a delivery, of a set, or of everything that is not retired. */
  @Get()
  @Header('Content-Type', 'application/pdf')
  @Header('Content-Disposition', 'inline; filename="stickers.pdf"')
  async sheet(
    @Query('batchId', OptionalIdPipe) batchId: string | null,
    @Query('setId', OptionalIdPipe) setId: string | null,
    @Res() response: Response,
  ): Promise<void> {
    response.end(await this.stickers.sheet({ batchId, setId }));
  }
}

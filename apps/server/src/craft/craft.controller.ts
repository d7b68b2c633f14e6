import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import {
  CraftUseDto,
  CreateCraftDto,
  UpdateCraftDto,
  type CraftLinesView,
  type CraftListView,
  type CraftView,
  type LineView,
} from '@zivvo/contract';
import type { Working } from '@zivvo/core';
import { IdPipe, OptionalIdPipe } from '../common/idPipe.ts';
import { CraftService } from './craft.service.ts';

@Controller('crafts')
export class CraftController {
  constructor(private readonly crafts: CraftService) {}

  @Get()
  list(): Promise<CraftListView> {
    return this.crafts.list();
  }

  /** Where the work stands, craft by craft: dearer than the list, which is asked for with every page. */
  @Get('lines')
  lines(): Promise<CraftLinesView> {
    return this.crafts.lines();
  }

  @Get(':id')
  find(@Param('id', IdPipe) id: string): Promise<CraftView> {
    return this.crafts.find(id);
  }

  /** Where the work on this craft stands, for the prop in hand. */
  @Get(':id/line')
  line(
    @Param('id', IdPipe) id: string,
    @Query('propModelId', OptionalIdPipe) propModelId: string | null,
  ): Promise<LineView> {
    return this.crafts.lineOf(id, propModelId);
  }

  /** How a figure of this craft follows from its entries. */
  @Get(':id/working')
  working(@Param('id', IdPipe) id: string, @Query('key') key: string): Promise<Working> {
    return this.crafts.working(id, String(key));
  }

  @Post()
  create(@Body() dto: CreateCraftDto): Promise<CraftView> {
    return this.crafts.create(dto);
  }

  @Put(':id')
  update(@Param('id', IdPipe) id: string, @Body() dto: UpdateCraftDto): Promise<CraftView> {
    return this.crafts.update(id, dto);
  }

  /** Writes down what the craft is flown for. */
  @Put(':id/use')
  setUse(@Param('id', IdPipe) id: string, @Body() dto: CraftUseDto): Promise<CraftView> {
    return this.crafts.setUse(id, dto);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', IdPipe) id: string): Promise<void> {
    return this.crafts.remove(id);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id', IdPipe) id: string): Promise<CraftView> {
    return this.crafts.restore(id);
  }
}

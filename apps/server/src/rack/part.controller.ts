import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import {
  CreateMotorPieceDto,
  CreatePackPieceDto,
  CreateSparePartDto,
  UpdateMotorPieceDto,
  UpdatePackPieceDto,
  UpdateSparePartDto,
  type MotorPieceView,
  type PackPieceView,
  type PartEventView,
  type SparePartView,
  type ListView,
} from '@zivvo/contract';
import { IdPipe } from '../common/idPipe.ts';
import { PartService } from './part.service.ts';

@Controller('motor-pieces')
export class MotorPieceController {
  constructor(private readonly parts: PartService) {}

  @Get()
  list(): Promise<ListView<MotorPieceView>> {
    return this.parts.listMotors();
  }

  @Get(':id/history')
  history(@Param('id', IdPipe) id: string): Promise<ListView<PartEventView>> {
    return this.parts.history(id);
  }

  @Post()
  create(@Body() dto: CreateMotorPieceDto): Promise<MotorPieceView> {
    return this.parts.addMotor(dto);
  }

  @Put(':id')
  update(@Param('id', IdPipe) id: string, @Body() dto: UpdateMotorPieceDto): Promise<MotorPieceView> {
    return this.parts.changeMotor(id, dto);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', IdPipe) id: string): Promise<void> {
    return this.parts.removeMotor(id);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id', IdPipe) id: string): Promise<MotorPieceView> {
    return this.parts.restoreMotor(id);
  }
}

@Controller('pack-pieces')
export class PackPieceController {
  constructor(private readonly parts: PartService) {}

  @Get()
  list(): Promise<ListView<PackPieceView>> {
    return this.parts.listPacks();
  }

  @Get(':id/history')
  history(@Param('id', IdPipe) id: string): Promise<ListView<PartEventView>> {
    return this.parts.history(id);
  }

  @Post()
  create(@Body() dto: CreatePackPieceDto): Promise<PackPieceView> {
    return this.parts.addPack(dto);
  }

  @Put(':id')
  update(@Param('id', IdPipe) id: string, @Body() dto: UpdatePackPieceDto): Promise<PackPieceView> {
    return this.parts.changePack(id, dto);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', IdPipe) id: string): Promise<void> {
    return this.parts.removePack(id);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id', IdPipe) id: string): Promise<PackPieceView> {
    return this.parts.restorePack(id);
  }
}

@Controller('spare-parts')
export class SparePartController {
  constructor(private readonly parts: PartService) {}

  @Get()
  list(): Promise<ListView<SparePartView>> {
    return this.parts.listSpares();
  }

  @Post()
  create(@Body() dto: CreateSparePartDto): Promise<SparePartView> {
    return this.parts.addSpare(dto);
  }

  @Put(':id')
  update(@Param('id', IdPipe) id: string, @Body() dto: UpdateSparePartDto): Promise<SparePartView> {
    return this.parts.changeSpare(id, dto);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', IdPipe) id: string): Promise<void> {
    return this.parts.removeSpare(id);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id', IdPipe) id: string): Promise<SparePartView> {
    return this.parts.restoreSpare(id);
  }
}

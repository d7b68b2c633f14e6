import { Body, Controller, Delete, Get, HttpCode, Param, Post } from '@nestjs/common';
import { CreatePackPieceDto, CreatePersonDto, ReadAirDto, type AirView, type HealthView, type PackPieceView, type PersonView } from '@zivvo/contract';
import { IdPipe } from '../common/idPipe.ts';
import { WorkshopService } from './workshop.service.ts';

@Controller()
export class WorkshopController {
  constructor(private readonly workshop: WorkshopService) {}

  @Get('health')
  health(): Promise<HealthView> {
    return this.workshop.health();
  }

  @Get('people')
  listPeople(): Promise<PersonView[]> {
    return this.workshop.listPeople();
  }

  @Post('people')
  addPerson(@Body() dto: CreatePersonDto): Promise<PersonView> {
    return this.workshop.addPerson(dto);
  }

  @Get('air')
  async air(): Promise<{ air: AirView | null }> {
    return { air: await this.workshop.currentAir() };
  }

  @Post('air')
  async readAir(@Body() dto: ReadAirDto): Promise<{ air: AirView | null }> {
    return { air: await this.workshop.readAir(dto) };
  }

  @Get('pack-pieces')
  listPacks(): Promise<PackPieceView[]> {
    return this.workshop.listPacks();
  }

  @Post('pack-pieces')
  addPack(@Body() dto: CreatePackPieceDto): Promise<PackPieceView> {
    return this.workshop.addPack(dto);
  }

  @Delete('pack-pieces/:id')
  @HttpCode(204)
  removePack(@Param('id', IdPipe) id: string): Promise<void> {
    return this.workshop.removePack(id);
  }

  @Post('pack-pieces/:id/restore')
  @HttpCode(200)
  restorePack(@Param('id', IdPipe) id: string): Promise<PackPieceView> {
    return this.workshop.restorePack(id);
  }
}

import { Body, Controller, Get, Post } from '@nestjs/common';
import {
  CreatePersonDto,
  ReadAirDto,
  type AirView,
  type HealthView,
  type PersonView,
  type ListView,
} from '@zivvo/contract';
import { WorkshopService } from './workshop.service.ts';

@Controller()
export class WorkshopController {
  constructor(private readonly workshop: WorkshopService) {}

  @Get('health')
  health(): Promise<HealthView> {
    return this.workshop.health();
  }

  @Get('people')
  listPeople(): Promise<ListView<PersonView>> {
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
}

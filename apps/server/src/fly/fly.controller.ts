import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put } from '@nestjs/common';
import { CreateFlightCardDto, FlightProtocolDto, type FlyView } from '@zivvo/contract';
import { IdPipe } from '../common/idPipe.ts';
import { FlyService } from './fly.service.ts';

@Controller('fly/:craftId')
export class FlyController {
  constructor(private readonly fly: FlyService) {}

  @Get()
  find(@Param('craftId', IdPipe) craftId: string): Promise<FlyView> {
    return this.fly.ofCraft(craftId);
  }

  @Post('cards')
  add(@Param('craftId', IdPipe) craftId: string, @Body() dto: CreateFlightCardDto): Promise<FlyView> {
    return this.fly.add(craftId, dto);
  }

  @Delete('cards/:id')
  @HttpCode(204)
  remove(@Param('craftId', IdPipe) craftId: string, @Param('id', IdPipe) id: string): Promise<void> {
    return this.fly.remove(craftId, id);
  }

  @Post('cards/:id/restore')
  @HttpCode(200)
  restore(@Param('craftId', IdPipe) craftId: string, @Param('id', IdPipe) id: string): Promise<FlyView> {
    return this.fly.restore(craftId, id);
  }

  @Put('protocol')
  setProtocol(@Param('craftId', IdPipe) craftId: string, @Body() dto: FlightProtocolDto): Promise<FlyView> {
    return this.fly.setProtocol(craftId, dto);
  }
}

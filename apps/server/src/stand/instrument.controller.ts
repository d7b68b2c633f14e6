import { Body, Controller, Delete, Get, HttpCode, Param, Post } from '@nestjs/common';
import { CreateInstrumentCheckDto, type InstrumentsView } from '@zivvo/contract';
import { IdPipe } from '../common/idPipe.ts';
import { InstrumentService } from './instrument.service.ts';

@Controller('instruments')
export class InstrumentController {
  constructor(private readonly instruments: InstrumentService) {}

  @Get()
  all(): Promise<InstrumentsView> {
    return this.instruments.all();
  }

  @Post('checks')
  add(@Body() dto: CreateInstrumentCheckDto): Promise<InstrumentsView> {
    return this.instruments.add(dto);
  }

  @Delete('checks/:id')
  @HttpCode(204)
  remove(@Param('id', IdPipe) id: string): Promise<void> {
    return this.instruments.remove(id);
  }

  @Post('checks/:id/restore')
  @HttpCode(200)
  restore(@Param('id', IdPipe) id: string): Promise<InstrumentsView> {
    return this.instruments.restore(id);
  }
}

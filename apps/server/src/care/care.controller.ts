import { Body, Controller, Delete, Get, HttpCode, Param, Post, Put, Query } from '@nestjs/common';
import {
  CareSettingDto,
  CreateFlightDto,
  CreateGainSheetDto,
  CreateJobTicketDto,
  CreateModelAlertDto,
  CreateWalkaroundDto,
  DrillAnswerDto,
  ReleaseAlertDto,
  StrikeDto,
  SymptomCaseDto,
  UpdateGainSheetDto,
  UpdateJobTicketDto,
  type CareView,
  type DrillScoreView,
  type GainSheetView,
  type JobTicketView,
  type LogView,
  type ModelAlertView,
  type RotationView,
  type SymptomCaseView,
  type SymptomStartView,
  type WalkaroundView,
  type ListView,
} from '@zivvo/contract';
import { IdPipe, OptionalIdPipe } from '../common/idPipe.ts';
import { MomentPipe } from '../common/momentPipe.ts';
import { AlertService } from './alert.service.ts';
import { CareService } from './care.service.ts';
import { FlightService } from './flight.service.ts';
import { GainService } from './gain.service.ts';
import { MaintenanceLogService } from './maintenanceLog.service.ts';
import { PracticeService } from './practice.service.ts';
import { RotationService } from './rotation.service.ts';
import { StrikeService } from './strike.service.ts';
import { SymptomService } from './symptom.service.ts';
import { TicketService } from './ticket.service.ts';
import { WalkService } from './walk.service.ts';

@Controller('care/:craftId')
export class CareController {
  constructor(
    private readonly care: CareService,
    private readonly walks: WalkService,
    private readonly flights: FlightService,
    private readonly strikes: StrikeService,
    private readonly symptoms: SymptomService,
    private readonly log: MaintenanceLogService,
    private readonly rotation: RotationService,
  ) {}

  @Get()
  find(@Param('craftId', IdPipe) craftId: string): Promise<CareView> {
    return this.care.find(craftId);
  }

  @Get('rotation')
  turns(@Param('craftId', IdPipe) craftId: string): Promise<RotationView> {
    return this.rotation.ofCraft(craftId);
  }

  @Put('setting')
  set(@Param('craftId', IdPipe) craftId: string, @Body() dto: CareSettingDto): Promise<CareView> {
    return this.care.set(craftId, dto);
  }

  @Post('walkarounds')
  walkRound(@Param('craftId', IdPipe) craftId: string, @Body() dto: CreateWalkaroundDto): Promise<WalkaroundView> {
    return this.walks.walkRound(craftId, dto);
  }

  /** A piece that was to be cleaned or dressed has been. */
  @Post('pieces/:pieceId/mended')
  @HttpCode(200)
  async mend(@Param('craftId', IdPipe) craftId: string, @Param('pieceId', IdPipe) pieceId: string): Promise<CareView> {
    await this.walks.mend(craftId, pieceId);
    return this.care.find(craftId);
  }

  @Post('flights')
  async fly(@Param('craftId', IdPipe) craftId: string, @Body() dto: CreateFlightDto): Promise<CareView> {
    await this.flights.add(craftId, dto);
    return this.care.find(craftId);
  }

  @Delete('flights/:id')
  @HttpCode(204)
  removeFlight(@Param('craftId', IdPipe) craftId: string, @Param('id', IdPipe) id: string): Promise<void> {
    return this.flights.remove(craftId, id);
  }

  @Post('flights/:id/restore')
  @HttpCode(200)
  async restoreFlight(@Param('craftId', IdPipe) craftId: string, @Param('id', IdPipe) id: string): Promise<CareView> {
    await this.flights.restore(craftId, id);
    return this.care.find(craftId);
  }

  @Post('strikes')
  async strike(@Param('craftId', IdPipe) craftId: string, @Body() dto: StrikeDto): Promise<CareView> {
    await this.strikes.add(craftId, dto);
    return this.care.find(craftId);
  }

  /** What the record says before anybody answers a question. */
  @Get('symptoms')
  startSymptoms(@Param('craftId', IdPipe) craftId: string): Promise<SymptomStartView> {
    return this.symptoms.start(craftId);
  }

  @Put('symptoms/:id')
  saveSymptoms(
    @Param('craftId', IdPipe) craftId: string,
    @Param('id', IdPipe) id: string,
    @Body() dto: SymptomCaseDto,
  ): Promise<SymptomCaseView> {
    return this.symptoms.save(craftId, id, dto);
  }

  @Delete('symptoms/:id')
  @HttpCode(204)
  dropSymptoms(@Param('id', IdPipe) id: string): Promise<void> {
    return this.symptoms.drop(id);
  }

  @Get('log')
  readLog(
    @Param('craftId', IdPipe) craftId: string,
    @Query('from', MomentPipe) from: Date,
    @Query('to', MomentPipe) to: Date,
  ): Promise<LogView> {
    return this.log.ofCraft(craftId, from, to);
  }
}

@Controller('model-alerts')
export class ModelAlertController {
  constructor(private readonly alerts: AlertService) {}

  @Get()
  list(): Promise<ListView<ModelAlertView>> {
    return this.alerts.list();
  }

  @Post()
  raise(@Body() dto: CreateModelAlertDto): Promise<ModelAlertView> {
    return this.alerts.raise(dto);
  }

  @Post(':id/release')
  @HttpCode(200)
  release(@Param('id', IdPipe) id: string, @Body() dto: ReleaseAlertDto): Promise<ModelAlertView> {
    return this.alerts.release(id, dto);
  }
}

@Controller('gain-sheets')
export class GainSheetController {
  constructor(private readonly gains: GainService) {}

  @Get('of-craft/:craftId')
  list(@Param('craftId', IdPipe) craftId: string): Promise<ListView<GainSheetView>> {
    return this.gains.list(craftId);
  }

  @Post()
  open(@Body() dto: CreateGainSheetDto): Promise<GainSheetView> {
    return this.gains.open(dto);
  }

  @Put(':id')
  change(@Param('id', IdPipe) id: string, @Body() dto: UpdateGainSheetDto): Promise<GainSheetView> {
    return this.gains.change(id, dto);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', IdPipe) id: string): Promise<void> {
    return this.gains.remove(id);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id', IdPipe) id: string): Promise<GainSheetView> {
    return this.gains.restore(id);
  }
}

@Controller('job-tickets')
export class JobTicketController {
  constructor(private readonly tickets: TicketService) {}

  @Get()
  list(@Query('craftId', OptionalIdPipe) craftId: string | null): Promise<ListView<JobTicketView>> {
    return this.tickets.list(craftId);
  }

  @Get(':id')
  find(@Param('id', IdPipe) id: string): Promise<JobTicketView> {
    return this.tickets.find(id);
  }

  @Post()
  open(@Body() dto: CreateJobTicketDto): Promise<JobTicketView> {
    return this.tickets.open(dto);
  }

  @Put(':id')
  change(@Param('id', IdPipe) id: string, @Body() dto: UpdateJobTicketDto): Promise<JobTicketView> {
    return this.tickets.change(id, dto);
  }

  @Delete(':id')
  @HttpCode(204)
  remove(@Param('id', IdPipe) id: string): Promise<void> {
    return this.tickets.remove(id);
  }

  @Post(':id/restore')
  @HttpCode(200)
  restore(@Param('id', IdPipe) id: string): Promise<JobTicketView> {
    return this.tickets.restore(id);
  }
}

@Controller('drills')
export class DrillController {
  constructor(private readonly practice: PracticeService) {}

  @Get('scores')
  scores(): Promise<DrillScoreView[]> {
    return this.practice.scores();
  }

  @Post('answers')
  answer(@Body() dto: DrillAnswerDto): Promise<DrillScoreView[]> {
    return this.practice.answer(dto);
  }
}

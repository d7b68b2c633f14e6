import './care.facts.ts';
import { Global, Module } from '@nestjs/common';
import { CraftModule } from '../craft/craft.module.ts';
import { PieceJudge } from '../rack/pieceJudge.ts';
import { RackModule } from '../rack/rack.module.ts';
import { CareDue } from './care.due.ts';
import { CareSource } from '../ready/sources.ts';
import { StandModule } from '../stand/stand.module.ts';
import { WorkshopModule } from '../workshop/workshop.module.ts';
import { AlertService } from './alert.service.ts';
import {
  CareController,
  DrillController,
  GainSheetController,
  JobTicketController,
  ModelAlertController,
} from './care.controller.ts';
import {
  AlertRepository,
  DrillRepository,
  FlightRepository,
  GainSheetRepository,
  LogRepository,
  SettingRepository,
  StrikeRepository,
  SymptomCaseRepository,
  TicketRepository,
  WalkaroundRepository,
} from './care.repository.ts';
import { CareService } from './care.service.ts';
import { CareFactsRepository } from './careFacts.repository.ts';
import { CareFacts } from './careFacts.service.ts';
import { CareHistory } from './careHistory.service.ts';
import { Conditions } from './conditions.service.ts';
import { FlightService } from './flight.service.ts';
import { FlightWear } from './flightWear.service.ts';
import { GainService } from './gain.service.ts';
import { HoverPlants } from './hoverPlants.service.ts';
import { LookJudge } from './lookJudge.service.ts';
import { MaintenanceLogService } from './maintenanceLog.service.ts';
import { OutlookService } from './outlook.service.ts';
import { PackUse } from './packUse.service.ts';
import { PieceLives } from './pieceLives.service.ts';
import { PracticeService } from './practice.service.ts';
import { RotationService } from './rotation.service.ts';
import { StrikeService } from './strike.service.ts';
import { SymptomService } from './symptom.service.ts';
import { SymptomRecord } from './symptomRecord.service.ts';
import { TicketService } from './ticket.service.ts';
import { WalkService } from './walk.service.ts';

const repositories = [
  SettingRepository,
  WalkaroundRepository,
  FlightRepository,
  StrikeRepository,
  AlertRepository,
  GainSheetRepository,
  TicketRepository,
  SymptomCaseRepository,
  DrillRepository,
  LogRepository,
  CareFactsRepository,
];
const services = [
  CareService,
  CareHistory,
  OutlookService,
  WalkService,
  LookJudge,
  FlightService,
  FlightWear,
  StrikeService,
  AlertService,
  GainService,
  HoverPlants,
  TicketService,
  SymptomService,
  SymptomRecord,
  PackUse,
  PracticeService,
  RotationService,
  MaintenanceLogService,
];

/** Looks, flights, strikes and what follows from them; it judges pieces wherever that is asked. */
@Global()
@Module({
  imports: [CraftModule, RackModule, StandModule, WorkshopModule],
  controllers: [CareController, ModelAlertController, GainSheetController, JobTicketController, DrillController],
  providers: [
    ...repositories,
    ...services,
    PieceLives,
    Conditions,
    CareFacts,
    CareDue,
    { provide: PieceJudge, useExisting: Conditions },
    { provide: CareSource, useExisting: CareFacts },
  ],
  exports: [PieceJudge, CareSource, FlightService],
})
export class CareModule {}

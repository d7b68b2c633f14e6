import { Module } from '@nestjs/common';
import { CraftModule } from '../craft/craft.module.ts';
import { PieceModule } from '../piece/piece.module.ts';
import { PropModelModule } from '../propModel/propModel.module.ts';
import { StandModule } from '../stand/stand.module.ts';
import { WorkshopModule } from '../workshop/workshop.module.ts';
import { AlertService } from './alert.service.ts';
import { CareController, DrillController, GainSheetController, JobTicketController, ModelAlertController } from './care.controller.ts';
import { AlertRepository, DrillRepository, FlightRepository, GainSheetRepository, LogRepository, SettingRepository, StrikeRepository, SymptomCaseRepository, TicketRepository, WalkaroundRepository } from './care.repository.ts';
import { CareService } from './care.service.ts';
import { GainService } from './gain.service.ts';
import { MaintenanceLogService } from './maintenanceLog.service.ts';
import { RotationService } from './rotation.service.ts';
import { PracticeService } from './practice.service.ts';
import { SymptomService } from './symptom.service.ts';
import { TicketService } from './ticket.service.ts';

const repositories = [SettingRepository, WalkaroundRepository, FlightRepository, StrikeRepository, AlertRepository, GainSheetRepository, TicketRepository, SymptomCaseRepository, DrillRepository, LogRepository];

@Module({
  imports: [CraftModule, PieceModule, PropModelModule, StandModule, WorkshopModule],
  controllers: [CareController, ModelAlertController, GainSheetController, JobTicketController, DrillController],
  providers: [CareService, AlertService, GainService, TicketService, SymptomService, PracticeService, RotationService, MaintenanceLogService, ...repositories],
  exports: [AlertService],
})
export class CareModule {}

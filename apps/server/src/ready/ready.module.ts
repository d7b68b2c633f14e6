import { Global, Module } from '@nestjs/common';
import { AlertRepository, FlightRepository, SettingRepository, StrikeRepository, WalkaroundRepository } from '../care/care.repository.ts';
import { Conditions } from '../care/conditions.service.ts';
import { PieceLives } from '../care/pieceLives.service.ts';
import { RotorBench } from '../craft/rotorBench.ts';
import { FittingRepository } from '../fit/fit.repository.ts';
import { FitStates } from '../fit/fitStates.service.ts';
import { PieceRepository } from '../piece/piece.repository.ts';
import { PropModelRepository } from '../propModel/propModel.repository.ts';
import { ReadyRepository } from './ready.repository.ts';
import { ReadyService } from './ready.service.ts';

/** Whether craft may fly: stations, the line and their lists all ask here. */
@Global()
@Module({
  providers: [ReadyService, ReadyRepository, FitStates, PieceLives, Conditions, RotorBench, FittingRepository, PieceRepository, PropModelRepository, AlertRepository, FlightRepository, SettingRepository, StrikeRepository, WalkaroundRepository],
  exports: [ReadyService, FitStates, PieceLives, Conditions, RotorBench],
})
export class ReadyModule {}

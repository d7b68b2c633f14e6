import { Controller, Get, Param } from '@nestjs/common';
import type { CalibrationView } from '@zivvo/contract';
import { IdPipe } from '../common/idPipe.ts';
import { CalibrationService } from './calibration.service.ts';

@Controller('crafts/:craftId/calibration')
export class CalibrationController {
  constructor(private readonly calibrations: CalibrationService) {}

  @Get()
  find(@Param('craftId', IdPipe) craftId: string): Promise<CalibrationView> {
    return this.calibrations.ofCraft(craftId);
  }
}

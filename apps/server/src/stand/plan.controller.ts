import { Body, Controller, Get, Param, Put } from '@nestjs/common';
import { EveningPlanDto, type EveningPlanView } from '@zivvo/contract';
import { IdPipe } from '../common/idPipe.ts';
import { PlanService } from './plan.service.ts';

@Controller('campaigns/:id/plan')
export class PlanController {
  constructor(private readonly plans: PlanService) {}

  @Get()
  find(@Param('id', IdPipe) id: string): Promise<EveningPlanView> {
    return this.plans.of(id);
  }

  @Put()
  set(@Param('id', IdPipe) id: string, @Body() dto: EveningPlanDto): Promise<EveningPlanView> {
    return this.plans.set(id, dto);
  }
}

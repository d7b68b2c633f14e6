import { Body, Controller, Get, Param, Put, Query } from '@nestjs/common';
import { EveningPlanDto, PLAN_STEPS_PROP_MAX_COUNT, type EveningPlanView, type PlanStepsView } from '@zivvo/contract';
import { IdListPipe, IdPipe, OptionalIdPipe } from '../common/idPipe.ts';
import { NumberPipe } from '../common/numberPipe.ts';
import { PlanService } from './plan.service.ts';

const countPipe = new NumberPipe({ min: 2, max: 40 }, 7);

@Controller('campaigns/:id/plan')
export class PlanController {
  constructor(private readonly plans: PlanService) {}

  @Get()
  find(@Param('id', IdPipe) id: string): Promise<EveningPlanView> {
    return this.plans.of(id);
  }

  /** Steps of a ladder at which the thrusts of these props overlap, by the model. */
  @Get('steps')
  steps(
    @Param('id', IdPipe) id: string,
    @Query('propModelIds', new IdListPipe(PLAN_STEPS_PROP_MAX_COUNT)) propModelIds: string[],
    @Query('kitId', OptionalIdPipe) kitId: string | null,
    @Query('count', countPipe) count: number,
  ): Promise<PlanStepsView> {
    return this.plans.steps(id, propModelIds, kitId, Math.round(count));
  }

  @Put()
  set(@Param('id', IdPipe) id: string, @Body() dto: EveningPlanDto): Promise<EveningPlanView> {
    return this.plans.set(id, dto);
  }
}

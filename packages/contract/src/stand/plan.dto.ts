import 'reflect-metadata';
import { Flag, Id, ListOf, Nullable, OneOf, WholeWithin, Within } from '../shared/rules.ts';
import { protocolKinds, type ProtocolKind, type RunProtocol } from '@zivvo/core';
import { ArrayMaxSize, ArrayMinSize, IsArray, IsNumber, Max, Min } from 'class-validator';
import { planLimits } from './limits.ts';

/** One planned run. */
export class PlannedRunDto {
  @Id()
  id!: string;

  @Id()
  propModelId!: string;

  /** Kit of the craft whose motor or pack it runs on; null as the craft is described. */
  @Nullable()
  @Id()
  kitId?: string | null;

  @Nullable()
  @Id()
  packPieceId!: string | null;

  @Flag()
  isReference!: boolean;

  @Flag()
  isSkipped!: boolean;
}

/** How one run goes. */
export class RunProtocolDto implements RunProtocol {
  @OneOf(protocolKinds)
  kind!: ProtocolKind;

  @WholeWithin(planLimits.stepCount)
  stepCount!: number;

  @Within(planLimits.holdS)
  holdS!: number;

  /** Of own steps and of a hold; null for all others. */
  @Nullable()
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(planLimits.stepCount.max)
  @IsNumber({ allowNaN: false, allowInfinity: false }, { each: true })
  @Min(planLimits.throttleRatio.min, { each: true })
  @Max(planLimits.throttleRatio.max, { each: true })
  throttles!: number[] | null;
}

/** What is to be run on a stand evening, in which order, and how. */
export class EveningPlanDto extends RunProtocolDto {
  @Within(planLimits.changeS)
  changeS!: number;

  @WholeWithin(planLimits.runsPerPack)
  runsPerPack!: number;

  @ListOf(() => PlannedRunDto, planLimits.runCount)
  runs!: PlannedRunDto[];

  /** That the sender saw; 0 for the first plan of an evening. */
  @WholeWithin({ min: 0, max: 1_000_000_000 })
  revision!: number;
}

import 'reflect-metadata';
import { Flag, Id, ListOf, Nullable, OneOf, WholeWithin, Within } from '../shared/rules.ts';
import { planLimits, protocolKinds } from './limits.ts';

/** One planned run. */
export class PlannedRunDto {
  @Id()
  id!: string;

  @Id()
  propModelId!: string;

  @Nullable()
  @Id()
  packPieceId!: string | null;

  @Flag()
  isReference!: boolean;

  @Flag()
  isSkipped!: boolean;
}

/** What is to be run on a stand evening, in which order, and how. */
export class EveningPlanDto {
  @OneOf(protocolKinds)
  kind!: (typeof protocolKinds)[number];

  @WholeWithin(planLimits.stepCount)
  stepCount!: number;

  @Within(planLimits.holdS)
  holdS!: number;

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

import type { EveningPlanDto } from './plan.dto.ts';

export interface EveningPlanView {
  /** Null where the evening has none. */
  plan: EveningPlanDto | null;
  /** Of one motor at full throttle with the reference, by the model; null without one. */
  fullCurrentA: number | null;
}

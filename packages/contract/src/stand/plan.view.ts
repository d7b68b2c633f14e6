import type { EveningPlanDto } from './plan.dto.ts';

/** Steps whose thrusts overlap, by the model. */
export interface PlanStepsView {
  throttles: number[];
  /** What every prop is read at or between, of one rotor; null where they share nothing. */
  shared: { leastN: number; mostN: number } | null;
}

export interface EveningPlanView {
  /** Null where the evening has none. */
  plan: EveningPlanDto | null;
  /** Of one motor at full throttle with the reference, by the model; null without one. */
  fullCurrentA: number | null;
}

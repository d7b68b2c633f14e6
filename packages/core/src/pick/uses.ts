import { COMPARED_LEVEL_DB } from '../sound/rotorSound.ts';
import type { PickFigure } from './pickFigures.ts';

/** What one may want of a propeller. */
export const criterionNames = ['minutes', 'thrust', 'answer', 'quiet', 'speed', 'cool', 'gentle', 'tough'] as const;
export type CriterionName = (typeof criterionNames)[number];

export interface Criterion {
  figure: PickFigure;
  /** +1: more is better. */
  direction: 1 | -1;
  /** Whether ratios rather than differences of the figure count. */
  isLogarithmic: boolean;
  /** Change of the figure below which nobody notices: a share where ratios count, an amount elsewhere. */
  smallestDifference: number;
}

export const criteria: Readonly<Record<CriterionName, Criterion>> = {
  minutes: { figure: 'enduranceS', direction: 1, isLogarithmic: true, smallestDifference: 0.025 },
  thrust: { figure: 'thrustToWeightRatio', direction: 1, isLogarithmic: true, smallestDifference: 0.03 },
  answer: { figure: 'riseTimeS', direction: -1, isLogarithmic: true, smallestDifference: 0.08 },
  quiet: { figure: 'levelDb', direction: -1, isLogarithmic: false, smallestDifference: COMPARED_LEVEL_DB },
  speed: { figure: 'pitchSpeedMPerS', direction: 1, isLogarithmic: true, smallestDifference: 0.04 },
  cool: { figure: 'motorTemperatureC', direction: -1, isLogarithmic: false, smallestDifference: 5 },
  gentle: { figure: 'lowRiseRatio', direction: -1, isLogarithmic: false, smallestDifference: 0.015 },
  tough: { figure: 'toughnessRatio', direction: 1, isLogarithmic: false, smallestDifference: 0.15 },
};

/** How much each wish counts, 0 to 10. */
export type Weights = Readonly<Record<CriterionName, number>>;

/** Uses that weights are proposed for. */
export const useNames = [
  'indoorCourse',
  'openCourse',
  'freestyle',
  'smoothFilming',
  'longEndurance',
  'heavyLift',
  'quietNeighbourhood',
  'windySite',
  'parkPlaneShort',
  'parkPlaneSpeed',
] as const;
export type UseName = (typeof useNames)[number];

/** Where nobody has said what a craft is flown for. */
export const USUAL_USE: UseName = 'longEndurance';

const weigh = (
  minutes: number,
  thrust: number,
  answer: number,
  quiet: number,
  speed: number,
  cool: number,
  gentle: number,
  tough: number,
): Weights => ({ minutes, thrust, answer, quiet, speed, cool, gentle, tough });

/** Proposed weights; a judgement of practice that may be changed. */
export const useWeights: Readonly<Record<UseName, Weights>> = {
  indoorCourse: weigh(2, 5, 9, 2, 1, 4, 5, 8),
  openCourse: weigh(2, 8, 7, 0, 9, 5, 1, 5),
  freestyle: weigh(4, 7, 7, 1, 4, 5, 3, 8),
  smoothFilming: weigh(7, 3, 5, 5, 1, 3, 7, 2),
  longEndurance: weigh(10, 3, 2, 3, 1, 3, 1, 1),
  heavyLift: weigh(5, 10, 2, 1, 0, 8, 2, 1),
  quietNeighbourhood: weigh(5, 2, 1, 10, 0, 2, 3, 1),
  windySite: weigh(4, 7, 8, 1, 6, 4, 1, 3),
  parkPlaneShort: weigh(3, 10, 3, 2, 1, 3, 1, 4),
  parkPlaneSpeed: weigh(3, 4, 1, 1, 10, 5, 0, 3),
};

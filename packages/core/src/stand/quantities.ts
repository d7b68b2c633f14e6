import type { Dimension } from '../units/dimensions.ts';

/** What a stand reads at one throttle step; the suffix is the SI unit. */
export const standQuantities = {
  throttleRatio: 'ratio',
  thrustN: 'force',
  speedRpm: 'rotation',
  currentA: 'current',
  voltageV: 'voltage',
  powerW: 'power',
  torqueNm: 'torque',
  temperatureC: 'temperature',
  vibrationMPerS2: 'acceleration',
  levelDb: 'level',
} as const satisfies Record<string, Dimension>;

export type StandQuantity = keyof typeof standQuantities;

export const standQuantityNames = Object.keys(standQuantities) as StandQuantity[];

/** A settled mean and a peak hold are different readings and never mixed. */
export type ReadingKind = 'settledMean' | 'peakHold';

/** One throttle point; null where the stand did not read that quantity. */
export type StandStep = Record<StandQuantity, number | null>;

/** A step with nothing read yet. */
export function emptyStep(): StandStep {
  return Object.fromEntries(standQuantityNames.map((name) => [name, null])) as StandStep;
}

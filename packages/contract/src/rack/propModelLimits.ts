export { bladePlanforms as planforms, propMaterials as materials, tipShapes } from '@zivvo/core';
import { COUNT_MAX, type Range } from '../shared/limits.ts';

export const propModelLimits = {
  diameterM: { min: 0.02, max: 1.1 },
  pitchM: { min: 0.003, max: 1.2 },
  bladeCount: { min: 1, max: 8 },
  chord75M: { min: 0.001, max: 0.2 },
  angle75Rad: { min: 0.035, max: 0.785 },
  massKg: { min: 0.00005, max: 2 },
  speedLimitRpm: { min: 500, max: 120_000 },
  boreDiameterM: { min: 0.0005, max: 0.03 },
  bagPrice: { min: 0.01, max: 100_000 },
  bagCount: { min: 1, max: 100 },
  wantedCount: { min: 0, max: 100 },
  count: { min: 0, max: COUNT_MAX },
} as const satisfies Record<string, Range>;

export const hands = ['cw', 'ccw', 'either'] as const;

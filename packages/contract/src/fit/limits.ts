import type { Range } from '../shared/limits.ts';

export const fitLimits = {
  armCount: { min: 0, max: 24 },
  checkCount: { min: 0, max: 14 },
} as const satisfies Record<string, Range>;

export { armChecks, sideThrusts } from '@zivvo/core';
/** How a spin came to be known: a paper strip at the bell, or the controller's table read. */
export const spinSources = ['strip', 'table'] as const;
export const threads = ['right', 'left'] as const;
export const OUTPUT_NAME_MAX_LENGTH = 12;

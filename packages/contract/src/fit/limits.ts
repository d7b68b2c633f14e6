import type { Range } from '../shared/limits.ts';

export const fitLimits = {
  armCount: { min: 0, max: 24 },
  checkCount: { min: 0, max: 8 },
} as const satisfies Record<string, Range>;

export const threads = ['right', 'left'] as const;
/** What is looked at on every arm before the nut is called tight. */
export const armChecks = ['turnsFree', 'seated', 'locked', 'noDamage'] as const;

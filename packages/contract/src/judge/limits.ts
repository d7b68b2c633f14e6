import { CONTENDER_MAX_COUNT } from '@zivvo/core';
import type { Range } from '../shared/limits.ts';

export const judgeLimits = {
  weight: { min: 0, max: 10 },
  /** Shares, decibels, degrees: nobody means less or more. */
  matters: { min: 0.001, max: 30 },
  addedCount: { min: 0, max: 30 },
  /** Verdicts that are shown, the newest first; nothing of a craft is decided more often. */
  verdictsMost: 200,
  contendersMost: CONTENDER_MAX_COUNT,
} as const satisfies Record<string, Range | number>;

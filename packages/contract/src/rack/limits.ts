import type { Range } from '../shared/limits.ts';

export { boreFits, looks, pieceStates, retirements, rotorPlaces } from '@zivvo/core';

export const pieceLimits = {
  massKg: { min: 0.00005, max: 3 },
  diameterM: { min: 0.02, max: 1.1 },
  boreDiameterM: { min: 0.0005, max: 0.03 },
  hubThicknessM: { min: 0.0005, max: 0.08 },
  droopM: { min: 0.00005, max: 0.2 },
  resolutionKg: { min: 0.000001, max: 0.01 },
  batchCount: { min: 0, max: 40 },
  bulkCount: { min: 1, max: 200 },
  setCount: { min: 0, max: 24 },
  level: { min: 0, max: 1 },
  hours: { min: 0, max: 100_000 },
  count: { min: 0, max: 100_000 },
  runOutM: { min: 0, max: 0.01 },
} as const satisfies Record<string, Range>;

export const pieceHands = ['cw', 'ccw', 'either'] as const;
/** How a prop sits on its shaft. */
export { mountKinds } from '@zivvo/core';
/** State of a motor's bearing and play, as felt. */
export const bearingFeels = ['smooth', 'dry', 'gritty'] as const;
export const PIECE_PAGE_MAX = 200;
export const TAG_MAX_LENGTH = 12;
export const LOCATION_MAX_LENGTH = 60;

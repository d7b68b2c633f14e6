import type { Range } from '../shared/limits.ts';

export const flyLimits = {
  angleDegrees: { min: 5, max: 90 },
  heightM: { min: 0, max: 2000 },
  climbCount: { min: 0, max: 12 },
  climbDurationS: { min: 0.5, max: 600 },
  passCount: { min: 0, max: 24 },
  groundSpeedMPerS: { min: 0.5, max: 200 },
  trackDegrees: { min: 0, max: 360 },
  throttleRatio: { min: 0, max: 1 },
  currentA: { min: 0, max: 1000 },
  takeOffRollM: { min: 0, max: 1000 },
  usedAh: { min: 0, max: 200 },
  restCellV: { min: 2, max: 4.5 },
  windMPerS: { min: 0, max: 40 },
  payloadKg: { min: 0, max: 50 },
  motorCount: { min: 0, max: 24 },
  motorTemperatureC: { min: -40, max: 300 },
  opinionCount: { min: 0, max: 9 },
  stars: { min: 1, max: 5 },
  protocolVersion: { min: 1, max: 10_000 },
} as const satisfies Record<string, Range>;

/** What is felt and heard, and never averaged into what is measured. */
export const opinionTopics = [
  'planted',
  'twitchy',
  'soft',
  'grip',
  'snap',
  'smoothness',
  'sound',
  'worryingSound',
  'looks',
] as const;
export const flightViews = ['sight', 'goggles'] as const;
/** How a motor felt within twenty seconds of landing. */
export const motorTouches = ['cool', 'warm', 'hot', 'tooHot'] as const;

import type { Range } from '../shared/limits.ts';

export {
  careOutcomes,
  carePlaces,
  carePolicies,
  causeNames,
  changeNames,
  drillKinds,
  findingKinds,
  gainAxes,
  gainPreconditions,
  strikeSeverities,
  struckThings,
  symptomNames,
  symptomTestNames,
} from '@zivvo/core';

export const careLimits = {
  lookCount: { min: 1, max: 24 },
  blade: { min: 1, max: 8 },
  findingCount: { min: 0, max: 24 },
  walkDurationS: { min: 0, max: 86_400 },
  flightDurationS: { min: 1, max: 36_000 },
  throttleRatio: { min: 0, max: 1 },
  strikeCount: { min: 0, max: 8 },
  armCount: { min: 1, max: 24 },
  percent: { min: 1, max: 400 },
  payloadKg: { min: 0, max: 50 },
  testFlightCount: { min: 0, max: 300 },
  minutes: { min: 0, max: 100_000 },
  symptomCount: { min: 0, max: 6 },
  changeCount: { min: 0, max: 9 },
  answerCount: { min: 0, max: 25 },
  optionIndex: { min: 0, max: 8 },
} as const satisfies Record<string, Range>;

/** Sides of a prop that a look takes one after the other. */
export const lookSides = ['top', 'underside', 'edges'] as const;
export const symptomAnswers = ['yes', 'no', 'unsure'] as const;
export const SEED_MAX_LENGTH = 60;
/** Entries of the maintenance log that are read at once. */
export const LOG_MAX = 2000;

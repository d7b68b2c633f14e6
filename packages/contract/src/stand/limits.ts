import type { ReadingLimits } from '@zivvo/core';
import type { Range } from '../shared/limits.ts';

/** What a reading may be at all; beyond it the meter or the hand slipped. */
export const readingLimits: ReadingLimits = {
  throttleRatio: { min: 0, max: 1 },
  thrustN: { min: -20, max: 2000 },
  speedRpm: { min: 0, max: 120_000 },
  currentA: { min: 0, max: 1000 },
  voltageV: { min: 0, max: 120 },
  powerW: { min: 0, max: 60_000 },
  torqueNm: { min: -200, max: 200 },
  temperatureC: { min: -50, max: 300 },
  vibrationMPerS2: { min: 0, max: 10_000 },
  levelDb: { min: 0, max: 160 },
};

export const standLimits = {
  temperatureC: { min: -40, max: 55 },
  pressurePa: { min: 45_000, max: 110_000 },
  humidityRatio: { min: 0, max: 1 },
  cellV: { min: 2, max: 4.5 },
  zeroN: { min: -50, max: 50 },
  protocolVersion: { min: 1, max: 1000 },
} as const satisfies Record<string, Range>;

/** Of checks of instruments; readings are positive in any unit of the bench. */
export const checkLimits = {
  reading: { min: 0, max: 200_000 },
  armM: { min: 0.01, max: 3 },
  pairCount: { min: 1, max: 6 },
} as const satisfies Record<string, Range>;

export const STEP_MAX_COUNT = 120;
/** Samples that an import sends at once: a few blocks of the store, so that nobody waits behind them. */
export const SAMPLES_AT_ONCE = 16_384;
/** Their times as 64-bit floats, then each channel as 32-bit floats. */
export const SAMPLES_BODY_MAX_BYTES = SAMPLES_AT_ONCE * (8 + 4 * 10);
/** Rows of a logger's table. */
export const SAMPLE_ROW_MAX_COUNT = 2_000_000;
/** Columns of one; what is mapped is read, the others are left. */
export const SAMPLE_COLUMN_MAX_COUNT = 300;
/** Headers of a table, put together. */
export const RECIPE_HEADER_MAX_LENGTH = 2000;
export const RECIPE_MAX_COUNT = 200;
export const COLUMN_MAX_COUNT = 16;
export const CELL_MAX_LENGTH = 40;
export const IMPORT_RUN_MAX_COUNT = 20;
export const CAMPAIGN_RUN_MAX_COUNT = 400;
/** Of a new evening; each other way of running that is planned once runs are there is the next. */
export const FIRST_PROTOCOL_VERSION = 1;

/** Props whose ladder is asked for at once. */
export const PLAN_STEPS_PROP_MAX_COUNT = 40;

export const planLimits = {
  stepCount: { min: 1, max: 40 },
  holdS: { min: 1, max: 600 },
  throttleRatio: { min: 0.01, max: 1 },
  changeS: { min: 0, max: 3600 },
  runsPerPack: { min: 1, max: 50 },
  runCount: { min: 0, max: 400 },
  runsPerProp: { min: 1, max: 6 },
  mostBetween: { min: 1, max: 50 },
} as const satisfies Record<string, Range>;

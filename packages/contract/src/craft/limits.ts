import { CUSTOM_ARMS, GEAR_TURNS } from '@zivvo/core';
import type { Range } from '../shared/limits.ts';

export const craftLimits = {
  massKg: { min: 0.01, max: 60 },
  diagonalM: { min: 0.04, max: 3 },
  clearanceDiameterM: { min: 0.02, max: 1.1 },
  armM: { min: -3, max: 3 },
  armCount: CUSTOM_ARMS,
  gearRatio: { min: -GEAR_TURNS.max, max: GEAR_TURNS.max },
  freeM: { min: 0.01, max: 3 },
  shaftDiameterM: { min: 0.0005, max: 0.03 },
  weight: { min: 0, max: 10 },
  statorDiameterM: { min: 0.004, max: 0.15 },
  statorHeightM: { min: 0.0015, max: 0.06 },
  kvRpmPerV: { min: 20, max: 60_000 },
  motorResistanceOhm: { min: 0.0005, max: 20 },
  motorNoLoadCurrentA: { min: 0.005, max: 20 },
  limitA: { min: 0.5, max: 500 },
  seriesCount: { min: 1, max: 24 },
  parallelCount: { min: 1, max: 20 },
  capacityAh: { min: 0.03, max: 100 },
  cellResistanceOhm: { min: 0.0001, max: 1 },
  cRating: { min: 1, max: 400 },
  standbyPowerW: { min: 0, max: 2000 },
  ductThrustRatio: { min: 0.7, max: 1.5 },
  addedMassKg: { min: -30, max: 30 },
  kitCount: { min: 0, max: 8 },
} as const satisfies Record<string, Range>;

export { layouts, useNames as uses } from '@zivvo/core';
export { spinTables } from '@zivvo/core';
export const spins = ['cw', 'ccw'] as const;
export const packChemistries = ['lipo', 'lipoHighVoltage', 'liIon'] as const;
/** Fields of the motor that follow from its size until they are typed. */
export const motorEstimates = ['motorResistanceOhm', 'motorNoLoadCurrentA', 'motorMassKg'] as const;
/**
 * Fields that may still hold an estimate instead of a typed value: the motor's, and what a usual craft was begun with.
 */
export const estimableFields = [
  ...motorEstimates,
  'massKg',
  'diagonalM',
  'clearanceDiameterM',
  'groundClearanceM',
  'statorDiameterM',
  'statorHeightM',
  'kvRpmPerV',
  'escLimitA',
  'packSeriesCount',
  'packCapacityAh',
  'ductThrustRatio',
] as const;

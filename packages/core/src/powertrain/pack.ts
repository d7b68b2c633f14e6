import { requirePositive, requireWithin } from '../errors/guards.ts';
import type { PackChemistry } from './packChemistry.ts';
import { openCellV, openVoltageCurves } from './openVoltage.ts';

/** A flight pack: series cells, each one cell or several in parallel. */
export interface Pack {
  chemistry: PackChemistry;
  seriesCount: number;
  /** Of the whole pack [Ah]. */
  capacityAh: number;
  /** Of one series step at 25 °C [Ω]; null for a usual one. */
  cellResistanceOhm: number | null;
}

/** Volts that a cell loses at a discharge of one capacity an hour, at 25 °C: a usual pack, neither new nor tired. */
const LOSS_V_PER_C: Record<PackChemistry, number> = { lipo: 0.0125, lipoHighVoltage: 0.0125, liIon: 0.07 };
/** Cold cells resist more. */
const PER_K_COLDER = 0.02;
const WARM_C = 25;

/**
 * Resistance of a pack: measured per cell, or usual for its chemistry and capacity; 2 % more for each kelvin below 25 °C.
 *
 *   R = S·(0.0125 V)/capacity for Li-po, S·(0.07 V)/capacity for Li-ion
 *
 * @param temperatureC - of the cells [°C], −40 to 80
 * @throws {OutOfRangeError} if a count or capacity is not positive, or the temperature outside that range
 */
export function packResistanceOhm(pack: Pack, temperatureC = WARM_C): number {
  requirePositive('seriesCount', pack.seriesCount);
  requirePositive('capacityAh', pack.capacityAh);
  requireWithin('temperatureC', temperatureC, -40, 80);
  if (pack.cellResistanceOhm !== null) requireWithin('cellResistanceOhm', pack.cellResistanceOhm, 0, 10);
  const cellOhm = pack.cellResistanceOhm ?? LOSS_V_PER_C[pack.chemistry] / pack.capacityAh;
  return pack.seriesCount * cellOhm * (1 + PER_K_COLDER * Math.max(0, WARM_C - temperatureC));
}

/** Resting volts of a pack at a state of charge of 0 to 1. */
export function packOpenV(pack: Pack, stateOfCharge: number): number {
  return pack.seriesCount * openCellV(openVoltageCurves[pack.chemistry], stateOfCharge);
}

import { requirePositive, requireWithin } from '../errors/guards.ts';
import type { PackChemistry } from './packChemistry.ts';
import { openCellV, openVoltageCurves } from './openVoltage.ts';

/** How well the resistance of a pack is known. */
export type ResistanceSource = 'measured' | 'label' | 'usual';

/** A flight pack: series cells, each one cell or several in parallel. */
export interface Pack {
  chemistry: PackChemistry;
  seriesCount: number;
  /** Of the whole pack [Ah]. */
  capacityAh: number;
  /** Of one series step at 25 °C [Ω]; null where nobody has measured it. */
  cellResistanceOhm: number | null;
  /** Discharge rate as printed [capacities an hour]; null where there is none. */
  cRating: number | null;
}

/** Volts that a cell loses at the discharge printed on it: what makers rate by. */
const LOSS_AT_RATING_V = 0.5;
/** Printed rates beyond this are advertising. */
const MOST_C = 150;
/**
 * Resistance of one series step of usual lithium-polymer packs by capacity [Ah, Ω], of those sold for that size: a
 * judgement, ±50 %.
 */
const USUAL_LIPO: readonly (readonly [capacityAh: number, ohm: number])[] = [
  [0.1, 0.16],
  [0.3, 0.042],
  [0.6, 0.016],
  [1, 0.0055],
  [1.5, 0.004],
  [2.2, 0.004],
  [5, 0.0024],
  [10, 0.0018],
  [22, 0.0011],
  [50, 0.0006],
];
/** Ohms times ampere-hours of a lithium-ion cell: 16 mΩ at 4.2 Ah. */
const USUAL_LI_ION_OHM_AH = 0.07;
/** Cold cells resist more. */
const PER_K_COLDER = 0.02;
const WARM_C = 25;

/**
 * Resistance of one series step at 25 °C, and how it is known: measured, by the rate on its label, or usual.
 *
 *   r = 0.5 V/(C·capacity); usual Li-po by capacity, Li-ion 0.07 Ω·Ah
 *
 * @throws {OutOfRangeError} if the capacity or the rate is not positive, or a measured resistance not 0 to 10 Ω
 * @example cellResistance({ chemistry: 'lipo', seriesCount: 6, capacityAh: 1.3, cellResistanceOhm: null, cRating: 100 }).ohm // => 0.00384…
 */
export function cellResistance({ chemistry, capacityAh, cellResistanceOhm, cRating }: Pack): {
  ohm: number;
  source: ResistanceSource;
} {
  requirePositive('capacityAh', capacityAh);
  if (cellResistanceOhm !== null) {
    requireWithin('cellResistanceOhm', cellResistanceOhm, 0, 10);
    return { ohm: cellResistanceOhm, source: 'measured' };
  }
  if (cRating !== null) {
    requirePositive('cRating', cRating);
    return { ohm: LOSS_AT_RATING_V / (Math.min(MOST_C, cRating) * capacityAh), source: 'label' };
  }
  return { ohm: chemistry === 'liIon' ? USUAL_LI_ION_OHM_AH / capacityAh : usualLipoOhm(capacityAh), source: 'usual' };
}

/** Between two knots along a straight line of logarithms; beyond the ends inversely with capacity. */
function usualLipoOhm(capacityAh: number): number {
  const after = USUAL_LIPO.findIndex(([ah]) => ah >= capacityAh);
  if (after <= 0) {
    const [ah, ohm] = USUAL_LIPO.at(after)!;
    return (ohm * ah) / capacityAh;
  }
  const [[lowAh, lowOhm], [highAh, highOhm]] = [USUAL_LIPO[after - 1]!, USUAL_LIPO[after]!];
  return lowOhm * (highOhm / lowOhm) ** (Math.log(capacityAh / lowAh) / Math.log(highAh / lowAh));
}

/**
 * Resistance of a pack: its series steps, 2 % more for each kelvin below 25 °C.
 *
 * @param temperatureC - of the cells [°C], −40 to 80
 * @throws {OutOfRangeError} if a count or capacity is not positive, or the temperature outside that range
 */
export function packResistanceOhm(pack: Pack, temperatureC = WARM_C): number {
  requirePositive('seriesCount', pack.seriesCount);
  requireWithin('temperatureC', temperatureC, -40, 80);
  return pack.seriesCount * cellResistance(pack).ohm * (1 + PER_K_COLDER * Math.max(0, WARM_C - temperatureC));
}

/** Resting volts of a pack at a state of charge of 0 to 1. */
export function packOpenV(pack: Pack, stateOfCharge: number): number {
  return pack.seriesCount * openCellV(openVoltageCurves[pack.chemistry], stateOfCharge);
}

/** Power beyond which a half-empty pack gives less the more is asked of it [W]: Voc²/(4R). */
export function packMostPowerW(pack: Pack): number {
  return packOpenV(pack, 0.5) ** 2 / (4 * Math.max(1e-9, packResistanceOhm(pack)));
}

import { OutOfRangeError } from '../errors/coreError.ts';
import { requireWithin } from '../errors/guards.ts';
import type { PackChemistry } from './packChemistry.ts';

/** Resting volts of a cell over its state of charge: knots [share, V], both rising. */
export type OpenVoltageCurve = readonly (readonly [stateOfCharge: number, cellV: number])[];

const lipo: OpenVoltageCurve = [
  [0, 3.27],
  [0.05, 3.61],
  [0.1, 3.69],
  [0.15, 3.71],
  [0.2, 3.73],
  [0.25, 3.75],
  [0.3, 3.77],
  [0.35, 3.79],
  [0.4, 3.8],
  [0.45, 3.82],
  [0.5, 3.84],
  [0.55, 3.85],
  [0.6, 3.87],
  [0.65, 3.91],
  [0.7, 3.95],
  [0.75, 3.98],
  [0.8, 4.02],
  [0.85, 4.08],
  [0.9, 4.11],
  [0.95, 4.15],
  [1, 4.2],
];

/** The same chemistry charged further: the curve bends up by 0.15 V toward full. */
const lipoHighVoltage: OpenVoltageCurve = lipo.map(([share, cellV]) => [
  share,
  Math.round((cellV + 0.15 * share ** 1.5) * 1000) / 1000,
]);

const liIon: OpenVoltageCurve = [
  [0, 2.8],
  [0.05, 3.1],
  [0.1, 3.25],
  [0.2, 3.42],
  [0.3, 3.53],
  [0.4, 3.61],
  [0.5, 3.68],
  [0.6, 3.77],
  [0.7, 3.87],
  [0.8, 3.97],
  [0.9, 4.07],
  [1, 4.18],
];

/** Resting curves of the chemistries; single cells differ by some 20 mV. */
export const openVoltageCurves: Readonly<Record<PackChemistry, OpenVoltageCurve>> = { lipo, lipoHighVoltage, liIon };

/**
 * Resting volts of a cell at a state of charge, straight between the knots.
 *
 * @param stateOfCharge - 0 empty to 1 full
 * @throws {OutOfRangeError} outside that range
 * @example openCellV(openVoltageCurves.lipo, 0.5) // => 3.84
 */
export function openCellV(curve: OpenVoltageCurve, stateOfCharge: number): number {
  requireWithin('stateOfCharge', stateOfCharge, 0, 1);
  const k = segmentOf(curve, 0, stateOfCharge);
  const [from, low] = curve[k]!;
  const [to, high] = curve[k + 1]!;
  return low + ((high - low) * (stateOfCharge - from)) / (to - from);
}

/**
 * State of charge of a cell at rest, from its volts; held at empty and full beyond the curve.
 *
 * @throws {OutOfRangeError} if the voltage is not finite
 */
export function stateOfChargeAt(curve: OpenVoltageCurve, cellV: number): number {
  if (!Number.isFinite(cellV)) throw new OutOfRangeError('cellV', cellV, 'a finite number');
  if (cellV <= curve[0]![1]) return 0;
  if (cellV >= curve.at(-1)![1]) return 1;
  const k = segmentOf(curve, 1, cellV);
  const [from, low] = curve[k]!;
  const [to, high] = curve[k + 1]!;
  return from + ((to - from) * (cellV - low)) / (high - low);
}

function segmentOf(curve: OpenVoltageCurve, column: 0 | 1, value: number): number {
  let k = 0;
  while (k < curve.length - 2 && curve[k + 1]![column] < value) k++;
  return k;
}

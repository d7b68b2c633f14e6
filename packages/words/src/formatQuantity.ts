import { findUnit, fromSi, type Dimension, type Unit } from '@zivvo/core';
import { unitFor, type UnitChoices } from './unitChoices.ts';

export interface ShownQuantity {
  number: string;
  unit: string;
  /** Number and unit with a thin no-break gap. */
  text: string;
}

const GAP = '\u202f';
/** Digits behind the point by unit symbol; two for what is not listed. */
const DIGITS: Record<string, number> = {
  g: 0,
  N: 2,
  oz: 2,
  mm: 1,
  in: 2,
  rpm: 0,
  A: 1,
  V: 2,
  W: 0,
  mΩ: 1,
  Ah: 2,
  kV: 0,
  '°C': 0,
  '°F': 0,
  hPa: 0,
  'kg/m³': 3,
  '%': 0,
  'dB(A)': 1,
  '°': 1,
  'g/W': 2,
  'N/W': 4,
  'oz/W': 3,
  'g/A': 1,
  'N/A': 3,
  'oz/A': 2,
  '': 0,
};

/** Units whose closing zeros say nothing in running text: 40 A, not 40.0 A. */
const TRIMMED = new Set(['A', 'Ah', 'kg']);

const formats = new Map<string, Intl.NumberFormat>();

/** A number with a fixed count of digits behind the point, thousands with commas, a real minus sign. */
export function formatNumber(value: number, least: number, most = least): string {
  if (!Number.isFinite(value)) return '–';
  const key = `${least}/${most}`;
  let format = formats.get(key);
  if (!format)
    formats.set(
      key,
      (format = new Intl.NumberFormat('en', { minimumFractionDigits: least, maximumFractionDigits: most })),
    );
  const text = format.format(value);
  return (/^-0(?:\.0+)?$/.test(text) ? text.slice(1) : text).replace('-', '−');
}

/**
 * A quantity in the reader's unit with the digits that it deserves.
 *
 * @param digits - digits behind the point, where the usual count does not serve
 */
export function formatQuantity(
  valueSi: number,
  dimension: Dimension,
  choices: UnitChoices,
  digits?: number,
): ShownQuantity {
  const unit = heavier(dimension, valueSi, unitFor(dimension, choices));
  const shown = fromSi(unit, valueSi);
  const usual = usualDigits(dimension, unit, shown);
  const isTrimmed = dimension === 'length' && unit.symbol === 'in' && digits === undefined;
  const number = formatNumber(shown, isTrimmed ? 0 : (digits ?? usual), digits ?? usual);
  const unitText = unit.symbol;
  const gap = unitText === '' ? '' : GAP;
  const running =
    TRIMMED.has(unitText) && digits === undefined
      ? number.replace(/\.?0+$/, (zeros) => (number.includes('.') ? '' : zeros))
      : number;
  return { number, unit: unitText, text: `${running}${gap}${unitText}` };
}

/** How many degrees two temperatures lie apart, without a sign: a difference has no zero to be shifted from. */
export function formatDegrees(differenceK: number, { temperature }: Pick<UnitChoices, 'temperature'>): string {
  return `${formatNumber(Math.abs(differenceK) * (temperature === '°F' ? 1.8 : 1), 0)}${GAP}${temperature}`;
}

/** From 10 kg up, or as a craft's mass from 1 kg, grams are hard to read. */
function heavier(dimension: Dimension, valueSi: number, unit: Unit): Unit {
  return dimension === 'mass' && unit.symbol === 'g' && Math.abs(valueSi) >= 1 ? findUnit('mass', 'kg')! : unit;
}

function usualDigits(dimension: Dimension, unit: Unit, shown: number): number {
  // An ounce is twenty-eight grams: a prop needs its hundredths.
  if (dimension === 'mass' && unit.symbol === 'oz') return Math.abs(shown) < 10 ? 3 : 1;
  if (dimension === 'mass') return unit.symbol === 'kg' ? 2 : Math.abs(shown) < 100 ? 1 : 0;
  if (dimension === 'acceleration' && unit.symbol === 'g') return 2;
  if (dimension === 'power' && Math.abs(shown) < 100) return 1;
  if (dimension === 'number') return Number.isInteger(shown) ? 0 : 3;
  return DIGITS[unit.symbol] ?? 2;
}

/** A share as percent with a sign: `+6.0 %`, `−2 %`. */
export function formatDifference(ratio: number): string {
  const percent = ratio * 100;
  const text = formatNumber(Math.abs(percent), Math.abs(percent) < 9.95 ? 1 : 0);
  const sign = Number(text) === 0 ? '' : percent > 0 ? '+' : '−';
  return `${sign}${text}${GAP}%`;
}

/** A share as percent without a sign. */
export function formatShare(ratio: number, digits?: number): string {
  const percent = Math.abs(ratio * 100);
  return `${formatNumber(percent, digits ?? (percent < 9.95 ? 1 : 0))}${GAP}%`;
}

/** A speed [m/s], as people on a field say it: in metres a second. */
export function formatSpeed(valueMPerS: number): string {
  return `${formatNumber(valueMPerS, valueMPerS < 9.95 ? 1 : 0)}${GAP}m/s`;
}

/** A time span as minutes and tenths. */
export function formatMinutes(valueS: number): string {
  return `${formatNumber(valueS / 60, 1)}${GAP}min`;
}

/** A short time as milliseconds. */
export function formatMilliseconds(valueS: number): string {
  return `${formatNumber(valueS * 1000, 0)}${GAP}ms`;
}

/** An unbalance [kg·m] as the bench speaks of it: in gram-millimetres, with the digits it deserves. */
export function formatUnbalance(valueKgM: number): string {
  const shown = valueKgM * 1e6;
  return `${formatNumber(shown, shown < 0.1 ? 3 : shown < 10 ? 2 : 1)}${GAP}g·mm`;
}

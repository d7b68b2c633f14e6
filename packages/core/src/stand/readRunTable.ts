import { findUnit } from '../units/dimensions.ts';
import type { DecimalMark } from '../units/readNumber.ts';
import { readQuantity, type ReadQuantity } from '../units/readQuantity.ts';
import { emptyStep, standQuantities, type ReadingKind, type StandQuantity, type StandStep } from './quantities.ts';
import type { ColumnMapping } from './recognizeColumns.ts';

/** Lowest and highest value that a reading may have, SI. */
export type ReadingLimits = Record<StandQuantity, { min: number; max: number }>;

export type CellProblem =
  | Exclude<ReadQuantity, { status: 'read' } | { status: 'empty' }>
  | { status: 'outOfLimits'; text: string; valueSi: number; min: number; max: number };

export interface CellError {
  /** Index into the rows that were given, from 0. */
  row: number;
  column: number;
  quantity: StandQuantity;
  unitSymbol: string;
  problem: CellProblem;
}

export interface RunTable {
  steps: StandStep[];
  readingKinds: Partial<Record<StandQuantity, ReadingKind>>;
  errors: CellError[];
  /** Rows with nothing in any mapped column. */
  emptyRowCount: number;
  /** Rows that hold a reading but no throttle, by index. */
  rowsWithoutThrottle: number[];
}

/**
 * What a comma means in a table, settled by its cells: `3,5` or `12,75` is decimal, `1,234,567` or `1,946.5` groups.
 *
 * @returns `open` when only cells such as `1,946` decide, which may mean either
 */
export function settleDecimalMark(rows: readonly (readonly string[])[]): DecimalMark {
  let hasPoint = false;
  for (const cell of rows.flat()) {
    const text = cell.trim();
    if (/^[+-]?(?:\d*,\d{1,2}|\d*,\d{4,}|0,\d+|\d{4,},\d+|\d{1,3}(?:\.\d{3})+,\d+)(?!\d)/.test(text)) return 'comma';
    if (/^[+-]?\d*\.\d+(?![.\d])/.test(text) && !/^[+-]?\d{1,3}\.\d{3}$/.test(text)) hasPoint = true;
    if (/^[+-]?\d{1,3}(?:,\d{3})+\.\d/.test(text)) hasPoint = true;
  }
  return hasPoint ? 'point' : 'open';
}

/**
 * Reads the rows of a stand table by its column mapping, cell by cell, into steps.
 *
 * Nothing is guessed or dropped in silence: each cell that cannot be read or lies outside its limits is an error with
 * its place, and a table with any error must not be kept.
 *
 * @param rows - cells below the header, as text
 * @param columns - mapping of each column; a null quantity is left out
 * @param mark - what a comma means
 * @param limits - allowed range of each quantity, SI
 */
export function readRunTable(
  rows: readonly (readonly string[])[],
  columns: readonly ColumnMapping[],
  mark: DecimalMark,
  limits: ReadingLimits,
): RunTable {
  const table: RunTable = { steps: [], readingKinds: {}, errors: [], emptyRowCount: 0, rowsWithoutThrottle: [] };
  for (const { quantity, readingKind } of columns) if (quantity !== null) table.readingKinds[quantity] = readingKind;
  rows.forEach((cells, row) => {
    const step = emptyStep();
    let isEmpty = true;
    columns.forEach(({ quantity, unitSymbol }, column) => {
      const text = cells[column] ?? '';
      if (quantity === null || text.trim() === '') return;
      isEmpty = false;
      const read = readReading(text, quantity, unitSymbol, mark, limits);
      if (typeof read === 'number') step[quantity] = read;
      else table.errors.push({ row, column, quantity, unitSymbol, problem: read });
    });
    if (isEmpty) {
      table.emptyRowCount++;
      return;
    }
    if (step.throttleRatio === null && !table.errors.some((e) => e.row === row && e.quantity === 'throttleRatio'))
      table.rowsWithoutThrottle.push(row);
    table.steps.push(step);
  });
  return table;
}

/** Reads one reading in its unit and holds it against its limits. */
export function readReading(
  text: string,
  quantity: StandQuantity,
  unitSymbol: string,
  mark: DecimalMark,
  limits: ReadingLimits,
): number | CellProblem {
  const dimension = standQuantities[quantity];
  const unit = findUnit(dimension, unitSymbol);
  if (!unit) return { status: 'unknownUnit', text, written: unitSymbol, allowed: [] };
  const read = readQuantity(text, dimension, unit, mark);
  if (read.status === 'empty') return { status: 'notANumber', text };
  if (read.status !== 'read') return read;
  const { min, max } = limits[quantity];
  if (read.valueSi < min || read.valueSi > max) return { status: 'outOfLimits', text, valueSi: read.valueSi, min, max };
  return read.valueSi;
}

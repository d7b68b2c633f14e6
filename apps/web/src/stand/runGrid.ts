import {
  CELL_MAX_LENGTH,
  COLUMN_MAX_COUNT,
  readingLimits,
  RECIPE_HEADER_MAX_LENGTH,
  STEP_MAX_COUNT,
  standLimits,
  type RunColumnDto,
  type RunDraftDto,
  type RunReadingsDto,
} from '@zivvo/contract';
import {
  emptyStep,
  findUnit,
  FULL_THROTTLE_LEAST,
  fromSi,
  isHeaderRow,
  likelyUnits,
  readQuantity,
  readRunTable,
  recognizeColumns,
  runDoubts,
  settleDecimalMark,
  standQuantities,
  standQuantityNames,
  throttleUnit,
  usualUnitSymbol,
  type CellError,
  type CellProblem,
  type Dimension,
  type DoubtedProp,
  type RunTable,
  type StandStep,
  type Unit,
} from '@zivvo/core';
import {
  doubtSentence,
  quantityNames,
  unitFor,
  unitMistakeSentence,
  unreadableSentence,
  type UnitChoices,
} from '@zivvo/words';

export type RunGrid = Pick<RunDraftDto, 'columns' | 'cells'>;
export type RunAside = Pick<RunDraftDto, 'restingCell' | 'zeroBefore' | 'zeroAfter'>;

const START_ROWS = 7;

/** A grid to type a run into: throttle down, the five usual quantities across. */
export function freshGrid(): RunGrid {
  const columns = (['throttleRatio', 'thrustN', 'speedRpm', 'currentA', 'voltageV'] as const).map(
    (quantity): RunColumnDto => ({ quantity, unitSymbol: usualUnitSymbol(quantity), readingKind: 'settledMean' }),
  );
  return { columns, cells: Array.from({ length: START_ROWS }, () => columns.map(() => '')) };
}

/** The grid with one cell changed; typing in the last row adds another. */
export function withCell(grid: RunGrid, row: number, column: number, text: string): RunGrid {
  const cells = grid.cells.map((r, i) =>
    i === row ? r.map((c, k) => (k === column ? text.slice(0, CELL_MAX_LENGTH) : c)) : r,
  );
  const isLast = row === cells.length - 1 && text.trim() !== '' && cells.length < STEP_MAX_COUNT;
  return { ...grid, cells: isLast ? [...cells, grid.columns.map(() => '')] : cells };
}

/**
 * @param isUnitSeen - whether the unit of a column stands before whoever types it; under a file's headers it is asked
 * for
 */
export function withColumn(grid: RunGrid, column: number, change: Partial<RunColumnDto>, isUnitSeen = true): RunGrid {
  const columns = grid.columns.map((c, i) => {
    if (i !== column) return c;
    const next = { ...c, ...change };
    return change.quantity === undefined || change.quantity === c.quantity
      ? next
      : { ...next, unitSymbol: change.quantity === null || !isUnitSeen ? '' : usualUnitSymbol(change.quantity) };
  });
  return { ...grid, columns };
}

/** The grid with one more column for the first quantity that it lacks. */
export function withAddedColumn(grid: RunGrid): RunGrid {
  const missing = standQuantityNames.find((q) => !grid.columns.some((c) => c.quantity === q));
  if (missing === undefined || grid.columns.length >= COLUMN_MAX_COUNT) return grid;
  return {
    columns: [...grid.columns, { quantity: missing, unitSymbol: usualUnitSymbol(missing), readingKind: 'settledMean' }],
    cells: grid.cells.map((row) => [...row, '']),
  };
}

/**
 * The grid with one reading more: in the first row that is empty, under columns of its quantities, which are added
 * where they lack. A full grid stays as it is.
 */
export function withReading(grid: RunGrid, step: StandStep): RunGrid {
  const read = standQuantityNames.filter((q) => step[q] !== null);
  const columns = [...grid.columns];
  for (const quantity of read)
    if (!columns.some((c) => c.quantity === quantity) && columns.length < COLUMN_MAX_COUNT)
      columns.push({ quantity, unitSymbol: usualUnitSymbol(quantity), readingKind: 'settledMean' });
  const row = columns.map(({ quantity, unitSymbol }) => {
    const unit = quantity === null ? undefined : findUnit(standQuantities[quantity], unitSymbol);
    return unit && step[quantity!] !== null ? String(Number(fromSi(unit, step[quantity!]!).toPrecision(6))) : '';
  });
  const wide = grid.cells.map((cells) => columns.map((_, i) => cells[i] ?? ''));
  const free = wide.findIndex((cells) => cells.every((c) => c.trim() === ''));
  if (free >= 0) return { columns, cells: wide.map((cells, i) => (i === free ? row : cells)) };
  return wide.length < STEP_MAX_COUNT ? { columns, cells: [...wide, row] } : grid;
}

export interface Pasted {
  grid: RunGrid;
  /** Rows and columns that did not fit. */
  leftOverRows: number;
}

/** Lays pasted cells into the grid from a cell on; a header row pasted into the first row maps the columns instead. */
export function withPasted(grid: RunGrid, row: number, column: number, pasted: string[][]): Pasted {
  const first = pasted[0] ?? [];
  const isWhole = row === 0 && column === 0 && isHeaderRow(first);
  const columns = isWhole
    ? mergeColumns(grid.columns, pasted)
    : widened(grid.columns, column + Math.max(...pasted.map((r) => r.length)));
  const body = isWhole ? pasted.slice(1) : pasted;
  const fitting = body.slice(0, STEP_MAX_COUNT - row);
  const height = Math.min(STEP_MAX_COUNT, Math.max(grid.cells.length, row + fitting.length + 1));
  const cells = Array.from({ length: height }, (_, r) =>
    columns.map((_column, c) => {
      const text = fitting[r - row]?.[c - column];
      return r >= row && c >= column && text !== undefined
        ? text.trim().slice(0, CELL_MAX_LENGTH)
        : (grid.cells[r]?.[c] ?? '');
    }),
  );
  return { grid: { columns, cells }, leftOverRows: body.length - fitting.length };
}

function mergeColumns(columns: RunColumnDto[], [headers, ...body]: string[][]): RunColumnDto[] {
  const read = gridColumns(headers!, body);
  return [
    ...read,
    ...columns
      .slice(read.length)
      .map((c) => ({ ...c, quantity: read.some((r) => r.quantity === c.quantity) ? null : c.quantity })),
  ].slice(0, COLUMN_MAX_COUNT);
}

function widened(columns: RunColumnDto[], wanted: number): RunColumnDto[] {
  const missing = Math.min(COLUMN_MAX_COUNT, wanted) - columns.length;
  return missing <= 0
    ? columns
    : [
        ...columns,
        ...Array.from({ length: missing }, (): RunColumnDto => ({
          quantity: null,
          unitSymbol: '',
          readingKind: 'settledMean',
        })),
      ];
}

/** What headers say; a unit that none of them names stays open, but for a throttle whose figures tell. */
function gridColumns(headers: string[], body: readonly string[][]): RunColumnDto[] {
  const unitOf = (quantity: string | null, column: number): string =>
    quantity === 'throttleRatio' ? (throttleUnit(body.map((r) => r[column] ?? '')) ?? '') : '';
  return recognizeColumns(headers.slice(0, COLUMN_MAX_COUNT)).map(
    ({ quantity, unitSymbol, unitFrom, readingKind }, i) => ({
      quantity,
      unitSymbol: unitFrom === 'header' ? unitSymbol : unitOf(quantity, i),
      readingKind,
    }),
  );
}

export interface ImportedTable {
  grid: RunGrid;
  headers: string[];
  /** The headers as they are remembered; null for a table without any. */
  recipeHeader: string | null;
  /** Headers that nothing could be made of. */
  unknown: string[];
  leftOverRows: number;
}

/** Headers as they are remembered: the same ones are read the same way the next time. */
export function recipeHeaderOf(headers: readonly string[]): string {
  return headers
    .map((h) => h.trim().toLowerCase())
    .join('\t')
    .slice(0, RECIPE_HEADER_MAX_LENGTH);
}

/** A file or paste as a grid: headers recognised, units from them, cells as they stand. */
export function gridFromTable(rows: string[][]): ImportedTable {
  const hasHeader = isHeaderRow(rows[0] ?? []);
  const width = Math.min(COLUMN_MAX_COUNT, Math.max(0, ...rows.map((r) => r.length)));
  const headers = Array.from({ length: width }, (_, i) => (hasHeader ? (rows[0]![i] ?? '') : `Column ${i + 1}`));
  const body = hasHeader ? rows.slice(1) : rows;
  const columns = gridColumns(headers, body);
  const cells = body
    .slice(0, STEP_MAX_COUNT)
    .map((r) => headers.map((_, i) => (r[i] ?? '').trim().slice(0, CELL_MAX_LENGTH)));
  return {
    grid: { columns, cells },
    headers,
    recipeHeader: hasHeader ? recipeHeaderOf(headers) : null,
    unknown: headers.filter((h, i) => columns[i]!.quantity === null && h.trim() !== ''),
    leftOverRows: Math.max(0, body.length - STEP_MAX_COUNT),
  };
}

export interface GridReading extends RunTable {
  /** What still keeps the run from being kept, in words; empty when it can be. */
  obstacles: string[];
}

/** Reads the whole grid: steps, errors by cell, and what is still missing. */
export function readGrid(grid: RunGrid): GridReading {
  const unitless = grid.columns.filter((c) => c.quantity !== null && c.unitSymbol === '');
  const table = readRunTable(
    grid.cells,
    grid.columns.map((c) => (unitless.includes(c) ? { ...c, quantity: null } : c)),
    settleDecimalMark(grid.cells),
    readingLimits,
  );
  const obstacles: string[] = [];
  const has = (quantity: string): boolean => grid.columns.some((c) => c.quantity === quantity);
  const repeated = grid.columns.map((c) => c.quantity).find((q, i, all) => q !== null && all.indexOf(q) !== i);
  if (repeated) obstacles.push(`Two columns hold ${quantityNames[repeated].toLowerCase()}: leave one out.`);
  if (!has('throttleRatio')) obstacles.push('Say which column is the throttle.');
  if (!has('thrustN')) obstacles.push('Say which column is the thrust.');
  if (unitless.length > 0)
    obstacles.push(
      `Say the unit of ${unitless.map((c) => quantityNames[c.quantity!].toLowerCase()).join(', ')}: the header ` +
        'does not.',
    );
  if (table.errors.length > 0)
    obstacles.push(
      table.errors.length === 1 ? 'One cell cannot be taken.' : `${table.errors.length} cells cannot be taken.`,
    );
  const halfRows = table.steps.filter((s) => s.throttleRatio === null || s.thrustN === null).length;
  if (table.errors.length === 0 && unitless.length === 0 && has('throttleRatio') && has('thrustN') && halfRows > 0)
    obstacles.push(
      halfRows === 1 ? 'One row has no throttle or no thrust.' : `${halfRows} rows have no throttle or no thrust.`,
    );
  const [only] = table.steps;
  if (!only) obstacles.push('Nothing is read yet: one row at full throttle is enough.');
  else if (table.steps.length === 1 && only.throttleRatio !== null && only.throttleRatio < FULL_THROTTLE_LEAST)
    obstacles.push('One row alone must be at full throttle; below it two steps are needed at least.');
  return { ...table, obstacles };
}

/** What of a readable run cannot be, in words, with the units that would make sense of it. */
export function doubtsOf(reading: GridReading, grid: RunGrid, prop: DoubtedProp | null): string[] {
  if (prop === null || reading.obstacles.length > 0) return [];
  const doubts = runDoubts(reading.steps, prop);
  const likely = likelyUnits(reading.steps, grid.columns, prop);
  return [...doubts.map(doubtSentence), ...(likely ? [unitMistakeSentence(likely)] : [])];
}

/** Place and cause of a cell error in words: row as counted on the page. */
export function cellErrorSentence(
  error: CellError,
  columnName: string,
  dimension: Dimension,
  choices: UnitChoices,
): string {
  return `Row ${error.row + 1}, ${columnName}: ${unreadableSentence(error.problem, dimension, choices)}`;
}

export interface AsideReading {
  restingCellV: number | null;
  zeroBeforeN: number | null;
  zeroAfterN: number | null;
  problems: Partial<Record<keyof RunAside, string>>;
}

/** Reads what stands beside the grid: pack voltage and zeroes, each with its own range. */
export function readAside(aside: RunAside, choices: UnitChoices): AsideReading {
  const result: AsideReading = { restingCellV: null, zeroBeforeN: null, zeroAfterN: null, problems: {} };
  const take = (
    field: keyof RunAside,
    key: 'restingCellV' | 'zeroBeforeN' | 'zeroAfterN',
    dimension: Dimension,
    { min, max }: { min: number; max: number },
    unit: Unit,
  ): void => {
    const read = readQuantity(aside[field], dimension, unit);
    if (read.status === 'empty') return;
    const problem: CellProblem | null =
      read.status !== 'read'
        ? read
        : read.valueSi < min || read.valueSi > max
          ? { status: 'outOfLimits', text: aside[field].trim(), valueSi: read.valueSi, min, max }
          : null;
    if (problem) result.problems[field] = unreadableSentence(problem, dimension, choices);
    else if (read.status === 'read') result[key] = read.valueSi;
  };
  take('restingCell', 'restingCellV', 'voltage', standLimits.cellV, unitFor('voltage', choices));
  take('zeroBefore', 'zeroBeforeN', 'force', standLimits.zeroN, unitFor('force', choices));
  take('zeroAfter', 'zeroAfterN', 'force', standLimits.zeroN, unitFor('force', choices));
  return result;
}

/** Readings as they are sent to be kept. */
export function toReadings(
  reading: Pick<RunTable, 'steps' | 'readingKinds'>,
  aside: Omit<AsideReading, 'problems'>,
  packPieceId: string | null,
): RunReadingsDto {
  return {
    steps: reading.steps.map((s) => ({ ...emptyStep(), ...s })) as RunReadingsDto['steps'],
    readingKinds: Object.entries(reading.readingKinds).map(
      ([quantity, readingKind]) => ({ quantity, readingKind }) as RunReadingsDto['readingKinds'][number],
    ),
    restingCellV: aside.restingCellV,
    zeroBeforeN: aside.zeroBeforeN,
    zeroAfterN: aside.zeroAfterN,
    packPieceId,
  };
}

/** A kept run as a grid again, in the reader's units, to be corrected in a new run. */
export function gridFromSteps(steps: readonly StandStep[], choices: UnitChoices): RunGrid {
  const used = standQuantityNames.filter(
    (q) => q === 'throttleRatio' || q === 'thrustN' || steps.some((s) => s[q] !== null),
  );
  const columns = used.map((quantity): RunColumnDto => ({
    quantity,
    unitSymbol: unitFor(standQuantities[quantity], choices).symbol,
    readingKind: 'settledMean',
  }));
  return {
    columns,
    cells: steps.map((step) =>
      used.map((q) => (step[q] === null ? '' : plainNumber(step[q], standQuantities[q], choices))),
    ),
  };
}

/** A number in the reader's unit without the unit, as it would be typed. */
export function plainNumber(valueSi: number, dimension: Dimension, choices: UnitChoices): string {
  return String(Number(fromSi(unitFor(dimension, choices), valueSi).toPrecision(6)));
}

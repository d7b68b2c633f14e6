import type { ImportRecipeView, RunColumnDto, RunReadingsDto } from '@zivvo/contract';
import {
  findUnit,
  isGraveFault,
  standQuantities,
  timeUnits,
  unitSymbols,
  usualUnitSymbol,
  type ColumnMapping,
  type StandQuantity,
  type TimeUnit,
} from '@zivvo/core';
import { quantityNames } from '@zivvo/words';
import type { WorkProblem } from '../../shared/worker/workProblem.ts';
import { recipeHeaderOf, toReadings } from '../runGrid.ts';
import type { SamplesMapping, SamplesPreview, SamplesReport } from './samplesWork.ts';

/** What a column may hold, as its choice tells it. */
export type Holds = StandQuantity | 'time' | '';

export function mappingOf({ guess, hasHeader, mark }: SamplesPreview): SamplesMapping {
  return { ...guess, hasHeader, mark, polePairs: 1 };
}

export const holdsOf = ({ time, columns }: SamplesMapping, at: number): Holds =>
  at === time ? 'time' : (columns[at]?.quantity ?? '');

/** The same mapping, another thing in a column; whatever held that before holds nothing. */
export function withHolds(mapping: SamplesMapping, at: number, holds: Holds): SamplesMapping {
  const columns = mapping.columns.map((column, i): ColumnMapping => {
    if (i === at) {
      const quantity = holds === 'time' || holds === '' ? null : holds;
      return { ...column, quantity, unitSymbol: quantity === null ? '' : usualUnitSymbol(quantity) };
    }
    return holds !== '' && column.quantity === holds ? { ...column, quantity: null } : column;
  });
  const time = holds === 'time' ? at : mapping.time === at ? null : mapping.time;
  return { ...mapping, time, columns };
}

export function withUnit(mapping: SamplesMapping, at: number, symbol: string): SamplesMapping {
  if (at === mapping.time) return { ...mapping, timeUnit: symbol as TimeUnit };
  return {
    ...mapping,
    columns: mapping.columns.map((c, i) => (i === at ? { ...c, unitSymbol: symbol } : c)),
  };
}

export const unitsOf = (holds: Holds): readonly string[] =>
  holds === '' ? [] : holds === 'time' ? timeUnits : unitSymbols(holds);

/** What is still to be said before all rows are read, in words. */
export function lacksOf({ time, columns }: SamplesMapping): string[] {
  const has = (quantity: StandQuantity): boolean => columns.some((c) => c.quantity === quantity);
  const unitless = columns.filter((c) => c.quantity !== null && !findUnit(standQuantities[c.quantity], c.unitSymbol));
  return [
    ...(time === null ? ['Say which column is the time.'] : []),
    ...(has('throttleRatio') ? [] : ['Say which column is the throttle.']),
    ...(has('thrustN') ? [] : ['Say which column is the thrust.']),
    ...unitless.map((c) => `Say the unit of ${quantityNames[c.quantity!].toLowerCase()}.`),
  ];
}

/** How these headers were read before; null where they were not, or some of them no more. */
export function rememberedMapping(
  { names, hasHeader }: SamplesPreview,
  recipes: readonly Pick<ImportRecipeView, 'header' | 'columns'>[],
  now: SamplesMapping,
): SamplesMapping | null {
  const recipe = hasHeader
    ? recipes.find((r) => r.header === recipeHeaderOf(names) && r.columns.length === names.length)
    : undefined;
  if (!recipe) return null;
  const time = recipe.columns.findIndex((c) => c.quantity === null && c.unitSymbol !== '');
  if (time < 0) return null;
  const timeUnit = timeUnits.find((unit) => unit === recipe.columns[time]!.unitSymbol);
  return timeUnit === undefined ? null : { ...now, time, timeUnit, columns: recipe.columns };
}

/** The mapping as it is remembered: a column that holds nothing and has a unit is the time. */
export const recipeColumns = ({ time, timeUnit, columns }: SamplesMapping): RunColumnDto[] =>
  columns.map(({ quantity, unitSymbol, readingKind }, i) => ({
    quantity: i === time ? null : quantity,
    unitSymbol: i === time ? timeUnit : quantity === null ? '' : unitSymbol,
    readingKind,
  }));

/** The readings of the run that the steps make. */
export function readingsOf(
  { steps, zeroBeforeN, zeroAfterN }: SamplesReport,
  { columns }: SamplesMapping,
  restingCellV: number | null,
  packPieceId: string | null,
): RunReadingsDto {
  const readingKinds = Object.fromEntries(columns.flatMap((c) => (c.quantity ? [[c.quantity, c.readingKind]] : [])));
  return toReadings(
    { steps: steps.map((s) => s.step), readingKinds },
    { restingCellV, zeroBeforeN, zeroAfterN },
    packPieceId,
  );
}

export const isReadable = (report: SamplesReport): boolean => !report.faults.some(isGraveFault);

/** Why the file or a part of it could not be read, in words. */
export function samplesProblem({ code, what, allowed }: WorkProblem): string {
  switch (code) {
    case 'stopped':
      return 'Stopped; nothing of it is kept.';
    case 'notText':
      return 'This is no table: CSV, TSV or semicolons as plain text are read.';
    case 'notEnoughReadings':
      return 'The file holds no rows.';
    case 'tooManyColumns':
      return `It has ${what}; at most ${allowed} are read. Leave out in the logger what nobody needs.`;
    case 'tooManyRows':
      return `It has more than ${allowed} rows: cut the file in two.`;
    case 'refused':
      return `${what.replace(/\.$/, '')}. What was read stays on the page: keep it again.`;
    default:
      return what;
  }
}

import type { CampaignResultsView } from '@zivvo/contract';
import { figureDimension, fromSi, type PointFigure } from '@zivvo/core';
import { figureNames, formatNumber, unitFor, type UnitChoices } from '@zivvo/words';
import Papa from 'papaparse';
import type { ResultRow } from './resultsView.ts';

/** Digits that are enough to work on with; a spreadsheet shows fewer. */
const DIGITS = 6;

/** Text, a number, or nothing. */
export type Cell = string | number | null;

/** The results at a point as rows of cells, headers with units first: what a spreadsheet takes. */
export function resultCells(
  rows: readonly ResultRow[],
  figures: readonly PointFigure[],
  choices: UnitChoices,
): Cell[][] {
  const head = [
    'Prop',
    'Runs',
    ...figures.flatMap((figure) => {
      const unit = unitFor(figureDimension(figure), choices).symbol;
      const name = `${figureNames[figure]}${unit === '' ? '' : ` (${unit})`}`;
      return [name, `± ${name}`];
    }),
    'Difference to reference (%)',
    '± (%)',
  ];
  const number = (value: number | null | undefined): Cell =>
    value == null || !Number.isFinite(value) ? null : Number(value.toPrecision(DIGITS));
  const body = rows.map((row) => {
    const main =
      row.figures.riseS ?? (row.figures.thrustN?.differenceRatio == null ? row.figures.powerW : row.figures.thrustN);
    return [
      row.name,
      row.result.countedRunIds.length,
      ...figures.flatMap((figure) => {
        const cell = row.figures[figure];
        const unit = unitFor(figureDimension(figure), choices);
        if (!cell) return [null, null];
        const { value, uncertainty } = cell.figure;
        return [
          number(fromSi(unit, value)),
          number(uncertainty === null ? null : fromSi(unit, value + uncertainty) - fromSi(unit, value)),
        ];
      }),
      number(main?.differenceRatio == null ? null : 100 * main.differenceRatio),
      number(main?.differenceHalfWidthRatio == null ? null : 100 * main.differenceHalfWidthRatio),
    ];
  });
  return [head, ...body];
}

/** Cells parted by tabs, for the clipboard. */
export const toTabs = (cells: Cell[][]): string => Papa.unparse(cells, { delimiter: '\t', newline: '\n' });

/** Cells parted by commas; a text that a spreadsheet would take for a formula is told to be one. */
export const toCsv = (cells: Cell[][]): string => `\uFEFF${Papa.unparse(cells, { escapeFormulae: true })}\r\n`;

/** Who lifts which thrust on least power, in a line. */
export function winnersText(
  { winners }: Pick<CampaignResultsView, 'winners'>,
  nameOf: (id: string) => string,
  choices: UnitChoices,
): string | null {
  if (winners.length === 0) return null;
  const unit = unitFor('force', choices);
  const shown = (n: number): string => `${formatNumber(fromSi(unit, n), unit.symbol === 'g' ? 0 : 1)} ${unit.symbol}`;
  const parts = winners.map(({ fromN, toN, propModelId, alikeIds }) => {
    const alike = alikeIds.length === 0 ? '' : ` (as ${alikeIds.map(nameOf).join(', ')})`;
    return `${shown(fromN)} to ${shown(toN)} ${nameOf(propModelId)}${alike}`;
  });
  return `Least power for a thrust: ${parts.join('; ')}.`;
}

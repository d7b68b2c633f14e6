import type { CampaignExportView } from '@zivvo/contract';
import { fromSi, standQuantities, standQuantityNames, type StandQuantity } from '@zivvo/core';
import { originNames, quantityNames, unitFor, type UnitChoices } from '@zivvo/words';
import type { Cell } from './resultsTable.ts';

/** One sheet of a workbook: headers first. */
export interface WorkbookSheet {
  name: string;
  cells: Cell[][];
}

const DIGITS = 7;

/** Headers with units; numbers stay numbers. */
const head = (quantity: StandQuantity, choices: UnitChoices): string => {
  const { symbol } = unitFor(standQuantities[quantity], choices);
  return `${quantityNames[quantity]}${symbol === '' ? '' : ` (${symbol})`}`;
};

/**
 * An evening as a spreadsheet takes it: results at the point looked at, every step of every kept run as it was read,
 * and what the evening was. With it the results can be reduced again by hand.
 *
 * @param results - as {@link resultCells} makes them
 * @param nameOf - of a prop model
 */
export function eveningSheets(
  results: Cell[][],
  { campaign, rigs, runs }: CampaignExportView,
  nameOf: (propModelId: string) => string,
  choices: UnitChoices,
): WorkbookSheet[] {
  const used = standQuantityNames.filter((q) => runs.some((run) => run.steps.some((step) => step[q] != null)));
  const shown = (quantity: StandQuantity, si: number | null | undefined): Cell =>
    si == null ? null : Number(fromSi(unitFor(standQuantities[quantity], choices), si).toPrecision(DIGITS));
  const rigName = (kitId: string | null): Cell => rigs.find((rig) => rig.kitId === kitId)?.name ?? null;
  const number = (value: number | null | undefined): Cell => value ?? null;
  const air: [string, Cell][] = [
    ['Evening', campaign.name],
    ['Air temperature (°C)', campaign.temperatureC],
    ['Station pressure (Pa)', campaign.pressurePa],
    ['Humidity (1)', campaign.humidityRatio],
    ['Air density (kg/m³)', Number(campaign.densityKgPerM3.toPrecision(DIGITS))],
    ['Least rest of a cell (V)', number(campaign.gateCellV)],
    ['Reference', campaign.referencePropModelId === null ? null : nameOf(campaign.referencePropModelId)],
    ['Note', campaign.note],
  ];
  const craft = rigs.flatMap(({ name, craft: { massKg, rotorCount, escLimitA, motorLimitA } }): [string, Cell][] => [
    [`${name}: take-off mass (kg)`, massKg],
    [`${name}: rotors`, rotorCount],
    [`${name}: ESC limit (A)`, number(escLimitA)],
    [`${name}: motor limit (A)`, number(motorLimitA)],
  ]);
  return [
    { name: 'Results', cells: results },
    {
      name: 'Steps',
      cells: [
        [
          'Prop',
          'Run',
          'Rig',
          'Kept',
          'Source',
          'Rest of a cell (V)',
          'Zero before (N)',
          'Zero after (N)',
          'Step',
          ...used.map((q) => head(q, choices)),
          'Factors of the checks',
        ],
        ...runs.flatMap((run) =>
          run.steps.map((step, i): Cell[] => [
            nameOf(run.propModelId),
            run.ordinal,
            rigName(run.kitId),
            run.keptAt,
            originNames[run.origin],
            number(run.restingCellV),
            number(run.zeroBeforeN),
            number(run.zeroAfterN),
            i + 1,
            ...used.map((q) => shown(q, step[q])),
            run.corrections.length === 0 ? null : JSON.stringify(run.corrections),
          ]),
        ),
      ],
    },
    { name: 'Evening', cells: [['What', 'Value'], ...air, ...craft] },
  ];
}

/** Sheets as a file; what makes it is fetched when it is asked for. */
export async function toWorkbook(sheets: readonly WorkbookSheet[]): Promise<Blob> {
  const { default: write } = await import('write-excel-file/browser');
  return write(
    sheets.map(({ name, cells }) => ({
      sheet: name,
      stickyRowsCount: 1,
      data: cells.map((row, i) =>
        row.map((cell) => (i === 0 && cell !== null ? { value: cell, fontWeight: 'bold' as const } : cell)),
      ),
      columns: widthsOf(cells).map((width) => ({ width })),
    })),
  ).toBlob();
}

const MOST_WIDTH = 40;

const widthsOf = (cells: readonly Cell[][]): number[] =>
  (cells[0] ?? []).map((_, at) =>
    Math.min(MOST_WIDTH, 2 + Math.max(...cells.slice(0, 200).map((row) => String(row[at] ?? '').length))),
  );

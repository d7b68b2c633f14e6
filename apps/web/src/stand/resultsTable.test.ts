import { describe, expect, test } from '@jest/globals';
import type { ComparedFigure, PropResult } from '@zivvo/core';
import { defaultUnits } from '@zivvo/words';
import { differenceChart, differenceLine, differenceSentence } from './differenceChart.ts';
import { resultCells, toCsv, toTabs, winnersText } from './resultsTable.ts';
import type { ResultRow } from './resultsView.ts';

const figure = (value: number, dimension: string, uncertainty: number | null, differenceRatio: number | null = null) =>
  ({ figure: { value, dimension, uncertainty }, differenceRatio, differenceHalfWidthRatio: 0.011 }) as ComparedFigure;
const row = (id: string, name: string, factor: number, more: Partial<ResultRow> = {}): ResultRow =>
  ({
    id,
    name,
    seriesIndex: 1,
    isReference: id === 'ref',
    result: {
      countedRunIds: ['1', '2'],
      line: [1, 2, 3, 4].map((i) => ({ powerW: 100 * i, thrustN: factor * 3 * i })),
    } as unknown as PropResult,
    figures: { thrustN: figure(14.7099 * factor, 'force', 0.0980665, id === 'ref' ? null : factor - 1) },
    ...more,
  }) as ResultRow;
const rows = [row('ref', 'Brindlow 7×4', 1), row('b', '=cmd, "x"', 0.95)];

describe('the table for a spreadsheet', () => {
  test('headers with units, plus-minus beside each figure, nothing where nothing is', () => {
    const cells = resultCells(rows, ['thrustN', 'currentA'], defaultUnits);
    expect(cells[0]).toEqual([
      'Prop',
      'Runs',
      'Thrust (g)',
      '± Thrust (g)',
      'Current (A)',
      '± Current (A)',
      'Difference to reference (%)',
      '± (%)',
    ]);
    expect(cells[1]).toEqual(['Brindlow 7×4', 2, 1499.99, 10, null, null, null, null]);
    expect(cells[2]!.slice(6)).toEqual([-5, 1.1]);
  });

  test('names that a spreadsheet would run are told to be text; numbers below nothing stay numbers', () => {
    const cells = resultCells(rows, ['thrustN'], defaultUnits);
    expect(toCsv(cells)).toContain(`"'=cmd, ""x""",2,`);
    expect(toCsv(cells)).toContain(',-5,1.1');
    expect(toTabs(cells).split('\n')[1]!.split('\t').slice(0, 3)).toEqual(['Brindlow 7×4', '2', '1499.99']);
  });
});

describe('against the reference', () => {
  test('the difference at the same power, only where both were measured', () => {
    const own = [
      { powerW: 50, thrustN: 2 },
      { powerW: 150, thrustN: 4.95 },
      { powerW: 500, thrustN: 20 },
    ];
    expect(differenceLine(own, rows[0]!.result.line)).toEqual([{ powerW: 150, ratio: expect.closeTo(0.1, 9) }]);
    expect(differenceLine(own, [])).toEqual([]);
  });

  test('the chart holds every other prop, and a band in which a difference may be chance; it is said in words too', () => {
    const option = differenceChart({
      rows,
      strong: new Set(),
      halfWidthRatio: 0.02,
      ink: {} as never,
      isNarrow: false,
      width: 900,
    });
    const series = option.series as { name?: string; data: number[][]; markArea?: { data: { yAxis: number }[][] } }[];
    expect(series.map((s) => s.name)).toEqual([undefined, '=cmd, "x"']);
    expect(series[0]!.markArea!.data[0]).toEqual([{ yAxis: -2 }, { yAxis: 2 }]);
    for (const [, percent] of series[1]!.data) expect(percent).toBeCloseTo(-5, 9);
    expect(differenceSentence(rows)).toBe('Thrust against Brindlow 7×4 at the same power: =cmd, "x" -5 to -5 %.');
  });
});

test('who lifts what on least power is told in a line, with who cannot be told apart', () => {
  const winners = [
    { fromN: 1.96133, toN: 4.903325, propModelId: 'ref', alikeIds: [] },
    { fromN: 4.903325, toN: 9.80665, propModelId: 'b', alikeIds: ['ref'] },
  ];
  const name = (id: string): string => id.toUpperCase();
  expect(winnersText({ winners }, name, defaultUnits)).toBe(
    'Least power for a thrust: 200 g to 500 g REF; 500 g to 1,000 g B (as REF).',
  );
  expect(winnersText({ winners: [] }, name, defaultUnits)).toBeNull();
});

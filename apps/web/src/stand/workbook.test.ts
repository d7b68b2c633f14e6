import { expect, test } from '@jest/globals';
import type { CampaignExportView } from '@zivvo/contract';
import { emptyStep } from '@zivvo/core';
import { defaultUnits } from '@zivvo/words';
import { eveningSheets } from './workbook.ts';

const evening = {
  format: 'zivvo-evening-1',
  campaign: {
    name: 'Cold shed',
    temperatureC: 4,
    pressurePa: 101_300,
    humidityRatio: 0.6,
    densityKgPerM3: 1.273_456_78,
    gateCellV: 4.1,
    referencePropModelId: 'm1',
    note: null,
  },
  rigs: [
    {
      kitId: null,
      name: 'as described',
      craft: { massKg: 0.68, rotorCount: 4, escLimitA: 45, motorLimitA: null },
      props: [],
    },
  ],
  runs: [
    {
      id: 'r1',
      propModelId: 'm1',
      ordinal: 1,
      kitId: null,
      keptAt: '2026-11-22T18:00:00.000Z',
      origin: 'imported',
      restingCellV: 4.15,
      zeroBeforeN: 0.02,
      zeroAfterN: null,
      corrections: [],
      steps: [
        { ...emptyStep(), throttleRatio: 0.5, thrustN: 4.903325, speedRpm: 12_000 },
        { ...emptyStep(), throttleRatio: 1, thrustN: 9.80665 },
      ],
    },
  ],
} as unknown as CampaignExportView;

test('an evening as sheets: what is shown, every step with its units, the air it was in', () => {
  const [results, steps, about] = eveningSheets([['Prop'], ['Orle']], evening, (id) => `prop ${id}`, defaultUnits);
  expect(results).toEqual({ name: 'Results', cells: [['Prop'], ['Orle']] });
  const [head, first, second] = steps!.cells;
  expect(head!.slice(9)).toEqual(['Throttle (%)', 'Thrust (g)', 'Speed (rpm)', 'Factors of the checks']);
  expect(first).toEqual([
    'prop m1',
    1,
    'as described',
    '2026-11-22T18:00:00.000Z',
    'imported',
    4.15,
    0.02,
    null,
    1,
    50,
    500,
    12_000,
    null,
  ]);
  // What was not read is empty, not nothing.
  expect(second!.slice(8)).toEqual([2, 100, 1000, null, null]);
  expect(about!.cells).toContainEqual(['Air density (kg/m³)', 1.273457]);
  expect(about!.cells).toContainEqual(['Reference', 'prop m1']);
  expect(about!.cells).toContainEqual(['as described: ESC limit (A)', 45]);
});
